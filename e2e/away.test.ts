import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser } from 'playwright-core';
import { freePort, startDatabase } from '../scripts/database.mjs';
import { startServer } from '../scripts/server.mjs';
import { loadDemo, openBench, openBrowser, settled, TABLET } from './test/bench.ts';
import { findAccessory } from './test/job.ts';

const LONG_MS = 400_000;
let browser: Browser;
let folder: string;
beforeAll(async () => {
  browser = await openBrowser();
  folder = mkdtempSync(join(tmpdir(), 'jade-away-'));
}, LONG_MS);
afterAll(async () => {
  await browser.close();
  rmSync(folder, { recursive: true, force: true });
});

const healthy = async (address: string) => (await fetch(`${address}/api/health`).catch(() => undefined))?.status;

test(
  'the database goes and comes back: what was entered meanwhile is kept, survives a reload and is sent',
  async () => {
    const port = await freePort();
    let database = await startDatabase(folder, { port: await freePort() });
    const server = await startServer({ databaseUrl: database.url, ownerUrl: database.ownerUrl, port, quiet: true });
    await loadDemo(port);
    const { page, context } = await openBench(browser, server.address, 'fern');
    await page.goto(`${server.address}/jobs/hill-road-12/check-in`);
    await page.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    // Who is here is told and kept beside the job: before that nobody is known while the server is away.
    await page.getByRole('banner').getByRole('button', { name: 'Fern' }).waitFor();
    await database.stop();
    expect(await healthy(server.address)).toBe(503);
    await page.getByRole('textbox', { name: 'Battery at rest' }).fill('12.3');
    await page.getByRole('textbox', { name: 'Battery at rest' }).press('Enter');
    await page.getByText('no server: 1 kept here').waitFor();
    await findAccessory(page, 'Light bar bracket', 'Wheel arch liner, left');
    await page.getByText('no server: 2 kept here').waitFor();
    await page.reload();
    await page.getByText('no server: 2 kept here').waitFor();
    expect(await page.getByRole('textbox', { name: 'Battery at rest' }).inputValue()).toBe('12.3');
    // Who was at the bench is known still, and what is recorded now is recorded in their session.
    await page.getByRole('banner').getByRole('button', { name: 'Fern' }).waitFor();
    database = await startDatabase(folder, { port: database.port });
    await settled(page);
    expect(await healthy(server.address)).toBe(200);
    const { events } = (await (await context.request.get(`${server.address}/api/jobs/hill-road-12/events`)).json()) as { events: { type: string; payload: object }[] };
    expect(events.filter((event) => event.type === 'battery.measured').map((event) => event.payload)).toEqual([{ restV: 12.3 }]);
    expect(events.filter((event) => event.type === 'accessory.found').map((event) => event.payload)).toMatchObject([{ name: 'Light bar bracket', holds: ['arch-liner-left'] }]);
    await server.stop();
    await database.stop();
  },
  LONG_MS,
);

test(
  'a tablet that has opened a job loses the network: every station still opens, what is entered is kept and sent when it is back',
  async () => {
    const port = await freePort();
    const database = await startDatabase(folder, { port: await freePort() });
    const server = await startServer({ databaseUrl: database.url, ownerUrl: database.ownerUrl, port, quiet: true });
    await loadDemo(port);
    const { page, context, complaints } = await openBench(browser, server.address, 'fern', { viewport: TABLET });
    await page.goto(`${server.address}/jobs/hill-road-07/open-up`);
    await page.getByRole('button', { name: /^Done(, \d+ into slot|$)/ }).waitFor();
    await page.waitForFunction(() => performance.getEntriesByType('resource').some((entry) => entry.name.includes('FoundHere')));
    await page.waitForLoadState('networkidle');
    await context.setOffline(true);
    for (const [station, name] of [
      ['wire', 'Wire'],
      ['fit', 'Fit'],
      ['close-up', 'Close up'],
      ['check-in', 'Check in'],
    ] as const) {
      await page.locator(`a[href$="/${station}"]`).first().click();
      await page.getByRole('heading', { level: 1, name, exact: true }).waitFor();
    }
    await findAccessory(page, 'Winch mount', 'Wheel arch liner, left');
    await page.getByText(/no server: 1 kept here/).waitFor();
    await context.setOffline(false);
    await settled(page);
    const { events } = (await (await context.request.get(`${server.address}/api/jobs/hill-road-07/events`)).json()) as { events: { type: string }[] };
    expect(events.filter((event) => event.type === 'accessory.found')).toHaveLength(1);
    expect(complaints).toEqual([]);
    await server.stop();
    await database.stop();
  },
  LONG_MS,
);
