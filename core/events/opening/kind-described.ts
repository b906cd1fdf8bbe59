import { amongLast, besides } from '../described-faults.ts';
import { checkCondition } from '../../facts/index.ts';
import { duplicateIds, unknownId } from '../../faults/index.ts';
import { checkCircuits, checkMeasures, checkPieces, checkPlugs, checkSensors, checkSupplies, withMeasures } from '../../vehicle/index.ts';
import type { Known } from '../known.ts';
import type { Fault } from '../../faults/index.ts';
import { factChoices } from '../../vehicle/index.ts';
import { describedFurther, PLACE_LISTS, type KindDescribed } from '../../overlay/index.ts';
import { LEARNED, type Definition } from '../definition.ts';
import { thereAfterAll } from '../keep.ts';

/** Faults of what was described: nothing at all, an entry said twice, a piece that names what is not there. */
function kindFaults(said: KindDescribed, { profile, found, payloadAt: at }: Known): Fault[] {
  const { pieces = [], functions = [], mounts = [], supplies = [], sensors = [], gaps = [], plugs = [], circuits = [], facts: telling = [], refitRules = [], without = [] } = said;
  const { measures = {}, held: holding = [], same = [], apart = [], samePlaces = [], apartPlaces = [], whole = [] } = said;
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
    return new Set(list === 'plugs' ? [...own, ...found.keys()] : own);
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

export const kindDescribed: Definition<KindDescribed> = {
  ...LEARNED,
  tells: (told, said) => ({ ...told, described: describedFurther(told.described, said) }),
  opposite: null,
  does: (state, said, { device = '' }) => {
    for (const list of PLACE_LISTS) for (const { id } of said[list] ?? []) state.describedOn[id] ??= device;
    state.described = describedFurther(state.described, said);
    state.described = thereAfterAll(state);
  },
  names: kindFaults,
};
