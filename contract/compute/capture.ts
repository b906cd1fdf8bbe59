import {
  closeUpList,
  followUps,
  kindCaptured,
  notesOf,
  planMinutesOf,
  revivedIn,
  seenJob,
  teachWays,
  withTaught,
  type JobDescribed,
  type SeenJob,
  type UnorderedMoves,
} from '@jade/core/capture';
import { foldJob } from '@jade/core/log';
import { withDescribed } from '@jade/core/overlay';
import type { Fault } from '@jade/core/faults';
import { CaptureInput } from './capture-inputs.ts';
import { checkDocuments, knownLog } from './checked.ts';
import { computation, refuse, type Computation } from './computation.ts';

function seenIn({ profile, kits = [], rules, logs = [], jobs = [] }: CaptureInput): { seen: SeenJob[]; told: JobDescribed[]; unordered: (UnorderedMoves & { job: string })[] } {
  const missing = (field: string): Fault => ({ path: field, code: 'missing', data: {} });
  if (logs.length > 0) refuse([...(profile ? [] : [missing('profile')]), ...(rules ? [] : [missing('rules')])]);
  const names = [...jobs, ...logs].map(({ job }) => job);
  refuse(
    names.flatMap((job, index): Fault[] =>
      names.indexOf(job) === index ? [] : [{ path: index < jobs.length ? `jobs[${index}].job` : `logs[${index - jobs.length}].job`, code: 'duplicate-id', data: { id: job } }],
    ),
  );
  if (!profile || !rules) return { seen: jobs, told: [], unordered: [] };
  checkDocuments({ profile, kits });
  const read = logs.map(({ job, log, clocks }, index) => {
    const skews = clocks && Object.fromEntries(clocks.map(({ device, behindS }) => [device, behindS * 1000]));
    const known = knownLog({ profile, kits, rules }, log, `logs[${index}].log`);
    const { described, kitsDescribed } = foldJob(known);
    const revived = revivedIn(known, withDescribed(profile, described).supplies);
    return { told: { job, described, kits: kitsDescribed, notes: notesOf(known), revived }, ...seenJob(job, { profile, kits, rules }, known, skews) };
  });
  const told = read.map((entry) => entry.told);
  return { seen: [...jobs, ...read.map(({ seen }) => seen)], told, unordered: read.flatMap(({ told: { job }, unordered }) => unordered.map((pair) => ({ job, ...pair }))) };
}

function capture(input: CaptureInput): unknown {
  const { profile } = input;
  const { seen, told, unordered } = seenIn(input);
  const taught = teachWays(seen, profile);
  const plan = planMinutesOf(profile);
  const levelsOf = (piece: string) => profile?.pieces.find(({ id }) => id === piece)?.levels.map(({ level }) => level) ?? [];
  return {
    levels: Object.fromEntries(taught.levels),
    reach: Object.fromEntries(taught.reach),
    planMin: plan(seen) ?? null,
    lists: seen.map(({ job }) => ({ job, list: closeUpList(seen, job, plan), followUps: followUps(seen, job, plan, levelsOf) })),
    unordered,
    problems: taught.conflicts,
    ...(profile ? { captured: kindCaptured(seen, told, profile, input.kits), profile: withTaught(profile, taught) } : {}),
  };
}

/** What the jobs of a kind of vehicle teach. */
export const CAPTURE_COMPUTATIONS: readonly Computation[] = [
  computation(
    'capture-profile',
    'What the jobs of a kind of vehicle teach of the ways in: from what is known of it, or nothing, and what was open at each move, less what people said could have stayed on.',
    '`levels` by piece (`openMin`, `closeMin`, `people`, `measured` times, `ways` with `needs`, `extraMin`, the needs that were `confirmed` and the `jobs` that went it), `reach` by mount position and plug, `planMin` (person-minutes of the way in to all of them; null where it does not lead everywhere), `lists` by job (`list`: each piece opened with `worthMin`, the person-minutes that asking whether it could have stayed on is worth; `followUps`: how far was enough, two at most), `unordered` (moves of two devices within a minute), where a profile was given `captured` (`pieces`, `functions`, `mounts`, `supplies`, `sensors`, `gaps`, `plugs` and `circuits` that its jobs described and it does not have, `facts` by which they told its vehicles apart, `confirmed` pieces that were assumed and opened (`entry` as found, `before` as assumed), `otherwise`: pieces that are held otherwise than the profile says or went further, `refitRules`: what had to go back before something else, `without`: assumed pieces that are not there, `revived` supplies with what bringing them back took, `measures` that nobody had taken (`valueMm` the middle of what jobs say, `beforeMm`), `notes` that were written on them, `kits` as they described them, `whole` lists, `changes`: ways that it does not have, `unsayable` how many cannot be said) and `profile` with the ways of what it has, `problems` (an answer withdrawn, by name; a piece that did not come where another vehicle gave way).',
    CaptureInput,
    capture,
  ),
];
