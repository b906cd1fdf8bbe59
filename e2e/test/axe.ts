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

/** What keeps people out of a page, serious or worse, with where it stands. */
export async function serious(page: Page): Promise<string[]> {
  await page.evaluate(axe);
  const found = await page.evaluate(async () => (await window.axe.run({ resultTypes: ['violations'] })).violations);
  return found.filter(({ impact }) => impact === 'serious' || impact === 'critical').map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`);
}
