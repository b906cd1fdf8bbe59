import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { checkProfile, onOtherSide, otherSideDrive, type VehicleProfile } from './index.ts';

const folder = join(import.meta.dirname, '../../demo/vehicles');
const PROFILES = readdirSync(folder).map((name) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as VehicleProfile);

test('an entry lies on the other side: places mirrored, sides and their words exchanged, ids and the hand of a thread as they were', () => {
  const entry = {
    id: 'kick-panel-left',
    name: 'Kick panel, left',
    side: 'left',
    zone: 'left-side',
    box: { xMm: [100, 400], yMm: [-820, -610], zMm: [200, 500] },
    at: { xMm: 5, yMm: 0, zMm: 7 },
    pose: { yawDeg: 12, pitchDeg: 3, yMm: -40 },
    pins: [{ id: '1', carries: 'turn left', liveIn: ['turn left'] }],
    fasteners: [{ id: 'left-clips', place: 'Left edge, right of the pedal', count: 3 }],
    levels: [
      { level: 'off', ways: [{ id: 'left', needs: [{ piece: 'sill-left', level: 'off' }], position: { kind: 'wheels', place: 'left' }, note: 'left-hand thread on the left' }] },
    ],
  };
  expect(onOtherSide(entry)).toEqual({
    id: 'kick-panel-left',
    name: 'Kick panel, right',
    side: 'right',
    zone: 'right-side',
    box: { xMm: [100, 400], yMm: [610, 820], zMm: [200, 500] },
    at: { xMm: 5, yMm: 0, zMm: 7 },
    pose: { yawDeg: -12, pitchDeg: 3, yMm: 40 },
    pins: [{ id: '1', carries: 'turn left', liveIn: ['turn left'] }],
    fasteners: [{ id: 'left-clips', place: 'Right edge, left of the pedal', count: 3 }],
    levels: [
      { level: 'off', ways: [{ id: 'left', needs: [{ piece: 'sill-left', level: 'off' }], position: { kind: 'wheels', place: 'left' }, note: 'left-hand thread on the right' }] },
    ],
  });
});

test.each(PROFILES.map((profile) => [profile.slug, profile] as const))(
  '%s with the wheel on the other side is sound, differs only on one side of the cabin, and is itself again when done twice',
  (_, profile) => {
    const other = otherSideDrive(profile);
    expect(checkProfile(other)).toEqual([]);
    expect(otherSideDrive(other)).toEqual(profile);
    const moved = other.pieces.filter((piece, place) => piece !== profile.pieces[place]);
    expect(moved.map(({ id }) => id)).toEqual(profile.pieces.filter(({ zone, side }) => zone === 'cabin' && side !== 'centre').map(({ id }) => id));
    for (const piece of moved) expect(piece.box.yMm[0]).toBeLessThanOrEqual(piece.box.yMm[1]);
    expect({ ...other, pieces: [], plugs: [], mounts: [] }).toEqual({ ...profile, pieces: [], plugs: [], mounts: [] });
  },
);

test('what is reached through the cabin alone goes along; what hangs on a piece outside it stays', () => {
  const van = PROFILES.find(({ slug }) => slug === 'wexholm-bollard-35');
  if (!van) throw new Error('no van');
  const cabin = van.pieces.find(({ zone, side }) => zone === 'cabin' && side === 'left');
  const outside = van.pieces.find(({ zone }) => zone === 'front');
  const [plug] = van.plugs;
  if (!cabin || !outside || !plug) throw new Error('no pieces');
  const need = (piece: string) => ({ piece, level: 'off' as const });
  const plugs = [
    { ...plug, id: 'in', side: 'left' as const, hiddenBy: [need(cabin.id)], reach: [{ id: 'w', needs: [need(cabin.id)], extraMin: 0 }] },
    { ...plug, id: 'both', side: 'left' as const, hiddenBy: [need(cabin.id)], reach: [{ id: 'w', needs: [need(outside.id)], extraMin: 0 }] },
    { ...plug, id: 'free', side: 'left' as const, hiddenBy: [], reach: [] },
  ];
  expect(otherSideDrive({ ...van, plugs }).plugs.map(({ id, side }) => `${id} ${side}`)).toEqual(['in right', 'both left', 'free left']);
});
