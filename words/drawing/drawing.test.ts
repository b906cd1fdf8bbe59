import { layPicture } from './layout.ts';
import { wordLines } from './word-lines.ts';

const lane = (branches: number) => ({
  guard: ['Front fog', 'F18, 10 A'],
  branches: Array.from({ length: branches }, (_, index) => ({ joint: `Plug ${index}`, ends: `Lamp ${index}`, colour: 'white/green' })),
});

test.each([330, 760, 900])('in %d px the columns stand in order and nothing leaves the sheet', (width) => {
  const { lanes, ground, height } = layPicture([lane(2), { guard: ['Feed'], contact: 'Relay', branches: [{ ends: 'Bar' }] }], width);
  for (const { guard, branches, y } of lanes) {
    expect(guard.x + guard.width).toBeLessThan(width * 0.5);
    expect(guard.y).toBeGreaterThanOrEqual(y);
    for (const { joint, end, y: at } of branches) {
      expect([joint.x < end.x, end.x < ground, ground < width, at < height]).toEqual([true, true, true, true]);
    }
  }
  expect(lanes[1]?.y).toBeGreaterThan((lanes[0]?.y ?? 0) + (lanes[0]?.height ?? 0));
});

test('a lane is as high as its branches; one without a joint runs straight to its end', () => {
  const [two, laid] = layPicture([lane(2), { guard: ['Feed'], contact: 'Relay', branches: [{ ends: 'Bar' }] }], 760).lanes;
  expect([two?.branches.length, (two?.height ?? 0) / (laid?.height ?? 1)]).toEqual([2, 2]);
  expect([laid?.branches[0]?.toEnd, laid?.branches[0]?.joint.lines, laid?.contact?.y]).toEqual(['', [], laid?.branches[0]?.y]);
  // In little room the colour is not written; it would run into the plug.
  const codes = (width: number) => layPicture([lane(1)], width).lanes[0]?.branches[0]?.code !== undefined;
  expect([codes(330), codes(760)]).toEqual([false, true]);
  // Colour and size where both find room, the colour where only that does; the leg between the joint and its lamp.
  const sized = (width: number) =>
    layPicture([{ guard: ['Feed'], branches: [{ joint: 'Plug', ends: 'Bar', colour: 'white/green', size: '0.75 mm²', leg: '1.5 mm²' }] }], width).lanes[0]?.branches[0];
  expect([sized(760)?.code?.text, sized(660)?.code?.text, sized(330)?.code]).toEqual(['white/green, 0.75 mm²', 'white/green', undefined]);
  const leg = sized(900)?.leg;
  expect([leg?.text, (leg?.x ?? 0) > 450, (leg?.x ?? 0) < 720]).toEqual(['1.5 mm²', true, true]);
  const laidLeg = layPicture([{ guard: ['Feed'], contact: 'Relay', branches: [{ ends: 'Bar', size: '2.5 mm²', leg: '4 mm²' }] }], 900).lanes[0]?.branches[0];
  // On both sides of the contact.
  expect([laidLeg?.code?.text, (laidLeg?.code?.x ?? 450) < 440, (laidLeg?.leg?.x ?? 0) > 470]).toEqual(['2.5 mm²', true, true]);
  // A single wire runs straight from its guard, whose box stays in its lane.
  const [only] = layPicture([{ guard: ['A feed of a rather long name', 'battery, 15 A', '73 %'], branches: [{ joint: 'Plug', ends: 'Bar' }] }], 330).lanes;
  if (!only) throw new Error('no lane');
  expect(only.guard.y + only.guard.height / 2).toBe(only.branches[0]?.y);
  expect([only.guard.y >= only.y, only.guard.y + only.guard.height <= only.y + only.height]).toEqual([true, true]);
  expect(two?.branches[0]?.y).toBeLessThan(two?.branches[1]?.y ?? 0);
});

test('a joint that is made stands together, an open one apart; a coil is a box, a lamp is round', () => {
  const drawn = (branch: { state?: 'joined' | 'open'; coil?: boolean }) => {
    const [at] = layPicture([{ guard: ['Feed'], branches: [{ joint: 'Plug', ends: 'Bar', ...branch }] }], 760).lanes[0]?.branches ?? [];
    if (!at) throw new Error('no branch');
    // From the edge of the left half, which is drawn from its right side, to that of the right one.
    const [left = 0, right = 0] = at.joint.halves.map((half) => Number(/^M([\d.]+)/.exec(half)?.[1]));
    return { apart: right - left, outline: at.end.outline };
  };
  expect([drawn({ state: 'joined' }).apart, drawn({ state: 'open' }).apart]).toEqual([2, 12]);
  expect([drawn({}).outline.includes('a16 16'), drawn({ coil: true }).outline.includes('h32v22')]).toEqual([true, true]);
});

test('names are broken between words, and cut where two lines are not enough', () => {
  expect(wordLines('Front fog plug, left', 12)).toEqual(['Front fog', 'plug, left']);
  expect(wordLines('Short', 12)).toEqual(['Short']);
  expect(wordLines('Windscreen', 6)).toEqual(['Winds…']);
  expect(wordLines('Body loom plug, left, wire of pin 3', 12)).toEqual(['Body loom', 'plug, left,…']);
});
