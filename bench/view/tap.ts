import { openBrowser } from '../../scripts/browser.mjs';
import { summarise, type Timing } from '../measure.ts';

const TAPS = 7;

/**
 * From a tap on the step that is done to the next step drawn, planned again in the worker, against a tap that only counts one
 * fastener up. Both are timed inside the page, to the frame after the change. `slowed` is how many times slower the processor is made.
 */
export async function benchTap(address: string, slowed = 1): Promise<{ next: Timing; count: Timing }> {
  const browser = await openBrowser();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.request.post(`${address}/api/session`, { data: { person: 'fern', device: 'bench' } });
  const page = await context.newPage();
  const devtools = await context.newCDPSession(page);
  await devtools.send('Emulation.setCPUThrottlingRate', { rate: slowed });
  await page.goto(`${address}/jobs/hill-road-07/open-up`);
  const tap = (button: string, watched: string) =>
    page.evaluate(
      ([name = '', changes = '']) =>
        new Promise<number | undefined>((settle) => {
          const shown = () => document.querySelector(changes)?.textContent;
          const pressed = [...document.querySelectorAll<HTMLButtonElement>('article.step button')].find(
            (entry) => !entry.disabled && (entry.textContent.trim().startsWith(name) || entry.ariaLabel?.endsWith(name)),
          );
          if (!pressed) {
            settle(undefined);
            return;
          }
          const before = shown();
          const start = performance.now();
          const look = () => {
            if (shown() === before && performance.now() - start < 5000) requestAnimationFrame(look);
            else requestAnimationFrame(() => settle(performance.now() - start));
          };
          pressed.click();
          look();
        }),
      [button, watched],
    );
  const next: number[] = [];
  const count: number[] = [];
  for (let turn = 0; turn < TAPS; turn++) {
    await page.getByRole('button', { name: /^Done(, \d+ into slot|$)/ }).waitFor();
    await page.waitForTimeout(700);
    const counted = await tap(' more', 'article.step .groups');
    if (counted !== undefined) {
      count.push(counted);
      await tap(' less', 'article.step .groups');
    }
    const done = await tap('Done', 'article.step h2');
    if (done !== undefined) next.push(done);
  }
  await browser.close();
  return { next: summarise(next), count: summarise(count) };
}
