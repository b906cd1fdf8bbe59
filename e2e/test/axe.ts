import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'playwright-core';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

interface Found {
  id: string;
  impact: string;
  nodes: { html: string }[];
}

declare global {
  interface Window {
    axe: { run: (options: object) => Promise<{ violations: Found[] }> };
  }
}

/** What moves comes to rest within this, or is looked at as it moves. */
const REST_MS = 5000;

/** Waits until nothing moves: a label that is still on its way above its field has no colour of its own yet. */
export const atRest = (page: Page) =>
  page
    .waitForFunction(() => document.getAnimations().every(({ playState, effect }) => playState !== 'running' || effect?.getTiming().iterations === Infinity), undefined, {
      timeout: REST_MS,
    })
    .catch(() => undefined);

/** What keeps people out of a page, serious or worse, with where it stands. */
export async function serious(page: Page): Promise<string[]> {
  await atRest(page);
  await page.evaluate(axe);
  const found = await page.evaluate(async () => (await window.axe.run({ resultTypes: ['violations'] })).violations);
  return found.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`);
}
