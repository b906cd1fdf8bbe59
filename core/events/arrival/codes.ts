import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import type { Moment } from '../values.ts';

export interface CodeRecorded {
  moment: Moment;
  code: string;
  note?: string;
}

export const codeRecorded: Definition<CodeRecorded> = {
  ...RECORDED,
  opposite: null,
  does: (state, { moment, code, note }) => void state.codes[moment].push({ code, note }),
  names: nothingNamed,
};

export interface CodesRead {
  moment: Moment;
  count: number;
}

export const codesRead: Definition<CodesRead> = {
  ...RECORDED,
  says: ({ moment, count }) => [moment, `${count}`],
  opposite: null,
  does: (state, { moment, count }) => void (state.codesRead[moment] = count),
  names: nothingNamed,
};
