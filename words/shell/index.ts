/** Light for the counter, dark for the bay. */
export const LIGHT = { toBay: 'Dark, for the bay', toCounter: 'Light, for the counter' } as const;
