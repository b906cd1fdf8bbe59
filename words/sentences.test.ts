import type { LampAim } from '@jade/core/job';
import { sayDoubt, sayTyped } from '@jade/words/judging';
import { bothLengths, sayDay, sayMoment } from '@jade/words/units';
import { sayLabel } from '@jade/words/labels';
import { sayLearned, sayStep, sayStepTime } from '@jade/words/access';
import { sayAimError, sayAimStep, sayRule } from '@jade/words/aiming';
import { sayBack, saySwitch } from '@jade/words/closing';
import { sayFault, sayFaults } from '@jade/words/faults';
import { sayGatherTrouble, sayStack } from '@jade/words/gather';
import { sayOnlyOn } from '@jade/words/library';
import { sayReason } from '@jade/words/match';
import { sayProof, sayReference } from '@jade/words/probing';
import { saySensorEffect } from '@jade/words/sensing';
import { sayNumberRemark } from '@jade/words/vehicle';
import {
  sayAdded,
  sayLoad,
  sayMateTrouble,
  sayOnlyWhere,
  sayPlugVerdict,
  sayRefusedSource,
  saySource,
  saySourceName,
  sayProtection,
  sayStanding,
  sayWatched,
  sayWithdrawn,
} from '@jade/words/wiring';
import type { Sensor } from '@jade/core/vehicle';
import type { SensorEffect } from '@jade/core/sensing';
import type { AimRule } from '@jade/core/rules';

const plain = (text: string) => text.replaceAll('\u202f', ' ');

test('an aim error says in or out, how far in every unit, and which way to turn', () => {
  const error = { errorMm: 40, errorDeg: 0.229, errorPercent: 0.4, within: false, direction: 'up' as const, screwTurns: 0.92 };
  expect(plain(sayAimError(error))).toBe('Out: 40 mm (1.6 in) too high, 0.40 %, 0.23°. About 0.9 turns of the aim screw, beam down.');
  expect(plain(sayAimError({ ...error, errorMm: -10, errorDeg: -0.057, errorPercent: -0.1, within: true, direction: 'down' }))).toBe('In: 10 mm (0.4 in) too low, 0.10 %, 0.06°.');
  expect(sayAimError({ ...error, errorMm: 0, errorDeg: 0, errorPercent: 0, within: true, direction: 'none' })).toBe('In: on the mark.');
  expect(plain(sayAimError({ ...error, within: false, direction: 'none' }))).toMatch(/^Out: 40 mm/);
});

test('a rule names its source, its certainty, and that the local one decides', () => {
  const rule: AimRule = { id: 'fog', name: 'Fog', beam: 'front fog', family: 'percent', reference: 'lower edge', bands: [], source: 's', certainty: 'to be confirmed' };
  expect(sayRule(rule)).toBe('Fog, reference at the lower edge of the lit area. Source: s; to be confirmed. The local rule decides.');
});

test('a fault says path and what to do', () => {
  expect(sayFault({ path: 'gaps[0].widthIn', code: 'unit', data: { expected: 'widthMm' } })).toBe('gaps[0].widthIn is in another unit; write it as widthMm');
  expect(sayFault({ path: 'a', code: 'length', data: { most: 5 } })).toBe('a is longer than 5');
  expect(sayFault({ path: 'a', code: 'length', data: { least: 1 } })).toBe('a is shorter than 1');
  expect(sayFault({ path: 'a', code: 'choice', data: { choices: 'x, y' } })).toBe('a must be one of x, y');
  expect(
    sayFaults([
      { path: 'a', code: 'missing', data: {} },
      { path: 'b', code: 'own-level', data: { piece: 'grille', level: 'off' } },
    ]),
  ).toBe('a is missing\nb a way to “grille” off needs that level itself');
});

test('short contents and hands that do not balance are said', () => {
  expect(sayGatherTrouble({ code: 'short', item: 'x', missing: 1 }, () => 'Bracket')).toBe('Bracket: 1 piece missing. Order before anything comes off.');
  expect(sayGatherTrouble({ code: 'hands', items: ['x', 'y'], left: 2, right: 0 }, () => 'Lamp, left')).toBe('Lamp: 2 left and 0 right. The hands must balance.');
});

test('a bolt is said with its numbers and what to take instead', () => {
  expect(plain(sayStack({ stackMm: 8, engagementMm: 8, wantedMm: 9, value: 'too short', lengthMm: 20 }))).toBe(
    'Too short: 8.0 mm under the head leave 8.0 mm in the thread, 9.0 mm wanted. Take one of 20 mm.',
  );
  expect(plain(sayStack({ stackMm: 6.6, engagementMm: 18.4, wantedMm: 6, value: 'enough', washerOverMm: 0, washerHolds: false }))).toContain('only 0.0 mm over the diagonal');
  expect(sayStack({ stackMm: 3, engagementMm: 9, value: 'ask the maker' })).toContain('into plastic the maker says');
});

test('reasons of a match are said with their numbers', () => {
  const fact = () => 'Front fog';
  const mount = () => 'Fog place';
  expect(sayReason({ code: 'made-for', value: 'no', vehicle: 'x' }, fact, mount)).toBe('The kit does not name this vehicle.');
  expect(sayReason({ code: 'years', value: 'no', year: 2018, from: 2019, to: null }, fact, mount)).toBe('Made for 2019 to today; this one is of 2018.');
  const blank = { fact: 'front-fog', is: 'blank' };
  const tree = { condition: { not: blank }, value: 'no' as const, parts: [{ condition: blank, value: 'yes' as const, parts: [] }] };
  expect(sayReason({ code: 'equipment', value: 'no', tree }, fact, mount)).toBe('Asks that not: front fog is blank.');
  const clearance = { lamp: 'l', mount: 'm', widthMm: 4, heightMm: -8, depthMm: 42, value: 'no' as const };
  expect(plain(sayReason({ code: 'opening', value: 'no', clearance }, fact, mount))).toBe('Fog place: 4 mm to spare in width, −8 mm in height, 42 mm in depth.');
});

test('proofs and references are said with what to do next', () => {
  expect(sayProof({ code: 'needs-off', state: 'front fog' })).toContain('on alone is no proof');
  expect(sayProof({ code: 'contradictory', state: 'key off', found: 'on' })).toContain('with “key off” it read on');
  expect(plain(sayReference({ code: 'ground-high', volts: 0.4, mostV: 0.2 }))).toContain('0.40 V above the battery’s negative; at most 0.20 V');
  expect(plain(sayReference({ code: 'feed-low', volts: 9, leastV: 10.71 }))).toContain('reads 9.00 V; at least 10.71 V');
});

test('a moved sensor is said with its error at 100 m', () => {
  const sensor: Sensor = {
    id: 'radar',
    name: 'Radar',
    kind: 'radar',
    on: 'grille',
    lock: 'slide',
    pose: { xMm: 900, yMm: 0, zMm: 800, yawDeg: 0, pitchDeg: 0 },
    fieldOfView: { horizontalDeg: 20, verticalDeg: 8, rangeM: 150 },
    toleranceDeg: 0.4,
    calibration: 'required',
    procedure: 'by the maker',
  };
  const effect: SensorEffect = {
    sensor,
    piece: 'grille',
    change: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 1, pitchDeg: -0.5 },
    sidewaysAt100M: 1.7455,
    upwardAt100M: -0.8727,
    beyondTolerance: true,
    calibrationDue: true,
    why: 'beyond tolerance',
  };
  expect(plain(saySensorEffect(effect))).toBe(
    'Turned 1.0° sideways and −0.5° up: at 100 m it looks 1.75 m beside and 0.87 m below the truth. Beyond its tolerance of 0.4°: calibration due.',
  );
  const still = { ...effect, change: { ...effect.change, yawDeg: 0, pitchDeg: 0 }, beyondTolerance: false };
  expect(saySensorEffect(still)).toBe('It goes back to its own place. Disturbed, so calibration is due.');
  expect(saySensorEffect({ ...still, calibrationDue: false })).toContain('no calibration is asked for');
});

test('number remarks warn and do not refuse', () => {
  expect(sayNumberRemark({ code: 'number-check-digit', found: '2', expected: 'X' })).toContain('X was expected');
  expect(sayNumberRemark({ code: 'number-length', length: 16 })).toBe('16 places read; a number has 17.');
  expect(sayNumberRemark({ code: 'number-letters', letters: 'O' })).toContain('read it again');
});

const judged = { warnShare: 0.8, refuseShare: 1, dropLimitShare: 0.03, atLeastV: 10.2, troubles: [], unknown: [], verdict: 'carries' as const };

test('plugs and loads are said with both sides', () => {
  expect(sayMateTrouble({ code: 'keying', vehicle: 'A', kit: 'B' })).toBe('Keying A on the vehicle, B on the kit.');
  const check = {
    beforeA: 1,
    addedA: 4,
    afterA: 5,
    weakest: 'fuse' as const,
    limitA: 10,
    shareBefore: 0.1,
    shareAfter: 0.5,
    dropV: 0.2,
    dropShare: 0.0142,
    ...judged,
  };
  expect(plain(sayLoad(check))).toBe(
    'It carries. 1.0 A before, 5.0 A after at the worst voltage: 50 % of the fuse (10 A). Lost on the way: 0.20 V at running voltage, 1.4 % of at most 3.0 %.',
  );
  expect(sayLoad({ ...check, verdict: 'refuse', shareAfter: 1.01 })).toContain('A larger fuse is no cure.');
  const open = plain(sayLoad({ ...check, verdict: 'not known', unknown: ['loads', 'wire'] }));
  expect(open).toMatch(/^Nothing that is known speaks against it\. 1\.0 A before/);
  expect(open).toMatch(/Not described: what else hangs on it; its wire\. So these figures are the least that they can be\. Switch all of it on, and measure/);
  expect(sayLoad({ ...check, verdict: 'not known', unknown: ['contacts'] })).not.toContain('Switch all of it on');
  const dim = { ...check, verdict: 'warn' as const, troubles: ['drop' as const], mend: { of: 'wire' as const, areaMm2: 1.5, mostLengthM: 3.17 } };
  expect(plain(sayLoad(dim))).toContain('lamps burn dim. It would hold with a wire of 1.5 mm² or a way of at most 3.1 m, or with a relay');
  expect(sayLoad({ ...dim, mend: { of: 'wire' } })).toContain('No wire mends it');
  const leg = { id: 'main', ampere: 5, permittedA: 10, share: 0.5, dropV: 0.12, leastDropV: 0.13 };
  expect(plain(sayLoad({ ...check, fullestLeg: leg, longestLeg: leg }))).toContain('Of that 0.12 V in the kit’s leg, which carries 50 % of what it may.');
  expect(plain(sayLoad({ ...dim, mend: { of: 'leg', areaMm2: 2.5, mostLengthM: 3.3 } }))).toContain('with a leg of 2.5 mm² or a leg of at most 3.3 m');
  const thin = { ...leg, ampere: 12, share: 1.2 };
  expect(plain(sayLoad({ ...check, verdict: 'refuse', troubles: ['leg share'], fullestLeg: thin }))).toContain(
    'The kit’s leg is too thin for its lamp: 12.0 A, and it may carry 10.0 A.',
  );
  expect(plain(sayLoad({ ...check, verdict: 'warn', troubles: ['leg share'], fullestLeg: { ...leg, share: 0.9 } }))).toContain('The kit’s leg has little in hand: 90 %');
  const low = plain(sayLoad({ ...check, verdict: 'warn', troubles: ['share', 'least voltage'], neededV: 10.5 }));
  expect(low).toContain('There is little in hand. At the least voltage 10.20 V are left for the lamps, and they are stated to need 10.50 V');
  expect(plain(sayWithdrawn(5, { afterA: 6.2 }))).toBe('5.0 A were accepted, and it is 6.2 A now: look at it again.');
  const larger = plain(sayLoad({ ...check, verdict: 'refuse', troubles: ['fuse above'], fuseMostA: 7.5 }));
  expect(larger).toContain('Not like this. The fuse lets more through than what lies behind it carries (7.5 A): fit one of at most that.');
  expect(larger).not.toContain('Too much');
  const output = { surge: { ampere: 12.5, mostA: 9 }, standby: { mA: 5, mostMa: 3 } };
  expect(plain(sayLoad({ ...check, verdict: 'refuse', troubles: ['surge'], ...output }))).toContain('draw 12.5 A for a moment, and the output bears 9 A');
  expect(plain(sayLoad({ ...check, verdict: 'warn', troubles: ['standby'], ...output }))).toContain(
    'Switched off they still draw 5 mA, and the output takes more than 3 mA for a fault.',
  );
  expect(sayLoad({ ...check, verdict: 'never' })).toContain('safety system');
});

test('what is to be done with two plugs is said with its harm, pin by pin', () => {
  const harm = [
    { code: 'short' as const, carries: 'main' as const },
    { code: 'wrong lamp' as const, carries: 'dipped' as const, wanted: 'main' as const },
  ];
  expect(sayPlugVerdict({ value: 're-pin', moves: [{ pin: '1', from: { row: 1, column: 1 }, to: { row: 2, column: 3 } }], harm })).toBe(
    'Re-pin the kit’s plug: pin 1 to row 2, column 3. Do not push them together as they are: main would go to ground and blow its fuse; dipped would light main.',
  );
  expect(sayPlugVerdict({ value: 'populate', missing: [{ carries: 'parking', row: 1, column: 2 }], harm: [] })).toContain('no contact for parking (row 1, column 2)');
  expect(
    sayPlugVerdict({
      value: 'no plug',
      joins: [
        { pin: '1', carries: 'ground', vehiclePin: '2' },
        { pin: '2', carries: 'main' },
      ],
    }),
  ).toBe('No plug leads there. Joined wire by wire: pin 1, ground, to pin 2 of the vehicle; pin 2, main, to be fed from elsewhere.');
  expect(sayPlugVerdict({ value: 'do not connect', because: 'data', pin: '4' })).toContain('pin 4 of the vehicle carries data');
});

test('a source is said with how it behaves, what it bears, what is cut and how long it takes', () => {
  const source = { kind: 'fuse tap' as const, id: 'F22', name: 'slot F22', inherits: [], capacity: 'carries' as const, reversible: true, minutes: 12, newFuseA: 7.5 };
  expect(plain(saySource({ ...source, behaviour: { value: 'as wanted' } }))).toBe(
    'Behaves as wanted. The added load behind a fuse of its own of 7.5 A. The original fuse stays; the tap is turned so that the added load does not pass through it. Nothing of the vehicle is cut; 12 minutes.',
  );
  expect(plain(saySource({ ...source, capacity: 'not known', originalA: 5, behaviour: { value: 'as wanted' } }))).toContain(
    'of its own of 7.5 A. What the slot may hold is not known. The original fuse of 5 A stays;',
  );
  const other = plain(
    saySource({ ...source, kind: 'lamp circuit', newFuseA: undefined, reversible: false, inherits: ['flashing'], behaviour: { value: 'otherwise', states: ['main', 'key off'] } }),
  );
  expect(other).toBe('Behaves otherwise in main, key off. The lamp takes over its flashing. A wire of the vehicle is bared; 12 minutes.');
  expect(sayRefusedSource({ id: 'airbag', name: 'Restraints', why: 'restraint system' })).toBe('Restraints is never used: restraint system.');
  expect(sayRefusedSource({ id: 'brakes', name: 'Brakes' })).toBe('Brakes is never used: the shop’s rules forbid it.');
  expect([saySourceName({ kind: 'battery with relay', name: 'Front fog' }), saySourceName({ kind: 'fuse tap', name: 'F22' })]).toEqual([
    'Battery, by a relay that front fog triggers',
    'F22',
  ]);
});

test('what the vehicle makes of a lamp is said with its watts, its cure and what is of no use', () => {
  const channel = { id: 'tail', name: 'Tail', kind: 'modulated' as const, thresholdW: 2, flashes: false, flasherChangeable: false, codable: false, leastV: 11, mostV: 14 };
  const lamp = {
    channel,
    beforeW: 2.5,
    afterW: 1.5,
    glows: false,
    brought: [],
    accepted: false,
    answer: { seen: 'reported' as const, cures: [{ cure: 'decoder' as const }], noCures: [{ cure: 'resistor' as const, because: 'kind' as const }] },
  };
  expect(plain(sayWatched({ ...lamp, value: 'open' }, () => ''))).toBe(
    'The vehicle watches it by the current of a chopped supply: 2.5 W hung on it, 1.5 W do now, and below 2 W it reports the lamp. It would be cured by a decoder made for this vehicle. A resistor cannot satisfy it.',
  );
  expect(sayWatched({ ...lamp, value: 'as it was', glows: true }, () => '')).toContain('It sees nothing. Off, the lamp may glow or flicker by the pulses.');
  const resistor = { cure: 'resistor' as const, ohm: 22, mostOhm: 23, neededW: 5, onW: 9.43, averageW: 9.43, ratingW: 37.7 };
  expect(plain(sayWatched({ ...lamp, value: 'open', answer: { ...lamp.answer, cures: [resistor], noCures: [] } }, () => ''))).toContain(
    'a resistor of 22 Ω, rated 38 W or more, on metal and away from plastic (it gives off 9.4 W while on)',
  );
});

test('what guards a circuit is said by its slot, as the main fuse of a feed, or as an output with its limit', () => {
  const fuse = { slot: 'F18', ratedA: 7.5 };
  const output = { slot: 'O3', limitA: 5, surge: { ampere: 14, forMs: 50 }, standbyMostMa: 4 };
  expect([sayProtection({ fuse }), sayProtection({ fuse, batteryToFuseMm: 0 }), sayProtection({ output })].map(plain)).toEqual([
    'fuse F18, 7.5 A',
    'main fuse 7.5 A',
    'output O3, limits itself at 5 A',
  ]);
});

test('standing is said in whole days, with what it comes from', () => {
  const standing = { beforeMa: 25, afterMa: 35, hoursBefore: 700, hoursAfter: 500, capacityAh: 70, usableShare: 0.25 };
  expect(plain(sayStanding({ addedMa: 10, lasts: standing }))).toBe(
    'While it stands the vehicle draws 25 mA, and the kits 10 mA more. After 20 days it may not start; without the kits it would be 29 days (25 % of 70 Ah).',
  );
  expect(plain(sayStanding({ addedMa: 35, lasts: { ...standing, beforeMa: 0, hoursBefore: null } }))).toBe(
    'While it stands the vehicle draws 0 mA, and the kits 35 mA more. After 20 days it may not start (25 % of 70 Ah).',
  );
  expect(plain(sayStanding({ addedMa: 0, unmeasured: 1 }))).toBe(
    'While it stands the kits draw what 1 lamp takes while off, which nobody has measured: how long the battery lasts is not known.',
  );
  expect(plain(sayStanding({ addedMa: 12, unmeasured: 2 }))).toBe(
    'While it stands the kits draw 12 mA and what 2 lamps take while off, which nobody has measured: how long the battery lasts is not known.',
  );
  expect(plain(sayStanding({ addedMa: 12 }))).toBe(
    'While it stands the kits draw 12 mA. Nobody has described the battery of this kind of vehicle: how long it lasts is not known.',
  );
});

test('a plug that may be the wrong one says what it hangs on', () => {
  const tree = { condition: { fact: 'headlamp', is: 'led' }, value: 'unknown' as const, parts: [] };
  expect(sayOnlyWhere(tree, () => 'Headlamp technology')).toBe('Only where headlamp technology is led, which is not known yet: settle it at Check in.');
  const facts = [{ id: 'headlamp', label: 'Headlamp technology', choices: ['led', 'halogen'], howToSee: '', lookMin: 1 }];
  expect(sayOnlyOn({ not: { fact: 'headlamp', is: 'led' } }, { facts })).toBe('Only where not: headlamp technology is led.');
  expect(sayOnlyOn(undefined, { facts })).toBeUndefined();
});

test('a fuse of 7.5 A is not rounded, and loads that are alike are counted', () => {
  const check = {
    beforeA: 1,
    addedA: 1,
    afterA: 2,
    weakest: 'fuse' as const,
    limitA: 7.5,
    shareBefore: 0.1,
    shareAfter: 0.27,
    dropV: 0.1,
    dropShare: 0.01,
    ...judged,
  };
  expect(plain(sayLoad(check))).toContain('of the fuse (7.5 A)');
  const load = (name: string, powerW: number) => ({ name, powerW, atV: 26.4, kind: 'driven LED' as const });
  expect(plain(sayAdded([load('Ridge, left', 32)]))).toBe('ridge, left 32 W at 26.4 V, driven LED');
  expect(plain(sayAdded([load('Ridge, left', 4), load('Ridge, right', 4)]))).toBe('ridge, left and ridge, right, each 4 W at 26.4 V, driven LED');
  const ten = Array.from({ length: 10 }, (_, index) => load(`Tally ${index + 1}`, 0.9));
  expect(plain(sayAdded([...ten, load('Bar', 2)]))).toBe('10 lamps, tally 1 and alike, each 0.9 W at 26.4 V, driven LED; bar 2 W at 26.4 V, driven LED');
});

test('a step says its time, and what that rests on', () => {
  const step = (taken: number) => ({ minutes: 4, estimate: { medianMin: 5, p80Min: 6.7, sigma: 0.35, taken } });
  expect(plain(sayStepTime(step(0)))).toBe('about 5 min, 6.7 min on a slow day');
  expect(plain(sayStepTime(step(0), true))).toBe('5 min');
  expect(sayLearned(step(0))).toContain('no time taken at this shop counts beside it');
  expect(plain(sayLearned(step(1)))).toBe('The profile gives it 4 min; done 1 time at this shop, it is reckoned with 5 min.');
  expect([
    sayStep({ piece: 'Grille', from: 'fitted', level: 'off', way: 'through-arch' }),
    sayStep({ piece: 'Grille', from: 'off', level: 'fitted' }),
    sayStep({ piece: 'Liner', from: 'off', level: 'loosened' }),
  ]).toEqual(['Grille off, through arch', 'Grille back', 'Liner from off to loosened']);
});

test('a change of a supply says how many fasteners go with it', () => {
  const counts = [
    { group: 'a', count: 2 },
    { group: 'b', count: 1 },
  ];
  expect([saySwitch({ to: 'dead' }, counts), saySwitch({ to: 'live' }, counts.slice(1)), saySwitch({ to: 'live' }, [])]).toEqual([
    'It is off, 3 fasteners out',
    'It is live, 1 fastener in',
    'It is live',
  ]);
});

test('a label says what it is on, what is in it, and where it belongs', () => {
  const names = { piece: () => 'Grille', group: () => 'T25 six-lobe × 25 mm' };
  expect(sayLabel({ kind: 'keys' }, names)).toEqual({ title: 'Keys', lines: [] });
  expect(sayLabel({ kind: 'keys', where: 'hook 4' }, names)).toEqual({ title: 'Keys', lines: ['hook 4'] });
  expect(sayLabel({ kind: 'slot', slot: 4, piece: 'grille', groups: [{ group: 'bolts', count: 5 }] }, names)).toEqual({
    title: 'Slot 4: grille',
    lines: ['5 × T25 six-lobe × 25 mm'],
  });
  expect(sayLabel({ kind: 'part', piece: 'grille', where: 'shelf 3' }, names)).toEqual({ title: 'Original: grille', lines: ['shelf 3'] });
});

test('the tap of a step back says what is in, and how many of it new', () => {
  const said = (old: number, fresh: number, places: number) => sayBack({ to: 'fitted' }, { old, fresh, places });
  expect([said(0, 0, 0), said(5, 0, 5), said(1, 0, 1), said(4, 0, 5), said(3, 2, 5), said(0, 5, 5), said(0, 4, 5)]).toEqual([
    'It is back',
    'It is back, 5 fasteners in',
    'It is back, 1 fastener in',
    'It is back, 4 of 5 in',
    'It is back, 5 fasteners in, 2 of them new',
    'It is back, 5 fasteners in, all new',
    'It is back, 4 of 5 in, all new',
  ]);
  expect(sayBack({ to: 'hung' }, { old: 0, fresh: 0, places: 0 })).toBe('It is hung');
});

test('a step of Aim on the floor says what is asked; a lamp that was read is read again', () => {
  const lamp = (after?: object) => ({ lamp: { name: 'Fen lamp, left' }, after }) as unknown as LampAim;
  expect(sayAimStep({ kind: 'read', id: 'r', lamp: lamp() })).toBe('Where does it land: fen lamp, left');
  expect(sayAimStep({ kind: 'read', id: 'r', lamp: lamp({ within: false }) })).toBe('Read it again: fen lamp, left');
  expect(sayAimStep({ kind: 'height', id: 'h', lamp: lamp() })).toBe('How high does fen lamp, left sit?');
  expect(sayAimStep({ kind: 'prepare', id: 'tyres', what: 'tyres' })).toBe('Before aiming: tyres at pressure');
});

test('what makes one wonder says what to do, and what was typed is asked for as it can be read', () => {
  expect(plain(sayDoubt({ code: 'battery low', leastV: 24 }))).toBe('Below 24.0 V: charge it before anything is tried with the ignition on.');
  expect(plain(sayDoubt({ code: 'outside', nominalMm: 5, toleranceMm: 1.5 }))).toBe('Meant to be 5.0 mm ± 1.5 mm.');
  expect(sayDoubt({ code: 'alike', count: 4 })).toBe('The same as 3 others: is each of them measured?');
  expect(sayTyped({ fault: 'not a number' }, 'V')).toBe('Write a number in V.');
  expect(sayTyped({ fault: 'unit', unit: 'v' }, 'mm')).toBe('“v” is no measure here: write it in mm, or in inches as 4 1/2 in.');
});

test('a moment is said by the clock of the shop, a day by itself', () => {
  expect(sayMoment('2026-03-05T22:30:00Z', { timeZone: 'Etc/GMT-2' })).toBe('6 March 2026, 00:30');
  expect(sayMoment('2026-03-05T22:30:00Z', {})).toBe('5 March 2026, 22:30');
  expect([sayDay('2026-03-19'), plain(bothLengths(254, 'in')), plain(bothLengths(254))]).toEqual(['19 March 2026', '10.0 in (254 mm)', '254 mm (10.0 in)']);
});
