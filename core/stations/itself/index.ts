import { hasLeft, LONGEST_TEXT, type Happened, type NightItem } from '../../events/index.ts';
import { nightLines, toTakeOut, type JobContext } from '../../job/index.ts';
import { judgeOpening } from '../../judging/index.ts';
import { key } from '../../subject/index.ts';
import { levelRank } from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, type Act, type Refusal } from '../act.ts';
import { question, type Asked, type Station } from '../hold.ts';

export * from './photos.ts';

/** What stands between the job and hand-over of how it was left for a night. */
export function askedOfNights({ state }: Pick<JobContext, 'state'>): Asked[] {
  return state.notAsLeft.map(({ event, note }) => question('not-as-left', { note }, key({ kind: 'entry', entry: event })));
}

const ended = ({ state }: Pick<JobContext, 'state'>): Refusal[] => (hasLeft(state) ? [{ code: 'has-left' }] : []);

/** A promise made, changed, or taken back where no time is given. One that is past when it is made is kept with a word. */
export function promised(context: Pick<JobContext, 'state'>, at: string | undefined, now: string, why = ''): Act {
  const past = judgeOpening(at, undefined, true, now).includes('promise past');
  if (at === context.state.promise.at) return refused({ code: 'already' });
  const bars: Refusal[] = [...ended(context), ...(past && why.trim() === '' ? [{ code: 'promise-past' as const }] : []), ...tooLong(why, LONGEST_TEXT.why)];
  return unless(bars, () => [{ type: 'promise.made', payload: { ...(at === undefined ? {} : { at }), ...(past ? { why: why.trim() } : {}) } }]);
}

/**
 * Where the vehicle stands now; nowhere that is known where no bay is given.
 * @param bays of the shop
 */
export function baySet({ state }: Pick<JobContext, 'state'>, bay: string | undefined, bays: readonly string[]): Act {
  if (bay !== undefined && !bays.includes(bay)) return refused({ code: 'unknown', what: 'bay', id: bay });
  return happenedUnless(bay === state.bay?.bay && state.bay !== undefined, { type: 'bay.taken', payload: bay === undefined ? {} : { bay } });
}

/** Who is on it; nobody where no person is given. */
export const assigned = ({ state }: Pick<JobContext, 'state'>, person: string | undefined): Act =>
  happenedUnless(person === state.assigned, { type: 'job.assigned', payload: person === undefined ? {} : { person } });

const happenedUnless = (already: boolean, event: Happened): Act => (already ? refused({ code: 'already' }) : happened(event));

/** What the customer wants, in their words. */
export function wished(context: Pick<JobContext, 'state'>, text: string): Act {
  const wish = text.trim();
  if (wish === (context.state.wish ?? '')) return refused({ code: 'already' });
  return unless([...ended(context), ...tooLong(wish, LONGEST_TEXT.wish)], () => [{ type: 'wish.written', payload: wish === '' ? {} : { wish } }]);
}

/** Something that a person wants to keep, at the station where it came up. */
export function noted(station: Station, text: string): Act {
  const note = text.trim();
  return note === '' ? refused({ code: 'nothing' }) : unless(tooLong(note, LONGEST_TEXT.jobNote), () => [{ type: 'note.written', payload: { station, note } }]);
}

/** A kit that is not fitted after all, with the reason. What is on the vehicle of it is then to be taken out. */
export function kitDropped(context: JobContext, kit: string, why: string): Act {
  const { state } = context;
  if (!context.kits.some(({ slug }) => slug === kit)) return refused({ code: 'unknown', what: 'kit', id: kit });
  if (state.dropped[kit] !== undefined || state.cancelled) return refused({ code: 'already' });
  const bars: Refusal[] = [...ended(context), ...(why.trim() ? [] : [{ code: 'nothing' as const }]), ...tooLong(why, LONGEST_TEXT.why)];
  return unless(bars, () => [{ type: 'kit.dropped', payload: { kit, why: why.trim() } }]);
}

/** The work is not done after all, with the reason. */
export function cancelled(context: JobContext, why: string): Act {
  if (context.state.cancelled) return refused({ code: 'already' });
  const bars: Refusal[] = [...ended(context), ...(why.trim() ? [] : [{ code: 'nothing' as const }]), ...tooLong(why, LONGEST_TEXT.why)];
  return unless(bars, () => [{ type: 'job.cancelled', payload: { why: why.trim() } }]);
}

/** What dropping a kit, or all of them with the job, leaves to be done on the vehicle. */
export interface Undoing {
  /** Joints, legs, contacts and fitting steps to be taken out again. */
  out: number;
  /** Pieces that are open now. */
  open: number;
}

/** What is to be undone where a kit is dropped, or where the whole job is cancelled. */
export function undoing(context: JobContext, kit?: string): Undoing {
  const { state } = context;
  const then = kit === undefined ? { ...state, cancelled: { why: '', at: '' } } : { ...state, dropped: { ...state.dropped, [kit]: '' } };
  const out = toTakeOut({ ...context, state: then }).filter((entry) => kit === undefined || entry.kit === kit);
  return { out: out.length, open: Object.values(state.pieces).filter((level) => levelRank(level) > 0).length };
}

/** Whether hands can be taken off the vehicle for a while: it is worked on, and nobody has said so yet. */
export const canPause = ({ state }: Pick<JobContext, 'state'>): boolean => !hasLeft(state) && !state.night && !state.pause;

/** Hands are off the vehicle from now on: the clock of a step stands still. */
export const paused = (context: Pick<JobContext, 'state'>): Act => (canPause(context) ? happened({ type: 'work.paused', payload: {} }) : refused({ code: 'already' }));

/** Work goes on after a pause. */
export const resumed = ({ state }: Pick<JobContext, 'state'>): Act => (state.pause ? happened({ type: 'work.resumed', payload: {} }) : refused({ code: 'already' }));

/** The vehicle left open for the night: what was seen to, and where what is off lies. */
export function leftOvernight(context: JobContext, seen: readonly NightItem[], where = ''): Act {
  const lines = nightLines(context);
  const odd = seen.find((item) => !lines.some((line) => line.item === item));
  const bars: Refusal[] = [
    ...ended(context),
    ...(lines.length === 0 ? [{ code: 'nothing' as const }] : []),
    ...(context.state.night ? [{ code: 'already' as const }] : []),
    ...(odd === undefined ? [] : [{ code: 'unknown' as const, what: 'thing to see to', id: odd }]),
    ...tooLong(where, LONGEST_TEXT.where),
  ];
  return unless(bars, () => [{ type: 'night.left', payload: { seen: [...new Set(seen)], ...(where.trim() ? { where: where.trim() } : {}) } }]);
}

/** Work goes on after a night: it was found as it was left, or what was found instead. */
export function foundAgain({ state }: Pick<JobContext, 'state'>, note = ''): Act {
  if (!state.night) return refused({ code: 'nothing' });
  return unless(tooLong(note, LONGEST_TEXT.note), () => [{ type: 'night.over', payload: note.trim() ? { asLeft: false, note: note.trim() } : { asLeft: true } }]);
}
