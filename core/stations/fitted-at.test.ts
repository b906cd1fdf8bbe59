import { gatesOf, openingRequest, planOpening, stepCautions } from '../plan/index.ts';
import { jobContext, stepReach, toTakeOut, type JobContext } from '../job/index.ts';
import type { Happened } from '../events/index.ts';
import { newKit, type FitStep, type Kit } from '../kit/index.ts';
import { NEW_BAR } from '../test/new-bar.ts';
import { NEW_HERON } from '../test/new-heron.ts';
import { openedLog, RULES, type TestLog } from '../job/test/log.ts';
import { newKind, type LevelNeed, type Piece, type VehicleProfile } from '../vehicle/index.ts';
import { fit, isRefused, type Act } from './index.ts';

const piece = (id: string, openMin: number, zone: Piece['zone'] = 'front'): Piece => ({
  id,
  name: id,
  side: 'centre',
  zone,
  box: { xMm: [820, 880], yMm: [-500, 500], zMm: [700, 950] },
  levels: [{ level: 'off', openMin, closeMin: openMin, people: 1, ways: [{ id: 'by-itself', needs: [], extraMin: 0 }] }],
  fasteners: [],
  cautions: [],
});
const off = (...ids: string[]): LevelNeed[] => ids.map((id) => ({ piece: id, level: 'off' }));
const HERON: VehicleProfile = {
  ...newKind(NEW_HERON),
  pieces: [piece('grille', 9), piece('duct', 2, 'underneath'), piece('cover', 1)],
  mounts: [
    {
      id: 'behind',
      name: 'Behind the grille',
      side: 'centre',
      at: { xMm: 830, yMm: 0, zMm: 780 },
      reach: [
        { id: 'front', needs: off('grille'), extraMin: 0 },
        { id: 'below', needs: off('duct'), extraMin: 0 },
      ],
      hiddenBy: [],
    },
  ],
};
/** Done behind the grille, with the cover off besides. */
const FEET: FitStep = { id: 'feet', name: 'Feet', side: 'centre', needs: off('cover'), at: 'behind', passes: ['start', 'tighten'], minutes: 6, tool: '13 mm hex', tighten: 'snug' };
const BAR: Kit = {
  ...newKit(NEW_BAR),
  fitments: [{ vehicle: HERON.slug, years: { from: 2020 }, mounts: [], connections: [], replaces: [], losesFunctions: [], fitSteps: [FEET], tests: [] }],
};
const AT = '2026-03-05T09:00:00Z';
const contextAt = (log: TestLog, part: Partial<Parameters<typeof jobContext>[1]> = {}): JobContext => jobContext(log.state, { profile: HERON, kits: [BAR], rules: RULES, ...part });
const opened = (...ids: string[]): TestLog => {
  const log = openedLog();
  for (const id of ids) log.add('piece.moved', { piece: id, level: 'off', fasteners: [] });
  return log;
};
function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}

test('a step that names its place is got at by any way that leads there, with what it needs besides; the cheapest is planned', () => {
  expect(stepReach({ profile: HERON }, FEET).map(({ needs }) => needs)).toEqual([off('grille', 'cover'), off('duct', 'cover')]);
  expect(stepReach({ profile: HERON }, { needs: off('cover') }).map(({ needs }) => needs)).toEqual([off('cover')]);
  expect(
    planOpening(contextAt(openedLog()))
      .steps.map((step) => step.piece)
      .sort(),
  ).toEqual(['cover', 'duct']);
  const passed = (log: TestLog) => fit.passed(contextAt(log), BAR.slug, 'feet', 'start', AT);
  expect(passed(opened('duct'))).toEqual({ refused: [{ code: 'open-first', pieces: ['grille', 'cover'] }] });
  expect(passed(opened('cover'))).toEqual({ refused: [{ code: 'open-first', pieces: ['grille'] }] });
  for (const way of ['grille', 'duct']) expect(isRefused(passed(opened(way, 'cover')))).toBe(false);
});

test('it holds the way back by the way that was gone, and is taken out by any', () => {
  const log = opened('duct', 'cover');
  expect(gatesOf(contextAt(log), undefined).find(({ subject }) => subject.kind === 'fit')?.coveredBy).toEqual(off('duct', 'cover'));
  perform(log, fit.passed(contextAt(log), BAR.slug, 'feet', 'start', AT));
  log.add('kit.dropped', { kit: BAR.slug, why: 'does not go' });
  expect(toTakeOut(contextAt(log)).map(({ id, reach }) => [id, reach.map(({ needs }) => needs)])).toEqual([['feet', [off('grille', 'cover'), off('duct', 'cover')]]]);
});

test('its bolts are held again at a later visit once a hand gets there', () => {
  const later = (...ids: string[]) => fit.toRecheck(contextAt(opened(...ids), { kits: [], fitted: [BAR] })).map(({ step }) => step.id);
  expect([later(), later('cover'), later('duct'), later('duct', 'cover')]).toEqual([[], [], [], ['feet']]);
});

test('what can hurt on a way to its place is said at it', () => {
  expect(stepCautions(contextAt(openedLog()), {}, FEET)).toEqual(['raised']);
  expect(stepCautions(contextAt(openedLog()), {}, { ...FEET, at: undefined })).toEqual([]);
});

test('a supply that it asks dead is asked on every way to its place, besides what the way asks', () => {
  const profile = {
    ...HERON,
    mounts: HERON.mounts.map((mount) => ({
      ...mount,
      reach: mount.reach.map((way) => (way.id === 'below' ? { ...way, asks: [{ supply: 'high' as const, is: 'dead' as const }] } : way)),
    })),
  };
  const kit = { ...BAR, fitments: BAR.fitments.map((fitment) => ({ ...fitment, fitSteps: [{ ...FEET, asks: [{ supply: 'low' as const, is: 'dead' as const }] }] })) };
  const [target] = openingRequest(contextAt(openedLog(), { profile, kits: [kit] })).further ?? [];
  expect(target?.ways.map(({ id, asks }) => [id, asks?.map(({ supply }) => supply)])).toEqual([
    ['front', ['low']],
    ['below', ['high', 'low']],
  ]);
});
