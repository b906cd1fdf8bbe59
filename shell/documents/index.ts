import { readFile } from 'node:fs/promises';
import { sayFaults } from '@jade/words/faults';
import type { Fault } from '@jade/core/faults';

/** Formats in the order in which one rests on the other, whatever their version. */
const ORDER = ['jade-rule-set', 'jade-plugs', 'jade-vehicle-profile', 'jade-kit', 'jade-shop'];

interface Answer {
  kind: string;
  slug: string;
  version: number;
  stored: boolean;
  faults?: Fault[];
  /** What rested on the version before and no longer stands. */
  losses?: Fault[] | boolean;
}

function orderOf(format: unknown): number {
  const place = ORDER.indexOf(String(format).split('/')[0] ?? '');
  return place < 0 ? ORDER.length : place;
}

async function cookieFor(server: string): Promise<string | undefined> {
  const people = (await (await fetch(`${server}/api/people`)).json()) as { id: string; role: string }[];
  const person = people.find((entry) => entry.role === 'lead') ?? people[0];
  if (!person) return undefined;
  const answer = await fetch(`${server}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ person: person.id, device: 'shell' }),
  });
  return answer.headers.get('set-cookie')?.split(';')[0];
}

async function readFiles(files: readonly string[]): Promise<{ file: string; value: unknown }[] | undefined> {
  const read = [];
  for (const file of files) {
    try {
      read.push({ file, value: JSON.parse(await readFile(file, 'utf8')) as unknown });
    } catch (error) {
      process.stderr.write(`${file}: ${(error as Error).message}\n`);
      return undefined;
    }
  }
  const format = (entry: { value: unknown }) => (typeof entry.value === 'object' && entry.value !== null ? (entry.value as { format?: unknown }).format : undefined);
  return read.sort((a, b) => orderOf(format(a)) - orderOf(format(b)));
}

/** `jade import FILE…`: sends documents to the running server, rule sets, plugs and profiles before what rests on them. */
export async function importFiles(server: string, files: readonly string[], acceptLosses = false): Promise<number> {
  const read = await readFiles(files);
  if (!read || read.length === 0) return 2;
  let failed = 0;
  for (const { file, value } of read) {
    const cookie = await cookieFor(server);
    const answer = await fetch(`${server}/api/documents${acceptLosses ? '?losses=accepted' : ''}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', ...(cookie ? { cookie } : {}) },
      body: JSON.stringify(value),
    });
    const result = (await answer.json()) as Answer;
    if (answer.ok) {
      process.stdout.write(`${file}: ${result.kind} ${result.slug}, version ${result.version}${result.stored ? '' : ', nothing new'}\n`);
      if (Array.isArray(result.losses) && result.losses.length > 0) process.stdout.write(`No longer stands:\n${sayFaults(result.losses)}\n`);
    } else {
      failed++;
      process.stderr.write(`${file} was not taken:\n${sayFaults(result.faults ?? [])}\n`);
      if (result.losses === true) process.stderr.write('Take it in all the same with --accept-losses.\n');
    }
  }
  return failed > 0 ? 2 : 0;
}

/** `jade export KIND SLUG`: prints a document as it was imported. */
export async function exportDocument(server: string, kind: string, slug: string): Promise<number> {
  const answer = await fetch(`${server}/api/documents/${encodeURIComponent(kind)}/${encodeURIComponent(slug)}/export`);
  const body = (await answer.json()) as { faults?: Fault[] };
  if (!answer.ok) {
    process.stderr.write(`${sayFaults(body.faults ?? [])}\n`);
    return 2;
  }
  process.stdout.write(`${JSON.stringify(body, null, 2)}\n`);
  return 0;
}
