/** Median, lowest and highest of repeated runs, in milliseconds. */
export interface Timing {
  medianMs: number;
  leastMs: number;
  mostMs: number;
}

/** Median, lowest and highest of some times. */
export function summarise(times: number[]): Timing {
  const sorted = [...times].sort((a, b) => a - b);
  return { medianMs: sorted[Math.floor(sorted.length / 2)] ?? 0, leastMs: sorted[0] ?? 0, mostMs: sorted.at(-1) ?? 0 };
}

/** Times a piece of work so many times, after a few runs to warm up. */
export async function time(runs: number, work: (run: number) => unknown, warm = 3): Promise<Timing> {
  for (let run = 0; run < warm; run++) await work(-1 - run);
  const times: number[] = [];
  for (let run = 0; run < runs; run++) {
    const start = performance.now();
    await work(run);
    times.push(performance.now() - start);
  }
  return summarise(times);
}

/** One line of the report: ours against something that does the same work. */
export interface Line {
  what: string;
  ours: string;
  against: string;
  other: string;
  ratio: string;
}

export function compare(what: string, ours: Timing, against: string, other: Timing): Line {
  const text = ({ medianMs, leastMs, mostMs }: Timing) => `${medianMs.toFixed(2)} ms (${leastMs.toFixed(2)} to ${mostMs.toFixed(2)})`;
  return { what, ours: text(ours), against, other: text(other), ratio: (ours.medianMs / other.medianMs).toFixed(2) };
}
