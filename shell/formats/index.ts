import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { COMPUTATIONS } from '@jade/contract/compute';
import { FORMATS } from '@jade/contract/documents';
import { PAYLOADS } from '@jade/contract/events';
import { Envelope } from '@jade/contract/job';
import { schemaOf } from '@jade/contract/schema';

function computeReference(): string {
  const sections = COMPUTATIONS.map(
    ({ name, aliases, summary, output }) =>
      `## ${name}\n\n${summary}${aliases.map((alias) => ` It answers to \`${alias}\` too.`).join('')}\n\nInput: [compute-${name}.schema.json](compute-${name}.schema.json), for example [examples/compute-${name}.json](examples/compute-${name}.json)\n\nOutput: ${output}\n`,
  );
  return `# Calculations\n\nEach runs as \`npm run -s compute -- NAME < input.json\` and as \`POST /api/compute/NAME\`. A fault in form ends with 2 (422 over HTTP) and the path of\neach fault; a fault in meaning that leaves something to say stands in \`problems\` beside the result. Units stand in the names.\n\n${sections.join('\n')}`;
}

/** Every file of `docs/formats` that is made from the contract, by name. */
export function formatFiles(): Map<string, string> {
  const files = new Map<string, string>();
  const add = (name: string, schema: object) => files.set(name, `${JSON.stringify(schema, null, 2)}\n`);
  for (const { of, format, file } of Object.values(FORMATS)) add(`${file}.schema.json`, schemaOf(of, format));
  add('event.schema.json', schemaOf(Envelope, 'jade-event/1'));
  for (const [type, of] of Object.entries(PAYLOADS)) add(`event-${type}.schema.json`, schemaOf(of, type));
  for (const { name, input } of COMPUTATIONS) add(`compute-${name}.schema.json`, schemaOf(input, `input of ${name}`));
  files.set('compute.md', computeReference());
  return files;
}

/** Writes the schemas and the reference of calculations to a folder. */
export async function writeFormats(folder: string): Promise<number> {
  await mkdir(folder, { recursive: true });
  for (const [name, text] of formatFiles()) await writeFile(join(folder, name), text);
  return 0;
}
