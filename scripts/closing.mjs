/**
 * How to end what was started, the last first: once, however often it is asked for. Who asks again waits for the same end, so that
 * a second Ctrl-C does not leave a part running.
 */
export function closer(parts) {
  let closing;
  return () => (closing ??= endAll(parts));
}

async function endAll(parts) {
  for (const part of [...parts].reverse()) await part.stop();
}
