import { evaluate } from '../../facts/index.ts';
import { foldJob, undoneEvents } from '../../log/index.ts';
import { functionsOf, jobContext, lensesOf, lostFunctions } from '../../job/index.ts';
import { sheetOf, type Said, type Sheet } from '../../sheet/index.ts';
import { hazeOf, LIT, type Robot } from './robot.ts';

const linesOf = (sheet: Sheet): Said[] => [
  ...sheet.fitted,
  ...sheet.fed,
  ...sheet.lit,
  ...sheet.made,
  ...sheet.arrival,
  ...sheet.factory,
  ...sheet.gaps,
  ...sheet.aims,
  ...sheet.sensors,
  ...sheet.codes,
  ...sheet.warnings,
  ...sheet.lenses,
  ...sheet.codes.flatMap(({ codes }) => codes),
  ...sheet.parts,
  ...sheet.use,
  ...sheet.who,
  ...sheet.dropped,
  ...sheet.held,
];

/** Whether a line says only that something is not on record. */
function saysNothing(line: Said): boolean {
  if ('is' in line) return line.is === 'not begun';
  if ('capped' in line) return line.capped === false;
  if ('code' in line && (line.code === 'mileage' || line.code === 'battery')) return !('mileage' in line && line.mileage) && !('restV' in line && line.restV !== undefined);
  if ('read' in line) return line.read === false;
  return false;
}

/** Holds the sheet of a cancelled job against its vehicle: nothing of a kit is said to be on it, and what was opened is home. */
export function expectNothingFitted({ log, vehicle, documents }: Pick<Robot, 'log' | 'vehicle' | 'documents'>): void {
  const context = jobContext(foldJob(log), documents);
  const sheet = sheetOf(context, log, log.at(-1)?.at ?? '');
  const known = new Set(log.map(({ id }) => id));
  expect([sheet.cancelled, sheet.fitted, sheet.fed, sheet.lit, sheet.recheck]).toEqual(['sold', [], [], [], undefined]);
  expect(sheet.made.filter(({ code }) => code === 'joint' || code === 'leg')).toEqual([]);
  expect(sheet.dropped.map(({ kit, left }) => [kit, left])).toEqual(documents.kits.map(({ slug }) => [slug, 0]));
  expect(sheet.parts.filter(({ code }) => ['bagged', 'wanting', 'again', 'dropped', 'out', 'open'].includes(code))).toEqual([]);
  const home = [...vehicle.opened].filter((piece) => (vehicle.levels.get(piece) ?? 'fitted') === 'fitted').length;
  expect(sheet.parts.flatMap((line) => (line.code === 'closed' ? [line.count] : []))).toEqual(home > 0 ? [home] : []);
  for (const line of linesOf(sheet)) for (const id of line.from) expect(known.has(id)).toBe(true);
}

/** Holds the customer's sheet of a finished job against the vehicle as it really stands, line by line; and every line against the log. */
export function expectTrueSheet({ log, vehicle, documents, truth }: Pick<Robot, 'log' | 'vehicle' | 'documents' | 'truth'>): void {
  const context = jobContext(foldJob(log), documents);
  const sheet = sheetOf(context, log, log.at(-1)?.at ?? '');
  const undone = undoneEvents(log);
  const known = new Set(log.filter(({ id }) => !undone.has(id)).map(({ id }) => id));
  for (const line of linesOf(sheet)) {
    if (!saysNothing(line)) expect([line, line.from.length]).not.toEqual([line, 0]);
    for (const id of line.from) expect(known.has(id)).toBe(true);
  }

  const { fresh, opened, bagged, joined, passes, levels } = vehicle;
  const of = <C extends string, L extends { code: string }>(list: readonly L[], code: C) => list.filter((line): line is Extract<L, { code: C }> => line.code === code);
  // What was renewed is what was put in new, and nothing else of the tray is left to say.
  expect(Object.fromEntries(sheet.parts.flatMap((line) => (line.code === 'renewed' ? [[`${line.piece}/${line.group}`, line.count]] : [])))).toEqual(Object.fromEntries(fresh));
  expect(sheet.parts.filter(({ code }) => ['wanting', 'again', 'dropped', 'out', 'open'].includes(code))).toEqual([]);
  expect(
    of(sheet.parts, 'bagged')
      .map(({ piece }) => piece)
      .sort(),
  ).toEqual([...bagged].sort());
  const home = [...opened].filter((piece) => (levels.get(piece) ?? 'fitted') === 'fitted').length;
  expect(of(sheet.parts, 'closed').map(({ count }) => count)).toEqual(home > 0 ? [home] : []);
  expect(
    of(sheet.made, 'joint')
      .map(({ joint }) => `${joint.kit.slug}/${joint.connection.id}`)
      .sort(),
  ).toEqual([...joined].sort());
  expect(sheet.sensors.filter(({ plug }) => plug === 'unplugged')).toEqual([]);
  expect(vehicle.unplugged.size).toBe(0);
  // Every lamp that the kits have a place for here is fitted, by every pass of its steps; each was lit open and closed.
  const there = documents.kits.flatMap((kit) =>
    kit.fitments
      .filter((fitment) => fitment.vehicle === documents.profile.slug)
      .flatMap(({ mounts }) => mounts.filter(({ when }) => evaluate(when, vehicle.facts) !== 'no').map(({ lamp, mount }) => `${kit.slug} ${lamp} ${mount} fitted`)),
  );
  expect(sheet.fitted.map(({ kit, lamp, mount, is }) => `${kit} ${lamp} ${mount} ${is}`)).toEqual(there);
  expect(passes.size).toBeGreaterThan(0);
  for (const { open, closed, test } of sheet.lit) expect([test, open, closed === undefined ? open : closed]).toEqual([test, true, true]);
  for (const { kit, test, closed, lights } of sheet.lit) expect([test, lights, closed]).toEqual([test, vehicle.lights(kit, test), vehicle.lights(kit, test) ? true : undefined]);
  for (const { lamp, before, after, replaced } of sheet.factory) {
    const is = lamp.id === truth.dim ? 'dim' : 'works';
    expect([lamp.id, before, replaced ? 'replaced' : after]).toEqual([lamp.id, is, replaced ? 'replaced' : is]);
  }
  expect(sheet.factory.map(({ lamp }) => lamp.id)).toEqual(functionsOf(context).map(({ id }) => id));
  for (const { after, byOthers, referenceMm } of sheet.aims) expect(byOthers !== undefined || (after?.within === true && referenceMm !== undefined)).toBe(true);
  expect(sheet.warnings.map(({ lit }) => lit)).toEqual([LIT, LIT]);
  const lenses = lensesOf(context).map(({ id }) => [id, hazeOf(context, id), lostFunctions(context).includes(id) ? 'replaced' : hazeOf(context, id)]);
  expect(sheet.lenses.map(({ lamp, before, after, replaced }) => [lamp.id, before, replaced ? 'replaced' : after])).toEqual(lenses);
  expect(sheet.codes.map(({ read, codes }) => [read, codes.length])).toEqual([
    [true, 0],
    [true, 0],
  ]);
}
