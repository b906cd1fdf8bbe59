export interface Part {
  stop: () => Promise<void>;
  gone: Promise<unknown>;
}
export function nextWait(last: number | undefined, ranMs: number): number;
export function supervise<T extends Part>(
  name: string,
  start: () => Promise<T>,
  onStart?: (part: T) => void,
  wait?: (ms: number) => Promise<unknown>,
): Promise<{ part: T; stop: () => Promise<void> }>;
