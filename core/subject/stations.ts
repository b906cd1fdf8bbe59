/** The stations of a job, in the order of work. */
export const STATIONS = ['check-in', 'match', 'gather', 'open-up', 'wire', 'probe', 'sense', 'fit', 'close-up', 'aim', 'hand-over'] as const;
export type StationId = (typeof STATIONS)[number];
