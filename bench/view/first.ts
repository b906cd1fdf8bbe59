import { openBrowser } from '../../scripts/browser.mjs';
import { time, type Timing } from '../measure.ts';

export interface FirstView {
  place: string;
  usable: Timing;
  empty: Timing;
  scriptKb: number;
  fontKb: number;
}

/** Time from opening an address in a fresh browser to the first usable view, and what it loads, against the server's health route. */
export async function benchFirstView(address: string): Promise<FirstView[]> {
  const browser = await openBrowser();
  const results: FirstView[] = [];
  for (const [place, ready] of [
    ['/', 'Open a job'],
    ['/jobs/hill-road-07/open-up', 'Done, '],
  ] as const) {
    const sizes = new Map<string, number>();
    const open = async (path: string, button: string | undefined) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      await context.request.post(`${address}/api/session`, { data: { person: 'fern', device: 'bench' } });
      const page = await context.newPage();
      page.on(
        'response',
        (response) =>
          void response
            .request()
            .sizes()
            .then(
              (size) => sizes.set(response.url(), size.responseBodySize),
              () => undefined,
            ),
      );
      const start = performance.now();
      await page.goto(address + path, { waitUntil: 'commit' });
      if (button) await page.getByRole('button', { name: new RegExp(`^${button}`) }).waitFor();
      const spent = performance.now() - start;
      await page.waitForTimeout(button ? 300 : 0);
      await context.close();
      return spent;
    };
    const spent: number[] = [];
    await time(5, async (run) => run >= 0 && spent.push(await open(place, ready)), 1);
    const sorted = [...spent].sort((a, b) => a - b);
    const usable = { medianMs: sorted[2] ?? 0, leastMs: sorted[0] ?? 0, mostMs: sorted[4] ?? 0 };
    const total = (kind: RegExp) => [...sizes].filter(([url]) => kind.test(url)).reduce((sum, [, size]) => sum + size, 0) / 1024;
    const empty: number[] = [];
    for (let run = 0; run < 5; run++) empty.push(await open('/api/health', undefined));
    empty.sort((a, b) => a - b);
    results.push({ place, usable, empty: { medianMs: empty[2] ?? 0, leastMs: empty[0] ?? 0, mostMs: empty[4] ?? 0 }, scriptKb: total(/\.js$/), fontKb: total(/\.woff2?$/) });
  }
  await browser.close();
  return results;
}
