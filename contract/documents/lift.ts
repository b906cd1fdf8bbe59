import { pinFunctionWritten, stateWritten } from '@jade/core/states';

type Json = Record<string, unknown>;
const list = (value: unknown): Json[] => (Array.isArray(value) ? (value.filter((entry) => typeof entry === 'object' && entry !== null) as Json[]) : []);
const texts = (value: unknown): string[] => (Array.isArray(value) ? value.filter((entry) => typeof entry === 'string') : []);

/** A turn signal was written without its side. */
function stateOf(text: unknown, side: unknown): unknown {
  if (typeof text !== 'string') return text;
  if (text === 'turn' && (side === 'left' || side === 'right')) return `turn ${side}`;
  return stateWritten(text) ?? text;
}

const pins = (plug: Json): Json => ({
  ...plug,
  pins: list(plug.pins).map((pin) => ({ ...pin, carries: typeof pin.carries === 'string' ? (pinFunctionWritten(pin.carries) ?? pin.carries) : pin.carries })),
});

/** Levels that the pieces of a profile list, lowest first. */
const levelsOf = (profile: Json, piece: unknown): unknown[] => list(list(profile.pieces).find((entry) => entry.id === piece)?.levels).map((level) => level.level);

/** Whether a piece is a plug by itself: what proves it is not covered by it. */
const isPlug = (profile: Json, piece: unknown): boolean => {
  const groups = list(list(profile.pieces).find((entry) => entry.id === piece)?.fasteners);
  return groups.length > 0 && groups.every((group) => group.drive === 'plug lock');
};

/** Version 2 closes the list of states, describes supplies, and says of every plug, place and adjuster what hides it. */
function liftProfile(profile: Json): Json {
  const hides = (piece: unknown) =>
    levelsOf(profile, piece)
      .slice(-1)
      .map((level) => ({ piece, level }));
  const { cautions, ...rest } = profile;
  return {
    ...rest,
    format: 'jade-vehicle-profile/2',
    supplies: [],
    pieces: list(profile.pieces).map((piece) => ({ ...piece, cautions: texts(piece.cautions).map((text) => ({ text })) })),
    plugs: list(profile.plugs).map(({ behind, ...plug }) => ({ ...pins(plug), reach: [], hiddenBy: behind === undefined ? [] : hides(behind) })),
    circuits: list(profile.circuits).map((circuit) => ({ ...circuit, liveIn: texts(circuit.liveIn).map((state) => stateWritten(state) ?? state) })),
    mounts: list(profile.mounts).map(({ adjusterBehind, ...mount }) => ({
      ...mount,
      hiddenBy: list(list(mount.reach)[0]?.needs).filter((need) => !isPlug(profile, need.piece)),
      ...(adjusterBehind === undefined ? {} : { adjusterHiddenBy: texts(adjusterBehind).flatMap(hides) }),
    })),
    functions: list(profile.functions).map((lamp) => ({ ...lamp, state: stateOf(lamp.state, lamp.side) })),
    cautions,
  };
}

/** Version 2 closes the list of states, and a test says all lamps that it proves. */
function liftKit(kit: Json): Json {
  return {
    ...kit,
    format: 'jade-kit/2',
    lamps: list(kit.lamps).map((lamp) => (lamp.functions === undefined ? lamp : { ...lamp, functions: list(pins({ pins: lamp.functions }).pins) })),
    plugs: list(kit.plugs).map(pins),
    fitments: list(kit.fitments).map((fitment) => ({
      ...fitment,
      tests: list(fitment.tests).map(({ lamp, ...test }) => ({ ...test, state: stateOf(test.state, test.side), lamps: [lamp] })),
    })),
  };
}

/** Version 3 watches lamps by channels: where a document says nothing of them, they are not described. */
function liftSecondProfile(profile: Json): Json {
  return { ...profile, format: 'jade-vehicle-profile/3' };
}

/** Version 4 says which lists nobody has described yet: a document of before was described as a whole. */
function liftThirdProfile(profile: Json): Json {
  return { ...profile, format: 'jade-vehicle-profile/4' };
}

/** Version 5 may leave open what nobody has measured of a sensor, a supply, a circuit or a gap, and holds notes. */
function liftFourthProfile(profile: Json): Json {
  return { ...profile, format: 'jade-vehicle-profile/5' };
}

/** Facts that a condition somewhere in a value names. */
function factsNamed(value: unknown): unknown[] {
  if (Array.isArray(value)) return value.flatMap(factsNamed);
  if (typeof value !== 'object' || value === null) return [];
  return [...('fact' in value ? [value.fact] : []), ...Object.values(value).flatMap(factsNamed)];
}

/** Version 3 parts what feeds lamps from what triggers them, lays feeds of the kit's own, and refuses an option that changes nothing: one of before is a matter of looks. */
function liftSecondKit(kit: Json): Json {
  const named = new Set(factsNamed([kit.contents, kit.fitments]));
  return {
    ...kit,
    format: 'jade-kit/3',
    options: list(kit.options).map((option) => (named.has(`option.${String(option.id)}`) ? option : { ...option, looks: true })),
    relays: [],
    feeds: [],
    fitments: list(kit.fitments).map((fitment) => ({
      ...fitment,
      connections: list(fitment.connections).map(({ circuit, ...connection }) => ({ ...connection, feed: { circuit } })),
    })),
  };
}

/** Version 4 says which lists nobody has described yet: a document of before was described as a whole. */
function liftThirdKit(kit: Json): Json {
  return { ...kit, format: 'jade-kit/4' };
}

/**
 * Version 5 may leave open what nobody has measured of a feed or a relay, and says by itself that the years of a fitment are not its maker's: of one of before
 * that was so where anything of it was not described.
 */
function liftFourthKit(kit: Json): Json {
  const opened = (fitment: unknown): unknown => {
    const open = typeof fitment === 'object' && fitment !== null ? (fitment as Json).undescribed : undefined;
    return Array.isArray(open) && open.length > 0 ? { ...(fitment as Json), undescribed: [...(open as unknown[]), 'years'] } : fitment;
  };
  return { ...kit, format: 'jade-kit/5', ...(Array.isArray(kit.fitments) ? { fitments: (kit.fitments as unknown[]).map(opened) } : {}) };
}

const LIFTS: ReadonlyMap<string, (document: Json) => Json> = new Map([
  ['jade-vehicle-profile/1', liftProfile],
  ['jade-vehicle-profile/2', liftSecondProfile],
  ['jade-vehicle-profile/3', liftThirdProfile],
  ['jade-vehicle-profile/4', liftFourthProfile],
  ['jade-kit/1', liftKit],
  ['jade-kit/2', liftSecondKit],
  ['jade-kit/3', liftThirdKit],
  ['jade-kit/4', liftFourthKit],
]);

/** A document as the newest version of its format says it; one that is new already, or is of no known format, is given back as it is. */
export function liftDocument(value: unknown): unknown {
  if (typeof value !== 'object' || value === null || Array.isArray(value)) return value;
  const { format } = value as Json;
  const lift = typeof format === 'string' ? LIFTS.get(format) : undefined;
  return lift ? liftDocument(lift(value as Json)) : value;
}
