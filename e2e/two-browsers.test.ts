import { COUNTER, settled, TABLET, TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

test(
  'what one bench records the other sees without asking, and an undo too',
  async () => {
    const tablet = await shop.open('fern', { viewport: TABLET, hasTouch: true });
    const counter = await shop.open('till', { viewport: COUNTER });
    const place = `${shop.address}/jobs/hill-road-12/check-in`;
    await Promise.all([tablet.page.goto(place), counter.page.goto(place)]);
    await counter.page.getByRole('complementary', { name: 'Tray' }).getByText('The tray is empty').waitFor();
    await tablet.page.getByRole('textbox', { name: 'Battery at rest' }).fill('12.4');
    await tablet.page.getByRole('textbox', { name: 'Battery at rest' }).press('Enter');
    await counter.page.getByRole('complementary', { name: 'Tray' }).getByText('Battery at rest 12.4').waitFor();
    expect(await counter.page.getByRole('textbox', { name: 'Battery at rest' }).inputValue()).toBe('12.4');
    await tablet.page.getByRole('button', { name: /^Undo/ }).first().tap();
    await counter.page.waitForFunction(() => [...document.querySelectorAll('input')].every((input) => input.value !== '12.4'));
    await settled(tablet.page);
  },
  LONG_MS,
);

test(
  'both record at once: every event stands once in the log of both',
  async () => {
    const benches = await Promise.all(['fern', 'copper'].map((person) => shop.open(person)));
    await Promise.all(benches.map(({ page }) => page.goto(`${shop.address}/jobs/saltmarsh-3/gather`)));
    // Both hold the button before either presses it: what the first counts takes it away from the second.
    const buttons = await Promise.all(benches.map(({ page }) => page.getByRole('button', { name: /^The rest is as listed/ }).elementHandle()));
    // What either sends waits until both have pressed: a line that is quick would take the button from the second before.
    let release = () => undefined as void;
    const both = new Promise<void>((settle) => (release = settle));
    await Promise.all(
      benches.map(({ page }) =>
        page.route('**/api/jobs/*/events', async (route) => {
          await both;
          await route.continue();
        }),
      ),
    );
    await Promise.all(buttons.map((button) => button?.evaluate((element) => (element as HTMLElement).click())));
    release();
    await Promise.all(benches.map(({ page }) => settled(page)));
    const { events } = (await (await benches[0]!.context.request.get(`${shop.address}/api/jobs/saltmarsh-3/events`)).json()) as {
      events: { id: string; seq: number; type: string }[];
    };
    expect(new Set(events.map((event) => event.id)).size).toBe(events.length);
    expect(events.map((event) => event.seq)).toEqual(events.map((_, index) => index + 1));
    expect(events.filter((event) => event.type === 'content.counted').length % 2).toBe(0);
  },
  LONG_MS,
);
