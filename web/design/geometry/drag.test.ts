import fc from 'fast-check';
import { projectBox, project, VIEWS } from './outline.ts';
import { draggedBox, draggedPoint, GRIPS } from './drag.ts';

const BOX = { xMm: [-300, 100] as [number, number], yMm: [-800, -500] as [number, number], zMm: [400, 700] as [number, number] };

test('an edge goes where it was dragged on the sheet, the others and what is not seen stay', () => {
  expect(draggedBox('front', BOX, 'left', [-52, 30])).toEqual({ ...BOX, yMm: [-850, -500] });
  expect(draggedBox('front', BOX, 'right', [20, 0])).toEqual({ ...BOX, yMm: [-800, -480] });
  // Seen from behind, the left edge is the right end.
  expect(draggedBox('rear', BOX, 'left', [-20, 0])).toEqual({ ...BOX, yMm: [-800, -480] });
  // Up on the sheet is up on the vehicle; ahead is to the left.
  expect(draggedBox('side', BOX, 'above', [0, -15])).toEqual({ ...BOX, zMm: [400, 715] });
  expect(draggedBox('side', BOX, 'below', [0, -15])).toEqual({ ...BOX, zMm: [415, 700] });
  expect(draggedBox('side', BOX, 'left', [-40, 0])).toEqual({ ...BOX, xMm: [-300, 140] });
  expect(draggedBox('top', BOX, 'below', [0, 25])).toEqual({ ...BOX, yMm: [-800, -475] });
  expect(draggedBox('top', BOX, 'whole', [10, -20])).toEqual({ ...BOX, xMm: [-310, 90], yMm: [-820, -520] });
});

test('an edge stops at the other, and less than half a step changes nothing', () => {
  expect(draggedBox('front', BOX, 'left', [9000, 0]).yMm).toEqual([-500, -500]);
  expect(draggedBox('front', BOX, 'right', [2.4, 2.4])).toEqual(BOX);
});

test('in every view what is dragged as a whole lands where the hand let it go', () => {
  const way = fc.integer({ min: -200, max: 200 }).map((steps) => steps * 5);
  fc.assert(
    fc.property(fc.constantFrom(...VIEWS), fc.constantFrom(...GRIPS), way, way, (view, grip, dx, dy) => {
      const [before, after] = [projectBox(view, BOX), projectBox(view, draggedBox(view, BOX, grip, [dx, dy]))];
      if (grip === 'whole') expect(after).toEqual({ ...before, x: before.x + dx, y: before.y + dy });
      if (grip === 'left') expect(after.x + after.width).toBe(before.x + before.width);
      if (grip === 'below') expect([after.y, after.x]).toEqual([before.y, before.x]);
      const point = { xMm: 10, yMm: 20, zMm: 30 };
      const [x, y] = project(view, point);
      expect(project(view, draggedPoint(view, point, [dx, dy]))).toEqual([x + dx, y + dy]);
    }),
    {
      examples: [
        ['rear', 'whole', -500, 0],
        ['side', 'whole', 300, 400],
      ],
    },
  );
});
