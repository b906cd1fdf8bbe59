import type { Browser } from 'playwright-core';
import { openBrowser } from '../scripts/browser.mjs';
import { freePort } from '../scripts/database.mjs';
import { startServer } from '../scripts/server.mjs';
import { emptyDatabase } from '../server/test/shop.ts';
import { serious } from './test/axe.ts';
import { COUNTER, PATIENCE_MS } from './test/bench.ts';

const LONG_MS = 400_000;
let browser: Browser;
beforeAll(async () => {
  browser = await openBrowser();
}, LONG_MS);
afterAll(() => browser.close());

test(
  'an empty shop asks for itself, by keyboard alone; then its lead is at the bench and it is never asked again',
  async () => {
    const { url, drop } = await emptyDatabase();
    const server = await startServer({ databaseUrl: url, port: await freePort(), quiet: true });
    const context = await browser.newContext({ viewport: COUNTER });
    const page = await context.newPage();
    page.setDefaultTimeout(PATIENCE_MS);
    const complaints: string[] = [];
    page.on('pageerror', (error) => complaints.push(error.message));
    await page.goto(server.address);
    await page.getByRole('heading', { level: 1, name: 'Open your shop' }).waitFor();
    expect(await serious(page)).toEqual([]);
    const opening = page.getByRole('button', { name: 'Open the shop' });
    expect(await opening.isDisabled()).toBe(true);
    await page.getByText('Still missing: the shop’s name, a bench name, the currency.').waitFor();
    // The first field has the focus; Tab leads on.
    await page.keyboard.type('Harrow Quay Lamp Works');
    await page.keyboard.press('Tab');
    await page.keyboard.type('crowns');
    await page.keyboard.press('Tab');
    await page.keyboard.press('ArrowRight');
    expect(await page.locator(':focus').innerText()).toBe('miles');
    await page.keyboard.press('Space');
    await page.keyboard.press('Tab');
    expect(await page.locator(':focus').innerText()).toBe('millimetres');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Space');
    expect(await page.getByRole('radio', { name: 'inches' }).getAttribute('aria-checked')).toBe('true');
    await page.keyboard.press('Tab');
    await page.keyboard.type('Slate');
    await page.getByRole('button', { name: 'Another person' }).press('Enter');
    await page.keyboard.type('slate');
    await page.keyboard.press('Enter');
    await page.getByRole('alert').getByText('“slate” stands twice; give each a name of its own.').waitFor();
    // Nothing of what was written is lost.
    expect(await page.getByRole('textbox', { name: 'Name of the shop' }).inputValue()).toBe('Harrow Quay Lamp Works');
    await page.getByRole('textbox', { name: 'Bench name 2' }).fill('Fern');
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { level: 1, name: 'Harrow Quay Lamp Works' }).waitFor();
    await page.getByRole('button', { name: 'Slate' }).waitFor();
    await page.reload();
    await page.getByRole('heading', { level: 1, name: 'Harrow Quay Lamp Works' }).waitFor();
    expect(await page.getByRole('heading', { name: 'Open your shop' }).count()).toBe(0);
    // What comes next is said where it is missing.
    await page.getByRole('button', { name: 'Open a job' }).click();
    await page.getByText('The shop has no vehicle yet.').waitFor();
    // The shop's own unit comes with its answer, a moment after the form.
    await page.getByRole('dialog').locator('.v-select').filter({ hasText: 'Unit' }).getByText('mi', { exact: true }).waitFor();
    await page.goto(`${server.address}/library`);
    await page.getByText('None yet: take in a file.').first().waitFor();
    // Another device is asked who is there, and offered both.
    const other = await (await browser.newContext({ viewport: COUNTER })).newPage();
    await other.goto(server.address);
    await other.getByRole('button', { name: 'Fern installer' }).waitFor();
    // Who comes through a proxy, from somewhere else, is told that it is shut, also on the page of a job; nothing of the shop is seen.
    const stranger = await (await browser.newContext({ viewport: COUNTER, extraHTTPHeaders: { 'x-forwarded-for': '203.0.113.9' } })).newPage();
    for (const path of ['/', '/jobs/some/open-up']) {
      await stranger.goto(server.address + path);
      await stranger.getByRole('heading', { name: 'This device is not let in yet' }).waitFor();
      expect(await stranger.getByText('Harrow Quay').count()).toBe(0);
    }
    expect(complaints).toEqual([]);
    await server.stop();
    await drop();
  },
  LONG_MS,
);
