import type { JointCheck } from '@jade/core/events';
import type { JointLine, JointMethod, WireJoint } from '@jade/core/loom';
import { inSentence, millimetres } from '@jade/words/units';

/** Names that a joint list is written with; those of a job do. */
export interface JointNames {
  plug: (id: string) => string;
  circuit: (id: string) => string;
  item: (kit: string, id: string) => string;
  kit: (slug: string) => string;
  kitPlug: (kit: string, id: string) => string;
  adapter: (id: string) => string;
  ground: (id: string) => string;
}

const METHODS: Record<JointMethod, { how: string; tool: string; check: string }> = {
  plug: { how: 'plug to plug', tool: 'by hand', check: 'click, locks home, pull once' },
  adapter: { how: 'plug to plug, by adapter', tool: 'by hand', check: 'both ends click, locks home, pull once' },
  cavity: { how: 'contact put into the empty cavity, then plug to plug', tool: 'crimp tool', check: 'seal on first, barb as its neighbours, tug it, click' },
  tap: { how: 'tap connector on the uncut wire', tool: 'parallel pliers', check: 'fits both conductors and insulations, pull once, sealed' },
  'moved contact': { how: 'contact moved to this cavity, then plug to plug', tool: 'release tool of the family', check: 'each contact tugged, second lock home, click' },
  'fuse tap': {
    how: 'fuse tap at the slot, the added load behind its own fuse',
    tool: 'crimp tool',
    check: 'turned so that the original fuse does not carry the added load; both fuses in',
  },
  crimp: { how: 'crimped sleeve, wire to wire', tool: 'crimp tool', check: 'sleeve on first, pull once, sealed' },
  'ring terminal': { how: 'ring terminal', tool: 'crimp tool', check: 'sleeve on first, bare metal, full tightness, sealed' },
};

export const JOINT_COLUMNS = ['Work place', 'Vehicle wire', 'Kit wire', 'How', 'Circuit', 'Strip', 'Where on the wire', 'Tool', 'Check', 'State'] as const;
export type JointRow = Record<(typeof JOINT_COLUMNS)[number], string>;

const coloured = (id: string, colour: string | undefined) => `pin ${id}${colour ? `, ${colour}` : ''}`;

function placeOf({ place }: JointLine, names: JointNames): string {
  if (place.at === 'plug') return names.plug(place.plug);
  if (place.at === 'battery') return 'Battery';
  if (place.at === 'slot') return `Fuse slot ${place.slot}`;
  if (place.at === 'lead') return 'The kit’s own lead';
  return place.point === undefined ? 'Ground point of the body' : names.ground(place.point);
}

/** What of the vehicle a conductor is joined to. */
function vehicleEnd({ place, vehicle }: JointLine): string {
  if (vehicle) return `${coloured(vehicle.id, vehicle.colour)}: ${vehicle.carries}`;
  if (place.at === 'slot') return 'the slot, its original fuse kept';
  if (place.at === 'lead') return 'new wire';
  if (place.at !== 'battery') return 'stud on bare metal';
  return place.post === 'positive' ? 'positive post, by way of the main fuse' : 'negative post, on last';
}

/** A line of the joint list, in the words of its columns. */
export function sayJointLine(line: JointLine, names: JointNames): JointRow {
  const { end, method, circuit, stripMm, atMm, adapter, joined } = line;
  const words = METHODS[method];
  const parts = [...(line.between ?? []).map((id) => inSentence(names.adapter(id))), ...(adapter === undefined ? [] : [inSentence(names.item(line.kit, adapter))])];
  return {
    'Work place': placeOf(line, names),
    'Vehicle wire': vehicleEnd(line),
    'Kit wire': end ? `${names.kitPlug(line.kit, end.plug)}, ${coloured(end.id, end.colour)}` : names.kit(line.kit),
    How: parts.length === 0 ? words.how : `${words.how} (${parts.join(', then ')})`,
    Circuit: circuit === undefined ? 'ground' : names.circuit(circuit),
    Strip: stripMm > 0 ? millimetres(stripMm) : '—',
    'Where on the wire': atMm === undefined ? '—' : `${millimetres(atMm)} from the back of the plug`,
    Tool: words.tool,
    Check: words.check,
    State: joined === undefined ? 'with its fitting step' : joined ? `joined${line.checked ? `: ${sayChecked(line.checked)}` : ''}` : 'open',
  };
}

/** What is looked at before a joint counts as made, as it is read at the vehicle, and in short as it is said to have been seen. */
export const CHECK_WORDS: Readonly<Record<JointCheck, { look: string; seen: string }>> = {
  seal: { look: 'Seal in its place and clean', seen: 'seal in place' },
  'notch to notch': { look: 'Notch to notch', seen: 'notch to notch' },
  click: { look: 'Pushed until it clicks, the contacts held from backing out', seen: 'clicked' },
  'slide home': { look: 'Slide home', seen: 'slide home' },
  'clip over': { look: 'Clip over', seen: 'clip over' },
  'ring home': { look: 'Ring turned home: only closed is it tight', seen: 'ring home' },
  'second lock': { look: 'Second lock home', seen: 'second lock home' },
  'lock closed': { look: 'Its lock closed', seen: 'lock closed' },
  'fits both wires': { look: 'Connector fits both conductors and both insulations', seen: 'fits both wires' },
  'bare metal': { look: 'Ring on bare metal, at full tightness', seen: 'on bare metal' },
  pull: { look: 'Pulled once: it holds', seen: 'pulled' },
  sealed: { look: 'What was bared is sealed', seen: 'sealed' },
};

/** What was seen of a joint, in short. */
export const sayChecked = (checks: readonly JointCheck[]): string => checks.map((check) => CHECK_WORDS[check].seen).join(', ');

/** What a tap says of a joint: how it was made and what was seen of it. */
export function sayMade({ tapped, between, plugless }: Pick<WireJoint, 'tapped' | 'between'> & Partial<Pick<WireJoint, 'plugless'>>, checks: readonly JointCheck[]): string {
  const leads = between ? ` with ${between.chain.adapters.map(({ name }) => inSentence(name)).join(', then ')}` : '';
  return `${tapped ? 'Tapped' : plugless ? 'Wires joined' : 'Joined'}${leads}: ${sayChecked(checks)}`;
}
