import type { KitPlug } from '../kit/index.ts';
import type { PlugFace, PlugPin, VehiclePlug } from '../vehicle/index.ts';

export type PinVerdict = 'meets' | 'swapped' | 'nothing there' | 'left over' | 'spare';

/** One position of two joined faces. */
export interface PinPair {
  row: number;
  column: number;
  vehiclePin?: string;
  kitPin?: string;
  vehicleCarries?: string;
  kitWants?: string;
  verdict: PinVerdict;
}

export type MateTrouble =
  | { code: 'family'; vehicle: string; kit: string }
  | { code: 'gender'; gender: string }
  | { code: 'keying'; vehicle: string; kit: string }
  | { code: 'face'; vehicle: string; kit: string };

export interface MateVerdict {
  value: 'mates' | 'mates with pins wrong' | 'does not mate';
  pairs: PinPair[];
  troubles: MateTrouble[];
}

function faceText(face: PlugFace): string {
  return `${face.rows}×${face.columns}`;
}

/**
 * A plug of the vehicle against a plug of the kit, position by position as the faces meet. Two faces meet when family and keying
 * are the same, genders differ and the grids are alike. `empty` marks a cavity without a contact.
 */
export function matePlugs(vehicle: VehiclePlug | PlugFace, kit: KitPlug | PlugFace): MateVerdict {
  const troubles: MateTrouble[] = [];
  if (vehicle.family !== kit.family) troubles.push({ code: 'family', vehicle: vehicle.family, kit: kit.family });
  if (vehicle.gender === kit.gender) troubles.push({ code: 'gender', gender: kit.gender });
  if (vehicle.keying !== kit.keying) troubles.push({ code: 'keying', vehicle: vehicle.keying, kit: kit.keying });
  if (vehicle.rows !== kit.rows || vehicle.columns !== kit.columns) troubles.push({ code: 'face', vehicle: faceText(vehicle), kit: faceText(kit) });
  const pairs: PinPair[] = [];
  const places = [...vehicle.pins, ...kit.pins].map((pin) => `${pin.row}/${pin.column}`);
  for (const place of [...new Set(places)].sort()) {
    const at = (face: PlugFace) => face.pins.find((pin) => `${pin.row}/${pin.column}` === place);
    const [own, other] = [at(vehicle), at(kit)];
    const gives = own?.carries ?? 'empty';
    const wants = other?.carries ?? 'empty';
    pairs.push({
      row: (own ?? other)?.row ?? 1,
      column: (own ?? other)?.column ?? 1,
      vehiclePin: own?.id,
      kitPin: other?.id,
      vehicleCarries: own?.carries,
      kitWants: other?.carries,
      verdict: pinVerdict(gives, wants),
    });
  }
  const wrong = pairs.some((pair) => pair.verdict === 'swapped' || pair.verdict === 'nothing there');
  return { value: troubles.length > 0 ? 'does not mate' : wrong ? 'mates with pins wrong' : 'mates', pairs, troubles };
}

/** One wire of the vehicle against the lead of the kit that is joined to it: what it carries is what the lead wants, or it is not to be joined. */
export function mateWire(pin: PlugPin, lead: KitPlug | PlugFace): MateVerdict {
  const [wanted] = lead.pins;
  const verdict = pinVerdict(pin.carries, wanted?.carries ?? 'empty');
  const pair: PinPair = { row: 1, column: 1, vehiclePin: pin.id, kitPin: wanted?.id, vehicleCarries: pin.carries, kitWants: wanted?.carries, verdict };
  return { value: verdict === 'meets' ? 'mates' : 'mates with pins wrong', pairs: [pair], troubles: [] };
}

function pinVerdict(gives: string, wants: string): PinVerdict {
  if (wants === 'empty') return gives === 'empty' ? 'spare' : 'left over';
  if (gives === 'empty') return 'nothing there';
  return gives === wants ? 'meets' : 'swapped';
}
