import type { VehicleState } from '../states/index.ts';
import { slugOf, type Side } from '../vehicle/index.ts';
import { KIT_LISTS, type Beam, type ContentItem, type ContentKind, type Kit, type KitKind, type KitTest, type Lamp } from './kit.ts';

/** A kit that nobody has described: what is read from its box or its order. */
export interface NewKit {
  maker: string;
  name: string;
  kind: KitKind;
  /** What the shop asks for it, in the smallest coin; 0 where the customer brings it. */
  priceCents: number;
}

/** What such a kit commonly holds: one lamp of each side or one in the middle, what lies beside it in the box, and the states in which its lamps light. */
interface Common {
  beam: Beam;
  lamp: string;
  sides: readonly Side[];
  contents: readonly (readonly [name: string, kind: ContentKind, each: 'hand' | 'one'])[];
  /** The state that lights a lamp, with what a helper is told; `turn` is that of its side. */
  lights: readonly (readonly [does: string, state: VehicleState | 'turn', helper: string])[];
}

const PAIR: readonly Side[] = ['left', 'right'];
const HARNESS = ['Harness', 'harness', 'one'] as const;
const BRACKET = ['Bracket', 'bracket', 'hand'] as const;
const BOLTS = ['Bolts', 'fastener', 'one'] as const;
const SWITCH = ['Switch', 'switch', 'one'] as const;
const SWITCHED = ['lights by its switch', 'ignition', 'Ignition on, parking lamps on. Work the switch of the kit: on, then off.'] as const;

const COMMON: Readonly<Record<KitKind, Common>> = {
  'front fog pair': {
    beam: 'front fog',
    lamp: 'Front fog lamp',
    sides: PAIR,
    contents: [BRACKET, ['Bezel', 'trim', 'hand'], HARNESS, BOLTS, SWITCH],
    lights: [['lights', 'front fog', 'Front fog lamps on, by the switch that works them. Hold.']],
  },
  'headlamp pair': {
    beam: 'dipped',
    lamp: 'Headlamp',
    sides: PAIR,
    contents: [BRACKET, ['Adapter', 'adapter', 'hand'], BOLTS],
    lights: [
      ['parking lamp lights', 'parking', 'Parking lamps on. Hold.'],
      ['dipped beam lights', 'dipped', 'Dipped beam on. Hold.'],
      ['main beam lights', 'main', 'Main beam on. Hold.'],
      ['turn signal flashes at its usual pace', 'turn', 'Turn signal of that side on. Hold.'],
    ],
  },
  'driving lamp pair': {
    beam: 'driving',
    lamp: 'Driving lamp',
    sides: PAIR,
    contents: [BRACKET, HARNESS, ['Relay', 'other', 'one'], BOLTS, SWITCH],
    lights: [['lights with main beam', 'main', 'Switch of the kit on, main beam on. Hold, then dipped beam: it has to go out.']],
  },
  'light bar': {
    beam: 'driving',
    lamp: 'Light bar',
    sides: ['centre'],
    contents: [['Foot', 'bracket', 'hand'], HARNESS, ['Relay', 'other', 'one'], BOLTS, ['Grommet', 'other', 'one'], SWITCH],
    lights: [['lights with main beam', 'main', 'Switch of the kit on, main beam on. Hold, then dipped beam: it has to go out.']],
  },
  'work lamp pair': {
    beam: 'work',
    lamp: 'Work lamp',
    sides: PAIR,
    contents: [BRACKET, HARNESS, ['Relay', 'other', 'one'], BOLTS, SWITCH],
    lights: [SWITCHED],
  },
  'rear lamp pair': {
    beam: 'signal',
    lamp: 'Rear lamp',
    sides: PAIR,
    contents: [['Seal', 'trim', 'hand'], ['Adapter', 'adapter', 'hand'], BOLTS],
    lights: [
      ['tail lamp lights', 'parking', 'Parking lamps on. Hold.'],
      ['stop lamp lights', 'stop pedal', 'Press the stop pedal. Hold.'],
      ['turn signal flashes at its usual pace', 'turn', 'Turn signal of that side on. Hold.'],
      ['reversing lamp lights', 'reverse', 'Ignition on, reverse engaged, foot on the brake, engine off. Hold.'],
    ],
  },
  'side marker set': {
    beam: 'marker',
    lamp: 'Side markers',
    sides: PAIR,
    contents: [HARNESS, BOLTS],
    lights: [['light', 'parking', 'Parking lamps on. Hold.']],
  },
};

/** The beam of the lamps of a kit by its kind; undefined where nobody said its kind. */
export const beamOf = ({ kind }: Pick<Kit, 'kind'>): Beam | undefined => kind && COMMON[kind].beam;

const named = (name: string, side: Side): string => (side === 'centre' ? name : `${name}, ${side}`);
const idOf = (name: string, side: Side | undefined): string => slugOf(named(name, side ?? 'centre'), 'entry');

/** A lamp that such a kit commonly holds. */
export interface LampOffered {
  id: string;
  name: string;
  side: Side;
}

/** Lamps that a kit of this kind commonly holds and that nobody has described of this one: each with an id that is the same for whoever describes it. */
export function lampsCommon({ kind, lamps }: Pick<Kit, 'kind' | 'lamps'>): LampOffered[] {
  if (!kind) return [];
  const { lamp, sides } = COMMON[kind];
  return sides.map((side) => ({ id: idOf(lamp, side), name: named(lamp, side), side })).filter(({ id }) => !lamps.some((own) => own.id === id));
}

/** What commonly lies in the box of a kit of this kind and that nobody has counted in this one, its lamps first. It is offered; how many there are is said by whoever counts. */
export function contentsCommon({ kind, contents }: Pick<Kit, 'kind' | 'contents'>): Omit<ContentItem, 'count'>[] {
  if (!kind) return [];
  const { lamp, sides, contents: others } = COMMON[kind];
  const item = (name: string, of: ContentKind, hand?: 'left' | 'right'): Omit<ContentItem, 'count'> => ({
    id: idOf(name, hand),
    name,
    kind: of,
    ...(hand ? { hand } : {}),
    spareAllowed: of === 'fastener',
  });
  const handed = (name: string, of: ContentKind) => (['left', 'right'] as const).map((hand) => item(name, of, hand));
  const all = [
    ...(sides.length > 1 ? handed(lamp, 'lamp') : [item(lamp, 'lamp')]),
    ...others.flatMap(([name, of, each]) => (each === 'hand' ? handed(name, of) : [item(name, of)])),
  ];
  return all.filter(({ id }) => !contents.some((own) => own.id === id));
}

/** Tests by which the lamps of a kit of this kind are commonly proved, for the lamps that it has; without those that are taken already. */
export function testsCommon({ kind, lamps }: Pick<Kit, 'kind' | 'lamps'>, taken: readonly Pick<KitTest, 'id'>[]): KitTest[] {
  if (!kind) return [];
  return lamps
    .flatMap((lamp: Lamp) =>
      COMMON[kind].lights.map(([does, said, helper]): KitTest => {
        const state = said !== 'turn' ? said : lamp.side === 'right' ? 'turn right' : 'turn left';
        return { id: `${lamp.id}-${state.replaceAll(' ', '-')}`, name: `${lamp.name}: ${does}`, side: lamp.side, state, helper, lamps: [lamp.id], gate: true };
      }),
    )
    .filter(({ id }) => !taken.some((test) => test.id === id));
}

/** The slug under which a kit is kept: its maker and name; `kit` where those hold no letter that a slug has. */
export const kitSlug = ({ maker, name }: Pick<NewKit, 'maker' | 'name'>): string => slugOf(`${maker} ${name}`, 'kit');

/** First version of a kit that nobody has described: its name and its kind, and of each list that nobody has looked for it. */
export function newKit({ maker, name, kind, priceCents }: NewKit): Kit {
  return {
    format: 'jade-kit/5',
    slug: kitSlug({ maker, name }),
    name: name.trim(),
    maker: maker.trim(),
    kind,
    undescribed: [...KIT_LISTS],
    lamps: [],
    contents: [],
    options: [],
    plugs: [],
    relays: [],
    feeds: [],
    legs: [],
    benchTasks: [],
    fitments: [],
    warnings: [],
    priceCents,
  };
}
