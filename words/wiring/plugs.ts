import type { EmptyCavity, LeftoverPlug, PinLoad } from '@jade/core/loom';
import type { wire } from '@jade/core/stations';
import type { PlugAdapter, PlugFamily, PlugHarm, PlugVerdict, Source } from '@jade/core/wiring';
import { amperes, plural, stated } from '@jade/words/units';
import { saySource } from './sources.ts';

const place = ({ row, column }: { row: number; column: number }) => `row ${row}, column ${column}`;

function sayHarm(harm: PlugHarm): string {
  switch (harm.code) {
    case 'short':
      return `${harm.carries} would go to ground and blow its fuse`;
    case 'reversed':
      return `${harm.carries} would be fed the wrong way round`;
    case 'wrong lamp':
      return `${harm.carries} would light ${harm.wanted}`;
  }
}

const harms = (list: readonly PlugHarm[]) => (list.length === 0 ? '' : ` Do not push them together as they are: ${[...new Set(list.map(sayHarm))].join('; ')}.`);

/** What is to be done so that one plug feeds the other. */
export function sayPlugVerdict(verdict: PlugVerdict): string {
  switch (verdict.value) {
    case 'works':
      return 'They go together and work.';
    case 'works either way':
      return 'Supply and ground come the other way round, which this lamp bears.';
    case 'turn it':
      return 'Turned by half a turn they meet pin by pin.';
    case 're-pin':
      return `Re-pin the kit’s plug: ${verdict.moves.map(({ pin, to }) => `pin ${pin} to ${place(to)}`).join(', ')}.${harms(verdict.harm)}`;
    case 'populate': {
      const wanted = verdict.missing.map((entry) => `${entry.carries} (${place(entry)})`).join(', ');
      return `The vehicle’s plug has no contact for ${wanted}. Where the holder has its mate, put one in: terminal and seal of its family, barb as its neighbours, tug it.${harms(verdict.harm)}`;
    }
    case 'adapter':
      return `By adapter: ${verdict.chain.adapters.map(({ name }) => name).join(', then ')}.`;
    case 'no plug': {
      const joins = verdict.joins.map(
        ({ pin, carries, vehiclePin }) => `pin ${pin}, ${carries}, ${vehiclePin === undefined ? 'to be fed from elsewhere' : `to pin ${vehiclePin} of the vehicle`}`,
      );
      return `No plug leads there. Joined wire by wire: ${joins.join('; ')}.`;
    }
    case 'do not connect':
      return verdict.because === 'data'
        ? `Do not connect: pin ${verdict.pin} of the vehicle carries data, which a lamp would disturb or be harmed by.`
        : `Do not connect: nobody knows what pin ${verdict.pin} of the vehicle carries. Find out at Probe first.`;
  }
}

/** What was seen once the contacts of a plug were moved; of a family that is not known only what holds for every plug. */
export const sayContactsMoved = (family: Pick<PlugFamily, 'secondLock'> | undefined): string => `Contacts moved, each tugged${family?.secondLock ? `, ${family.secondLock}` : ''}`;

/** How near the contacts of a joint are to what they may carry: the fullest of them. */
export function sayPinLoads(loads: readonly PinLoad[]): string {
  const fullest = loads.reduce<PinLoad | undefined>((most, load) => (most && most.ampere / most.permittedA >= load.ampere / load.permittedA ? most : load), undefined);
  if (!fullest) return 'What each contact may carry is not known: the plug library does not have this family.';
  const least = `pin ${fullest.pin}, ${fullest.carries}, ${amperes(fullest.ampere)} of ${stated(fullest.permittedA, 'A')}`;
  return fullest.ampere > fullest.permittedA + 1e-9 ? `Too much for a contact: ${least}.` : `Contacts carry it: ${least} at most.`;
}

/** What goes into an empty cavity. */
export function sayCavity({ row, column, carries, terminals }: EmptyCavity): string {
  const where = `${carries}, ${place({ row, column })}`;
  if (!terminals) return `${where}: the plug library does not have this family; take a contact of the plug’s own.`;
  const [terminal] = terminals;
  return terminal
    ? `${where}: ${terminal.name}, ${terminal.barb}; seal on first, tug it once.`
    : `${where}: the plug library has no contact of this family that takes the kit’s wire.`;
}

/** A circuit that the wire of an empty cavity could be led from. */
export const sayFeed = (source: Source): string => `${source.name}. ${saySource(source)}`;

/** What is left over and how it is left. */
export function sayLeftover({ plug, kit, capped }: LeftoverPlug): string {
  const whose = kit ? 'of the kit: nothing of this vehicle takes it' : 'of the vehicle: its lamp is gone';
  return `${plug.name}, ${whose}. ${capped ? 'Capped and tied away.' : 'Cap it against water and tie it away from heat and what moves.'}`;
}

/** Which cavity of a lead leads to which: straight through, or each that does not. */
export function sayPinMap({ pins }: Pick<PlugAdapter, 'pins'>): string {
  const moved = pins.filter(({ from, to }) => from.row !== to.row || from.column !== to.column);
  if (moved.length === 0) return `straight through, ${plural(pins.length, 'wire')}`;
  return `by row.column: ${pins.map(({ from, to }) => `${from.row}.${from.column} to ${to.row}.${to.column}`).join(', ')}`;
}

/** A plug family in short: faces, locks, what a contact carries, what goes into a cavity. */
export function sayFamily({ keyings, grids, sealed, lock, secondLock, pinA, terminals }: PlugFamily): string {
  const faces = grids.map(({ rows, columns }) => `${rows}×${columns}`).join(', ');
  const contacts = terminals.length === 0 ? 'no loose contacts' : terminals.map(({ name, areaMm2: [from, to] }) => `${name} for ${from} to ${to} mm²`).join('; ');
  return `${faces}, keying ${keyings.join(', ')}. ${sealed ? 'Sealed' : 'Not sealed'}; ${lock}${secondLock ? `, then ${secondLock}` : ''}. ${stated(pinA, 'A')} each contact; ${contacts}.`;
}

/** What a step at Wire is called. */
export function sayWireStep(step: wire.WireStep, lampName: (kit: string, lamp: string) => string): string {
  switch (step.kind) {
    case 'settle':
      return `Settle the load on ${step.load.circuit.name}`;
    case 'populate':
      return `Put a contact into ${step.joint.vehiclePlug.name}`;
    case 'prove':
      return `Prove ${step.pins.length > 1 ? `pins ${step.pins.join(', ')}` : `pin ${step.pins[0] ?? ''}`} of ${step.joint.vehiclePlug.name}`;
    case 'repin':
      return `Re-pin ${step.joint.kitPlug.name}`;
    case 'wires':
      return step.by === 'the same plug' ? `Join ${step.joint.kitPlug.name} wire by wire` : `Feed ${step.joint.kitPlug.name} from another source`;
    case 'join':
      if (step.joint.plugless) return `Join the wires of ${step.joint.kitPlug.name}`;
      return step.joint.tapped ? `Tap the wire of pin ${step.joint.tapped.id} of ${step.joint.vehiclePlug.name}` : `Join ${step.joint.vehiclePlug.name}`;
    case 'lay':
      return `Lay the leg to ${lampName(step.route.kit, step.route.lamp)}`;
    case 'cap':
      return `Cap ${step.left.plug.name}`;
  }
}
