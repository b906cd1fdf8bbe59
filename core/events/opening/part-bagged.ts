import { RECORDED, type Definition } from '../definition.ts';

export interface PartBagged {
  piece: string;
  where: string;
}

export const partBagged: Definition<PartBagged> = {
  ...RECORDED,
  opposite: null,
  does: (state, { piece, where }) => void (state.bagged[piece] = where),
  names: ({ piece }, { inProfile }) => inProfile(piece),
};
