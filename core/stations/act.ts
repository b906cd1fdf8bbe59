import { LONGEST_TEXT, tooManyIn, type Happened } from '../events/index.ts';
import type { FeedBar } from '../loom/index.ts';
import type { SupplyBar } from '../job/index.ts';
import type { Pass } from '../kit/index.ts';
import type { MeasureDoubt } from '../judging/index.ts';
import type { ReadingDoubt, ReferenceVerdict } from '../probing/index.ts';
import type { Subject } from '../subject/index.ts';
import type { MeasureId, SupplyId } from '../vehicle/index.ts';

/** What cannot be of a face as it was described. */
export type FaceFault = 'no pins' | 'too many pins' | 'known already' | 'two faces';

/** Why an act cannot be recorded now. */
export type Refusal =
  | SupplyBar
  | { code: 'already' }
  | { code: 'nothing' }
  | { code: 'too-long'; over: number; most: number }
  | { code: 'doubtful'; doubts: MeasureDoubt[] }
  | { code: 'unknown'; what: string; id: string }
  | { code: 'open-first'; pieces: string[] }
  | { code: 'back-first'; pieces: string[] }
  | { code: 'gate-first'; subjects: Subject[] }
  | { code: 'dead-work-first'; subjects: Subject[] }
  | { code: 'prove-first'; side: 'left' | 'right' }
  | { code: 'before-dead'; what: ('codes' | 'warnings' | 'baseline')[] }
  | { code: 'qualified-first'; supply: SupplyId }
  | { code: 'bolts-asked'; piece: string; groups: string[] }
  | { code: 'new-or-old'; piece: string; groups: string[] }
  | { code: 'sensor-first'; sensors: string[] }
  | { code: 'consent-first'; about: Subject }
  | { code: 'height-first'; lamp: string }
  | { code: 'count'; group: string; most: number }
  | { code: 'pass-first'; pass: Pass; steps: string[] }
  | { code: 'step-first'; steps: { kit: string; step: string }[] }
  | { code: 'join-first'; connections: string[] }
  | { code: 'part-first'; kit: string; connections: string[] }
  | { code: 'has-left' }
  | { code: 'promise-past' }
  | { code: 'does-not-fit'; kit: string }
  | { code: 'facts-first'; facts: string[] }
  | { code: 'year-first' }
  | { code: 'reference-first' }
  | { code: 'reference'; verdict: ReferenceVerdict }
  | { code: 'does-not-mate'; connection: string }
  | { code: 'load-refused'; circuit: string }
  | { code: 'wire-first'; plug: string; pin: string }
  | { code: 'no-terminal'; plug: string }
  | { code: 'is-joined' }
  | { code: 'no-source'; because: FeedBar[] }
  | { code: 'measure-first'; slot: string; states: string[] }
  | { code: 'no-way'; leg: string }
  | { code: 'pin-over'; plug: string; pin: string }
  | { code: 'never-slot'; slot: string; circuit: string }
  | { code: 'reading-impossible'; doubts: ReadingDoubt[] }
  | { code: 'reading-odd'; doubts: ReadingDoubt[] }
  | { code: 'powered'; pin: string }
  | { code: 'on-vehicle'; plug: string; because: 'joined' | 'being fitted' }
  | { code: 'face-impossible'; why: FaceFault }
  | { code: 'wall-first' }
  | { code: 'let-down-first'; place: string }
  | { code: 'goes-round'; first: string; then: string }
  | { code: 'settings-first'; settings: string[] }
  | { code: 'missing'; count: number }
  | { code: 'described'; piece: string }
  | { code: 'name-taken'; name: string }
  | { code: 'lamps-first'; kit: string }
  | { code: 'place-first'; kit: string; lamps: string[] }
  | { code: 'tests-first'; kit: string }
  | { code: 'opened-already' }
  | { code: 'fact-known'; fact: string }
  | { code: 'same-choice' }
  | { code: 'measure-out'; measure: MeasureId; leastMm: number; mostMm: number }
  | { code: 'feed-first'; kit: string; lamps: string[] }
  | { code: 'feeds-nothing' | 'several-functions'; plug: string }
  | { code: 'fuse-above'; fuseA: number; mostA: number }
  | { code: 'too-many-photos' | 'too-many-on-sheet'; most: number };

/** What an act of a person records, or why it cannot be recorded. */
export type Act = { events: Happened[] } | { refused: Refusal[] };

/** An act that records these events. */
export const happened = (...events: Happened[]): Act => ({ events });
/** An act that cannot be recorded. */
export const refused = (...refusals: Refusal[]): Act => ({ refused: refusals });

/** What stands against a text that is longer than what is kept of it. */
export function tooLong(text: string | undefined, most: number): Refusal[] {
  const over = tooManyIn(text ?? '', most);
  return over > 0 ? [{ code: 'too-long', over, most }] : [];
}

/** Whether an act cannot be recorded. */
export function isRefused(act: Act): act is { refused: Refusal[] } {
  return 'refused' in act;
}

/** These events, unless something stands against them. */
export function unless(refusals: readonly Refusal[], events: () => Happened[]): Act {
  return refusals.length > 0 ? { refused: [...refusals] } : { events: events() };
}

/** A measure that makes one wonder is kept with a word, which stays with it; without one it is not. */
export function unlessDoubtful(doubts: readonly MeasureDoubt[], why: string | undefined, event: (word: { why?: string }) => Happened): Act {
  const word = why?.trim() ?? '';
  if (doubts.length > 0 && word === '') return refused({ code: 'doubtful', doubts: [...doubts] });
  return unless(tooLong(word, LONGEST_TEXT.why), () => [event(doubts.length > 0 ? { why: word } : {})]);
}
