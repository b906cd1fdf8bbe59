import { LONGEST_TEXT } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { beamOf, contentsCommon, lampsCommon, type Beam, type ContentItem, type Kit, type KitList, type Lamp, type LampOffered, type Optics } from '../../kit/index.ts';
import type { LoadKind, Side } from '../../vehicle/index.ts';
import { happened, refused, tooLong, unless, type Act, type Refusal } from '../act.ts';

const openList = ({ kits }: Pick<JobContext, 'kits'>, slug: string, list: KitList): Kit | undefined =>
  kits.find((kit) => kit.slug === slug && (kit.undescribed ?? []).includes(list));

/** Lists of a kit that are written down at Gather and that nobody has described as a whole. */
export const listsOpen = ({ undescribed = [] }: Pick<Kit, 'undescribed'>): ('contents' | 'lamps')[] =>
  (['contents', 'lamps'] as const).filter((list) => undescribed.includes(list));

/** What commonly lies in the box of such a kit and nobody has counted; nothing of a kit whose contents are described. */
export function contentsOffered(context: Pick<JobContext, 'kits'>, slug: string): Omit<ContentItem, 'count'>[] {
  const kit = openList(context, slug, 'contents');
  return kit ? contentsCommon(kit) : [];
}

/**
 * What lies in the box of a kit that nobody had described, with how many of each there are: from now on it is counted of every such kit. What is not there
 * is not written down: nobody knows that it belongs to it.
 */
export function contentsFound(context: Pick<JobContext, 'kits'>, slug: string, items: readonly ContentItem[]): Act {
  const kit = openList(context, slug, 'contents');
  if (!kit || items.some(({ id }) => kit.contents.some((own) => own.id === id))) return refused({ code: 'already' });
  if (items.length === 0) return refused({ code: 'nothing' });
  const missing = items.flatMap(({ name, count }) => [name.trim() === '', !(Number.isInteger(count) && count >= 1)]).filter(Boolean).length;
  const faults: Refusal[] = [...(missing > 0 ? [{ code: 'missing' as const, count: missing }] : []), ...items.flatMap(({ name }) => tooLong(name, LONGEST_TEXT.kitEntry))];
  return unless(faults, () => [
    { type: 'kit.described', payload: { kit: slug, contents: items.map((item) => ({ ...item, name: item.name.trim() })) } },
    ...items.map(({ id, count }) => ({ type: 'content.counted' as const, payload: { kit: slug, item: id, count } })),
  ]);
}

/** Lamps that such a kit commonly holds and nobody has described; nothing of a kit whose lamps are. */
export function lampsOffered(context: Pick<JobContext, 'kits'>, slug: string): LampOffered[] {
  const kit = openList(context, slug, 'lamps');
  return kit ? lampsCommon(kit) : [];
}

/** What is read from a lamp, its box and its paper: what nobody stated or measured is absent. */
export interface LampRead {
  powerW?: number;
  atV: number;
  kind?: LoadKind;
  widthMm?: number;
  heightMm?: number;
  depthMm?: number;
  /** What is printed or moulded on it; that nothing is, is something that is seen. */
  marking: string;
  claims?: Pick<Optics, 'peakCd'>;
}

const lampOf = ({ id, name, side }: { id: string; name: string; side: Side }, read: LampRead & { beam: Beam; kind: LoadKind }): Lamp => ({
  id,
  name: name.trim(),
  side,
  // A claim stays one until somebody tests it.
  optics: { beam: read.beam, ...read.claims, basis: 'claimed' },
  load: { powerW: read.powerW ?? 0, atV: read.atV, kind: read.kind },
  box: { widthMm: read.widthMm ?? 0, heightMm: read.heightMm ?? 0, depthMm: read.depthMm ?? 0 },
  marking: read.marking.trim(),
});

/** Lamps of a kit that nobody had described, all alike, as they are read: one of each side, or one. */
export function lampsRead(context: Pick<JobContext, 'kits'>, slug: string, lamps: readonly LampOffered[], read: LampRead): Act {
  const kit = openList(context, slug, 'lamps');
  if (!kit || lamps.some(({ id }) => kit.lamps.some((own) => own.id === id))) return refused({ code: 'already' });
  if (lamps.length === 0) return refused({ code: 'nothing' });
  const beam = beamOf(kit);
  const { kind } = read;
  const amounts = [read.powerW, read.atV, read.widthMm, read.heightMm, read.depthMm];
  const missing = [...amounts.map((value) => !(value !== undefined && value > 0)), beam === undefined, kind === undefined, read.marking.trim() === ''].filter(Boolean).length;
  const faults: Refusal[] = [
    ...(missing > 0 ? [{ code: 'missing' as const, count: missing }] : []),
    ...tooLong(read.marking, LONGEST_TEXT.marking),
    ...lamps.flatMap(({ name }) => tooLong(name, LONGEST_TEXT.kitEntry)),
  ];
  if (faults.length > 0 || !beam || !kind) return refused(...faults);
  return happened({ type: 'kit.described', payload: { kit: slug, lamps: lamps.map((lamp) => lampOf(lamp, { ...read, beam, kind })) } });
}

/** A kit has nothing in a list beyond what is described; at least one entry is there. */
export function noMoreOfKit(context: Pick<JobContext, 'kits'>, slug: string, list: 'contents' | 'lamps'): Act {
  const kit = openList(context, slug, list);
  if (!kit) return refused({ code: 'already' });
  return kit[list].length === 0 ? refused({ code: 'nothing' }) : happened({ type: 'kit.described', payload: { kit: slug, whole: [list] } });
}
