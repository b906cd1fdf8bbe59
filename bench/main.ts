import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { readDocument, type Documents } from '@jade/contract/documents';
import type { JobDocuments } from '@jade/core/job';
import type { LoggedEvent } from '@jade/core/events';
import { benchPlans } from './access/plan.ts';
import { benchTangled } from './access/tangled.ts';
import { captureReport } from './capture/report.ts';
import { benchStanding } from './job/standing.ts';
import { benchAppend } from './log/append.ts';
import { benchMixed } from './load/mixed.ts';
import { benchFold } from './log/fold.ts';
import { compare, type Line } from './measure.ts';
import { benchPhotos } from './photos/photos.ts';
import { benchFirstView } from './view/first.ts';
import { benchSheet } from './view/sheet.ts';
import { benchTap } from './view/tap.ts';
import { benchProbing, simulatePlugs } from './probing/plugs.ts';
import { benchWire } from './wire/search.ts';

const [address = '', databaseUrl = '', root = '.', only = ''] = process.argv.slice(2);

function demo<K extends keyof Documents>(kind: K, file: string): Documents[K] {
  const entry = readDocument(JSON.parse(readFileSync(join(root, 'demo', file), 'utf8')));
  if (entry.kind !== kind) throw new Error(`${file} is no ${kind}`);
  return entry.document as Documents[K];
}

/** Log and documents of a van's job as the server shows them. */
async function vanJob(from: string): Promise<[LoggedEvent[], JobDocuments]> {
  const answer = await fetch(`${from}/api/jobs/hill-road-07`);
  const { events, profile, kits, rules, vehicle, newKit, taken } = (await answer.json()) as JobDocuments & { events: LoggedEvent[]; vehicle: { year: number | null } };
  return [events, { profile, kits, rules, year: vehicle.year ?? undefined, newKit, taken }];
}

const MIXED = '## Two hundred requests a second';

/** Writes a section of the figures anew, behind those that the whole run makes. */
function keepSection(heading: string, text: string): void {
  const file = join(root, 'docs/benchmarks.md');
  const old = existsSync(file) ? readFileSync(file, 'utf8') : '';
  const at = old.indexOf(`${heading}\n`);
  const next = at < 0 ? -1 : old.indexOf('\n## ', at + 1);
  const before = at < 0 ? `${old.trimEnd()}\n\n` : old.slice(0, at);
  writeFileSync(file, `${before}${heading}\n\n${text.trim()}\n${next < 0 ? '' : old.slice(next)}`);
}

if (only === 'load') {
  const measured = await benchMixed(address);
  const ms = (value: number) => `${value.toFixed(1)} ms`;
  const rows = measured.flat().map(({ name, count, medianMs, p95Ms, p99Ms }) => `| ${name} | ${count} | ${ms(medianMs)} | ${ms(p95Ms)} | ${ms(p99Ms)} |`);
  const text = `Made by \`npm run bench -- load\` on ${cpus().length} cores, 60 open jobs, server, database and the client that asks on the same machine; each request
begun at its time, whether or not those before it were answered, beside an empty route at the same rate. Nothing is packed on the way to the machine itself; packing for another device is work for a second core.

| what | requests | median | 95 of 100 within | 99 of 100 within |
| --- | --- | --- | --- | --- |
${rows.join('\n')}
`;
  keepSection(MIXED, text);
  process.stdout.write(text);
  process.exit(0);
}

const WIRE = '## Plugs, paths and legs';

async function keepWire(): Promise<string> {
  const rows = (await benchWire()).map(({ what, ours, against, other, ratio }) => `| ${what} | ${ours} | ${against}: ${other} | ${ratio} |`);
  const text = `Made by \`npm run bench -- wire\` on ${cpus().length} cores; each finds the same answer as what it is held against. Median with lowest and highest.

| what | ours | against | ratio |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
  keepSection(WIRE, text);
  return text;
}

if (only === 'wire') {
  process.stdout.write(await keepWire());
  process.exit(0);
}

const SHEET = '## The vehicle sheet';

if (only === 'sheet') {
  const rows = (await benchSheet(demo('vehicle', 'vehicles/wexholm-bollard-35.json'))).map(
    ({ what, ours, against, other, ratio }) => `| ${what} | ${ours} | ${against}: ${other} | ${ratio} |`,
  );
  const text = `Made by \`npm run bench -- sheet\` on ${cpus().length} cores; a sheet is to be drawn within 16 ms. Median with lowest and highest.

| what | ours | against | ratio |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
  keepSection(SHEET, text);
  process.stdout.write(text);
  process.exit(0);
}

const PHOTOS = '## Photos';

if (only === 'photos') {
  const rows = (await benchPhotos(address)).map(({ what, ours, against, other, ratio }) => `| ${what} | ${ours} | ${against}: ${other} | ${ratio} |`);
  const text = `Made by \`npm run bench -- photos\` on ${cpus().length} cores, with the browsers and the server on the same machine. A photo of 60 million points is to be ready within 3 s, one
that waited is to be on the desk within 2 s of the server being there again, and photos are not to slow the opening of a job. Median with lowest and highest.

| what | ours | against | ratio |
| --- | --- | --- | --- |
${rows.join('\n')}
`;
  keepSection(PHOTOS, text);
  process.stdout.write(text);
  process.exit(0);
}

if (only === 'capture') {
  const text = await captureReport();
  keepSection('## What the logs of a kind of vehicle teach', text);
  process.stdout.write(text);
  process.exit(0);
}

const PROBING = '## Which pin is which';
const DRAWN = 1000;

if (only === 'probing') {
  const rows = (await benchProbing()).map(({ what, ours, against, other, ratio }) => `| ${what} | ${ours} | ${against}: ${other} | ${ratio} |`);
  const { plugs, medianOurs, medianOrder, most, settledOurs, settledOrder, proved, wrong } = simulatePlugs(DRAWN);
  const text = `Made by \`npm run bench -- probing\` on ${cpus().length} cores. Median with lowest and highest.

| what | ours | against | ratio |
| --- | --- | --- | --- |
${rows.join('\n')}

${plugs} drawn plugs of 6 to 8 pins, one reading in a hundred wrong, one pin with a leak; two or three lamps wanted, the same rule of proof for both:

| | by what is worth most | each pin in each state in turn |
| --- | --- | --- |
| readings, median | ${medianOurs} (most ${most}) | ${medianOrder} |
| settled | ${settledOurs} | ${settledOrder} |
| share of the readings | ${((medianOurs / medianOrder) * 100).toFixed(0)} % | |
| proved wrongly | ${wrong} of ${proved} | |
`;
  keepSection(PROBING, text);
  process.stdout.write(text);
  process.exit(0);
}

const SLOWED = 4;
const views = only === 'tap' ? [] : await benchFirstView(address);
const tap = await benchTap(address);
const slow = await benchTap(address, SLOWED);
const taps = [
  compare('A tap on Done at Open up, to the next step drawn', tap.next, 'a tap that counts one fastener up', tap.count),
  compare(`The same with the processor slowed ${SLOWED} times`, slow.next, 'a tap that counts one fastener up', slow.count),
];
if (only === 'tap') {
  for (const { what, ours, other, ratio } of taps) process.stdout.write(`${what}: ${ours}; counting up ${other}; ${ratio}\n`);
  process.exit(0);
}
// The log as the demo has it, before events are appended to it.
const van = await vanJob(address);
const lines: Line[] = [
  await benchAppend(address, databaseUrl),
  await benchFold(),
  await benchStanding(...van),
  ...(await benchPlans(demo('vehicle', 'vehicles/wexholm-bollard-35.json'), demo('kit', 'kits/cairn-fen-pair.json'), demo('rules', 'rules.json'))),
  ...(await benchTangled()),
  ...views.map((view) => compare(`First usable view of ${view.place}, fresh browser`, view.usable, 'the health route in the same browser', view.empty)),
  ...taps,
];
const table = lines.map((line) => `| ${line.what} | ${line.ours} | ${line.against} | ${line.other} | ${line.ratio} |`);
const sizes = views.map((view) => `| ${view.place} | ${view.scriptKb.toFixed(0)} kB | ${view.fontKb.toFixed(0)} kB |`);
const text = `# Benchmarks

Made by \`npm run bench\` on ${cpus().length} cores (${cpus()[0]?.model.trim() ?? 'unknown'}), Node ${process.version}. Median with lowest and highest; the ratio is ours over the
other, both in the same run. Nothing here is asserted in a test.

| what | ours | against | other | ratio |
| --- | --- | --- | --- | --- |
${table.join('\n')}

What the first view loads, packed as it comes over the wire:

| view | scripts | fonts |
| --- | --- | --- |
${sizes.join('\n')}
`;
const place = join(root, 'docs/benchmarks.md');
const [, mutants] = existsSync(place) ? readFileSync(place, 'utf8').split('\n## Mutants\n') : [];
writeFileSync(place, mutants === undefined ? text : `${text}\n## Mutants\n${mutants}`);
process.stdout.write(text);
