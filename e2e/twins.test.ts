import type { Page } from 'playwright-core';
import { serious } from './test/axe.ts';
import { PHONE, settled, TABLET, TestBench } from './test/bench.ts';
import { append } from './test/job.ts';
import { came, go, logOf, openJob } from './test/new-kind.ts';

const LONG_MS = 400_000;
const shop = new TestBench(LONG_MS);

test(
  'two devices that write down one place, each away from the server, are asked whether it is one piece; it is then open once and goes back once',
  async () => {
    const one = await shop.open('slate', { viewport: TABLET, hasTouch: true });
    const job = await openJob(one.page, shop.address, 'NF 23', true);
    const other = await shop.open('fern', { viewport: PHONE, hasTouch: true });
    await go(one.page, 'Open up');
    await other.page.goto(`${shop.address}/jobs/${job}/open-up`);
    for (const { page, context } of [one, other]) {
      await page.getByRole('heading', { name: 'Not described yet' }).waitFor();
      await page.waitForFunction(() => performance.getEntriesByType('resource').some((entry) => entry.name.includes('known-pieces')));
      await page.waitForLoadState('networkidle');
      await context.setOffline(true);
    }
    // The grille by both, with a bolt more by the second; the bezel of one name by both, which are two: one above the other.
    await came(one.page, { tap: [0.38, 0.55], suggested: 'Grille', fastener: /^10/, count: '4', minutes: '4.5' });
    await came(other.page, { tap: [0.38, 0.55], name: 'Front grille', fastener: /^10/, count: '5', minutes: '6' });
    await came(one.page, { drag: [0.72, 0.4, 0.9, 0.46], name: 'Bezel', minutes: '2' });
    await came(other.page, { tap: [0.8, 0.7], name: 'Bezel', minutes: '3' });
    await one.context.setOffline(false);
    await settled(one.page);
    await other.context.setOffline(false);
    await settled(other.page);

    const { page } = other;
    const asked = page.getByRole('region', { name: 'Described twice?' });
    await asked.getByText('Grille (off in 4.5').waitFor();
    await asked.getByText('and again: off in 3').waitFor();
    expect(await serious(page)).toEqual([]);
    await asked.getByRole('button', { name: 'One piece' }).first().tap();
    await asked.getByText('front grille').waitFor({ state: 'detached' });
    await asked.getByRole('button', { name: 'Two pieces' }).tap();
    const form = page.getByRole('dialog', { name: 'Two pieces of one name' });
    // A name that is taken is said so, and what was written stays.
    await form.getByRole('textbox', { name: 'The second one is called' }).fill('Grille');
    await form.getByRole('textbox', { name: 'The second one is called' }).fill('bezel');
    await form.getByText('is described already').waitFor();
    expect(await form.getByRole('button', { name: 'Record' }).isDisabled()).toBe(true);
    expect(await serious(page)).toEqual([]);
    await form.getByRole('textbox', { name: 'The second one is called' }).fill('Lower bezel');
    await form.getByRole('button', { name: 'Record' }).tap();
    await asked.waitFor({ state: 'detached' });
    await settled(page);
    const described = (await logOf(page, shop.address, job)).filter(({ type }) => type === 'kind.described');
    expect(described).toHaveLength(6);
    // As large as it was drawn, wherever the drag began: three times as wide as it is high.
    const bezel = described.flatMap(({ payload }) => payload.pieces ?? []).find(({ name, levels }) => name === 'Bezel' && levels[0]?.openMin === 2);
    const long = ([from, to]: readonly [number, number] = [0, 0]) => to - from;
    expect(bezel && long(bezel.box.yMm) / long(bezel.box.zMm)).toBeGreaterThan(1.5);
    expect(long(bezel?.box.yMm)).toBeGreaterThan(100);

    // A pause on the one device is one on the other, until somebody goes on.
    await page.getByRole('button', { name: 'Pause' }).tap();
    await page.getByText(/^Paused/).waitFor();
    await one.page.getByText(/^Paused by Fern at/).waitFor();
    expect(await serious(one.page)).toEqual([]);
    await one.page.getByRole('button', { name: 'Go on', exact: true }).tap();
    await page.getByText(/^Paused/).waitFor({ state: 'detached' });

    // On the other device three pieces lie in the tray, and the grille's four bolts.
    await one.page.reload();
    await one.page.getByRole('button', { name: 'All that is needed is open' }).tap();
    await go(one.page, 'Close up');
    await one.page.getByRole('heading', { name: /^Put back: lower bezel/ }).waitFor();
    await one.page.getByRole('button', { name: /^It is back/ }).tap();
    await one.page.getByRole('heading', { name: /^Put back: bezel/ }).waitFor();
    await one.page.getByRole('button', { name: /^It is back/ }).tap();
    await one.page.getByRole('button', { name: /^It is back, 4 fasteners in/ }).tap();
    await one.page.getByRole('button', { name: /^It is back/ }).waitFor({ state: 'detached' });
    await settled(one.page);

    await one.page.goto(`${shop.address}/library?show=vehicle/dunmorrow-heron-double-cab`);
    const taught = one.page.getByRole('region', { name: 'What the jobs teach' });
    for (const name of ['Grille', 'Bezel', 'Lower bezel']) await taught.getByRole('button', { name: `Take: ${name}`, exact: true }).waitFor();
    expect(await taught.getByRole('button', { name: 'Take: Front grille' }).count()).toBe(0);
    expect([...one.complaints, ...other.complaints]).toEqual([]);
  },
  LONG_MS,
);

test(
  'two devices that find one sensor, gap, place and plug are asked at the station where it is worked; of two plugs of two faces it is known',
  async () => {
    const one = await shop.open(undefined, { viewport: TABLET, hasTouch: true });
    await one.context.request.post(`${shop.address}/api/session`, { data: { person: 'slate', device: 'tablet' } });
    const job = await openJob(one.page, shop.address, 'NF 24', false);
    const other = await shop.open(undefined, { viewport: PHONE, hasTouch: true });
    await other.context.request.post(`${shop.address}/api/session`, { data: { person: 'fern', device: 'phone' } });
    const BOX = { xMm: [800, 900], yMm: [-100, 100], zMm: [500, 700] };
    const grille = { id: 'grille-a1k2', name: 'Grille', side: 'centre', zone: 'front', box: BOX, fasteners: [], cautions: [] };
    const levels = [{ level: 'off', openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }];
    const at = { xMm: 700, yMm: 500, zMm: 800 };
    const sensor = { kind: 'radar', on: grille.id, lock: 'tab', pose: { ...at, yawDeg: 0, pitchDeg: 0 }, calibration: 'required', procedure: 'By the maker.' };
    const pins = (colour: string) => [
      { id: '1', row: 1, column: 1, colour },
      { id: '2', row: 1, column: 2 },
    ];
    const plug = { where: 'behind the grille', side: 'left', may: ['dipped', 'main'], rows: 1, columns: 2 };
    const told = (letters: string, gap: string, radar: string) => ({
      gaps: [{ id: `gap-${letters}`, name: gap, side: 'left', at }],
      sensors: [{ id: `radar-${letters}`, name: radar, ...sensor }],
      mounts: [{ id: `foot-${letters}`, name: 'Bar foot', side: 'left', at, reach: [], hiddenBy: [] }],
    });
    await append(one.page, shop.address, job, [
      ['kind.described', { pieces: [{ ...grille, levels }], ...told('a1k2', 'Bonnet to wing', 'Radar') }],
      ['piece.moved', { piece: grille.id, level: 'off', fasteners: [] }],
      ['plug.found', { plug: 'lamp-plug-a1k2', name: 'Lamp plug', ...plug, pins: pins('brown') }],
    ]);
    await append(other.page, shop.address, job, [
      ['kind.described', told('z9k4', 'Wing to bonnet', 'Front radar')],
      ['plug.found', { plug: 'left-plug-z9k4', name: 'Left plug', ...plug, where: 'low down, left', pins: pins('brown') }],
      ['plug.found', { plug: 'lamp-plug-q7k4', name: 'Lamp plug', ...plug, pins: pins('blue') }],
    ]);
    const asked = (page: Page) => page.getByRole('region', { name: 'Described twice?' });

    const { page } = other;
    await page.goto(`${shop.address}/jobs/${job}/check-in`);
    await asked(page).getByText('Bonnet to wing, and wing to bonnet').waitFor();
    expect(await serious(page)).toEqual([]);
    await asked(page).getByRole('button', { name: 'One gap' }).tap();
    await asked(page).waitFor({ state: 'detached' });

    await go(page, 'Sense');
    await asked(page).getByText('Radar (grille), and front radar (grille)').waitFor();
    await asked(page).getByRole('button', { name: 'Two sensors' }).tap();
    await asked(page).waitFor({ state: 'detached' });

    await go(page, 'Fit');
    await asked(page).getByText('Bar foot, and again').waitFor();
    await asked(page).getByRole('button', { name: 'Two places' }).tap();
    const form = page.getByRole('dialog', { name: 'Two places of one name' });
    await form.getByRole('textbox', { name: 'The second one is called' }).fill('bar foot');
    await form.getByText('is described already').waitFor();
    await form.getByRole('textbox', { name: 'The second one is called' }).fill('Lower bar foot');
    expect(await serious(page)).toEqual([]);
    await form.getByRole('button', { name: 'Record' }).tap();
    await asked(page).waitFor({ state: 'detached' });

    await go(page, 'Probe');
    await asked(page).getByText('Lamp plug (behind the grille), and left plug (low down, left)').waitFor();
    await asked(page).getByText('Stand before the plug first').waitFor();
    await asked(page).getByText('Their faces differ: they are two.').waitFor();
    expect(await serious(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth)).toBe(true);
    // Offline as well, and it is the same once it is sent.
    await other.context.setOffline(true);
    await asked(page).getByRole('button', { name: 'One plug' }).tap();
    await asked(page).getByText('left plug').waitFor({ state: 'detached' });
    await asked(page).getByRole('button', { name: 'Two plugs' }).tap();
    const second = page.getByRole('dialog', { name: 'Two plugs of one name' });
    await second.getByRole('textbox', { name: 'The second one is called' }).fill('Blue plug');
    await second.getByRole('button', { name: 'Record' }).tap();
    await asked(page).waitFor({ state: 'detached' });
    await other.context.setOffline(false);
    await settled(page);
    // The other device hears of it, and is asked nothing.
    await one.page.goto(`${shop.address}/jobs/${job}/probe`);
    await one.page.getByRole('heading', { level: 1, name: 'Probe' }).waitFor();
    await one.page.getByText('was described twice: it is one').first().waitFor({ state: 'attached' });
    expect(await asked(one.page).count()).toBe(0);
    const log = await logOf(one.page, shop.address, job);
    expect(log.flatMap(({ payload }) => payload.samePlaces ?? [])).toEqual([
      { place: 'gap-z9k4', is: 'gap-a1k2' },
      { place: 'left-plug-z9k4', is: 'lamp-plug-a1k2' },
    ]);
    expect(log.flatMap(({ payload }) => payload.apartPlaces ?? []).map(({ place }) => place)).toEqual(['radar-z9k4', 'foot-z9k4', 'lamp-plug-q7k4']);
    expect(other.complaints).toEqual([]);
  },
  LONG_MS,
);
