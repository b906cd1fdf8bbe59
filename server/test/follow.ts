/** Follows a stream of the server: gives what it tells, one message at a time with its id, and how to stop. */
export async function follow<T>(url: string): Promise<{ answer: Response; next: () => Promise<T & { id: string }>; stop: () => void }> {
  const stop = new AbortController();
  const answer = await fetch(url, { signal: stop.signal });
  const reader = answer.body?.getReader();
  let text = '';
  const next = async (): Promise<T & { id: string }> => {
    for (;;) {
      const end = text.indexOf('\n\n');
      if (end >= 0) {
        const message = text.slice(0, end);
        text = text.slice(end + 2);
        const data = /^data: (.*)$/m.exec(message)?.[1];
        if (data) return { id: /^id: (.*)$/m.exec(message)?.[1] ?? '', ...(JSON.parse(data) as T) };
        continue;
      }
      const { value, done } = (await reader?.read()) ?? { value: undefined, done: true };
      if (done) throw new Error('the stream ended');
      text += new TextDecoder().decode(value);
    }
  };
  return { answer, next, stop: () => stop.abort() };
}
