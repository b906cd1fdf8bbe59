import type { FeedOption, LegPath, LeftoverPlug } from '@jade/core/loom';
import type { LedWire } from '@jade/core/job';
import type { PlugFamily } from '@jade/core/wiring';
import {
  sayAlong,
  sayCavity,
  sayChecked,
  sayContactsMoved,
  sayFamily,
  sayFeedTo,
  sayFirst,
  sayGround,
  sayJoinedHow,
  sayLed,
  sayLedCaution,
  sayLedParts,
  sayLedShort,
  sayLeftover,
  sayLegUnknown,
  sayLegUse,
  sayMade,
  sayPath,
  sayPathPrice,
  sayPinLoads,
  sayPinMap,
  sayRouteParts,
  sayWireStep,
} from './index.ts';

const plain = (text: string | undefined) => text?.replaceAll('\u202f', ' ');
const segment = (name: string, part: object = {}) => ({ id: name, name, from: 'a', to: 'b', lengthMm: 100, hazards: {}, needs: [], layMin: 1, ...part });
const path = (part: Partial<LegPath> = {}): LegPath => ({
  id: 'x',
  segments: ['x'],
  places: ['a', 'b'],
  lengthMm: 700,
  costMm: 700,
  hazards: [],
  along: [segment('Along the sill'), segment('Up the pillar')],
  needs: [],
  layMin: 6,
  ...part,
});

test('a way says its parts in order, how long it is, what it passes; another one its price', () => {
  expect(plain(sayPath(path({ hazards: ['heat', 'lid'] })))).toBe('Along the sill → Up the pillar: 700 mm, 6 min to lay; past heat, a lid that closes on it');
  expect(sayPath(path({ along: [] }))).toBe('At the plug itself, no way to lay');
  expect(plain(sayPathPrice(path({ lengthMm: 900, layMin: 4 }), path(), 2))).toBe('200 mm longer, 2 min less to lay, 2 pieces more to open');
  expect(plain(sayPathPrice(path({ lengthMm: 650, layMin: 7.5 }), path(), 0))).toBe('50 mm shorter, 1.5 min more to lay');
  expect(sayPathPrice(path(), path(), 0)).toBe('as long, as quick to lay');
  const done = sayAlong(path({ along: [segment('a', { seal: 'Roof seal' }), segment('b', { hinge: 'Tailgate' }), segment('c', { drill: true })] }));
  expect(done).toEqual([
    'Roof seal: small plug first, sealed again, tried with water.',
    'Tailgate: a loop, and the full travel tried.',
    'The hole: bright metal painted, grommet in.',
  ]);
});

test('a leg says what is over and what is missing', () => {
  const use = (surplusMm: number) => ({ use: { lamp: 'l', leg: 'g', neededMm: 1000, lengthMm: 1000 + surplusMm, surplusMm }, path: path() });
  expect(plain(sayLegUse(use(-120)))).toBe('1000 mm needed with slack, the leg is 880 mm: extend it by 120 mm, joints staggered and sealed.');
  expect(plain(sayLegUse(use(0)))).toBe('1000 mm needed with slack, the leg is 1000 mm.');
  expect(plain(sayLegUse(use(80)))).toContain('80 mm over, folded flat');
  expect(sayLegUse({ path: path() })).toBe('The kit has no leg for it.');
  expect(sayLegUse({})).toContain('do not lead to it');
  expect(plain(sayLegUnknown('Fog lamp', 320))).toContain('what wire its leg to Fog lamp is of (320 mm)');
});

test('what is brought: ties, loom by bore, sleeves, sealant; nothing where nothing is', () => {
  const looms = [
    { kit: 'k', leg: 'a', boreMm: 6, lengthMm: 1840 },
    { kit: 'k', leg: 'b', boreMm: 6, lengthMm: 700 },
    { kit: 'k', leg: 'c', lengthMm: 300 },
  ];
  expect(plain(sayRouteParts({ ties: 1, seals: ['Roof seal'], looms, sleeves: 3 }))).toBe(
    'To bring: 1 cable tie; 2.6 m of loom with a bore of 6 mm; 0.3 m of loom, its bore by the wires as they are; 3 sleeves with sealant; sealant for Roof seal.',
  );
  expect(sayRouteParts({ ties: 0, seals: [], looms: [], sleeves: 0 })).toBeUndefined();
});

test('a ground point says what was measured, and what to do where too much is lost', () => {
  const ground = { id: 'g', name: 'Wing stud', at: { xMm: 0, yMm: 0, zMm: 0 }, whereToLook: 'there' };
  expect(sayGround({ ground })).toBe('Wing stud: not measured.');
  expect(plain(sayGround({ ground, measured: { dropMv: 30, ampere: 2.4, mohm: 12.5 }, holds: true }))).toBe('Wing stud: 30 mV at 2.4 A, 12.5 mΩ.');
  expect(plain(sayGround({ ground, measured: { dropMv: 300, ampere: 2, mohm: 150 }, holds: false }))).toContain('too much. Clean it to bare metal');
});

test('contacts, cavities, families and leads in words', () => {
  const load = { pin: '2', carries: 'main' as const, ampere: 5, permittedA: 8 };
  expect(plain(sayPinLoads([{ ...load, pin: '1', ampere: 2 }, load]))).toBe('Contacts carry it: pin 2, main, 5.0 A of 8 A at most.');
  expect(plain(sayPinLoads([{ ...load, ampere: 9 }]))).toBe('Too much for a contact: pin 2, main, 9.0 A of 8 A.');
  expect(sayPinLoads([])).toContain('not known');
  const cavity = { row: 1, column: 2, carries: 'main' as const, feeds: [] };
  expect(sayCavity(cavity)).toContain('the plug library does not have this family');
  expect(sayCavity({ ...cavity, terminals: [] })).toContain('has no contact of this family');
  expect(sayCavity({ ...cavity, terminals: [{ id: 't', name: 'Thin contact', gender: 'sockets', areaMm2: [0.5, 1], barb: 'barb up' }] })).toBe(
    'main, row 1, column 2: Thin contact, barb up; seal on first, tug it once.',
  );
  const family: PlugFamily = {
    id: 'SL-2',
    keyings: ['A', 'B'],
    grids: [{ rows: 1, columns: 2 }],
    sealed: true,
    lock: 'tab',
    secondLock: 'slide',
    closing: 'tab',
    pinA: 14,
    terminals: [],
  };
  expect(plain(sayFamily(family))).toBe('1×2, keying A, B. Sealed; tab, then slide. 14 A each contact; no loose contacts.');
  const at = (column: number) => ({ row: 1, column });
  expect(sayPinMap({ pins: [{ from: at(1), to: at(1) }] })).toBe('straight through, 1 wire');
  expect(sayPinMap({ pins: [{ from: at(1), to: at(2) }] })).toBe('by row.column: 1.1 to 1.2');
});

test('what a joint wants first, what was seen of it, and what is left over', () => {
  expect(sayMade({}, ['seal', 'notch to notch', 'ring home', 'pull'])).toBe('Joined: seal in place, notch to notch, ring home, pulled');
  expect(sayMade({ tapped: { id: '1', row: 1, column: 1, carries: 'main' } }, ['fits both wires', 'pull', 'sealed'])).toBe('Tapped: fits both wires, pulled, sealed');
  const between = { chain: { adapters: [{ name: 'Short lead' }, { name: 'Keying lead' }] } } as unknown as NonNullable<Parameters<typeof sayMade>[0]['between']>;
  expect(sayMade({ between }, ['pull'])).toBe('Joined with short lead, then keying lead: pulled');
  expect(sayChecked([])).toBe('');
  expect(sayFirst({ verdict: { value: 'turn it' } })).toBe('Turn it by half a turn. Key off.');
  expect(sayFirst({ tapped: { id: '1', row: 1, column: 1, carries: 'main' } })).toContain('Sleeve on before');
  const lay = { kind: 'lay', id: 'leg:k/g', against: [], route: { kit: 'k', lamp: 'l', side: 'left' as const, paths: [], laid: false } };
  expect(sayWireStep({ ...lay, kind: 'lay' }, (kit, lamp) => `${kit} ${lamp}`)).toBe('Lay the leg to k l');
  const plug = { name: 'Spare lead' } as LeftoverPlug['plug'];
  expect(sayLeftover({ plug, capped: false })).toContain('of the vehicle: its lamp is gone. Cap it');
  expect(sayLeftover({ plug, capped: true })).toContain('Capped and tied away.');
});

test('moved contacts are said with the second lock of their family, where it has one', () => {
  expect(sayContactsMoved({ secondLock: 'comb pushed home' })).toBe('Contacts moved, each tugged, comb pushed home');
  expect(sayContactsMoved(undefined)).toBe('Contacts moved, each tugged');
});

describe('wires that are led elsewhere', () => {
  const at = { plug: { id: 'p', name: 'Tail plug' }, pin: { id: '7' } } as unknown as LedWire['at'];
  const pin = { id: '2', row: 1, column: 2, carries: 'front fog' as const };
  const wire = (to: LedWire['to'], part: Partial<LedWire> = {}): LedWire => ({ pin, to, ...part });

  test('are named by where they go, in the list of a job too', () => {
    expect(sayLedShort(wire({ at: 'wire' }, { at }))).toBe('joined to the wire of pin 7 of tail plug');
    expect(sayLedShort(wire({ at: 'slot', slot: 'F9' }))).toBe('by a tap at slot F9');
    expect(sayLed({ led: [wire({ at: 'battery' }, { at }), wire({ at: 'ground' })] })).toBe(
      'Led elsewhere: pin 2, front fog, from the battery over a relay that the wire of pin 7 of tail plug closes; pin 2, front fog, to a ground point of the body.',
    );
    expect(sayJoinedHow({ led: [wire({ at: 'slot', slot: 'F9' })], plugless: false })).toBe('plug to plug, pin 2 by a tap at slot F9');
    expect(sayJoinedHow({ led: [wire({ at: 'slot', slot: 'F9' })], plugless: true })).toBe('wire by wire: pin 2 by a tap at slot F9');
    expect(sayMade({ plugless: true }, ['pull', 'sealed'])).toBe('Wires joined: pulled, sealed');
  });

  test('ask for care: the battery off, the tap turned', () => {
    const rules = { mainFuseWithinMm: 180 };
    expect(sayLedCaution({ led: [wire({ at: 'battery' })] }, rules)).toMatch(/^Battery negative off first and on last\. Main fuse within 180.mm/);
    expect(sayLedCaution({ led: [wire({ at: 'slot' })] }, rules)).toMatch(/turned so that the added load does not pass through the original fuse/);
    expect(sayLedCaution({ led: [wire({ at: 'wire' }, { at })] }, rules)).toBeUndefined();
  });

  test('say what they take and what is brought', () => {
    const source = { kind: 'fuse tap' } as FeedOption['source'];
    const option = (to: FeedOption['to']): FeedOption => ({ source, to, at, bars: [], chosen: false });
    expect(sayFeedTo(option({ at: 'wire', areaMm2: 0.35, lengthMm: 1500 }))).toMatch(/^Joined to the wire of pin 7 of tail plug, once that is proved\. Wire 0\.35.mm², 1\.5.m\.$/);
    expect(sayFeedTo(option({ at: 'slot', fuseA: 3 }))).toMatch(/^A tap with a fuse of 3.A\.$/);
    expect(sayFeedTo(option({ at: 'battery', fuseA: 7.5 }))).toMatch(/^Main fuse 7\.5.A close to the battery, a relay closed by the wire of pin 7/);
    expect(sayLedParts({ wires: [{ areaMm2: 0.75, lengthMm: 2410 }], taps: [3], mainFuses: [], relays: 0, closed: 1 })).toMatch(
      /^For other sources: 2\.5.m of wire 0\.75.mm²; 1 fuse tap with 3.A; 1 cavity plug\.$/,
    );
    expect(sayLedParts({ wires: [], taps: [], mainFuses: [], relays: 0, closed: 0 })).toBeUndefined();
  });
});
