import { goneForGood, testsOf, type KitOnVehicle } from '@jade/core/job';
import type { Side } from '@jade/core/vehicle';
import { LAMP_TESTED } from '@jade/words/fit';
import type { SheetPiece } from '../../design/drawings/sheet-pieces.ts';
import type { SheetMark } from '../../design/drawings/VehicleSheet.vue';
import { frameAround, viewOf, viewOfPlaces, type View } from '../../design/geometry/outline.ts';
import { useCurrentJob } from '../../job/current.ts';

/** What the vehicle's sheet shows of a kit. */
export interface KitSheet {
  view: View;
  part: [number, number, number, number];
  pieces: SheetPiece[];
  marks: SheetMark[];
}

/** Room around the lamps of a kit, and least width and height of what is shown, in millimetres. */
const AROUND_MM = 450;
const LEAST_MM = 1500;

/** Where the lamps of a kit sit, seen from the end of the vehicle that most of them are nearer to; those of one side where only that is worked at. */
export function useKitSheet(): (onVehicle: KitOnVehicle, side?: Side) => KitSheet {
  const { job, context, names } = useCurrentJob();
  return (onVehicle, side = 'centre') => {
    const { kit, fitment } = onVehicle;
    const { profile } = context.value;
    const there = (fitment?.mounts ?? []).flatMap(({ lamp, mount }) => {
      const place = profile.mounts.find((entry) => entry.id === mount);
      return place ? [{ lamp, at: place.at, side: kit.lamps.find(({ id }) => id === lamp)?.side ?? place.side }] : [];
    });
    const own = there.filter((place) => place.side === side);
    const places = side === 'centre' || own.length === 0 ? there : own;
    const points = places.map(({ at }) => at);
    const view = viewOfPlaces(profile.measures, points);
    const tests = testsOf(onVehicle);
    const marks = places.map(({ lamp, at }, index): SheetMark => {
      const mine = tests.filter((test) => test.lamps.includes(lamp));
      const result = mine.map((test) => job.state.tests[kit.slug]?.[test.id]);
      const tone = result.includes(false) ? 'fault' : mine.length > 0 && result.every(Boolean) ? 'settled' : 'open';
      return { id: `${kit.slug}/${lamp}/${index}`, at, label: names.value.lamp(kit.slug, lamp), tone, word: tone === 'settled' ? LAMP_TESTED : undefined };
    });
    // What is open on this face of the vehicle.
    const gone = new Set(goneForGood(context.value));
    const pieces = profile.pieces.flatMap((piece): SheetPiece[] => {
      const level = job.state.pieces[piece.id] ?? 'fitted';
      return level === 'fitted' || viewOf(piece.zone) !== view ? [] : [{ piece, level, part: gone.has(piece.id) ? 'replaced' : 'done' }];
    });
    return { view, part: frameAround(view, profile.measures, points, AROUND_MM, LEAST_MM), pieces, marks };
  };
}
