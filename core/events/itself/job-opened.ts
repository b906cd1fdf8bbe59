import { LEARNED, nothingNamed, type Definition } from '../definition.ts';
import { within } from '../keep.ts';
import type { Opened } from '../values.ts';

export const jobOpened: Definition<Opened> = {
  ...LEARNED,
  stays: true,
  by: 'server',
  opposite: null,
  does: (state, payload, event) => {
    if (state.opened) state.questions.push({ code: 'second-opening', event: event.id });
    else {
      state.opened = payload;
      state.openedYear = Number(event.at.slice(0, 4));
      const { promisedAt, bay, wish, fitted = [] } = payload;
      // Logs of before say no choices with them.
      for (const { slug, options = [] } of fitted) for (const { option, choice } of options) within(state.options, slug)[option] = choice;
      if (promisedAt !== undefined) state.promise = { at: promisedAt };
      if (bay !== undefined) state.bay = { bay };
      if (wish !== undefined) state.wish = wish;
    }
  },
  names: nothingNamed,
};
