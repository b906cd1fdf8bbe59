import { serious } from './test/axe.ts';
import { settled, TABLET, TestBench } from './test/bench.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

test(
  'a tablet is a stranger until the code of the counter lets it in; it works under a bench name, and is a stranger again once it is shut out',
  async () => {
    const elsewhere = await shop.elsewhere();
    const { page: counter, complaints } = await shop.open('till');
    const { page: tablet } = await shop.open('fern', { viewport: TABLET, hasTouch: true });
    await tablet.context().clearCookies();
    await tablet.goto(`${elsewhere}/jobs/hill-road-07/check-in`);
    await tablet.getByRole('heading', { name: 'This device is not let in yet' }).waitFor();
    expect(await tablet.getByText('HR 07').count()).toBe(0);
    expect(await serious(tablet)).toEqual([]);
    const typed = tablet.getByRole('textbox', { name: 'Code from the counter' });
    await typed.fill('222 222');
    await tablet.getByRole('textbox', { name: 'What this device is called' }).fill('Bay 2 tablet');
    await tablet.getByRole('button', { name: 'Let it in' }).click();
    await tablet.getByText(/No code is open by these signs/).waitFor();

    await counter.goto(`${shop.address}/people`);
    await counter.getByRole('button', { name: 'Let a device in' }).click();
    const code = ((await counter.locator('.code').textContent()) ?? '').trim();
    await counter.getByText(/Good for one device, for another (10\smin\s00|9\smin)/).waitFor();
    expect(await serious(counter)).toEqual([]);
    await typed.fill(code.toLowerCase());
    await tablet.getByRole('button', { name: 'Let it in' }).click();
    await tablet.getByRole('dialog').getByRole('button', { name: /^Fern/ }).click();
    await tablet.getByRole('heading', { level: 1, name: 'Check in' }).waitFor();
    await tablet
      .getByRole('spinbutton', { name: /Battery at rest/ })
      .or(tablet.getByRole('textbox', { name: /Battery at rest/ }))
      .first()
      .fill('12.4');
    await tablet.keyboard.press('Enter');
    await settled(tablet);
    const { events } = (await (await counter.context().request.get(`${shop.address}/api/jobs/hill-road-07/events`)).json()) as {
      events: { type: string; device: string; person: string }[];
    };
    expect(events.findLast((event) => event.type === 'battery.measured')).toMatchObject({ device: 'Bay 2 tablet', person: 'fern' });

    // The counter sees that it came in, puts the code away and shuts it out again.
    await counter.getByText('Bay 2 tablet').waitFor();
    await counter.getByText(code).waitFor({ state: 'hidden' });
    await counter.getByRole('button', { name: 'Shut out' }).click();
    await counter.getByRole('button', { name: 'Yes, shut Bay 2 tablet out' }).click();
    await counter.getByText('Shut out or forgotten: 1').waitFor();
    await tablet.reload();
    await tablet.getByRole('heading', { name: 'This device is not let in yet' }).waitFor();
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'whoever is in training opens and signs nothing; the lead takes people in and lets them go',
  async () => {
    const { page } = await shop.open('copper');
    await page.goto(shop.address);
    await page.getByText('Only the lead or the planner or an installer may open a job; at this bench is somebody in training.').waitFor();
    expect(await page.getByRole('button', { name: 'Open a job' }).count()).toBe(0);
    await page.goto(`${shop.address}/jobs/hill-road-02/hand-over`);
    await page.getByText('Only the lead may sign off; at this bench is somebody in training.').waitFor();
    await page.getByRole('button', { name: 'Somebody else takes over this bench' }).click();
    await page
      .getByRole('dialog')
      .getByRole('button', { name: /^Slate/ })
      .click();
    await page.getByRole('button', { name: 'Sign off as Slate' }).waitFor();
    await page.goto(`${shop.address}/people`);
    await page.getByRole('button', { name: 'Somebody new' }).click();
    await page.getByRole('textbox', { name: 'Bench name' }).fill('fern');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByText('“fern” stands twice').waitFor();
    await page.getByRole('textbox', { name: 'Bench name' }).fill('Wren');
    await page.getByRole('button', { name: 'Keep it' }).click();
    await page.getByRole('button', { name: 'Change Wren' }).click();
    await page.getByRole('button', { name: 'They have left the shop' }).click();
    await page.getByText('Wren, installer').waitFor();
    await page.getByRole('banner').getByRole('button', { name: 'Slate' }).click();
    expect(await page.getByRole('dialog').getByRole('button', { name: /^Wren/ }).count()).toBe(0);
    await page.getByRole('button', { name: 'Slate leaves this bench, nobody takes it over' }).click();
    await page.getByRole('heading', { name: 'Who is at this bench?' }).waitFor();
  },
  LONG_MS,
);
