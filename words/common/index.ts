/** What many views say alike. */
export const COMMON = {
  tryAgain: 'Try again',
  record: 'Record it',
  reading: 'Reading…',
  looking: 'Looking…',
  putAway: 'Put it away',
  noColour: 'no colour noted',
  sealedAgain: 'Sealed again',
  answered: (status: number) => `The server answered ${status}.`,
  serverAway: 'The server is away: try again.',
  keptHere: 'The server is away: what you wrote stays here, try again.',
  away: (what: string) => `${what} cannot be read: the server is away.`,
} as const;
