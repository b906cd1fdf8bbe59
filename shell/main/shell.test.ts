import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const root = join(import.meta.dirname, '../..');
const example = (name: string) => readFileSync(join(root, `docs/formats/examples/${name}.json`), 'utf8');

interface Ran {
  code: number | null;
  out: string;
  err: string;
}

/** Runs the built shell program, as `npm run -s jade` and `npm run -s compute` do. */
function shell(args: string[], input = '', port = 49151): Promise<Ran> {
  const child = spawn(process.execPath, [join(root, 'dist/programs/shell.js'), ...args], { env: { ...process.env, JADE_PORT: String(port) } });
  const ran: Ran = { code: null, out: '', err: '' };
  child.stdout.on('data', (text) => (ran.out += String(text)));
  child.stderr.on('data', (text) => (ran.err += String(text)));
  child.stdin.end(input);
  return new Promise((settle) => child.on('close', (code) => settle({ ...ran, code })));
}

test('compute --list names every calculation with what it does', async () => {
  const { code, out } = await shell(['compute', '--list']);
  expect(code).toBe(0);
  expect(out).toMatch(/^access-plan +The least-labour way in/m);
  expect(out.trim().split('\n')).toHaveLength(27);
});

test('compute prints the result as JSON', async () => {
  const { code, out } = await shell(['compute', 'wire-drop'], example('compute-voltage-drop'));
  expect(code).toBe(0);
  expect(JSON.parse(out)).toMatchObject({ resistanceOhm: expect.closeTo(0.09654, 5) });
});

test.each([
  ['broken JSON', ['compute', 'wire-drop'], '{"currentA": ', /^\(input\) is not JSON/],
  ['another unit', ['compute', 'sensor-error'], '{"angleRad": 1, "rangeM": 100}', /^angleRad is in another unit; write it as angleDeg/],
  ['an unknown name', ['compute', 'tea'], '{}', /^name “tea” is not known; known are access-plan/],
  ['a missing field', ['compute', 'sensor-error'], '{"angleDeg": 1}', /^rangeM is missing/],
])('%s ends with 2 and says the path', async (_, args, input, said) => {
  const { code, out, err } = await shell(args, input);
  expect([code, out]).toEqual([2, '']);
  expect(err).toMatch(said);
});

test('without a command its use is said', async () => {
  expect(await shell([])).toMatchObject({ code: 2, err: expect.stringContaining('jade import FILE…') });
  expect(await shell(['jade', 'import'])).toMatchObject({ code: 2 });
});

test('a shop that does not answer is said with the command that starts it', async () => {
  const { code, err } = await shell(['jade', 'export', 'kit', 'cairn-fen-pair']);
  expect([code, err]).toEqual([1, 'The shop does not answer. Start it with: npm run demo\n']);
});

describe('with a shop that answers', () => {
  let server: Server;
  const taken: { format: string }[] = [];
  beforeAll(async () => {
    server = createServer((request, reply) => {
      const parts: Buffer[] = [];
      request.on('data', (part: Buffer) => parts.push(part));
      request.on('end', () => {
        reply.setHeader('content-type', 'application/json');
        if (request.url === '/api/people') return reply.end('[{"id":"slate","role":"lead"}]');
        if (request.url === '/api/session') return reply.setHeader('set-cookie', 'jade_session=x; Path=/').end('{}');
        if (request.url?.startsWith('/api/documents') && request.method === 'POST') {
          const document = JSON.parse(Buffer.concat(parts).toString()) as { format: string; slug?: string };
          const lost = [{ path: 'jobs.one.events[3].payload.gap', code: 'unknown-id', data: { id: 'wing', what: 'gap' } }];
          if (document.slug === 'less' && request.url !== '/api/documents?losses=accepted') {
            reply.statusCode = 409;
            return reply.end(JSON.stringify({ faults: lost, losses: true }));
          }
          if (document.slug === 'less') return reply.end(JSON.stringify({ kind: 'kit', slug: 'less', version: 2, stored: true, losses: lost }));
          taken.push(document);
          if (document.slug) return reply.end(JSON.stringify({ kind: 'kit', slug: document.slug, version: 1, stored: request.headers.cookie === 'jade_session=x' }));
          reply.statusCode = 422;
          return reply.end(JSON.stringify({ faults: [{ path: 'slug', code: 'missing', data: {} }] }));
        }
        if (request.url === '/api/documents/kit/fen/export') return reply.end('{"slug":"fen"}');
        reply.statusCode = 404;
        return reply.end(JSON.stringify({ faults: [{ path: 'kit', code: 'unknown-id', data: { id: 'x', what: 'kit' } }] }));
      });
    });
    await new Promise<void>((settle) => server.listen(0, '127.0.0.1', settle));
  });
  afterAll(() => server.close());
  const port = () => (server.address() as AddressInfo).port;
  const folder = mkdtempSync(join(tmpdir(), 'jade-shell-'));
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const file = (name: string, value: unknown) => {
    const path = join(folder, name);
    writeFileSync(path, JSON.stringify(value));
    return path;
  };

  test('rules and vehicles go in before kits and shops, whatever order they are named in', async () => {
    const files = [
      file('shop.json', { format: 'jade-shop/1', slug: 's' }),
      file('kit.json', { format: 'jade-kit/1', slug: 'k' }),
      file('van.json', { format: 'jade-vehicle-profile/1', slug: 'v' }),
    ];
    const { code, out } = await shell(['jade', 'import', ...files], '', port());
    expect([code, taken.map((document) => document.format)]).toEqual([0, ['jade-vehicle-profile/1', 'jade-kit/1', 'jade-shop/1']]);
    expect(out).toContain('kit k, version 1\n');
  });

  test('a document that is not taken is named with its faults, the others are taken, the end is 2', async () => {
    const { code, out, err } = await shell(['jade', 'import', file('bad.json', { format: 'jade-kit/1' }), file('good.json', { format: 'jade-kit/1', slug: 'k' })], '', port());
    expect(code).toBe(2);
    expect(err).toContain('bad.json was not taken:\nslug is missing');
    expect(out).toContain('good.json: kit k, version 1');
  });

  test('what the shop would lose by a document is named, and it is taken in where that is accepted', async () => {
    const less = file('less.json', { format: 'jade-kit/1', slug: 'less' });
    const refused = await shell(['jade', 'import', less], '', port());
    expect(refused).toMatchObject({ code: 2, err: expect.stringContaining('jobs.one.events[3].payload.gap no gap is called “wing”') });
    expect(refused.err).toContain('--accept-losses');
    const accepted = await shell(['jade', 'import', '--accept-losses', less], '', port());
    expect([accepted.code, accepted.out]).toEqual([0, `${less}: kit less, version 2\nNo longer stands:\njobs.one.events[3].payload.gap no gap is called “wing”\n`]);
  });

  test('a file that is not there or not JSON sends nothing', async () => {
    const before = taken.length;
    expect(await shell(['jade', 'import', join(folder, 'nothing.json')], '', port())).toMatchObject({ code: 2, err: expect.stringContaining('nothing.json') });
    expect(taken.length).toBe(before);
  });

  test('export prints the document, or says what is not there', async () => {
    expect(await shell(['jade', 'export', 'kit', 'fen'], '', port())).toMatchObject({ code: 0, out: '{\n  "slug": "fen"\n}\n' });
    expect(await shell(['jade', 'export', 'kit', 'x'], '', port())).toMatchObject({ code: 2, err: 'No kit is called “x”\n' });
  });
});
