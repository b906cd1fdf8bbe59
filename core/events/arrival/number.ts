import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

export interface NumberRecorded {
  number: string;
}

export const numberRecorded: Definition<NumberRecorded> = {
  ...RECORDED,
  says: ({ number }) => ['', number],
  work: 'arrival',
  opposite: 'itself',
  does: (state, { number }) => void (state.number = number),
  names: nothingNamed,
};
