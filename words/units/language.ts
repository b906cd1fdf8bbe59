/** The language in which numbers, dates and times are written. */
export const LANGUAGE = 'en-GB';
