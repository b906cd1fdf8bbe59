import clipping, { type Polygon } from 'polygon-clipping';
import type { BoxMm, Piece, VehicleProfile } from '@jade/core/vehicle';
import { namesOutside } from '../../web/design/geometry/names.ts';
import { frame, outline, projectBox } from '../../web/design/geometry/outline.ts';
import { flattened } from '../../web/design/geometry/paths.ts';
import { movedOut, pieceDrawer } from '../../web/design/geometry/pieces.ts';
import { compare, time, type Line } from '../measure.ts';

const PIECES = 120;
const RUNS = 60;

/** A vehicle of so many pieces seen from ahead: those it has, over and over, each set a little aside. */
function crowded(profile: VehicleProfile): Piece[] {
  const front = profile.pieces.filter(({ zone }) => zone === 'front');
  const moved = ([low, high]: [number, number], by: number): [number, number] => [low + by, high + by];
  return Array.from({ length: PIECES }, (_, index): Piece => {
    const piece = front[index % front.length] ?? profile.pieces[0];
    if (!piece) throw new Error('a vehicle without pieces');
    const by = Math.floor(index / front.length) * 23;
    const box: BoxMm = { xMm: piece.box.xMm, yMm: moved(piece.box.yMm, by), zMm: moved(piece.box.zMm, by) };
    return { ...piece, id: `${piece.id}-${index}`, box };
  });
}

/** What a sheet of 120 pieces takes to draw, against each box put through the clipping library as it is. */
export async function benchSheet(profile: VehicleProfile): Promise<Line[]> {
  const pieces = crowded(profile);
  const { body, measures } = profile;
  const draw = () => {
    const each = pieceDrawer(body, measures, 'front');
    return pieces.map((piece, index) => ({ ...each(piece), id: piece.id, layer: 1 + (index % 5) }));
  };
  const clipped = () => {
    const ring = outline(body, 'front', measures)
      .filter(({ kind }) => kind === 'body')
      .map(({ path }): Polygon => [[...flattened(path), ...flattened(path).slice(0, 1)]]);
    return pieces.map((piece) => {
      const { x, y, width, height } = projectBox('front', piece.box);
      return clipping.intersection(
        [
          [
            [x, y],
            [x + width, y],
            [x + width, y + height],
            [x, y + height],
          ],
        ],
        ring,
      );
    });
  };
  const other = await time(RUNS, clipped);
  const ours = await time(RUNS, draw);
  const whole = await time(RUNS, () => {
    const drawn = draw();
    movedOut(drawn, outline(body, 'front', measures), measures.widthMm);
    return namesOutside(
      drawn.map(({ id, middle }) => ({ id, text: id, middle })),
      frame('front', measures),
    );
  });
  const against = 'each box through the clipping library';
  return [compare(`Shapes of ${PIECES} pieces on the van’s front`, ours, against, other), compare('The same, moved out and named', whole, against, other)];
}
