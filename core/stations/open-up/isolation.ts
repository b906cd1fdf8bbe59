import { functionsOf, suppliesNow, type JobContext } from '../../job/index.ts';
import { LONGEST_TEXT, type Happened } from '../../events/index.ts';
import { key } from '../../subject/index.ts';
import { isUndescribed, listedLevel, type OpenLevel, type Piece, type Supply, type SupplyId } from '../../vehicle/index.ts';
import { refused, tooLong, type Act, type Refusal } from '../act.ts';
import { cameAs, doubtsOfMinutes, faultsOfPiece, knownAs, pieceOf, type CamePiece } from './capture.ts';

/** What comes before a supply is first isolated, as it cannot be seen afterwards: the fault codes read, the warning lamps looked at, every factory lamp tried. */
export function beforeDead(context: JobContext): Refusal[] {
  const { state } = context;
  if (suppliesNow(context).some(({ wasDead }) => wasDead)) return [];
  const codes = state.codesRead.before === undefined && state.exceptions[key({ kind: 'codes' })] === undefined;
  // Of lamps that nobody has looked through nobody knows that they were tried.
  const unlooked = isUndescribed(context.profile, 'functions') && state.exceptions[key({ kind: 'undescribed', list: 'functions' })] === undefined;
  const baseline = unlooked || functionsOf(context).some((lamp) => !state.baseline[lamp.id]);
  const warnings = !state.warnings.before && state.exceptions[key({ kind: 'warnings', moment: 'before' })] === undefined;
  const what = [...(codes ? ['codes' as const] : []), ...(warnings ? ['warnings' as const] : []), ...(baseline ? ['baseline' as const] : [])];
  return what.length > 0 ? [{ code: 'before-dead', what }] : [];
}

/** A supply that was isolated and of which nobody had described how: by a piece that came off now, or by one that is open already. */
export interface Isolated {
  supply: SupplyId;
  by: CamePiece | { open: string };
  /** From the isolation until it counts as dead, as the maker says it; nothing while nobody has said it. */
  waitMin?: number;
  before: readonly string[];
  forgets: readonly string[];
  /** Whether only qualified people do it: always so of a high-voltage supply. */
  qualified?: boolean;
  /** Who isolated it, and by which procedure. */
  who?: string;
}

/** What a supply is called where nobody has named it. */
const nameOf = (supply: SupplyId, { systemVoltageV }: JobContext['profile']) => (supply === 'high' ? 'High-voltage supply' : `${systemVoltageV} V battery`);

/** Supplies that this vehicle has and of which nobody has described how they are isolated: that nothing asks for it is not to say that nothing needs it. */
export const isolationUnknown = ({ profile }: Pick<JobContext, 'profile'>): SupplyId[] =>
  (profile.highVoltage ? (['low', 'high'] as const) : (['low'] as const)).filter((supply) => !profile.supplies.some(({ id }) => id === supply));

/** Whether only qualified people isolate a supply: always so of high voltage. */
export const forQualified = ({ supply, qualified = false }: Pick<Isolated, 'supply' | 'qualified'>): boolean => supply === 'high' || qualified;

/** Pieces that are open and that a supply can have been isolated by: what an owner added is none of the kind. */
export const canHaveIsolated = ({ state, profile }: Pick<JobContext, 'state' | 'profile'>): Piece[] =>
  profile.pieces.filter(({ id }) => (state.pieces[id] ?? 'fitted') !== 'fitted' && !state.accessories[id]);

const isOpen = (by: Isolated['by']): by is { open: string } => 'open' in by;

/** The piece that is open already and by which a supply was isolated. */
function openPiece(context: JobContext, id: string): { piece: Piece; level: OpenLevel } | undefined {
  const piece = canHaveIsolated(context).find((entry) => entry.id === id);
  const listed = piece && listedLevel(piece, context.state.pieces[id] ?? 'fitted')?.level;
  return piece && listed !== undefined ? { piece, level: listed } : undefined;
}

function faultsOf(context: JobContext, { supply, by, waitMin, before, forgets, who }: Isolated, qualified: boolean): Refusal[] {
  const missing = waitMin === undefined || !(waitMin >= 0) ? 1 : 0;
  const ofPiece = isOpen(by) ? [] : faultsOfPiece(by);
  const all = ofPiece.reduce((sum, fault) => sum + (fault.code === 'missing' ? fault.count : 0), missing);
  return [
    ...beforeDead(context),
    ...(all > 0 ? [{ code: 'missing' as const, count: all }] : []),
    ...ofPiece.filter(({ code }) => code !== 'missing'),
    ...(qualified && !who?.trim() ? [{ code: 'qualified-first' as const, supply }] : []),
    ...tooLong(who, LONGEST_TEXT.isolation),
    ...[...before, ...forgets].flatMap((text) => tooLong(text, LONGEST_TEXT.setting)),
  ];
}

const texts = (list: readonly string[]) => [...new Set(list.map((text) => text.trim()).filter((text) => text !== ''))];

/**
 * A supply that was isolated, as whoever did it saw it: described with the piece that does it and what was open then, and dead from now on, in one act.
 * How long bringing it back takes nobody knows yet.
 * @param id of the piece, for good: of its name and four letters drawn by the device
 * @param sure said where the minutes made one wonder
 */
export function supplyIsolated(context: JobContext, isolated: Isolated, id: string, sure = false): Act {
  const { supply, by, waitMin = 0, who } = isolated;
  const { profile } = context;
  if (!isolationUnknown(context).includes(supply)) return refused({ code: 'already' });
  const qualified = forQualified(isolated);
  const faults = faultsOf(context, isolated, qualified);
  if (faults.length > 0) return refused(...faults);
  const known = isOpen(by) ? openPiece(context, by.open) : undefined;
  if (isOpen(by) && !known) return refused({ code: 'unknown', what: 'piece', id: by.open });
  const described = isOpen(by) ? undefined : knownAs(profile, by, id);
  if (described) return refused({ code: 'described', piece: described.id });
  const piece = isOpen(by) ? known?.piece : pieceOf(context, by, id);
  const level = isOpen(by) ? known?.level : by.level;
  if (!piece || level === undefined) return refused({ code: 'nothing' });
  const doubts = sure || isOpen(by) ? [] : doubtsOfMinutes(by.openMin);
  if (doubts.length > 0) return refused({ code: 'doubtful', doubts });
  const entry: Supply = {
    id: supply,
    name: nameOf(supply, profile),
    piece: piece.id,
    level,
    waitMin,
    by: qualified ? 'qualified people' : 'anyone',
    before: texts(isolated.before),
    forgets: texts(isolated.forgets),
  };
  const events: Happened[] = [
    { type: 'kind.described', payload: { ...(isOpen(by) ? {} : { pieces: [piece] }), supplies: [entry] } },
    ...(isOpen(by) ? [] : cameAs(context, by, piece)),
    { type: 'supply.set', payload: { supply, is: 'dead', ...(who?.trim() ? { by: who.trim() } : {}) } },
  ];
  return { events };
}
