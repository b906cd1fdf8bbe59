import { settled, TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);
const OUT = '**/api/jobs/*/events';

test(
  'what was recorded while the server was away is sent from the board, and from another job, and lands in its own',
  async () => {
    const { page, context, complaints } = await shop.open('fern');
    const measured = async (job: string) => {
      const { events } = (await (await context.request.get(`${shop.address}/api/jobs/${job}/events`)).json()) as { events: { type: string; payload: { restV?: number } }[] };
      return events.filter((event) => event.type === 'battery.measured').map((event) => event.payload.restV);
    };
    const before = [await measured('hill-road-12'), await measured('saltmarsh-3')];
    // Sending fails, reading goes on: as a server that is just being started again.
    await page.route(OUT, (route) => route.abort());
    for (const [job, restV] of [
      ['hill-road-12', '12.31'],
      ['saltmarsh-3', '12.52'],
    ] as const) {
      await page.goto(`${shop.address}/jobs/${job}/check-in`);
      await page.getByRole('textbox', { name: 'Battery at rest' }).fill(restV);
      await page.getByRole('textbox', { name: 'Battery at rest' }).press('Enter');
      await page.getByText(/: \d kept here/).waitFor();
    }
    await page.getByText(/: 2 kept here/).waitFor();
    await page.getByRole('link', { name: 'Board' }).click();
    await page.getByRole('heading', { level: 1, name: 'Harrow Quay Lamp Works' }).waitFor();
    await page.getByText(/: 2 kept here/).waitFor();
    await page.reload();
    await page.getByText(/: 2 kept here/).waitFor();
    await page.unroute(OUT);
    await settled(page);
    expect([await measured('hill-road-12'), await measured('saltmarsh-3')]).toEqual([
      [...(before[0] ?? []), 12.31],
      [...(before[1] ?? []), 12.52],
    ]);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'a slow answer for one vehicle does not show it in the job of another',
  async () => {
    const { page } = await shop.open('fern');
    let slow: (() => void) | undefined;
    await page.route('**/api/jobs/hill-road-12', async (route) => {
      await new Promise<void>((settle) => (slow = settle));
      await route.continue();
    });
    await page.goto(shop.address);
    await page.locator('a.job').filter({ hasText: 'HR 12' }).click();
    await page.waitForURL('**/jobs/hill-road-12/**');
    await page.getByRole('link', { name: 'Board' }).click();
    await page.locator('a.job').filter({ hasText: 'SV 3' }).click();
    await page.getByRole('banner').getByText('SV 3').waitFor();
    slow?.();
    await page.waitForResponse('**/api/jobs/hill-road-12');
    await page.waitForTimeout(300);
    expect([await page.getByRole('banner').getByText('SV 3').count(), await page.getByRole('banner').getByText('HR 12').count()]).toEqual([1, 0]);
  },
  LONG_MS,
);

test(
  'what the server refuses alone is said with what it was; what it refuses whole stays here until somebody tries again',
  async () => {
    const { page } = await shop.open('fern');
    await page.goto(`${shop.address}/jobs/hill-road-07/check-in`);
    const enter = async (restV: string) => {
      await page.getByRole('textbox', { name: 'Battery at rest' }).fill(restV);
      await page.getByRole('textbox', { name: 'Battery at rest' }).press('Enter');
    };
    await page.route(OUT, (route) => {
      const { events } = route.request().postDataJSON() as { events: { id: string }[] };
      return route.fulfill({ status: 422, json: { answers: events.map(({ id }) => ({ id, status: 'refused', faults: [{ message: 'it came too late' }] })) } });
    });
    await enter('12.11');
    await page.getByText(/Battery at rest.*12\.1.*it came too late/).waitFor();
    await page.reload();
    await page.getByText(/it came too late/).waitFor();
    await page.getByRole('button', { name: 'Read, put it away' }).click();
    await page.getByText(/it came too late/).waitFor({ state: 'hidden' });
    await page.unroute(OUT);
    let tries = 0;
    await page.route(OUT, (route) => {
      tries++;
      return route.fulfill({ status: 404, json: { faults: [{ path: 'job', code: 'unknown-id', data: {}, message: 'no job is called so' }] } });
    });
    await enter('12.22');
    await page.getByText(/The server does not accept what was recorded here \(1 waiting\): no job is called so/).waitFor();
    await page.waitForTimeout(1500);
    expect(tries).toBe(1);
    await page.unroute(OUT);
    await page.getByRole('button', { name: 'Try again' }).click();
    await settled(page);
  },
  LONG_MS,
);

test(
  'the board shows what somebody else does without being loaded anew',
  async () => {
    const { page } = await shop.open('till');
    await page.goto(shop.address);
    await page.locator('a.job').filter({ hasText: 'HR 12' }).waitFor();
    const { context } = await shop.open('fern');
    await context.request.post(`${shop.address}/api/jobs/hill-road-12/events`, {
      data: { events: [{ id: '019500d0-0000-7000-8000-0000000000aa', type: 'job.assigned', v: 1, at: '2026-03-05T08:30:00Z', payload: { person: 'copper' } }] },
      headers: { origin: shop.address },
    });
    await page
      .locator('a.job')
      .filter({ hasText: /HR 12.*Copper/s })
      .waitFor();
  },
  LONG_MS,
);
