import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

export interface DamageNoted {
  place: string;
  note: string;
}

export const damageNoted: Definition<DamageNoted> = {
  ...RECORDED,
  work: 'arrival',
  opposite: null,
  does: (state, { place, note }, event) => void state.damage.push({ event: event.id, place, note }),
  names: nothingNamed,
};
