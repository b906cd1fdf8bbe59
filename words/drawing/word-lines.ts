/** A name broken between words into at most two lines of so many signs; what is left over is cut with three dots. */
export function wordLines(text: string, most: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && `${last} ${word}`.length <= most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  const cut = (line: string) => (line.length > most ? `${line.slice(0, most - 1)}…` : line);
  const [first = '', second, ...rest] = lines;
  if (second === undefined) return [cut(first)];
  return [cut(first), rest.length === 0 ? cut(second) : `${cut(second).slice(0, most - 1)}…`];
}
