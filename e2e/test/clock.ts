import type { Page } from 'playwright-core';

/**
 * A page that says the time it is told, from its next load on. Only its dates are told: timers and frames go on as they are, as a clock that stops
 * those as well now and then never lets them go on.
 */
export async function ownClock(page: Page): Promise<(at: string | number) => Promise<void>> {
  await page.addInitScript(() => {
    const Real = Date;
    const told = { at: undefined as number | undefined };
    const now = () => told.at ?? Real.now();
    globalThis.Date = new Proxy(Real, {
      construct: (target, args: unknown[]) => Reflect.construct(target, args.length > 0 ? args : [now()]) as object,
      apply: () => new Real(now()).toString(),
      get: (target, name) => (name === 'now' ? now : (Reflect.get(target, name) as unknown)),
    });
    Object.assign(globalThis, { tellTime: (at: number) => void (told.at = at) });
  });
  return (at) => page.evaluate((time) => (globalThis as unknown as { tellTime: (at: number) => void }).tellTime(time), new Date(at).getTime());
}
