import type { JobContext } from '@jade/core/job';
import { testsThatFollow } from '@jade/core/kit';
import { circuitId } from '@jade/core/wiring';
import { sayTest } from '@jade/words/kit';
import { MEASURES, positionsOf, type MeasureId, type Position, type Supply, type TakenMeasures, type Way } from '@jade/core/vehicle';
import { amount, inSentence, millimetres, minutes } from '@jade/words/units';

/** Looks up what a person calls the things that a hold names by id. */
export interface Names {
  piece: (id: string) => string;
  /** A piece or a mount position. */
  place: (id: string) => string;
  kit: (slug: string) => string;
  item: (kit: string, id: string) => string;
  task: (kit: string, id: string) => string;
  step: (kit: string, id: string) => string;
  test: (kit: string, id: string) => string;
  lamp: (kit: string, id: string) => string;
  factory: (id: string) => string;
  fact: (id: string) => string;
  mount: (id: string) => string;
  /** A mount position, sensor, gap or plug. */
  spot: (id: string) => string;
  plug: (id: string) => string;
  circuit: (id: string) => string;
  kitPlug: (kit: string, id: string) => string;
  channel: (id: string) => string;
  adapter: (id: string) => string;
  /** A leg by the lamp that it leads to. */
  leg: (kit: string, id: string) => string;
  segment: (id: string) => string;
  ground: (id: string) => string;
  sensor: (id: string) => string;
  group: (piece: string, id: string) => string;
  connection: (kit: string, id: string) => string;
  gap: (id: string) => string;
  option: (kit: string, id: string) => string;
  choice: (kit: string, option: string, id: string) => string;
  position: (kit: string, control: string, id: string) => string;
  supply: (id: string) => string;
  rule: (id: string) => string;
}

function find<T extends { id: string }>(items: readonly T[] | undefined, id: string): T | undefined {
  return items?.find((item) => item.id === id);
}

/** Names from the documents of a job; an id that is not found stands for itself. */
export function namesOf({
  profile,
  absent = [],
  kits: own,
  fitted = [],
  rules,
  plugs,
}: Pick<JobContext, 'profile' | 'kits'> & Partial<Pick<JobContext, 'absent' | 'fitted' | 'rules' | 'plugs'>>): Names {
  const kits = [...own, ...fitted];
  const kit = (slug: string) => kits.find((candidate) => candidate.slug === slug);
  const fitment = (slug: string) => kit(slug)?.fitments.find((candidate) => candidate.vehicle === profile.slug);
  /** A circuit that the shop lays, by the plug that it feeds. */
  const laidTo = (id: string) => {
    const [slug = '', connection = '', pin] = id.split('.');
    const plug = find(kit(slug)?.plugs, find(fitment(slug)?.connections, connection)?.kitPlug ?? '')?.name;
    return plug === undefined || pin === undefined ? undefined : `Wire laid to ${inSentence(plug)}`;
  };
  return {
    piece: (id) => (find(profile.pieces, id) ?? find(absent, id))?.name ?? id,
    place: (id) => (find(profile.pieces, id) ?? find(absent, id) ?? find(profile.mounts, id))?.name ?? id,
    kit: (slug) => (kit(slug) ? `${kit(slug)?.maker} ${kit(slug)?.name}` : slug),
    item: (slug, id) => {
      const item = find(kit(slug)?.contents, id);
      return item ? `${item.name}${item.hand ? `, ${item.hand}` : ''}` : id;
    },
    task: (slug, id) => find(kit(slug)?.benchTasks, id)?.name ?? id,
    step: (slug, id) => find(fitment(slug)?.fitSteps, id)?.name ?? id,
    test: (slug, id) => {
      const [on, fit] = [kit(slug), fitment(slug)];
      if (!on || !fit) return id;
      const test = find(fit.tests, id) ?? find(testsThatFollow(on, profile, { ...fit, tests: [] }), id);
      return test ? sayTest(on, test) : id;
    },
    lamp: (slug, id) => find(kit(slug)?.lamps, id)?.name ?? id,
    factory: (id) => find(profile.functions, id)?.name ?? id,
    fact: (id) =>
      find(profile.facts, id)?.label ??
      find(
        kits.flatMap((entry) => entry.options),
        id.replace(/^option\./, ''),
      )?.label ??
      id,
    mount: (id) => find(profile.mounts, id)?.name ?? id,
    spot: (id) => (find(profile.mounts, id) ?? find(profile.sensors, id) ?? find(profile.gaps, id) ?? find(profile.plugs, id))?.name ?? id,
    plug: (id) => find(profile.plugs, id)?.name ?? id,
    circuit: (id) =>
      find(profile.circuits, id)?.name ??
      find(
        kits.flatMap((laid) => laid.feeds.map((feed) => ({ ...feed, id: circuitId(laid, feed.id) }))),
        id,
      )?.name ??
      laidTo(id) ??
      id,
    kitPlug: (slug, id) => find(kit(slug)?.plugs, id)?.name ?? id,
    channel: (id) => find(profile.channels, id)?.name ?? id,
    adapter: (id) => find(plugs?.adapters, id)?.name ?? id,
    leg: (slug, id) => find(kit(slug)?.lamps, find(kit(slug)?.legs, id)?.lamp ?? '')?.name ?? id,
    ground: (id) => find(profile.grounds, id)?.name ?? id,
    segment: (id) => find(profile.cableWays?.segments, id)?.name ?? id,
    sensor: (id) => find(profile.sensors, id)?.name ?? id,
    connection: (slug, id) => {
      const connection = find(fitment(slug)?.connections, id);
      const plug = find(profile.plugs, connection?.vehiclePlug ?? '')?.name ?? id;
      return connection?.tap ? `${plug}, wire of pin ${connection.tap.pin}` : plug;
    },
    supply: (id) => find(profile.supplies, id)?.name ?? `${id} supply`,
    rule: (id) => find(rules?.aim, id)?.name ?? id,
    gap: (id) => find(profile.gaps, id)?.name ?? id,
    option: (slug, id) => find(kit(slug)?.options, id)?.label ?? id,
    position: (slug, control, id) => {
      const known = find(kit(slug)?.controls, control);
      return `${known?.name ?? control}, ${inSentence(find(known?.positions, id)?.name ?? id)}`;
    },
    choice: (slug, option, id) => find(find(kit(slug)?.options, option)?.choices, id)?.label ?? id,
    group: (piece, id) => sayGroup(find(find(profile.pieces, piece)?.fasteners, id)) ?? id,
  };
}

/** What holds without a drive, by how it lets go. */
const WITHOUT_DRIVE: Readonly<Record<string, string>> = { turn: 'knob', unscrew: 'knob', 'squeeze tabs': 'tab', slide: 'slide', 'lift then pull': 'catch' };

/** A fastener group in the trade's words: "T25 six-lobe × 25 mm". */
export function sayGroup(group: { drive: string; size?: string; lengthMm?: number; release?: string; singleUse?: boolean } | undefined): string | undefined {
  if (!group) return undefined;
  const drive = group.drive === 'none' ? (WITHOUT_DRIVE[group.release ?? ''] ?? (group.singleUse === false ? 'stud' : 'tape')) : group.drive;
  const name = group.size ? `${group.size} ${drive}` : drive;
  return group.lengthMm ? `${name} × ${amount(group.lengthMm, 'mm')}` : name;
}

/** How a supply is isolated, how long it waits, who does it, what goes before and what is set again. */
export function sayIsolation({ piece, level, waitMin, by, before, forgets }: Supply, name: (piece: string) => string): string {
  const list = (texts: readonly string[]) => texts.map((text, index) => (index === 0 ? text : inSentence(text))).join('; ');
  return [
    `Isolated by ${inSentence(name(piece))} ${level}, dead after ${minutes(waitMin)}, by ${by}.`,
    ...(before.length > 0 ? [`Before it: ${list(before)}.`] : []),
    ...(forgets.length > 0 ? [`It forgets: ${list(forgets)}.`] : []),
  ].join(' ');
}

/** How a vehicle stands for a piece of work, where it does not stand as it comes. */
export const sayStand = ({ kind, place }: Position): string => (kind === 'raised' ? `${place} raised, on stands` : `${kind} turned ${place}`);

/** Of one kind, that a vehicle stands as it comes: on its own wheels, its wheels straight. */
export const sayAsItComes = (kind: string): string => (kind === 'raised' ? 'on its wheels' : kind === 'wheels' ? 'wheels straight' : `${kind} as it comes`);

/** What has to be open for a way, and what it takes beyond the move. */
export function sayThrough(
  { needs, extraMin, asks = [], position, also }: Pick<Way, 'needs' | 'extraMin' | 'asks' | 'position' | 'also'>,
  name: (piece: string) => string,
): string {
  const through = needs.length === 0 ? 'nothing first' : `first ${needs.map(({ piece, level }) => `${inSentence(name(piece))} ${level}`).join(', ')}`;
  return [
    through,
    ...asks.filter(({ is }) => is === 'dead').map(({ supply }) => (supply === 'low' ? 'with the battery off' : 'with high voltage isolated')),
    ...positionsOf({ position, also }).map(sayStand),
    ...(extraMin > 0 ? [`${minutes(extraMin)} more`] : []),
  ].join(', ');
}

/** Measures of a vehicle. */
export const MEASURE_NAMES: Readonly<Record<MeasureId, string>> = {
  lengthMm: 'Length',
  wheelbaseMm: 'Wheelbase',
  frontOverhangMm: 'Front overhang',
  widthMm: 'Width',
  trackMm: 'Track',
  heightMm: 'Height',
  bonnetHeightMm: 'Bonnet height',
  groundClearanceMm: 'Ground clearance',
  wheelDiameterMm: 'Wheel diameter',
};

/** Measures that were taken, in the order in which measures are listed. */
export const sayMeasures = (taken: TakenMeasures): string =>
  MEASURES.flatMap((id) => (taken[id] === undefined ? [] : [`${inSentence(MEASURE_NAMES[id])} ${millimetres(taken[id])}`])).join(', ');
