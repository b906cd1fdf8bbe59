import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

/** Height of the rule's reference point of a lamp, as measured on this vehicle. */
export interface AimReferenced {
  lamp: string;
  referenceMm: number;
}

export const aimReferenced: Definition<AimReferenced> = {
  ...RECORDED,
  says: ({ lamp, referenceMm }) => [lamp, referenceMm],
  opposite: null,
  does: (state, { lamp, referenceMm }) => void (state.references[lamp] = referenceMm),
  names: nothingNamed,
};
