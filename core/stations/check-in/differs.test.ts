import { idCheck } from '../../log/index.ts';
import { jobContext, type JobContext } from '../../job/index.ts';
import { planOpening } from '../../plan/index.ts';
import type { Happened, JobEvent } from '../../events/index.ts';
import { openedLog, PAIR, RULES, VAN, type TestLog } from '../../job/test/log.ts';
import { checkIn, isRefused, openUp, type Act } from '../index.ts';

const contextAt = (log: TestLog): JobContext => jobContext(log.state, { profile: VAN, kits: [PAIR], rules: RULES, year: 2022 });
const planned = (log: TestLog) => planOpening(contextAt(log)).steps.map(({ piece }) => piece);
const ID = 'grille-k3m8';
const LACKS: checkIn.Difference = { has: false, pieces: ['grille'], label: ' Grille ', here: 'none', elsewhere: 'fitted ', howToSee: 'Open front, mesh behind.' };
const codes = (act: Act) => (isRefused(act) ? act.refused.map(({ code }) => code) : []);
const tell = (log: TestLog, part: Partial<checkIn.Difference> = {}, id = ID) => checkIn.differs(contextAt(log), { ...LACKS, ...part }, id);
function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}

test('a piece that this vehicle lacks and others have is no work and no obstacle here; the fact is known of this one and asked of others', () => {
  const log = openedLog();
  const before = planned(log);
  expect(before).toContain('grille');
  const act = tell(log);
  expect(act).toEqual({
    events: [
      {
        type: 'kind.described',
        payload: {
          facts: [
            {
              id: ID,
              label: 'Grille',
              choices: ['fitted', 'none'],
              howToSee: 'Open front, mesh behind.',
              lookMin: 1,
              tells: [{ piece: 'grille', when: { not: { fact: ID, is: 'none' } } }],
            },
          ],
        },
      },
      { type: 'fact.recorded', payload: { fact: ID, certainty: 'known', value: 'none' } },
    ],
  });
  perform(log, act);
  const check = idCheck({ profile: VAN, kits: [PAIR], rules: RULES });
  expect(log.events.flatMap((event, index) => check(event as JobEvent, `events[${index}]`))).toEqual([]);
  expect(planned(log)).toEqual(before.filter((piece) => piece !== 'grille'));
  expect(contextAt(log).profile.facts.map(({ id }) => id)).toEqual([...VAN.facts.map(({ id }) => id), ID]);
  // Who finds out that it has one after all says so where every fact is said: it is there again.
  log.add('fact.recorded', { fact: ID, certainty: 'known', value: 'fitted' });
  expect(planned(log)).toEqual(before);
  // Not known is not the same as none.
  log.add('fact.recorded', { fact: ID, certainty: 'unknown' });
  expect(planned(log)).toEqual(before);
});

test('a piece that this one has and others lack is there only where they are as it is', () => {
  const log = openedLog();
  expect(checkIn.canDiffer(contextAt(log), true)).toEqual([]);
  perform(log, { events: [{ type: 'piece.moved', payload: { piece: 'grille', level: 'off', fasteners: [] } }] });
  expect(checkIn.canDiffer(contextAt(log), true).map(({ id }) => id)).toEqual(['grille']);
  const act = tell(log, { has: true, here: 'painted', elsewhere: 'open' });
  expect(isRefused(act) || act.events.map(({ payload }) => payload)).toEqual([
    { facts: [expect.objectContaining({ choices: ['painted', 'open'], tells: [{ piece: 'grille', when: { fact: ID, is: 'painted' } }] })] },
    { fact: ID, certainty: 'known', value: 'painted' },
  ]);
  // What an owner added, or what isolates a supply, is none that the kind differs by.
  const winch = {
    accessory: 'winch',
    name: 'Winch',
    side: 'centre' as const,
    zone: 'front' as const,
    holds: [],
    openMin: 5,
    closeMin: 6,
    people: 1,
    drive: 'hex' as const,
    count: 4,
  };
  const more = openedLog();
  more.add('accessory.found', winch);
  for (const piece of ['winch', 'grille']) more.add('piece.moved', { piece, level: 'off', fasteners: [] });
  const supplies = [{ id: 'low' as const, name: '12 V', piece: 'grille', level: 'off' as const, waitMin: 0, by: 'anyone' as const, before: [], forgets: [] }];
  expect(checkIn.canDiffer(contextAt(more), true).map(({ id }) => id)).toEqual(['grille']);
  expect(checkIn.canDiffer({ ...contextAt(more), profile: { ...contextAt(more).profile, supplies } }, true)).toEqual([]);
  // What was opened here is nothing that this vehicle lacks.
  expect(codes(tell(log))).toEqual(['unknown']);
});

test('a fact of the kind tells it as well: its choice on this vehicle is recorded once, and a piece that hangs on it already hangs on no more of it', () => {
  const log = openedLog();
  const [fact] = VAN.facts;
  const here = fact?.choices[1] ?? '';
  const first = tell(log, { fact: fact?.id, here });
  expect(isRefused(first) || first.events.map(({ type }) => type)).toEqual(['kind.described', 'fact.recorded']);
  log.add('fact.recorded', { fact: fact?.id ?? '', certainty: 'known', value: here });
  const again = tell(log, { fact: fact?.id, here });
  expect(isRefused(again) || again.events).toEqual([
    { type: 'kind.described', payload: { facts: [{ ...fact, tells: [{ piece: 'grille', when: { not: { fact: fact?.id, is: here } } }] }] } },
  ]);
  expect([codes(tell(log, { fact: 'moon', here })), codes(tell(log, { fact: fact?.id, here: 'full' })), codes(tell(log, { fact: fact?.id, here: '' }))]).toEqual([
    ['unknown'],
    ['unknown'],
    ['missing'],
  ]);
  perform(log, again);
  const opposite = { ...fact, value: fact?.choices[0] ?? '' };
  log.add('fact.recorded', { fact: fact?.id ?? '', certainty: 'known', value: opposite.value });
  expect(checkIn.factsToTell(contextAt(log), ['grille']).map(({ id }) => id)).not.toContain(fact?.id);
  expect(codes(tell(log, { fact: fact?.id, here: opposite.value }))).toEqual(['unknown']);
});

test('what is missing, the same on both, asked for already, too long or impossible is refused', () => {
  const log = openedLog();
  expect(tell(log, { pieces: [], label: '', howToSee: '  ' })).toEqual({ refused: [{ code: 'missing', count: 3 }] });
  expect(codes(tell(log, { elsewhere: ' None' }))).toEqual(['same-choice']);
  const [fact] = VAN.facts;
  expect(tell(log, { label: ` ${fact?.label.toUpperCase()}` })).toEqual({ refused: [{ code: 'fact-known', fact: fact?.id }] });
  expect([codes(tell(log, { label: 'x'.repeat(121) })), codes(tell(log, { here: 'x'.repeat(81) })), codes(tell(log, { howToSee: 'x'.repeat(301) }))]).toEqual([
    ['too-long'],
    ['too-long'],
    ['too-long'],
  ]);
  expect(tell(log, { pieces: ['grille', 'roof'] })).toEqual({ refused: [{ code: 'unknown', what: 'piece', id: 'roof' }] });
  perform(log, tell(log));
  expect(codes(tell(log, { label: 'Front', pieces: ['bumper'] }))).toEqual(['already']);
});

test('a piece that isolates a supply, that came open or that an owner added is none that the kind differs by', () => {
  const log = openedLog();
  const supplies = [{ id: 'low' as const, name: '12 V', piece: 'grille', level: 'off' as const, waitMin: 0, by: 'anyone' as const, before: [], forgets: [] }];
  expect(codes(checkIn.differs({ ...contextAt(log), profile: { ...VAN, supplies } }, LACKS, ID))).toEqual(['unknown']);
  perform(log, openUp.cameOpen(contextAt(log), 'grille', 'off'));
  expect(codes(tell(log))).toEqual(['unknown']);
});

test('a description that tells of a piece or a choice that is not there is refused at its place', () => {
  const check = idCheck({ profile: VAN, kits: [PAIR], rules: RULES });
  const fact = { id: ID, label: 'Grille', choices: ['fitted', 'none'], howToSee: 'Look.', lookMin: 1 };
  const event = (tells: { piece: string; when: object }[]) => ({ id: 'x', type: 'kind.described', v: 1, at: '', payload: { facts: [{ ...fact, tells }] } }) as JobEvent;
  const faults = (tells: { piece: string; when: object }[]) => check(event(tells), 'events[0]').map(({ path, code }) => `${path} ${code}`);
  expect(
    faults([
      { piece: 'grille', when: { not: { fact: ID, is: 'gone' } } },
      { piece: 'roof', when: { fact: ID, is: 'none' } },
    ]),
  ).toEqual(['events[0].payload.facts[0].tells[0].when.not.is choice', 'events[0].payload.facts[0].tells[1].piece unknown-id']);
  expect(faults([{ piece: 'grille', when: { fact: 'moon', is: 'full' } }])).toEqual(['events[0].payload.facts[0].tells[0].when.fact unknown-id']);
});
