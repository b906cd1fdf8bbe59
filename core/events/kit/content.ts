import { RECORDED, type Definition } from '../definition.ts';
import { within } from '../keep.ts';

export interface ContentCounted {
  kit: string;
  item: string;
  count: number;
}

export const contentCounted: Definition<ContentCounted> = {
  ...RECORDED,
  says: ({ kit, item, count }) => [`${kit}/${item}`, `${count}`],
  opposite: null,
  does: (state, { kit, item, count }) => void (within(state.counts, kit)[item] = count),
  names: ({ kit, item }, { inKit, kitOf }) => inKit({ kit, item }, { item: kitOf(kit)?.contents }),
};
