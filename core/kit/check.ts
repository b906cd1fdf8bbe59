import { duplicateIds, unknownId, type Fault } from '../faults/index.ts';
import { checkCondition, evaluate, type Condition, type FactChoices } from '../facts/index.ts';
import { checkFace, checkVoltage, factChoices, type SupplyAsk, type VehicleProfile } from '../vehicle/index.ts';
import type { Connection, Fitment, Kit, KitFeed, KitTest } from './kit.ts';

/**
 * Faults in meaning of a kit whose form is right, held against the profiles it names. A fitment whose vehicle is not among
 * the profiles is a fault at its `vehicle`.
 */
export function checkKit(kit: Kit, profiles: ReadonlyMap<string, VehicleProfile>): Fault[] {
  const lists = ['lamps', 'contents', 'options', 'plugs', 'relays', 'feeds', 'legs', 'benchTasks'] as const;
  const faults: Fault[] = lists.flatMap((list) => duplicateIds(kit[list], list));
  const lamps = new Set(kit.lamps.map((lamp) => lamp.id));
  kit.options.forEach((option, index) => {
    const choices = option.choices.map((choice) => choice.id);
    if (!choices.includes(option.default)) {
      faults.push({ path: `options[${index}].default`, code: 'choice', data: { value: option.default, choices: choices.join(', ') } });
    }
  });
  faults.push(...checkOptions(kit), ...kit.feeds.flatMap((feed, index) => checkFeed(feed, kit, `feeds[${index}]`)));
  kit.contents.forEach(({ cure }, index) => {
    if (cure?.by !== 'resistor') return;
    for (const field of ['ohm', 'ratingW'] as const) if (cure[field] === undefined) faults.push({ path: `contents[${index}].cure.${field}`, code: 'missing', data: {} });
  });
  faults.push(...duplicateIds(kit.controls ?? [], 'controls'));
  (kit.controls ?? []).forEach(({ positions }, index) => {
    faults.push(...duplicateIds(positions, `controls[${index}].positions`));
    positions.forEach(({ lights }, place) => lights.forEach((lamp, at) => faults.push(...unknownId(lamp, lamps, `controls[${index}].positions[${place}].lights[${at}]`, 'lamp'))));
  });
  kit.legs.forEach((leg, index) => faults.push(...unknownId(leg.lamp, lamps, `legs[${index}].lamp`, 'lamp')));
  kit.plugs.forEach((plug, index) => {
    const path = `plugs[${index}]`;
    faults.push(...unknownId(plug.lamp, lamps, `${path}.lamp`, 'lamp'), ...checkFace(plug, path));
  });
  const options = kit.options.map((option): [string, string[]] => [`option.${option.id}`, option.choices.map((choice) => choice.id)]);
  const known = new Map<string, string[]>(options);
  kit.fitments.forEach((fitment, index) => {
    const profile = profiles.get(fitment.vehicle);
    const path = `fitments[${index}]`;
    if (!profile) {
      faults.push({ path: `${path}.vehicle`, code: 'unknown-id', data: { id: fitment.vehicle, what: 'vehicle profile' } });
      return;
    }
    for (const [fact, choices] of factChoices(profile)) known.set(fact, [...(known.get(fact) ?? []), ...choices]);
    faults.push(...checkFitment(fitment, kit, profile, new Map([...factChoices(profile), ...options]), path));
    kit.lamps.forEach((lamp, place) => {
      faults.push(...checkVoltage(lamp.load, profile.systemVoltageV, `lamps[${place}].load`));
      (lamp.functions ?? []).forEach((entry, at) => faults.push(...checkVoltage(entry.load, profile.systemVoltageV, `lamps[${place}].functions[${at}].load`)));
    });
  });
  if (kit.fitments.every((fitment) => profiles.has(fitment.vehicle))) {
    kit.contents.forEach((item, index) => faults.push(...checkCondition(item.when, known, `contents[${index}].when`)));
    (kit.controls ?? []).forEach((control, index) => faults.push(...checkCondition(control.when, known, `controls[${index}].when`)));
  }
  return faults;
}

/** Every condition of a kit: what its options can change. */
function conditionsOf(kit: Kit): Condition[] {
  const parts = kit.fitments.flatMap((fitment) => [
    fitment.condition,
    ...[...fitment.mounts, ...fitment.connections, ...fitment.fitSteps, ...fitment.tests].map(({ when }) => when),
  ]);
  return [...[...kit.contents, ...(kit.controls ?? [])].map(({ when }) => when), ...parts].flatMap((when) => when ?? []);
}

/** Choices that change nothing against the one that is usual: neither contents nor anything of a fitment hangs on them. */
function checkOptions(kit: Kit): Fault[] {
  const conditions = conditionsOf(kit);
  return kit.options.flatMap((option, index) => {
    const under = (choice: string) => conditions.map((when) => evaluate(when, { [`option.${option.id}`]: choice })).join();
    return option.choices.flatMap(({ id }, place): Fault[] =>
      option.looks || id === option.default || under(id) !== under(option.default)
        ? []
        : [{ path: `options[${index}].choices[${place}]`, code: 'option-changes-nothing', data: { choice: id, usual: option.default } }],
    );
  });
}

/** Faults of a feed of the kit: a relay that is not there, a fuse above what lies behind it. */
function checkFeed({ fuseA, wire, plugPermittedA, relay }: KitFeed, kit: Kit, path: string): Fault[] {
  const contactA = kit.relays.find(({ id }) => id === relay)?.contactA;
  const behind = Object.entries({ wire: wire?.permittedA, plug: plugPermittedA, relay: contactA });
  return [
    ...unknownId(relay, new Set(kit.relays.map(({ id }) => id)), `${path}.relay`, 'relay'),
    ...behind.flatMap(([part, limit]): Fault[] =>
      limit === undefined || fuseA <= limit ? [] : [{ path: `${path}.fuseA`, code: 'fuse-above', data: { fuse: fuseA, part, limit } }],
    ),
  ];
}

/** Faults of what feeds and what triggers a joint: a circuit that is not there or that is never used, a relay that does not switch the feed. */
function checkFeeding({ feed, trigger, tap, asks, vehiclePlug }: Connection, kit: Kit, profile: VehicleProfile, path: string): Fault[] {
  const circuits = new Set(profile.circuits.map(({ id }) => id));
  const feeds = new Set(kit.feeds.map(({ id }) => id));
  const never = (id: string, at: string) =>
    profile.circuits.flatMap(({ id: circuit, neverUse }): Fault[] => (circuit === id && neverUse ? [{ path: at, code: 'never-used', data: { circuit, why: neverUse } }] : []));
  const faults = [...unknownId(feed.circuit, new Set([...circuits, ...feeds]), `${path}.feed.circuit`, 'circuit'), ...never(feed.circuit, `${path}.feed.circuit`)];
  const pins = new Set(profile.plugs.find(({ id }) => id === vehiclePlug)?.pins.map(({ id }) => id));
  if (tap) {
    faults.push(...unknownId(tap.pin, pins, `${path}.tap.pin`, 'pin'));
    if (asks?.some((ask) => ask.is === 'dead')) faults.push({ path: `${path}.asks`, code: 'tap-dead', data: {} });
  }
  if (!trigger) return faults;
  const switches = kit.feeds.find(({ id }) => id === feed.circuit)?.relay === trigger.relay;
  return [
    ...faults,
    ...unknownId(trigger.circuit, circuits, `${path}.trigger.circuit`, 'circuit'),
    ...never(trigger.circuit, `${path}.trigger.circuit`),
    ...(switches ? [] : [{ path: `${path}.trigger.relay`, code: 'not-its-relay' as const, data: { feed: feed.circuit, relay: trigger.relay } }]),
  ];
}

/** Faults of what a test tries: a control or a position that the kit does not have. */
function checkTried({ tries }: KitTest, kit: Kit, path: string): Fault[] {
  if (!tries) return [];
  const control = kit.controls?.find(({ id }) => id === tries.control);
  if (!control) return unknownId(tries.control, new Set(), `${path}.control`, 'control');
  return unknownId(tries.position, new Set(control.positions.map(({ id }) => id)), `${path}.position`, 'position');
}

function marksWithout(asks: readonly SupplyAsk[] | undefined, supplies: ReadonlySet<string>, path: string): Fault[] {
  return (asks ?? []).flatMap((ask, index): Fault[] =>
    supplies.has(ask.supply) ? [] : [{ path: `${path}[${index}].supply`, code: 'mark-without-supply', data: { supply: ask.supply } }],
  );
}

function checkFitment(fitment: Fitment, kit: Kit, profile: VehicleProfile, facts: FactChoices, path: string): Fault[] {
  const ids = (items: readonly { id: string }[]) => new Set(items.map((item) => item.id));
  const lamps = ids(kit.lamps);
  const pieces = ids(profile.pieces);
  const supplies = ids(profile.supplies);
  const faults: Fault[] = [...checkCondition(fitment.condition, facts, `${path}.condition`)];
  if (fitment.years.to !== undefined && fitment.years.to < fitment.years.from)
    faults.push({ path: `${path}.years.to`, code: 'span-order', data: { from: fitment.years.from, to: fitment.years.to } });
  fitment.mounts.forEach((place, index) => {
    faults.push(...unknownId(place.lamp, lamps, `${path}.mounts[${index}].lamp`, 'lamp'));
    faults.push(...unknownId(place.mount, ids(profile.mounts), `${path}.mounts[${index}].mount`, 'mount position'));
    faults.push(...checkCondition(place.when, facts, `${path}.mounts[${index}].when`));
    const mount = profile.mounts.find((entry) => entry.id === place.mount);
    for (const piece of mount?.inPlaceOf ?? []) {
      if (!fitment.replaces.includes(piece)) faults.push({ path: `${path}.mounts[${index}].mount`, code: 'place-taken', data: { lamp: place.lamp, piece } });
    }
  });
  faults.push(...duplicateIds(fitment.connections, `${path}.connections`));
  fitment.connections.forEach((connection, index) => {
    const at = `${path}.connections[${index}]`;
    faults.push(...unknownId(connection.kitPlug, ids(kit.plugs), `${at}.kitPlug`, 'kit plug'));
    faults.push(...unknownId(connection.vehiclePlug, ids(profile.plugs), `${at}.vehiclePlug`, 'vehicle plug'));
    faults.push(...checkFeeding(connection, kit, profile, at));
    faults.push(...unknownId(connection.adapter, ids(kit.contents), `${at}.adapter`, 'contents item'));
    faults.push(...marksWithout(connection.asks, supplies, `${at}.asks`));
    connection.lamps.forEach((lamp, place) => faults.push(...unknownId(lamp, lamps, `${at}.lamps[${place}]`, 'lamp')));
    faults.push(...checkCondition(connection.when, facts, `${at}.when`));
  });
  fitment.replaces.forEach((id, index) => {
    const at = `${path}.replaces[${index}]`;
    faults.push(...unknownId(id, pieces, at, 'piece'));
    const piece = profile.pieces.find((entry) => entry.id === id);
    if (piece && !piece.levels.some((level) => level.level === 'off')) faults.push({ path: at, code: 'replaced-not-off', data: { piece: id } });
  });
  fitment.losesFunctions.forEach((lamp, index) => {
    faults.push(...unknownId(lamp, ids(profile.functions), `${path}.losesFunctions[${index}]`, 'lamp function'));
  });
  faults.push(...duplicateIds(fitment.fitSteps, `${path}.fitSteps`), ...duplicateIds(fitment.tests, `${path}.tests`));
  fitment.fitSteps.forEach((step, index) => {
    step.needs.forEach((need, place) => faults.push(...unknownId(need.piece, pieces, `${path}.fitSteps[${index}].needs[${place}].piece`, 'piece')));
    step.inPlaceOf?.forEach((piece, place) => {
      faults.push(...unknownId(piece, new Set(fitment.replaces), `${path}.fitSteps[${index}].inPlaceOf[${place}]`, 'replaced piece'));
    });
    faults.push(...checkCondition(step.when, facts, `${path}.fitSteps[${index}].when`), ...marksWithout(step.asks, supplies, `${path}.fitSteps[${index}].asks`));
    step.lays?.forEach((leg, place) => faults.push(...unknownId(leg, ids(kit.legs), `${path}.fitSteps[${index}].lays[${place}]`, 'leg')));
    faults.push(...unknownId(step.at, ids(profile.mounts), `${path}.fitSteps[${index}].at`, 'mount position'));
    if (step.under) {
      const groups = profile.pieces.find((piece) => piece.id === step.under?.piece)?.fasteners ?? [];
      faults.push(...unknownId(step.under.piece, pieces, `${path}.fitSteps[${index}].under.piece`, 'piece'));
      if (pieces.has(step.under.piece)) faults.push(...unknownId(step.under.group, ids(groups), `${path}.fitSteps[${index}].under.group`, 'fastener group'));
    }
  });
  fitment.tests.forEach((test, index) => {
    test.lamps.forEach((lamp, place) => faults.push(...unknownId(lamp, lamps, `${path}.tests[${index}].lamps[${place}]`, 'lamp')));
    faults.push(...checkCondition(test.when, facts, `${path}.tests[${index}].when`), ...checkTried(test, kit, `${path}.tests[${index}].tries`));
    (test.after ?? []).forEach((piece, place) => faults.push(...unknownId(piece, pieces, `${path}.tests[${index}].after[${place}]`, 'piece')));
  });
  return faults;
}
