import type { Fault } from '@jade/core/faults';
import { COMMON } from '@jade/words/common';

/** What the server said no to, in its own words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly faults: (Fault & { message?: string })[],
    /** What the server said besides. */
    readonly more: Record<string, unknown> = {},
  ) {
    super(faults.map((fault) => fault.message ?? fault.path).join('\n') || COMMON.answered(status));
    this.name = 'Refused';
  }
}

/** Asks the server; throws `Refused` where it says no, and a plain network error where it cannot be reached. */
export async function ask<T>(path: string, body?: unknown): Promise<T> {
  const answer = await fetch(
    path,
    body === undefined ? { headers: { accept: 'application/json' } } : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) },
  );
  if (answer.status >= 502 && answer.status <= 504) throw new TypeError(`status ${answer.status}`);
  const result = (await answer.json()) as T & { faults?: Fault[] };
  if (!answer.ok && !(result as { answers?: unknown }).answers) throw new Refused(answer.status, result.faults ?? [], result as Record<string, unknown>);
  return result;
}
