import type { ServerResponse } from 'node:http';
import type { LoggedEvent } from '@jade/core/job';

/** Open live streams by job. */
export class Streams {
  private readonly open = new Map<string, Set<ServerResponse>>();

  add(job: string, response: ServerResponse): void {
    const set = this.open.get(job) ?? new Set();
    this.open.set(job, set.add(response));
    response.on('close', () => {
      set.delete(response);
      if (set.size === 0) this.open.delete(job);
    });
  }

  /** Tells every browser of the job what was appended. */
  send(job: string, events: readonly LoggedEvent[]): void {
    if (events.length === 0) return;
    const text = `id: ${events.at(-1)?.seq ?? 0}\nevent: appended\ndata: ${JSON.stringify(events)}\n\n`;
    for (const response of this.open.get(job) ?? []) response.write(text);
  }

  /** Keeps connections alive through idle times. */
  ping(): void {
    for (const set of this.open.values()) for (const response of set) response.write(': still here\n\n');
  }

  closeAll(): void {
    for (const set of this.open.values()) for (const response of set) response.end();
  }
}
