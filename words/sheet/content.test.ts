import { foldJob } from '@jade/core/log';
import type { JobContext } from '@jade/core/job';
import type { LoggedEvent } from '@jade/core/events';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import type { VehicleProfile } from '@jade/core/vehicle';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sheetOf, type FedLine, type WhoLine } from '@jade/core/sheet';
import type { Names } from '@jade/words/names';
import { sheetContent } from './index.ts';
import { fedRow, gapRow, whoRows } from './rows.ts';

const example = <T>(name: string) => JSON.parse(readFileSync(join(import.meta.dirname, `../../docs/formats/examples/${name}.json`), 'utf8')) as T;
const AT = '2026-03-05T15:00:00.000Z';
const FRAME = {
  shop: 'Harrow Quay Lamp Works',
  job: 'example-1',
  plate: 'HQ 101',
  customer: 'Hill Road Rescue',
  signedBy: 'Slate',
  at: AT,
  timeZone: 'Etc/GMT-2',
  benchName: (id: string) => ({ fern: 'Fern', copper: 'Copper' })[id] ?? id,
};
const { log } = example<{ log: LoggedEvent[] }>('compute-job-fold');
const plain = (text: string) => text.replaceAll('\u202f', ' ');

const contentAfter = (...more: [string, object][]) => contentWith({}, ...more);

function contentWith({ aim, ...change }: Partial<VehicleProfile> & { aim?: RuleSet['aim'] }, ...more: [string, object][]) {
  const events = [
    ...log,
    ...more.map(([type, payload], index) => ({ id: `x${index}`, type, v: 1, at: '2026-03-05T09:00:00Z', payload, seq: log.length + index + 1 }) as LoggedEvent),
  ];
  const context: JobContext = {
    state: foldJob(events),
    profile: { ...example<VehicleProfile>('vehicle-profile'), ...change },
    kits: [example<Kit>('kit')],
    rules: { ...example<RuleSet>('rule-set'), ...(aim ? { aim } : {}) },
    year: 2021,
  };
  return sheetContent(sheetOf(context, events, AT), context, FRAME);
}
const table = (content: ReturnType<typeof contentAfter>, title: RegExp) => content.tables.find((entry) => title.test(entry.title))?.rows ?? [];

const lampRows = (content: ReturnType<typeof contentAfter>) => byTitle(content, /Factory lamps/).filter(([name = '']) => !name.startsWith('Lens'));
const byTitle = (content: ReturnType<typeof contentAfter>, title: RegExp) => table(content, title).map((row) => row.map(plain));

test('the sheet names the vehicle, the kit, the place in the log, and what is still open', () => {
  const content = contentAfter();
  expect(content).toMatchObject({ vehicle: 'Wexholm Example van', kits: ['Cairn Example fog lamp'], seq: 4, number: 'not read', plate: 'HQ 101' });
  expect(content.verdict).toMatch(/^Still open: .*Arch liner, left is still folded/);
  // By the shop's own clock, two hours ahead of the log's.
  expect(content.signed).toBe('Checked and signed off at the bench by Slate, 5 March 2026, 17:00.');
});

test('a load of which not all is described stands there as the least that it is, a gap without what it is meant to be as not stated', () => {
  const names = { lamp: () => 'Light bar' } as unknown as Names;
  const line = {
    kit: 'bar',
    lamps: ['bar'],
    circuit: { name: 'From the battery', fuse: { slot: 'main', ratedA: 15 } },
    seen: true,
    afterA: 8.9,
    share: 0.593,
    weakest: 'fuse',
    from: [],
  };
  const fed = (unknown: FedLine['unknown']) => plain(fedRow(names)({ ...line, unknown } as unknown as FedLine).at(-1) ?? '');
  expect(fed(['wire', 'contacts'])).toBe('8.9 A or more at worst, 59 % or more of the fuse. Not described: its wire; what its contacts bear');
  expect(fed([])).toBe('8.9 A at worst, 59 % of the fuse');
  const gap = { id: 'g', name: 'Bonnet to wing', side: 'left' as const, at: { xMm: 0, yMm: 0, zMm: 0 } };
  const row = (part: object) => gapRow({ gap: { ...gap, ...part }, beforeMm: 4.2, afterMm: 9, from: [] }).map(plain);
  expect(row({})).toEqual(['Bonnet to wing', '4.2 mm', '9.0 mm', 'not stated']);
  expect(row({ nominalMm: 4, toleranceMm: 1 })).toEqual(['Bonnet to wing', '4.2 mm', '9.0 mm, outside', '4.0 mm ± 1.0 mm']);
  expect(row({ nominalMm: 4 })).toEqual(['Bonnet to wing', '4.2 mm', '9.0 mm', '4.0 mm']);
});

test('of a kit that nobody described here the sheet says so at everything that is done with it, and never that nothing was done', () => {
  const unknown = { slug: 'dunmorrow-heron', undescribed: ['mounts' as const] };
  const aim: RuleSet['aim'] = [{ id: 'fog', name: 'Fog', beam: 'front fog', family: 'percent', reference: 'lower edge', bands: [], source: 's', certainty: 'to be confirmed' }];
  const content = contentWith({ ...unknown, aim }, ['exception.named', { about: 'unplaced:example-fog/wired', note: 'own harness, 15 A at the post' }]);
  const row = (title: RegExp) => byTitle(content, title).map((cells) => cells.slice(0, 3));
  const said = ['Cairn Example fog lamp', 'not described', 'see the named exceptions'];
  for (const title of [/^What was fitted/, /^What the kit lights/, /^Fed from/, /^How it was joined/, /^Aim/]) expect([title, row(title)]).toEqual([title, [said]]);
  expect(byTitle(content, /Named exceptions/)).toEqual([[expect.stringMatching(/^How Cairn Example fog lamp is wired/i), 'own harness, 15 A at the post']]);
  for (const { head, rows } of content.tables) for (const cells of rows) expect(cells).toHaveLength(head.length);
  // Without a rule for its beam it is not aimed at all.
  expect(byTitle(contentWith(unknown), /^Aim/)).toEqual([]);
  // Described, or named by the kit, nothing of it stands there.
  expect(
    contentWith({ slug: 'dunmorrow-heron' })
      .tables.flatMap(({ rows }) => rows)
      .filter((cells) => cells.includes('not described')),
  ).toEqual([]);
});

test('each factory lamp stands with how it came and how it leaves', () => {
  expect(lampRows(contentAfter())).toEqual([['Dipped beam, left', 'not tried', 'not tried']]);
  expect(lampRows(contentAfter(['baseline.tried', { lamp: 'dipped-left', result: 'dim' }], ['final.tried', { lamp: 'dipped-left', result: 'works' }]))).toEqual([
    ['Dipped beam, left', 'dim', 'works'],
  ]);
});

test('a left and a right lamp of which the same is to be said share a row, others do not', () => {
  const both = (before: string, right: string) => {
    const lamp = example<VehicleProfile>('vehicle-profile').functions[0];
    if (!lamp) throw new Error('no lamp');
    return contentWith(
      { functions: [lamp, { ...lamp, id: 'dipped-right', name: 'Dipped beam, right', side: 'right' }] },
      ['baseline.tried', { lamp: 'dipped-left', result: before }],
      ['baseline.tried', { lamp: 'dipped-right', result: right }],
    );
  };
  expect(lampRows(both('works', 'works'))).toEqual([['Dipped beam, left and right', 'works', 'not tried']]);
  expect(lampRows(both('works', 'dim'))).toEqual([
    ['Dipped beam, left', 'works', 'not tried'],
    ['Dipped beam, right', 'dim', 'not tried'],
  ]);
});

test('lenses and warning lamps stand with how they came and how they leave, with what was said of them', () => {
  const lensRows = (...more: [string, object][]) => byTitle(contentAfter(...more), /Factory lamps/).filter(([name = '']) => name.startsWith('Lens'));
  expect(lensRows()).toEqual([['Lens of dipped beam, left', 'not graded', 'not graded']]);
  expect(
    lensRows(
      ['lens.graded', { lamp: 'dipped-left', moment: 'before', grade: 'heavy haze', why: 'sea air' }],
      ['lens.graded', { lamp: 'dipped-left', moment: 'after', grade: 'light haze', why: 'polished by us' }],
    ),
  ).toEqual([['Lens of dipped beam, left', 'heavy haze: sea air', 'light haze: polished by us']]);
  const content = contentAfter(
    ['warnings.read', { moment: 'before', lit: ['airbag', 'tyre pressure'], why: 'known to the owner' }],
    ['code.recorded', { moment: 'before', code: 'C12', note: 'old' }],
    ['code.recorded', { moment: 'before', code: 'C13' }],
    ['codes.read', { moment: 'after', count: 0 }],
    ['warnings.read', { moment: 'after', lit: [] }],
  );
  expect(byTitle(content, /warning lamps/)).toEqual([
    ['On arrival', 'C12, old', 'airbag, tyre pressure: known to the owner'],
    ['', 'C13', ''],
    ['Leaving', 'none stored', 'none lit'],
  ]);
});

test('a joint says how it was made and what was seen; what feeds it stands with its guard, once it is joined', () => {
  expect([byTitle(contentAfter(), /How it was joined/), byTitle(contentAfter(), /Fed from/)]).toEqual([[], []]);
  const joined = contentAfter(['plug.joined', { kit: 'example-fog', connection: 'joint-left', checked: ['click', 'pull'] }]);
  expect(byTitle(joined, /How it was joined/)).toEqual([['Fog plug, left', 'plug to plug, nothing cut', 'clicked, pulled; wires not proved']]);
  expect(byTitle(joined, /Fed from/)).toEqual([['fog lamp, left', 'Front fog', 'fuse F14, 10 A, as documented', '2.0 A at worst, 20 % of the fuse']]);
  const seen = contentAfter(['plug.joined', { kit: 'example-fog', connection: 'joint-left' }], ['fuse.seen', { circuit: 'front-fog', ratedA: 10 }]);
  expect(byTitle(seen, /Fed from/)[0]?.[2]).toBe('fuse F14, 10 A, seen');
});

test('what the kit lights says apart what was tried while open and what with everything closed', () => {
  expect(byTitle(contentAfter(), /lights/)).toEqual([['The left fog lamp lights', 'not tried', 'not tried']]);
  const open = ['test.tried', { kit: 'example-fog', test: 'lights-left', passed: true }] as [string, object];
  expect(byTitle(contentAfter(open), /lights/)).toEqual([['The left fog lamp lights', 'works', 'not tried']]);
  expect(byTitle(contentAfter(open, ['final.tested', { kit: 'example-fog', test: 'lights-left', passed: false }]), /lights/)).toEqual([
    ['The left fog lamp lights', 'works', 'does not work'],
  ]);
});

test('a screw that broke is not said to be renewed until a new one is in; an exception stands with what was agreed', () => {
  const content = contentAfter(['exception.named', { about: 'code:C12', note: 'Known to the owner' }], ['code.recorded', { moment: 'after', code: 'C12' }]);
  expect(byTitle(content, /Parts/)).toEqual([
    ['Arch liner, left', 'still folded'],
    ['T20 six-lobe × 14 mm, arch liner, left', '1 broke, and no new one is in its place'],
    ['T20 six-lobe × 14 mm, arch liner, left', '4 not back'],
  ]);
  expect(byTitle(content, /exceptions/)).toEqual([['fault code C12', 'Known to the owner']]);
  expect(byTitle(content, /Fault codes/)).toEqual([
    ['On arrival', 'not read', 'not looked at'],
    ['Leaving', 'C12', 'not looked at'],
  ]);
  const home = contentAfter(
    ['piece.moved', { piece: 'arch-liner-left', level: 'fitted', fasteners: [{ group: 'liner-screws', count: 4 }] }],
    ['fastener.renewed', { piece: 'arch-liner-left', group: 'liner-screws', count: 1 }],
  );
  expect(byTitle(home, /Parts/)).toEqual([
    ['1 piece that was opened', 'back in place'],
    ['T20 six-lobe × 14 mm, arch liner, left', '1 put in new'],
  ]);
});

test('damage and what was fitted already stand on it, and gaps before and after against what they are meant to be', () => {
  const content = contentAfter(
    ['damage.noted', { place: 'Wing, left', note: 'stone chips' }],
    ['gap.measured', { gap: 'bonnet-left', moment: 'before', widthMm: 4.2 }],
    ['gap.measured', { gap: 'bonnet-left', moment: 'after', widthMm: 7.8 }],
  );
  expect(byTitle(content, /arrived/)).toContainEqual(['Damage: wing, left', 'stone chips']);
  const [[name, before, after] = []] = byTitle(content, /gaps/);
  expect([name, before, after]).toEqual(['Bonnet to wing, left', '4.2 mm', '7.8 mm, outside']);
});

test('a calibration left to others is a limit of use, with who and until when', () => {
  const content = contentAfter(['sensor.calibrated', { sensor: 'radar', how: 'by others', by: 'the radar bench', dueOn: '2026-03-09' }]);
  const limits = byTitle(content, /limits/);
  expect(limits.find(([, how]) => how?.includes('the radar bench'))?.[1]).toBe(
    'Calibrated by others: the radar bench, until 9 March 2026. What hangs on it is not to be relied on before.',
  );
});

test('who did what is named by bench name, the check by who signed; a signature is there or it is said that it is not', () => {
  const content = contentAfter();
  expect(byTitle(content, /By whom/)).toEqual([['Opened and closed', 'Fern']]);
  expect([content.signature, content.received]).toEqual([undefined, 'Not signed by the customer.']);
  const signed = contentAfter(['customer.signed', { strokes: [{ points: [1, 2, 3, 4] }] }]);
  expect([signed.signature, signed.received]).toEqual([[{ points: [1, 2, 3, 4] }], 'Received by']);
});

test('a job that something was fitted on says when to come back, one that nothing was fitted on does not', () => {
  expect(contentAfter().notes.join(' ')).not.toContain('Come back');
  const fitted = contentAfter(['step.passed', { kit: 'example-fog', step: 'screw-left', pass: 'start' }]);
  expect(fitted.notes[0]).toBe('Come back after 100 km, or on 19 March 2026: new fasteners and the aim are looked at again.');
  expect(byTitle(fitted, /fitted, and where/)[0]?.[2]).toBe('begun, not finished');
  expect(byTitle(contentAfter(), /fitted, and where/)[0]?.[2]).toBe('not fitted');
});

test('the notes never say that something is lawful, and name the rule set checked', () => {
  const { notes } = contentAfter();
  expect(notes.join(' ')).toContain('“Example rules”');
  expect(notes.join(' ')).toContain('does not say that anything is lawful');
});

test('what the same people did stands on one row, in the order of work; others have their own', () => {
  const line = (work: WhoLine['work'], ...people: string[]): WhoLine => ({ work, people, from: ['x'] });
  expect(whoRows([line('arrival', 'fern'), line('opening', 'fern', 'copper'), line('wiring', 'fern')], FRAME.benchName)).toEqual([
    ['Looked at on arrival, connected', 'Fern'],
    ['Opened and closed', 'Fern, Copper'],
  ]);
});
