import { compute } from '../compute/index.ts';
import { exportDocument, importFiles } from '../documents/index.ts';
import { writeFormats } from '../formats/index.ts';

const USE = `jade import FILE…        take documents into the running shop; with --accept-losses also where kits or open jobs rest on what they no longer have
jade export KIND SLUG    print a document (kind: vehicle, kit, plugs, rules, shop)
compute NAME < input     run a calculation; --list names them
`;

const ACCEPT = '--accept-losses';

async function run([command, ...rest]: string[]): Promise<number> {
  const server = `http://127.0.0.1:${process.env.JADE_PORT ?? 4310}`;
  if (command === 'compute') return compute(rest[0]);
  if (command === 'formats' && rest[0]) return writeFormats(rest[0]);
  const [action, ...names] = rest;
  if (command === 'jade' && action === 'import' && names.length > 0)
    return importFiles(
      server,
      names.filter((name) => name !== ACCEPT),
      names.includes(ACCEPT),
    );
  if (command === 'jade' && action === 'export' && names[0] && names[1]) return exportDocument(server, names[0], names[1]);
  process.stderr.write(USE);
  return 2;
}

run(process.argv.slice(2)).then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    const cause = (error as { cause?: { code?: string } }).cause?.code;
    process.stderr.write(cause === 'ECONNREFUSED' ? 'The shop does not answer. Start it with: npm run demo\n' : `${String(error)}\n`);
    process.exitCode = 1;
  },
);
