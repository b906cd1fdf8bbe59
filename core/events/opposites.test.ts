import { foldJob } from '../log/index.ts';
import { generatedLog, ENTRIES } from '../log/test/generated-logs.ts';
import { definitionOf, EVENT_TYPES, isEventType, type EventType, type LoggedEvent } from './index.ts';

const PAIRS = EVENT_TYPES.flatMap((type): [EventType, EventType][] => {
  const { opposite } = definitionOf(type);
  return opposite !== null && isEventType(opposite) && type < opposite ? [[type, opposite]] : [];
});
const SHARED = ['touches', 'orders', 'afterSigning', 'clock', 'timed', 'stays', 'by', 'right', 'inRow', 'ofFitted'] as const;
const entry = <T extends EventType>(type: T) => ENTRIES.find(([own]) => own === type)?.[1] ?? {};

test.each(PAIRS)('%s and %s have the same flags, unless one of them says why not', (one, other) => {
  const [a, b] = [definitionOf(one), definitionOf(other)];
  const unlike = { ...a.unlike, ...b.unlike };
  const differ: string[] = SHARED.filter((flag) => a[flag] !== b[flag]);
  if (a.planAnew(entry(one) as never) !== b.planAnew(entry(other) as never)) differ.push('planAnew');
  expect(differ.sort()).toEqual(Object.keys(unlike).sort());
});

/** What ends with an event at the end of a log in which everything stands that an event can end. */
function endedBy(before: readonly LoggedEvent[], type: EventType): Record<string, boolean> {
  const at = '2026-03-06T09:00:00Z';
  const event = (id: string, of: EventType, payload: unknown) => ({ id, type: of, v: 1, at, seq: 1000, person: 'fern', payload }) as LoggedEvent;
  const standing = [...before, event('night', 'night.left', { seen: [] }), event('signed', 'customer.signed', { strokes: [] }), event('pause', 'work.paused', {})];
  const state = foldJob([...standing, event('last', type, entry(type))]);
  const left = foldJob([...standing, event('done', 'job.signed', { atSeq: 3 }), event('last', type, entry(type))]);
  return {
    signature: state.signature === undefined,
    night: state.night === undefined,
    pause: state.pause === undefined,
    untouched: state.touched,
    late: left.questions.some(({ code, event: of }) => code === 'late-event' && of === 'last'),
  };
}

/** Pairs that are about what the others end: they say by themselves that it begins or is over. */
const OF_ITSELF: readonly EventType[] = ['night.left', 'work.paused', 'job.reopened'];

test.each(PAIRS.filter((pair) => !pair.some((type) => OF_ITSELF.includes(type))))('what %s ends, %s ends', (one, other) => {
  for (let seed = 0; seed < 40; seed++) {
    const log = generatedLog(seed).filter(({ type }) => type !== 'job.signed' && type !== 'customer.signed');
    expect(endedBy(log, one)).toEqual(endedBy(log, other));
  }
});
