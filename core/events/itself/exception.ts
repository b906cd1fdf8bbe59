import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

export interface ExceptionNamed {
  about: string;
  note: string;
}

export const exceptionNamed: Definition<ExceptionNamed> = {
  ...RECORDED,
  opposite: null,
  does: (state, { about, note }) => void (state.exceptions[about] = note),
  names: nothingNamed,
};
