import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { foldJob } from '../index.ts';
import type { LoggedEvent } from '../../events/index.ts';

/** What a job is by its log, as eight characters: the same state in the same order, the same characters. */
export const shortHash = (value: unknown): string => createHash('sha256').update(JSON.stringify(value)).digest('hex').slice(0, 8);
export const stateHash = (log: readonly LoggedEvent[]): string => shortHash(foldJob(log));

/** How many generated logs are kept, and every how many of them is looked at where not all are asked for. */
export const GENERATED = 20_000;
export const EVERY = process.env.JADE_FOLDS === 'all' ? 1 : 20;

const file = (name: string) => join(import.meta.dirname, name);
/** Where the states of generated logs are kept, eight characters each by seed; and those of the robots and of the demo shop by name. */
export const GENERATED_FILE = file('states-generated.txt');
export const NAMED_FILE = file('states-named.txt');

export const keptGenerated = (): string[] => readFileSync(GENERATED_FILE, 'utf8').split(/\s+/).filter(Boolean);
export const keptNamed = (): Map<string, string> =>
  new Map(
    readFileSync(NAMED_FILE, 'utf8')
      .split('\n')
      .filter(Boolean)
      .map((line): [string, string] => [line.slice(9), line.slice(0, 8)]),
  );

const toWrite = process.env.JADE_FOLDS_WRITE === 'yes' ? new Map<string, string>() : undefined;

/** Holds what a log comes to against what is kept under its name. */
export function expectKept(name: string, log: readonly LoggedEvent[]): void {
  const now = stateHash(log);
  if (toWrite) writeFileSync(NAMED_FILE, [...toWrite.set(name, now)].map(([known, hash]) => `${hash} ${known}\n`).join(''));
  expect(`${name}: ${keptNamed().get(name)}`).toBe(`${name}: ${now}`);
}
