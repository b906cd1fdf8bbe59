import { serious } from './test/axe.ts';
import { TestBench } from './test/bench.ts';
import { goTo, openedJob } from './test/job.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

test(
  'what is half written survives Esc, a reload and the way back, until it is recorded or begun anew; limits show while it is written',
  async () => {
    const { page, complaints } = await shop.open('fern');
    const job = await openedJob(page, shop.address);
    await goTo(page, shop.address, job, 'check-in', 'Check in');
    const note = page.getByRole('button', { name: 'Note damage' });
    const words = page.getByRole('textbox', { name: 'What and where' });
    await note.click();
    await words.fill('scratch on the left wing, a hand above the arch');
    await page.getByText('353 left').waitFor();
    await page.keyboard.press('Escape');
    await words.waitFor({ state: 'detached' });
    await note.click();
    await page.getByText('Taken up where you left it.').waitFor();
    expect(await words.inputValue()).toBe('scratch on the left wing, a hand above the arch');
    await page.reload();
    await note.click();
    expect(await words.inputValue()).toBe('scratch on the left wing, a hand above the arch');
    // Nothing is cut: what is too long cannot be recorded, and says by how much.
    await words.fill('x'.repeat(407));
    await page.getByText('7 characters too many: 400 at most.').waitFor();
    expect(await page.getByRole('button', { name: 'Record it' }).isDisabled()).toBe(true);
    expect(await serious(page)).toEqual([]);
    await words.fill('scratch on the left wing');
    await page.getByRole('button', { name: 'Record it' }).click();
    await page.getByText('front: scratch on the left wing').first().waitFor();
    await note.click();
    expect([await words.inputValue(), await page.getByText('Taken up where you left it.').count()]).toEqual(['', 0]);
    await page.keyboard.press('Escape');

    // A number that is not confirmed yet, and another form, on the way back.
    await page.getByRole('textbox', { name: 'Battery at rest' }).pressSequentially('12.');
    await page.reload();
    const battery = page.getByRole('textbox', { name: 'Battery at rest' });
    expect(await battery.inputValue()).toBe('12.');
    // Passing through the field records nothing that was not written now; Enter does.
    await battery.focus();
    await battery.press('Tab');
    const measured = async () => {
      const { events } = (await (await page.request.get(`${shop.address}/api/jobs/${job}/events`)).json()) as { events: { type: string; payload: object }[] };
      return events.filter(({ type }) => type === 'battery.measured').map(({ payload }) => payload);
    };
    await page.waitForTimeout(500);
    expect(await measured()).toEqual([]);
    await battery.press('End');
    await battery.pressSequentially('6');
    await battery.press('Tab');
    for (let tries = 0; tries < 50 && (await measured()).length === 0; tries++) await page.waitForTimeout(100);
    expect(await measured()).toEqual([{ restV: 12.6 }]);
    await page.getByRole('button', { name: 'Something was fitted here' }).click();
    // The form takes the focus once it stands; what is typed before goes where the focus goes.
    await page.locator('.v-overlay__content :is(input, textarea):focus').waitFor();
    await page.getByRole('textbox', { name: 'What it is' }).fill('Winch mount');
    await page.getByRole('spinbutton', { name: 'How many' }).fill('6');
    await page.goBack();
    await page.goForward();
    await page.getByRole('button', { name: 'Something was fitted here' }).click();
    expect([await page.getByRole('textbox', { name: 'What it is' }).inputValue(), await page.getByRole('spinbutton', { name: 'How many' }).inputValue()]).toEqual([
      'Winch mount',
      '6',
    ]);
    await page.getByRole('button', { name: 'Begin anew' }).click();
    expect([await page.getByRole('textbox', { name: 'What it is' }).inputValue(), await page.getByRole('spinbutton', { name: 'How many' }).inputValue()]).toEqual(['', '']);
    expect(complaints).toEqual([]);
  },
  LONG_MS,
);

test(
  'a job that is half written down at the counter is taken up again after a reload',
  async () => {
    const { page } = await shop.open('till');
    await page.goto(shop.address);
    const open = page.getByRole('button', { name: 'Open a job' });
    await open.click();
    await page.getByRole('textbox', { name: 'Plate, number or customer' }).fill('hr 98');
    await page.getByRole('button', { name: 'A vehicle that is new to the shop' }).click();
    await page.getByRole('textbox', { name: 'Customer', exact: true }).fill('The ferry crew');
    await page.getByRole('textbox', { name: 'What the customer wants' }).fill('More light on the lane');
    await page.reload();
    await open.click();
    await page.getByText('Taken up where you left it.').waitFor();
    const written = () => Promise.all(['Plate', 'Customer', 'What the customer wants'].map((name) => page.getByRole('textbox', { name, exact: true }).inputValue()));
    expect(await written()).toEqual(['HR 98', 'The ferry crew', 'More light on the lane']);
    await page.getByRole('button', { name: 'Begin anew' }).click();
    await page.getByRole('textbox', { name: 'Plate, number or customer' }).waitFor();
    expect(await page.getByRole('textbox', { name: 'What the customer wants' }).inputValue()).toBe('');
  },
  LONG_MS,
);
