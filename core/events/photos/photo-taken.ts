import { PAPERS, PHOTO_KINDS, photoSubject } from '../../photos/index.ts';
import type { Known } from '../known.ts';
import type { Fault } from '../../faults/index.ts';
import { ASIDE, type Definition } from '../definition.ts';

/** `hash` and `thumb`: SHA-256 of the picture and of the small one, which are sent by themselves; `about`: key of the subject that it shows. */
export interface PhotoTaken {
  hash: string;
  thumb: string;
  widthPx: number;
  heightPx: number;
  about: string;
}

/** Faults of what a photo shows: a kind of thing that cannot be photographed, or one that is not there. */
function picturedFaults({ about: key }: PhotoTaken, { profile, at, among, kitOf, fitmentOf, pinsOf, inProfile }: Known): Fault[] {
  const about = photoSubject(key);
  if (!about) return [{ path: at('about'), code: 'choice', data: { value: key, choices: PHOTO_KINDS.join(', ') } }];
  const one = (items: readonly { id: string }[] | undefined, id: string, what: string) => among(items, id, 'about', what);
  const ofKit = (kit: string, items: readonly { id: string }[] | undefined, id: string, what: string) => (kitOf(kit) ? one(items, id, what) : one([], kit, 'kit'));
  switch (about.kind) {
    case 'piece':
      return inProfile(about.piece).map((fault): Fault => ({ ...fault, path: at('about') }));
    case 'sensor':
      return one(profile.sensors, about.sensor, 'sensor');
    case 'face':
      return pinsOf(about.plug) ? [] : one([], about.plug, 'plug');
    case 'wire':
      return pinsOf(about.plug) ? one(pinsOf(about.plug), about.pin, 'pin') : one([], about.plug, 'plug');
    case 'joint':
      return ofKit(about.kit, fitmentOf(about.kit)?.connections, about.connection, 'connection');
    case 'paper':
      return ofKit(
        about.kit,
        PAPERS.map((id) => ({ id })),
        about.paper,
        'paper',
      );
    case 'leg':
      return ofKit(about.kit, kitOf(about.kit)?.legs, about.leg, 'leg');
    case 'fit':
      return ofKit(about.kit, fitmentOf(about.kit)?.fitSteps, about.step, 'step');
    case 'aim':
      return ofKit(about.kit, kitOf(about.kit)?.lamps, about.lamp, 'lamp');
    default:
      return [];
  }
}

export const photoTaken: Definition<PhotoTaken> = {
  ...ASIDE,
  afterSigning: true,
  ofFitted: true,
  opposite: null,
  does: (state, taken, { id, at, person }) => void (state.photos[id] = { event: id, at, ...(person === undefined ? {} : { by: person }), ...taken, onSheet: false }),
  names: picturedFaults,
};
