import { jest } from '@jest/globals';
import { follow } from './index.ts';

/** A line to the server as the browser has it, in the hands of the test. */
class Line extends EventTarget {
  static readonly CLOSED = 2;
  static readonly opened: Line[] = [];
  readyState = 0;
  onopen?: () => void;
  onerror?: () => void;
  constructor(readonly url: string) {
    super();
    Line.opened.push(this);
  }
  close(): void {
    this.readyState = Line.CLOSED;
  }
  refuse(): void {
    this.readyState = Line.CLOSED;
    this.onerror?.();
  }
}

beforeEach(() => {
  jest.useFakeTimers();
  Line.opened.length = 0;
  Object.assign(globalThis, { EventSource: Line });
});
afterEach(() => jest.useRealTimers());
const last = () => Line.opened.at(-1) as Line;

function begin() {
  const said: string[] = [];
  let place = 3;
  const stop = follow({
    address: () => `/stream?since=${place}`,
    opened: (again) => said.push(again ? 'open again' : 'open'),
    lost: () => said.push('lost'),
    told: { appended: (data) => void (place = (data as { seq: number }).seq) },
  });
  return { said, stop };
}

test('what is told is read, and a line that was refused is asked for from there, after growing waits', () => {
  const { said } = begin();
  last().onopen?.();
  last().dispatchEvent(new MessageEvent('appended', { data: '{"seq":7}' }));
  last().refuse();
  const at: number[] = [];
  for (let ms = 0; ms < 12_000; ms += 100) {
    const before = Line.opened.length;
    jest.advanceTimersByTime(100);
    if (Line.opened.length === before) continue;
    at.push(ms + 100);
    if (at.length < 5) last().refuse();
  }
  // After 0.5, 1, 2, 4 and again 4 s.
  expect(at).toEqual([500, 1500, 3500, 7500, 11_500]);
  last().onopen?.();
  expect([Line.opened.map((line) => line.url).slice(0, 2), said]).toEqual([
    ['/stream?since=3', '/stream?since=7'],
    ['open', 'lost', 'lost', 'lost', 'lost', 'lost', 'open again'],
  ]);
});

test('a line that broke is left to the browser; one that was ended is not taken up again', () => {
  const { said, stop } = begin();
  last().onerror?.();
  jest.advanceTimersByTime(20_000);
  last().onopen?.();
  last().onopen?.();
  expect([Line.opened.length, said]).toEqual([1, ['lost', 'open again', 'open']]);
  last().refuse();
  stop();
  jest.advanceTimersByTime(20_000);
  expect(Line.opened.length).toBe(1);
});
