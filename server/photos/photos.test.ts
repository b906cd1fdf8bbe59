import { createHash } from 'node:crypto';
import type { RowDataPacket } from 'mysql2';
import type { EarlierPhoto } from '@jade/core/photos';
import { frame, HEAD, jpeg, RECORDS, SCAN } from '@jade/core/photos/test';
import { checkShop } from '../keeping/index.ts';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
}, 60_000);
afterAll(() => shop.close());

/** A picture like no other, with its hash. */
function picture(mark: number, widthPx = 1600, heightPx = 900, ...more: Parameters<typeof jpeg>) {
  const bytes = Buffer.from(jpeg(HEAD, ...more, [0xe2, [mark >> 8, mark & 0xff]], [0xc0, frame(widthPx, heightPx)], SCAN));
  return { bytes, hash: createHash('sha256').update(bytes).digest('hex') };
}
const put = (job: string, hash: string, payload: Buffer | string, part: object = {}) =>
  shop.app.inject({ method: 'PUT', url: `/api/jobs/${job}/photos/${hash}`, headers: { cookie: shop.cookie, 'content-type': 'image/jpeg' }, payload, ...part });
const get = (url: string) => shop.app.inject({ method: 'GET', url, headers: { cookie: shop.cookie } });
const append = (job: string, ...events: object[]) => shop.app.inject({ method: 'POST', url: `/api/jobs/${job}/events`, headers: { cookie: shop.cookie }, payload: { events } });
const taken = (hash: string, thumb: string, about: string, at = '2026-03-05T08:30:00Z') => ({ ...event('photo.taken', { hash, thumb, widthPx: 1600, heightPx: 900, about }), at });
/** Asks until what follows an append by itself is there. */
async function until<T>(ask: () => Promise<T>, holds: (value: T) => boolean): Promise<T> {
  for (let tries = 0; ; tries++) {
    const value = await ask();
    if (holds(value) || tries > 100) return value;
    await new Promise((settle) => setTimeout(settle, 50));
  }
}

test('a picture is kept once by its hash, given back byte for byte, for ever', async () => {
  const { bytes, hash } = picture(1);
  expect((await get(`/api/photos/${hash}`)).statusCode).toBe(404);
  const first = await put('hill-road-12', hash, bytes);
  expect([first.statusCode, first.json()]).toEqual([201, { kept: true }]);
  const again = await put('hill-road-12', hash, bytes);
  expect([again.statusCode, again.json()]).toEqual([200, { kept: false }]);
  expect((await put('hill-road-07', hash, bytes)).json()).toEqual({ kept: false });
  const answer = await get(`/api/photos/${hash}`);
  expect(answer.rawPayload.equals(bytes)).toBe(true);
  expect(answer.headers).toMatchObject({ 'content-type': 'image/jpeg', 'cache-control': expect.stringContaining('immutable') as string, 'x-content-type-options': 'nosniff' });
});

test('two devices that send the same at one time both hear that it is kept', async () => {
  const { bytes, hash } = picture(2);
  const answers = await Promise.all([put('hill-road-12', hash, bytes), put('hill-road-07', hash, bytes), put('hill-road-12', hash, bytes)]);
  expect(answers.map(({ statusCode }) => statusCode < 300)).toEqual([true, true, true]);
  expect((await get(`/api/photos/${hash}`)).statusCode).toBe(200);
});

test.each<[string, () => [string, Buffer | string], number, string]>([
  ['another hash than its own', () => [picture(3).hash, picture(4).bytes], 422, 'hash other-hash'],
  ['a text', () => [picture(3).hash, 'hello'], 422, 'photo type'],
  ['nothing', () => [picture(3).hash, ''], 422, 'photo type'],
  ['a longer edge', () => [picture(3, 900, 1601).hash, picture(3, 900, 1601).bytes], 422, 'photo too-large'],
  ['records of the camera', () => [picture(3, 9, 9, RECORDS).hash, picture(3, 9, 9, RECORDS).bytes], 422, 'photo camera-records'],
  ['too many bytes', () => [picture(3).hash, Buffer.alloc(2_000_001, 7)], 413, '(body) too-large'],
])('a picture of %s is refused with the path, and not kept', async (_, make, status, fault) => {
  const [hash, payload] = make();
  const answer = await put('hill-road-12', hash, payload);
  expect(answer.statusCode).toBe(status);
  expect(answer.json<{ faults: { path: string; code: string }[] }>().faults.map(({ path, code }) => `${path} ${code}`)).toEqual([fault]);
  expect((await get(`/api/photos/${hash}`)).statusCode).toBe(404);
});

test('a job that is not there takes no picture; nor does one that nobody is signed in for', async () => {
  const { bytes, hash } = picture(5);
  expect((await put('nothing', hash, bytes)).statusCode).toBe(404);
  expect((await put('hill-road-12', hash, bytes, { headers: { 'content-type': 'image/jpeg' } })).statusCode).toBe(401);
  expect((await put('hill-road-12', hash, bytes, { headers: { cookie: shop.cookie, 'content-type': 'application/json' } })).statusCode).toBe(201);
});

test('of the photos of a job it says which pictures have come', async () => {
  const [one, two, small] = [picture(6), picture(7), picture(8, 320, 180)];
  await append('hill-road-07', taken(one.hash, small.hash, 'piece:grille/off'), taken(two.hash, small.hash, 'arrival'));
  const kept = async () => (await get('/api/jobs/hill-road-07/photos')).json<{ kept: string[] }>().kept.sort();
  expect(await kept()).toEqual([]);
  await put('hill-road-07', small.hash, small.bytes);
  await put('hill-road-07', one.hash, one.bytes);
  expect(await kept()).toEqual([one.hash, small.hash].sort());
  expect((await get('/api/jobs/nothing/photos')).statusCode).toBe(404);
});

test('at the next vehicle of the kind the last three of a place are told of, with their ring and word, but none of what is of one vehicle alone', async () => {
  const small = picture(9, 320, 180);
  await put('hill-road-12', small.hash, small.bytes);
  const hashes = [10, 11, 12, 13, 14].map((mark) => picture(mark).hash);
  const [first = '', second = '', third = '', fourth = '', arrival = ''] = hashes;
  const at = (minute: number) => `2026-03-06T09:0${minute}:00+01:00`;
  const events = [
    taken(first, small.hash, 'piece:bonnet/open', at(1)),
    taken(second, small.hash, 'piece:grille/off', at(2)),
    taken(third, small.hash, 'piece:bonnet/open', at(3)),
    taken(fourth, small.hash, 'piece:bonnet/open', at(5)),
    taken(arrival, small.hash, 'arrival', at(4)),
    taken(picture(15).hash, small.hash, 'piece:bonnet/open', at(4)),
    // Its small picture has not come.
    taken(picture(16).hash, picture(17).hash, 'piece:bonnet/open', at(6)),
  ];
  const answer = await append('hill-road-12', ...events);
  expect(answer.json<{ answers: { status: string }[] }>().answers.map(({ status }) => status)).toEqual(events.map(() => 'stored'));
  await append(
    'hill-road-12',
    event('photo.marked', { photo: events[3]?.id, ring: { x: 250, y: 700, r: 60 } }),
    event('photo.captioned', { photo: events[3]?.id, note: 'Catch on the left' }),
  );
  const { profile } = (await get('/api/jobs/hill-road-12')).json<{ profile: { slug: string } }>();
  const earlier = async (but: string) =>
    (await get(`/api/photos/of/${profile.slug}?but=${but}`)).json<{ photos: EarlierPhoto[] }>().photos.filter(({ job }) => job === 'hill-road-12');
  const photos = await until(
    () => earlier('other'),
    (found) => found.some(({ note }) => note !== undefined),
  );
  // The one without its small picture is the newest of its place: the three before it are shown.
  expect(photos.map(({ hash }) => hash)).toEqual([fourth, picture(15).hash, third, second]);
  expect(photos[0]).toMatchObject({ plate: 'HR 12', note: 'Catch on the left', ring: { x: 250, y: 700, r: 60 }, by: 'fern' });
  expect(await earlier('hill-road-12')).toEqual([]);
  await append('hill-road-12', event('undone', { event: events[3]?.id }));
  const left = await until(
    () => earlier('other'),
    (found) => !found.some(({ hash }) => hash === fourth),
  );
  expect(left.map(({ hash }) => hash)).toEqual([picture(15).hash, third, second, first]);
});

test('papers are kept with their kit: page by page in their order, as the last job has each, on whatever vehicle it is fitted', async () => {
  const small = picture(30, 320, 180);
  await put('hill-road-12', small.hash, small.bytes);
  const page = (mark: number) => picture(mark).hash;
  const at = (minute: number) => `2026-03-07T09:${minute}:00+01:00`;
  const paper = (mark: number, kind: string, minute: number, thumb = small.hash) => taken(page(mark), thumb, `paper:cairn-fen-pair/${kind}`, at(minute));
  const events = [
    paper(31, 'fitting', 10),
    paper(33, 'fitting', 12),
    paper(32, 'fitting', 11),
    paper(34, 'fitting', 13),
    paper(35, 'wiring', 14),
    paper(36, 'fitting', 15, picture(37).hash),
  ];
  const answer = await append('hill-road-12', ...events);
  expect(answer.json<{ answers: { status: string }[] }>().answers.map(({ status }) => status)).toEqual(events.map(() => 'stored'));
  const pages = async (kits: string, but = 'other') => (await get(`/api/photos/papers?kits=${kits}&but=${but}`)).json<{ photos: EarlierPhoto[] }>().photos;
  const marks = (photos: readonly EarlierPhoto[]) =>
    photos.map(({ hash, about }) => [Number([31, 32, 33, 34, 35, 36, 38, 39].find((mark) => page(mark) === hash)), about.split('/')[1]]);
  const first = await until(
    () => pages('tarn-gantry-1100,cairn-fen-pair'),
    (found) => found.length >= 5,
  );
  // Four pages, more than are shown of any other place; the one whose small picture has not come is not told of.
  expect(marks(first)).toEqual([31, 32, 33, 34].map((mark) => [mark, 'fitting']).concat([[35, 'wiring']]));
  expect([await pages('tarn-gantry-1100'), await pages(''), await pages('cairn-fen-pair', 'hill-road-12')]).toEqual([[], [], []]);
  // They are of no kind of vehicle.
  const { profile } = (await get('/api/jobs/hill-road-12')).json<{ profile: { slug: string } }>();
  const ofKind = (await get(`/api/photos/of/${profile.slug}?but=other`)).json<{ photos: EarlierPhoto[] }>().photos;
  const ofKit = (await get('/api/photos/of/cairn-fen-pair?but=other')).json<{ photos: EarlierPhoto[] }>().photos;
  expect([...ofKind, ...ofKit].filter(({ about }) => about.startsWith('paper:'))).toEqual([]);
  // Another vehicle comes with a newer leaf of one of them.
  await append('saltmarsh-3', taken(page(38), small.hash, 'paper:cairn-fen-pair/fitting', '2026-03-08T09:00:00+01:00'));
  const second = await until(
    () => pages('cairn-fen-pair'),
    (found) => found.length < 5,
  );
  expect(marks(second)).toEqual([
    [35, 'wiring'],
    [38, 'fitting'],
  ]);
  // Who stands at that vehicle has its own and is shown the ones before.
  expect(marks(await pages('cairn-fen-pair', 'saltmarsh-3'))).toEqual(marks(first));
});

test('the sheet has the pictures that were chosen; it is kept once all of them have come', async () => {
  const [shown, other] = [picture(30), picture(31)];
  const events = [taken(shown.hash, shown.hash, 'leaving'), taken(other.hash, other.hash, 'leaving')];
  const signer = await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person: 'slate', device: 'counter' } });
  const cookie = String(signer.headers['set-cookie']).split(';')[0] ?? '';
  const chosen = [event('photo.chosen', { photo: events[0]?.id, onSheet: true }), event('job.signed', { atSeq: 1 })];
  const answer = await shop.app.inject({ method: 'POST', url: '/api/jobs/saltmarsh-3/events', headers: { cookie }, payload: { events: [...events, ...chosen] } });
  expect(answer.statusCode).toBe(200);
  const sheet = async () => {
    const { rawPayload, headers } = await get('/api/jobs/saltmarsh-3/sheet.pdf');
    return { images: rawPayload.toString('latin1').match(/\/Subtype \/Image/g)?.length ?? 0, etag: headers.etag };
  };
  const kept = async () => (await shop.database.pool.query<RowDataPacket[]>("SELECT hash FROM sheets WHERE job = 'saltmarsh-3'"))[0].length;
  expect([(await sheet()).images, await kept()]).toEqual([0, 0]);
  await put('saltmarsh-3', other.hash, other.bytes);
  expect([(await sheet()).images, await kept()]).toEqual([0, 0]);
  await put('saltmarsh-3', shown.hash, shown.bytes);
  const whole = await sheet();
  expect([whole.images, await kept()]).toEqual([1, 1]);
  expect(await sheet()).toEqual(whole);
});

test('a picture that was changed where it is kept is found by the check', async () => {
  const { hash } = picture(1);
  expect((await checkShop(shop.database.db)).findings).toEqual([]);
  await shop.database.pool.query("UPDATE photos SET body = CONCAT(body, 'x') WHERE hash = ?", [hash]);
  expect((await checkShop(shop.database.db)).findings).toEqual([{ where: `photo ${hash}`, what: 'photo' }]);
});
