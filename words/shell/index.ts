/** Light for the counter, dark for the bay. */
export const LIGHT = { toBay: 'Dark, for the bay', toCounter: 'Light, for the counter' } as const;

/** Around every station. */
export const FRAME = {
  open: (count: number) => `${count} open here`,
  settled: 'Settled here',
  except: 'Leave open, with a reason',
  agreed: 'What was agreed, and with whom',
  recordException: 'Leave it open',
  takeOver: 'Take them over',
  planFailed: 'The way in could not be worked out: that is a fault of this program, not of yours. What is recorded is kept; load the page anew, or go on without the plan.',
  planInPage: 'The planner did not start beside this page: ways in are worked out in the page itself, which may answer slowly meanwhile. Load it anew when you can.',
  anew: 'Load it anew',
  goOn: 'Go on so',
  lost: (ids: readonly string[]) => `No longer in the documents taken over: ${ids.join(', ')}.`,
  toCloseUp: 'Go to Close up',
} as const;

/** Documents of which a newer version is published. */
export const sayNewer = (newer: readonly { slug: string; version: number }[]): string =>
  `Newer: ${newer.map(({ slug, version }) => `${slug.replaceAll('-', ' ')} version ${version}`).join(', ')}. This job goes on with its own until you take them over.`;

export * from './views.ts';
