const WAITS_MS = [500, 1000, 2000, 4000];

export interface Following {
  /** The address to ask, also each time the line was lost: where it says from which place on, that place is the one of then. */
  address: () => string;
  /** What is told, by the name of the event. */
  told: Record<string, (data: unknown) => void>;
  /** The line is open; `again` where it was open or asked for before. */
  opened: (again: boolean) => void;
  lost?: () => void;
}

/** Follows a stream of the server until it is stopped, which is what is given back. A line that broke is taken up again by the browser; one that was refused, by us, after growing waits. */
export function follow({ address, told, opened, lost }: Following): () => void {
  let source: EventSource;
  let waiting: ReturnType<typeof setTimeout> | undefined;
  let losses = 0;
  let stopped = false;

  function open(): void {
    source = new EventSource(address());
    source.onopen = () => {
      opened(losses > 0);
      losses = 0;
    };
    source.onerror = () => {
      losses++;
      lost?.();
      if (stopped || source.readyState !== EventSource.CLOSED) return;
      waiting = setTimeout(open, WAITS_MS[Math.min(losses, WAITS_MS.length) - 1]);
    };
    for (const [name, hear] of Object.entries(told)) source.addEventListener(name, (message) => hear(JSON.parse(message.data as string)));
  }

  open();
  return () => {
    stopped = true;
    clearTimeout(waiting);
    source.close();
  };
}
