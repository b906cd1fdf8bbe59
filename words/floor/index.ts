/** What leads between one step at a time and the whole of a station. */
export const FLOOR = {
  on: 'Floor mode',
  off: 'The whole station',
  others: 'Another step',
  where: 'Where this step is',
} as const;

/** What comes after the step that is shown. */
export const sayThen = (next: string | undefined, end: string): string => (next === undefined ? `Then ${end}.` : `Then: ${next}.`);
