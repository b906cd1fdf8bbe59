/** What the kits light, tried once more with everything closed. */
export const NEW_LAMPS = {
  title: 'What the kit lights, everything closed',
  why: 'What lit while it was open can be pinched or off its plug since. Each once more, both sides.',
  works: 'It works',
  fails: 'It does not',
} as const;

export const sayTriedClosed = (passed: boolean): string => (passed ? 'works' : 'does not work');
/** The tap that says that what was not written down one by one was tried and works. */
export const sayOthersWork = (open: number, of: number): string => (open === of ? `Tried: all ${of} light as they should` : `Tried: the other ${open} light as they should`);

/** The tap that says that factory lamps that were not written down one by one were tried and are as they came. */
export const sayAsOnArrival = (open: number, of: number): string => `Tried: ${open === of ? `all ${of}` : `the other ${open}`} are as on arrival`;
