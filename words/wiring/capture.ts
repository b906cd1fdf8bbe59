import { stated } from '@jade/words/units';

export const KIT_WIRING = {
  title: (kit: string) => `Wiring ${kit}, joint by joint`,
  why: 'Nobody has described how it is wired on this kind of vehicle. Go by its paper, and write down each joint as it is made: the next one of this kind is joined, fed and proved by it.',
  joints: (count: number) => (count === 0 ? 'No joint is written down yet.' : `${count === 1 ? 'One joint is' : `${count} joints are`} written down.`),
  joint: 'A joint is ready to be made',
  all: 'That is all that is joined',
} as const;

export const JOINT_MADE = {
  title: 'A joint of the kit',
  record: 'Made and looked at',
  caution:
    'A wire is proved before it is bared. No wire and no fuse of airbags, brakes or steering, and nothing orange. A feed from the battery is connected last, its fuse out. The maker’s procedure and the local rules come first.',
  noPlug: 'No plug of this vehicle is in hand yet. Take it in hand at Probe, and prove its wires there.',
  toProbe: 'To Probe',
  plug: 'Plug of the vehicle',
  by: 'How it is joined',
  ways: { plug: 'the kit’s plug onto it', wire: 'a lead of the kit to one of its wires' },
  pin: 'The wire there',
  pinSays: (id: string, colour: string | undefined, carries: string) => [`pin ${id}`, ...(colour ? [colour] : []), carries].join(' · '),
  provedSo: (carries: string) => `${carries}, proved`,
  saidSo: (carries: string) => `${carries}, not proved here`,
  notKnown: 'not known',
  name: 'What the kit’s end is called',
  names: { plug: ['Lamp plug', 'Harness plug'], wire: ['Trigger lead', 'Feed lead'] },
  lamps: 'Lamps that it lights',
  slot: 'Slot of the fuse that guards the wire',
  slotHow: 'The one that, pulled, takes the voltage away from the wire; as it is printed at the slot.',
  rated: 'Printed on that fuse',
  ratedUnit: 'Printed on that fuse, A',
  known: (slot: string, ratedA: number) => `${slot}, ${stated(ratedA, 'A')}`,
  feeds: 'What the wire does',
  does: { lamps: 'feeds the lamps', relay: 'switches a relay of the kit' },
  main: 'Main fuse of the kit’s feed, A',
  distance: 'From the battery to that fuse, mm',
  contact: 'Printed on the relay, A',
  checks: 'Look at it before you press',
  missing: 'Still to be said: the plug and the wire, what the kit’s end is called, the lamps, the fuse, what the wire does.',
} as const;
