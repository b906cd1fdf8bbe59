import { LEARNED, type Definition } from '../definition.ts';
import { within } from '../keep.ts';

export interface OptionChosen {
  kit: string;
  option: string;
  choice: string;
}

export const optionChosen: Definition<OptionChosen> = {
  ...LEARNED,
  says: ({ kit, option, choice }) => [`${kit}/${option}`, choice],
  opposite: 'itself',
  does: (state, { kit, option, choice }) => void (within(state.options, kit)[option] = choice),
  names: ({ kit, option, choice }, { kitOf, among, inKit }) => {
    const known = kitOf(kit)?.options.find((entry) => entry.id === option);
    return known ? among(known.choices, choice, 'choice', 'choice') : inKit({ kit, option }, { option: kitOf(kit)?.options });
  },
};
