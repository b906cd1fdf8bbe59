import { duplicateIds, unknownId, type Fault } from '../faults/index.ts';
import { checkCondition } from '../facts/index.ts';
import { PAPERS, PHOTO_KINDS, photoSubject } from '../photos/index.ts';
import { checkKit, testsThatFollow, type Kit } from '../kit/index.ts';
import {
  checkCircuits,
  checkMeasures,
  checkPieces,
  checkPlugs,
  checkSensors,
  checkSupplies,
  factChoices,
  withMeasures,
  type Piece,
  type VehicleProfile,
} from '../vehicle/index.ts';
import { circuitId, madeCircuitId } from '../wiring/index.ts';
import {
  describedFurther,
  fitmentUnknown,
  kitDescribedFurther,
  NOTHING_DESCRIBED,
  withDescribed,
  withKitDescribed,
  type DescribedHere,
  type FoundPlug,
  type KindDescribed,
  type KitDescribed,
  type KitDescribedHere,
  PLACE_LISTS,
} from '../overlay/index.ts';
import type { EventType, JobEvent, PinnedDocuments } from '../events/index.ts';

type Lists = Readonly<Record<string, readonly { id: string }[]>>;

/** Faults of an event, with the path it has, as in `events[2]`. */
export type IdCheck = (event: JobEvent, path: string) => Fault[];

/**
 * Holds events, in the order they happened, against the documents that their job pins: a fact, value, option, item, task, lamp, joint,
 * step, test, pin, sensor, supply, piece, fastener, way or rule that they do not have. An accessory that was found counts as a piece
 * from then on, and what was described as an entry of the profile. Whether an event fits what happened before it is not asked here.
 * @param found ids of accessories and plugs that were found before, and what was described
 */
export function idCheck(
  pinned: PinnedDocuments,
  found: { accessories?: Iterable<string>; plugs?: Iterable<FoundPlug>; described?: DescribedHere; kitsDescribed?: Readonly<Record<string, KitDescribedHere>> } = {},
): IdCheck {
  const accessories = new Set(found.accessories ?? []);
  const plugs = new Map([...(found.plugs ?? [])].map((plug) => [plug.plug, plug]));
  let described = found.described ?? NOTHING_DESCRIBED;
  let kits = new Map(Object.entries(found.kitsDescribed ?? {}));
  const asDescribed = () => {
    // A device that was away may have opened what another one found missing, and may still know a piece under the id of its own description.
    const known = withDescribed(pinned.profile, { ...described, without: [] });
    const again = <T extends { id: string }>(said: Readonly<Record<string, T>>, own: readonly T[]): T[] => [
      ...own,
      ...Object.values(said).filter(({ id }) => described.same[id] !== undefined && !own.some((entry) => entry.id === id)),
    ];
    // It may as well count what holds a piece as the profile has it, while another one found it held otherwise; and what it opened went by the way that was
    // described here, whatever the profile has learned of it since.
    const asBefore = (piece: Piece): Piece => {
      const before = described.held[piece.id] ? (pinned.profile.pieces.find(({ id }) => id === piece.id)?.fasteners ?? []) : [];
      const levels = piece.levels.map((level) => {
        const own = described.pieces[piece.id]?.levels.find((entry) => entry.level === level.level)?.ways ?? [];
        return { ...level, ways: [...level.ways, ...own.filter(({ id }) => !level.ways.some((way) => way.id === id))] };
      });
      return { ...piece, levels, fasteners: [...piece.fasteners, ...before.filter(({ id }) => !piece.fasteners.some((group) => group.id === id))] };
    };
    const profile = {
      ...known,
      pieces: again(described.pieces, known.pieces.map(asBefore)),
      mounts: again(described.mounts, known.mounts),
      sensors: again(described.sensors, known.sensors),
      gaps: again(described.gaps, known.gaps),
      plugs: again(described.plugs, known.plugs),
    };
    return { ...pinned, profile, kits: pinned.kits.map((kit) => withKitDescribed(kit, kits.get(kit.slug), profile)) };
  };
  let documents = asDescribed();
  return (event, path) => {
    if (event.type === 'kind.described') {
      const faults = describedFaults(documents.profile, new Set(plugs.keys()), event.payload, path);
      if (faults.length > 0) return faults;
      described = describedFurther(described, event.payload);
      documents = asDescribed();
      return [];
    }
    if (event.type === 'kit.described') {
      const faults = kitDescribedFaults(documents, event.payload, path);
      if (faults.length > 0) return faults;
      kits = new Map([...kits, [event.payload.kit, kitDescribedFurther(kits.get(event.payload.kit), event.payload)]]);
      documents = asDescribed();
      return [];
    }
    if (event.type === 'accessory.found') accessories.add(event.payload.accessory);
    if (event.type === 'plug.found' && plugFaults(event.payload, path).length === 0) plugs.set(event.payload.plug, event.payload);
    return eventFaults(event, documents, accessories, [...plugs.values()], path);
  };
}

/** Entries in the place of those of the same id, or besides: what they are held against. */
const besides = <T extends { id: string }>(own: readonly T[], entries: readonly T[]): T[] => [...own.filter(({ id }) => !entries.some((entry) => entry.id === id)), ...entries];

/** Faults at entries of a list that come after the first so many, each with the path that it has in the list of these alone; of others nothing. */
function amongLast(faults: readonly Fault[], list: string, first: number, at: string): Fault[] {
  return faults.flatMap((fault): Fault[] => {
    const [, name = '', place = '-1', rest = ''] = /^(\w+)\[(\d+)\](.*)$/.exec(fault.path) ?? [];
    return name !== list || Number(place) < first ? [] : [{ ...fault, path: `${at}.${list}[${Number(place) - first}]${rest}` }];
  });
}

/**
 * Faults of what was described: nothing at all, an entry said twice, a piece that names what is not there.
 * @param found plugs that were found on this vehicle
 */
function describedFaults(profile: VehicleProfile, found: ReadonlySet<string>, said: KindDescribed, path: string): Fault[] {
  const { pieces = [], functions = [], mounts = [], supplies = [], sensors = [], gaps = [], plugs = [], circuits = [], facts: telling = [], refitRules = [], without = [] } = said;
  const { measures = {}, held: holding = [], same = [], apart = [], samePlaces = [], apartPlaces = [], whole = [] } = said;
  const at = `${path}.payload`;
  const lists = { pieces, functions, mounts, supplies, sensors, gaps, plugs, circuits, facts: telling, refitRules };
  if ([...Object.values(lists), Object.keys(measures), without, holding, same, apart, samePlaces, apartPlaces, whole].every((list) => list.length === 0))
    return [
      { path: at, code: 'one-of', data: { choices: [...Object.keys(lists), 'measures', 'without', 'held', 'same', 'apart', 'samePlaces', 'apartPlaces', 'whole'].join(', ') } },
    ];
  const facts = factChoices({ facts: [...telling, ...profile.facts] });
  const held = { pieces: besides(profile.pieces, pieces), supplies: besides(profile.supplies, supplies) };
  const now = { ...profile, ...held, circuits: besides(profile.circuits, circuits) };
  const faults = [
    ...checkPieces(held.pieces, mounts, facts),
    ...checkSupplies({ ...held, mounts }),
    ...checkSensors(sensors, held.pieces, facts),
    ...checkPlugs(plugs, now),
    ...checkCircuits(circuits, now),
  ];
  const ofEntries = [
    ...amongLast(faults, 'pieces', held.pieces.length - pieces.length, at),
    ...amongLast(faults, 'supplies', held.supplies.length - supplies.length, at),
    ...amongLast(faults, 'mounts', 0, at),
    ...amongLast(faults, 'sensors', 0, at),
    ...amongLast(faults, 'plugs', 0, at),
    ...amongLast(faults, 'circuits', 0, at),
  ];
  const ofLamps = functions.flatMap((lamp, place) => checkCondition(lamp.when, facts, `${at}.functions[${place}].when`));
  const there = new Set(held.pieces.map(({ id }) => id));
  const ofFacts = telling.flatMap(({ tells }, place) =>
    tells.flatMap(({ piece, when }, index) => [
      ...unknownId(piece, there, `${at}.facts[${place}].tells[${index}].piece`, 'piece'),
      ...checkCondition(when, facts, `${at}.facts[${place}].tells[${index}].when`),
    ]),
  );
  const ofMeasures = checkMeasures(withMeasures(profile, measures).measures).map((fault) => ({ ...fault, path: `${at}.${fault.path}` }));
  const pair = (list: string, place: number, one: string, [field, other]: [field: string, id: string]): Fault[] => [
    ...unknownId(one, there, `${at}.${list}[${place}].piece`, 'piece'),
    ...unknownId(other, there, `${at}.${list}[${place}].${field}`, 'piece'),
    ...(one === other ? [{ path: `${at}.${list}[${place}].${field}`, code: 'itself' as const, data: {} }] : []),
  ];
  const ofHolding = holding.flatMap(({ piece, fasteners }, place) => {
    const levels = new Set<string>(held.pieces.find(({ id }) => id === piece)?.levels.map(({ level }) => level));
    return [
      ...unknownId(piece, there, `${at}.held[${place}].piece`, 'piece'),
      ...duplicateIds(fasteners, `${at}.held[${place}].fasteners`),
      ...(there.has(piece) ? fasteners.flatMap(({ atLevel }, index) => unknownId(atLevel, levels, `${at}.held[${place}].fasteners[${index}].atLevel`, 'level')) : []),
    ];
  });
  const places = PLACE_LISTS.map((list) => {
    const own = [...profile[list], ...lists[list]].map(({ id }) => id);
    return new Set(list === 'plugs' ? [...own, ...found] : own);
  });
  /** Two of one list: a place is no sensor. */
  const placePair = (list: string, place: number, one: string, [field, other]: [field: string, id: string]): Fault[] => {
    const among = places.find((ids) => ids.has(one));
    return [
      ...unknownId(one, among ?? new Set(), `${at}.${list}[${place}].place`, 'place'),
      ...(among ? unknownId(other, among, `${at}.${list}[${place}].${field}`, 'place') : []),
      ...(one === other ? [{ path: `${at}.${list}[${place}].${field}`, code: 'itself' as const, data: {} }] : []),
    ];
  };
  const ofPairs = [
    ...samePlaces.flatMap(({ place, is }, index) => placePair('samePlaces', index, place, ['is', is])),
    ...apartPlaces.flatMap(({ place, from }, index) => placePair('apartPlaces', index, place, ['from', from])),
    ...same.flatMap(({ piece, is }, place) => pair('same', place, piece, ['is', is])),
    ...apart.flatMap(({ piece, from }, place) => pair('apart', place, piece, ['from', from])),
    ...refitRules.flatMap(({ first, then, when }, place) => [
      ...unknownId(first, there, `${at}.refitRules[${place}].first`, 'piece'),
      ...unknownId(then, there, `${at}.refitRules[${place}].then`, 'piece'),
      ...(first === then ? [{ path: `${at}.refitRules[${place}].then`, code: 'itself' as const, data: {} }] : []),
      ...checkCondition(when, facts, `${at}.refitRules[${place}].when`),
    ]),
  ];
  return [
    ...Object.entries(lists).flatMap(([list, entries]) => duplicateIds(entries, `${at}.${list}`)),
    ...ofEntries,
    ...ofLamps,
    ...ofFacts,
    ...ofHolding,
    ...ofPairs,
    ...ofMeasures,
  ];
}

/** Faults of what was described of a kit: nothing at all, a kit that the job does not have, an entry said twice or that names what is not there. */
function kitDescribedFaults({ profile, kits }: { profile: VehicleProfile; kits: readonly Kit[] }, said: KitDescribed, path: string): Fault[] {
  const { lamps = [], contents = [], mounts = [], fitSteps = [], tests = [], plugs = [], relays = [], feeds = [], legs = [], connections = [], replaces = [], whole = [] } = said;
  const at = `${path}.payload`;
  const kit = kits.find(({ slug }) => slug === said.kit);
  if (!kit) return [{ path: `${at}.kit`, code: 'unknown-id', data: { id: said.kit, what: 'kit' } }];
  const lists = { lamps, contents, mounts, fitSteps, tests, plugs, relays, feeds, legs, connections, replaces, whole };
  if (Object.values(lists).every((list) => list.length === 0)) return [{ path: at, code: 'one-of', data: { choices: Object.keys(lists).join(', ') } }];
  const own = kit.fitments.find(({ vehicle }) => vehicle === profile.slug) ?? fitmentUnknown(profile);
  const fitment = {
    ...own,
    mounts,
    replaces: [...own.replaces.filter((piece) => !replaces.includes(piece)), ...replaces],
    fitSteps: besides(own.fitSteps, fitSteps),
    tests: besides(own.tests, tests),
    connections: besides(own.connections, connections),
  };
  const held = {
    ...kit,
    lamps: besides(kit.lamps, lamps),
    contents: besides(kit.contents, contents),
    plugs: besides(kit.plugs, plugs),
    relays: besides(kit.relays, relays),
    feeds: besides(kit.feeds, feeds),
    legs: besides(kit.legs, legs),
    fitments: [fitment],
  };
  const faults = checkKit(held, new Map([[profile.slug, profile]]));
  const ofFitment = faults.flatMap((fault): Fault[] => (fault.path.startsWith('fitments[0].') ? [{ ...fault, path: fault.path.slice('fitments[0].'.length) }] : []));
  return [
    ...amongLast(faults, 'lamps', held.lamps.length - lamps.length, at),
    ...amongLast(faults, 'contents', held.contents.length - contents.length, at),
    ...amongLast(faults, 'plugs', held.plugs.length - plugs.length, at),
    ...amongLast(faults, 'relays', held.relays.length - relays.length, at),
    ...amongLast(faults, 'feeds', held.feeds.length - feeds.length, at),
    ...amongLast(faults, 'legs', held.legs.length - legs.length, at),
    ...amongLast(ofFitment, 'connections', fitment.connections.length - connections.length, at),
    ...amongLast(ofFitment, 'mounts', 0, at),
    ...amongLast(ofFitment, 'fitSteps', fitment.fitSteps.length - fitSteps.length, at),
    ...amongLast(ofFitment, 'replaces', fitment.replaces.length - replaces.length, at),
    ...amongLast(ofFitment, 'tests', fitment.tests.length - tests.length, at),
  ];
}

/** Faults of a face as it was found: pins of one name or in one place, or outside the face. A profile that has learned the plug since has it too. */
function plugFaults({ pins, rows, columns }: FoundPlug, path: string): Fault[] {
  const at = `${path}.payload`;
  return [
    ...pins.flatMap(({ id, row, column }, place): Fault[] => [
      ...(pins.findIndex((other) => other.id === id) < place ? [{ path: `${at}.pins[${place}].id`, code: 'duplicate-id' as const, data: { id } }] : []),
      ...(row > rows || column > columns ? [{ path: `${at}.pins[${place}]`, code: 'pin-outside-face' as const, data: { rows, columns } }] : []),
      ...(pins.findIndex((other) => other.row === row && other.column === column) < place
        ? [{ path: `${at}.pins[${place}]`, code: 'pin-place-twice' as const, data: { row, column } }]
        : []),
    ]),
  ];
}

/** Events that are also of kits that an earlier job fitted. */
const AGAIN: readonly EventType[] = ['final.tested', 'step.rechecked', 'photo.taken'];

function eventFaults(
  event: JobEvent,
  { profile, kits: own, fitted = [], rules, plugs }: PinnedDocuments,
  accessories: ReadonlySet<string>,
  found: readonly FoundPlug[],
  path: string,
): Fault[] {
  const at = (field: string) => `${path}.payload.${field}`;
  // What an earlier job fitted is tried, aimed and held again.
  const kits = AGAIN.includes(event.type) ? [...own, ...fitted] : own;
  const among = (items: readonly { id: string }[] | undefined, id: string, field: string, what: string) =>
    unknownId(id, new Set((items ?? []).map((item) => item.id)), at(field), what);
  const kitOf = (slug: string) => kits.find((kit) => kit.slug === slug);
  const fitmentOf = (slug: string) => kitOf(slug)?.fitments.find((fitment) => fitment.vehicle === profile.slug);
  const testsKnown = (slug: string) => {
    const [kit, fitment] = [kitOf(slug), fitmentOf(slug)];
    return kit && fitment ? [...fitment.tests, ...testsThatFollow(kit, profile, { ...fitment, tests: [] })] : [];
  };
  const inKit = (slug: string, lists: Lists): Fault[] => {
    if (!kitOf(slug)) return [{ path: at('kit'), code: 'unknown-id', data: { id: slug, what: 'kit' } }];
    return Object.entries(lists).flatMap(([field, items]) => among(items, String(Object.entries(event.payload).find(([name]) => name === field)?.[1] ?? ''), field, field));
  };
  // Those of the vehicle, those that a kit lays, and those that the shop may lay to a contact of a kit.
  const circuits = () => [
    ...profile.circuits,
    ...kits.flatMap((kit) => kit.feeds.map(({ id }) => ({ id: circuitId(kit, id) }))),
    ...kits.flatMap((kit) =>
      (fitmentOf(kit.slug)?.connections ?? []).flatMap(({ id, kitPlug }) =>
        (kit.plugs.find((plug) => plug.id === kitPlug)?.pins ?? []).map((pin) => ({ id: madeCircuitId(kit.slug, id, pin.id) })),
      ),
    ),
  ];
  const plugOf = (id: string) => profile.plugs.find((entry) => entry.id === id) ?? found.find(({ plug }) => plug === id);
  const partOf = (kit: string, items: readonly { id: string }[] | undefined, id: string, what: string) =>
    kitOf(kit) ? among(items, id, 'about', what) : among([], kit, 'about', 'kit');
  const inProfile = (piece: string) => (accessories.has(piece) ? [] : among(profile.pieces, piece, 'piece', 'piece'));
  switch (event.type) {
    case 'fact.recorded': {
      const { fact, value, not = [] } = event.payload;
      const choices = factChoices(profile).get(fact);
      if (!choices) return [{ path: at('fact'), code: 'unknown-id', data: { id: fact, what: 'fact' } }];
      const odd = [...(value === undefined ? [] : [['value', value]]), ...not.map((entry, index) => [`not[${index}]`, entry])];
      return odd
        .filter(([, entry = '']) => !choices.includes(entry))
        .map(([field = '', entry = '']): Fault => ({ path: at(field), code: 'choice', data: { value: entry, choices: choices.join(', ') } }));
    }
    case 'option.chosen': {
      const { kit, option, choice } = event.payload;
      const known = kitOf(kit)?.options.find((entry) => entry.id === option);
      return known ? among(known.choices, choice, 'choice', 'choice') : inKit(kit, { option: kitOf(kit)?.options ?? [] });
    }
    case 'opening.enough':
      return event.payload.kits.flatMap((kit, place) =>
        among(
          kits.map(({ slug }) => ({ id: slug })),
          kit,
          `kits[${place}]`,
          'kit',
        ),
      );
    case 'match.confirmed':
      return inKit(event.payload.kit, {});
    case 'content.counted':
      return inKit(event.payload.kit, { item: kitOf(event.payload.kit)?.contents ?? [] });
    case 'bench.done':
      return inKit(event.payload.kit, { task: kitOf(event.payload.kit)?.benchTasks ?? [] });
    case 'plug.joined': {
      const { kit, adapters = [] } = event.payload;
      const known = adapters.flatMap((adapter, place) => among(plugs?.adapters, adapter, `adapters[${place}]`, 'adapter'));
      return [...inKit(kit, { connection: fitmentOf(kit)?.connections ?? [] }), ...known];
    }
    case 'lamp.powered': {
      const { kit, plug: id, pin } = event.payload;
      const plug = kitOf(kit)?.plugs.find((entry) => entry.id === id);
      return plug ? among(plug.pins, pin, 'pin', 'pin') : inKit(kit, { plug: kitOf(kit)?.plugs ?? [] });
    }
    case 'plug.capped':
      return event.payload.kit === undefined ? among(profile.plugs, event.payload.plug, 'plug', 'plug') : inKit(event.payload.kit, { plug: kitOf(event.payload.kit)?.plugs ?? [] });
    case 'leg.laid':
    case 'route.chosen': {
      const { kit, path: along = [] } = event.payload;
      return [...inKit(kit, { leg: kitOf(kit)?.legs ?? [] }), ...along.flatMap((segment, place) => among(profile.cableWays?.segments, segment, `path[${place}]`, 'segment'))];
    }
    case 'drill.agreed':
      return among(profile.cableWays?.segments, event.payload.segment, 'segment', 'segment');
    case 'cavity.populated': {
      const { plug, row, column, circuit, terminal } = event.payload;
      const face = profile.plugs.find(({ id }) => id === plug);
      if (!face) return among([], plug, 'plug', 'plug');
      const terminals = plugs?.families.find(({ id }) => id === face.family)?.terminals;
      return [
        ...(row > face.rows || column > face.columns ? [{ path: at('row'), code: 'pin-outside-face' as const, data: { rows: face.rows, columns: face.columns } }] : []),
        ...(circuit === undefined ? [] : among(profile.circuits, circuit, 'circuit', 'circuit')),
        ...(terminal === undefined ? [] : among(terminals, terminal, 'terminal', 'terminal')),
      ];
    }
    case 'contacts.moved': {
      const { kit, plug: id, moves } = event.payload;
      const plug = kitOf(kit)?.plugs.find((entry) => entry.id === id);
      if (!plug) return inKit(kit, { plug: kitOf(kit)?.plugs ?? [] });
      return [
        ...moves.flatMap(({ pin, row, column }, place) => [
          ...among(plug.pins, pin, `moves[${place}].pin`, 'pin'),
          ...(row > plug.rows || column > plug.columns
            ? [{ path: at(`moves[${place}].row`), code: 'pin-outside-face' as const, data: { rows: plug.rows, columns: plug.columns } }]
            : []),
        ]),
        ...moves.flatMap(({ row, column }, place): Fault[] =>
          moves.findIndex((other) => other.row === row && other.column === column) === place
            ? []
            : [{ path: at(`moves[${place}]`), code: 'pin-place-twice', data: { row, column } }],
        ),
      ];
    }
    case 'source.chosen': {
      const { kit, connection, pin, to } = event.payload;
      const known = fitmentOf(kit)?.connections.find((entry) => entry.id === connection);
      if (!known) return inKit(kit, { connection: fitmentOf(kit)?.connections ?? [] });
      const face = profile.plugs.find((entry) => entry.id === to?.plug);
      const wire = to?.at === 'wire' || to?.at === 'battery';
      const wanted = [
        ...(wire ? (['plug', 'pin'] as const) : []),
        ...(to?.at === 'slot' ? (['slot'] as const) : []),
        ...(to?.at === 'slot' || to?.at === 'battery' ? (['fuseA', 'areaMm2', 'lengthMm'] as const) : []),
      ];
      return [
        ...among(kitOf(kit)?.plugs.find(({ id }) => id === known.kitPlug)?.pins, pin, 'pin', 'pin'),
        ...wanted.filter((field) => to?.[field] === undefined).map((field): Fault => ({ path: at(`to.${field}`), code: 'missing', data: {} })),
        ...(to?.plug === undefined ? [] : face ? among(face.pins, to.pin ?? '', 'to.pin', 'pin') : among([], to.plug, 'to.plug', 'plug')),
        ...(to?.ground === undefined ? [] : among(profile.grounds, to.ground, 'to.ground', 'ground point')),
      ];
    }
    case 'kit.dropped':
      return inKit(event.payload.kit, {});
    case 'plug.parted':
      return inKit(event.payload.kit, { connection: fitmentOf(event.payload.kit)?.connections ?? [] });
    case 'leg.lifted':
      return inKit(event.payload.kit, { leg: kitOf(event.payload.kit)?.legs ?? [] });
    case 'contact.pulled':
      return among(profile.plugs, event.payload.plug, 'plug', 'plug');
    case 'step.undone':
    case 'step.rechecked':
    case 'step.passed':
      return inKit(event.payload.kit, { step: fitmentOf(event.payload.kit)?.fitSteps ?? [] });
    case 'test.tried':
    case 'final.tested':
      return inKit(event.payload.kit, { test: testsKnown(event.payload.kit) });
    case 'baseline.tried':
    case 'lens.graded':
    case 'final.tried':
      return among(profile.functions, event.payload.lamp, 'lamp', 'lamp function');
    case 'gap.measured':
      return among(profile.gaps, event.payload.gap, 'gap', 'gap');
    case 'sensor.unplugged':
    case 'sensor.reconnected':
    case 'sensor.moved':
    case 'sensor.calibrated':
      return among(profile.sensors, event.payload.sensor, 'sensor', 'sensor');
    case 'supply.set':
    case 'setting.restored':
      return among(profile.supplies, event.payload.supply, 'supply', 'supply');
    case 'plug.found':
      return plugFaults(event.payload, path);
    case 'probe.wanted':
      return found.some(({ plug }) => plug === event.payload.plug) ? [] : among(profile.plugs, event.payload.plug, 'plug', 'plug');
    case 'continuity.measured':
    case 'drop.measured':
    case 'colour.noted':
    case 'wire.opened':
    case 'wire.sealed':
    case 'reading.taken': {
      const plug = plugOf(event.payload.plug);
      return plug ? among(plug.pins, event.payload.pin, 'pin', 'pin') : among([], event.payload.plug, 'plug', 'plug');
    }
    case 'piece.found':
    case 'piece.tried':
    case 'piece.wanted': {
      const levels = profile.pieces.find(({ id }) => id === event.payload.piece)?.levels.map(({ level }) => ({ id: level }));
      return levels ? among(levels, event.payload.level, 'level', 'level') : inProfile(event.payload.piece);
    }
    case 'piece.moved': {
      const { piece, level, way, fasteners, without = [], needed = [] } = event.payload;
      const known = profile.pieces.find((entry) => entry.id === piece);
      if (!known) return inProfile(piece);
      const ways = known.levels.filter((entry) => entry.level === level).flatMap((entry) => entry.ways);
      return [
        ...(way === undefined ? [] : among(ways, way, 'way', 'way')),
        // Of what was counted to be none the profile need not know.
        ...fasteners.flatMap(({ group, count }, place) => (count === 0 ? [] : among(known.fasteners, group, `fasteners[${place}].group`, 'fastener group'))),
        ...without.flatMap((id, place) => among(profile.pieces, id, `without[${place}]`, 'piece')),
        ...needed.flatMap((id, place) => among(profile.pieces, id, `needed[${place}]`, 'piece')),
      ];
    }
    case 'part.bagged':
      return inProfile(event.payload.piece);
    case 'photo.taken': {
      const about = photoSubject(event.payload.about);
      if (!about) return [{ path: at('about'), code: 'choice', data: { value: event.payload.about, choices: PHOTO_KINDS.join(', ') } }];
      const under = (faults: Fault[]) => faults.map((fault): Fault => ({ ...fault, path: at('about') }));
      switch (about.kind) {
        case 'piece':
          return under(inProfile(about.piece));
        case 'sensor':
          return under(among(profile.sensors, about.sensor, 'about', 'sensor'));
        case 'face':
          return under(plugOf(about.plug) ? [] : among([], about.plug, 'about', 'plug'));
        case 'wire':
          return under(plugOf(about.plug) ? among(plugOf(about.plug)?.pins, about.pin, 'about', 'pin') : among([], about.plug, 'about', 'plug'));
        case 'joint':
          return under(partOf(about.kit, fitmentOf(about.kit)?.connections, about.connection, 'connection'));
        case 'paper':
          return under(
            partOf(
              about.kit,
              PAPERS.map((id) => ({ id })),
              about.paper,
              'paper',
            ),
          );
        case 'leg':
          return under(partOf(about.kit, kitOf(about.kit)?.legs, about.leg, 'leg'));
        case 'fit':
          return under(partOf(about.kit, fitmentOf(about.kit)?.fitSteps, about.step, 'step'));
        case 'aim':
          return under(partOf(about.kit, kitOf(about.kit)?.lamps, about.lamp, 'lamp'));
        default:
          return [];
      }
    }
    case 'fastener.seized':
    case 'fastener.broken':
    case 'fastener.dropped':
    case 'fastener.found':
    case 'fastener.renewed': {
      const piece = profile.pieces.find((entry) => entry.id === event.payload.piece);
      return piece ? among(piece.fasteners, event.payload.group, 'group', 'fastener group') : inProfile(event.payload.piece);
    }
    case 'opening.judged':
      return event.payload.pieces.flatMap(({ piece, enough }, index): Fault[] => {
        const known = profile.pieces.find(({ id }) => id === piece);
        if (!known) return inProfile(piece).map((fault) => ({ ...fault, path: at(`pieces[${index}].piece`) }));
        const levels = ['fitted', 'needed', ...known.levels.map(({ level }) => level)];
        return levels.includes(enough) ? [] : [{ path: at(`pieces[${index}].enough`), code: 'unknown-id', data: { id: enough, what: 'level' } }];
      });
    case 'way.blocked':
    case 'way.chosen': {
      const { place, level, way } = event.payload;
      const mount = profile.mounts.find((entry) => entry.id === place);
      const piece = profile.pieces.find((entry) => entry.id === place);
      if (!mount && !piece) return accessories.has(place) ? [] : [{ path: at('place'), code: 'unknown-id', data: { id: place, what: 'place' } }];
      const ways = mount ? mount.reach : (piece?.levels ?? []).filter((entry) => entry.level === level).flatMap((entry) => entry.ways);
      return way === undefined ? [] : among(ways, way, 'way', 'way');
    }
    case 'load.accepted':
      return [...inKit(event.payload.kit, {}), ...among(circuits(), event.payload.circuit, 'circuit', 'circuit')];
    case 'ground.measured':
      return among(profile.grounds, event.payload.ground, 'ground', 'ground point');
    case 'fuse.seen':
      return among(circuits(), event.payload.circuit, 'circuit', 'circuit');
    case 'outage.accepted':
      return among(profile.channels ?? [], event.payload.channel, 'channel', 'lamp channel');
    case 'wall.set':
      return among(rules.aim, event.payload.rule, 'rule', 'rule of aim');
    default:
      return [];
  }
}
