import type { ServerResponse } from 'node:http';
import type { FastifyReply } from 'fastify';

/** Whether whoever follows may still be told. */
export type StillIn = () => Promise<boolean>;

export interface OpenStream {
  response: ServerResponse;
  stillIn: StillIn;
}

/** Takes an answer out of the server's hands: it stays open and is written to while something happens. */
export function openStream(reply: FastifyReply): void {
  reply.hijack();
  reply.raw.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive', 'x-content-type-options': 'nosniff' });
  // Browsers wait three seconds of themselves before they take up a line that broke.
  reply.raw.write('retry: 1000\n\n');
}

/** Ends the streams of those who are not let in any more, and says to the others that it is still here. */
export async function pingAll(open: Iterable<OpenStream>): Promise<void> {
  await Promise.all(
    [...open].map(async ({ response, stillIn }) => {
      if (await stillIn().catch(() => true)) response.write(': still here\n\n');
      else response.end();
    }),
  );
}

/** How often it is looked whether another server, or a request that was cut off, changed something. */
const LOOK_MS = 400;
const LONGEST_LOOK_MS = 5000;

/** Looks over and over, with longer waits while the database is away, until it is told to stop. */
export function lookOften(look: () => Promise<unknown>): () => void {
  let stopped = false;
  void (async () => {
    for (let waitMs = LOOK_MS; !stopped;) {
      await new Promise((settle) => setTimeout(settle, waitMs).unref());
      if (stopped) return;
      try {
        await look();
        waitMs = LOOK_MS;
      } catch {
        waitMs = Math.min(waitMs * 2, LONGEST_LOOK_MS);
      }
    }
  })();
  return () => void (stopped = true);
}
