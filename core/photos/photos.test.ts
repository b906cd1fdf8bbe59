import fc from 'fast-check';
import { frame, HEAD, jpeg, SCAN } from './test/index.ts';
import {
  MOST_SOURCE_BYTES,
  fileFault,
  formatOf,
  isOfKind,
  jpegFacts,
  kitOfPaper,
  PAPERS,
  PAPERS_AT,
  photosAt,
  photosOfPlug,
  photoSubject,
  placeOf,
  ringAt,
  ringMoved,
  ringSized,
  sizeWithin,
  type Photo,
} from './index.ts';

const photo = (event: string, about: string): Photo => ({ event, at: '2026-03-05T09:00:00Z', about, hash: event, thumb: event, widthPx: 1600, heightPx: 900, onSheet: false });

test('a picture is made smaller so that its longer edge fits, and never larger', () => {
  expect(sizeWithin(4000, 3000, 1600)).toEqual({ widthPx: 1600, heightPx: 1200 });
  expect(sizeWithin(3000, 4001, 1600)).toEqual({ widthPx: 1200, heightPx: 1600 });
  expect(sizeWithin(1200, 700, 1600)).toEqual({ widthPx: 1200, heightPx: 700 });
  expect(sizeWithin(9000, 2, 320)).toEqual({ widthPx: 320, heightPx: 1 });
});

test('sides keep their share within half a point, whatever the picture', () => {
  const edge = fc.integer({ min: 1, max: 20_000 });
  fc.assert(
    fc.property(edge, edge, (widthPx, heightPx) => {
      const small = sizeWithin(widthPx, heightPx, 1600);
      expect(Math.max(small.widthPx, small.heightPx)).toBe(Math.min(1600, Math.max(widthPx, heightPx)));
      const wanted = small.widthPx >= small.heightPx ? (small.widthPx * heightPx) / widthPx : (small.heightPx * widthPx) / heightPx;
      expect(Math.abs(Math.min(small.widthPx, small.heightPx) - Math.max(wanted, 1))).toBeLessThanOrEqual(0.5);
    }),
  );
});

test('at a piece all photos of that piece help, those of the level first; elsewhere those of the subject alone', () => {
  const photos = [
    photo('a', 'piece:grille/loose'),
    photo('b', 'piece:grille/off'),
    photo('c', 'piece:grille-frame/off'),
    photo('d', 'wire:plug/1'),
    photo('e', 'piece:grille/off'),
  ];
  const at = (subject: Parameters<typeof photosAt>[1]) => photosAt(photos, subject).map(({ event }) => event);
  expect(at({ kind: 'piece', piece: 'grille', level: 'off' })).toEqual(['b', 'e', 'a']);
  expect(at({ kind: 'piece', piece: 'grille', level: 'fitted' })).toEqual(['a', 'b', 'e']);
  expect(at({ kind: 'wire', plug: 'plug', pin: '1' })).toEqual(['d']);
  expect(at({ kind: 'wire', plug: 'plug', pin: '11' })).toEqual([]);
  expect(placeOf('piece:grille/off')).toBe('piece:grille');
});

test('of a plug are its face and its wires, of no other plug', () => {
  const photos = [photo('a', 'wire:fog-plug/1'), photo('b', 'face:fog-plug'), photo('c', 'wire:fog-plug-left/1'), photo('d', 'joint:kit/fog-plug'), photo('e', 'face:fog')];
  expect(photosOfPlug(photos, 'fog-plug').map(({ event }) => event)).toEqual(['a', 'b']);
});

test('only what can be photographed has photos; what is of one vehicle is not shown at the next', () => {
  expect(photoSubject('fit:some-kit/screw')).toEqual({ kind: 'fit', kit: 'some-kit', step: 'screw' });
  expect([photoSubject('log'), photoSubject('tray:a/b'), photoSubject('piece'), photoSubject('unheard:of')]).toEqual([undefined, undefined, undefined, undefined]);
  expect(['piece:grille/off', 'aim:k/l', 'arrival', 'leaving', 'damage:e', 'supply:low/dead', 'floor'].map(isOfKind)).toEqual([true, true, false, false, false, false, false]);
});

test('a paper of a kit is of that kit, whatever it is fitted to; each lies at hand where it is worked by', () => {
  expect([kitOfPaper('paper:some-kit/wiring'), kitOfPaper('fit:some-kit/screw'), isOfKind('paper:some-kit/wiring')]).toEqual(['some-kit', undefined, true]);
  expect(PAPERS_AT.gather).toEqual(PAPERS);
  // Every paper but the others is wanted at one station besides.
  const wanted = Object.entries(PAPERS_AT).flatMap(([station, papers]) => (station === 'gather' ? [] : papers));
  expect([...wanted, 'other'].sort()).toEqual([...PAPERS].sort());
  expect([PAPERS_AT.fit, PAPERS_AT.wire, PAPERS_AT['hand-over']]).toEqual([['fitting'], ['wiring'], ['approval']]);
});

test('a ring lies where it was tapped, keeps its size when it is moved, and stays on the photo and within its sizes', () => {
  expect(ringAt(0.254, 0.7)).toEqual({ x: 254, y: 700, r: 80 });
  expect(ringAt(1.2, -0.1, { x: 1, y: 1, r: 160 })).toEqual({ x: 1000, y: 0, r: 160 });
  expect(ringMoved({ x: 990, y: 500, r: 40 }, 20, -30)).toEqual({ x: 1000, y: 470, r: 40 });
  expect([ringSized({ x: 1, y: 2, r: 80 }, 2).r, ringSized({ x: 1, y: 2, r: 380 }, 5).r, ringSized({ x: 1, y: 2, r: 30 }, -3).r]).toEqual([120, 400, 20]);
});

test('the head of a JPEG says its size, and whether records of the camera go with it', () => {
  expect(jpegFacts(jpeg(HEAD, [0xdb, [0]], [0xc0, frame(1600, 901)], SCAN))).toEqual({ widthPx: 1600, heightPx: 901, records: false });
  // Progressive; the tables of C4 are no frame.
  expect(jpegFacts(jpeg([0xc4, [9, 9, 9, 9, 9, 9, 9]], [0xc2, frame(300, 200)], SCAN))).toEqual({ widthPx: 300, heightPx: 200, records: false });
  // Colours may go with a picture; place and maker (E1, ED) and remarks (FE) may not.
  expect([0xe2, 0xee, 0xe1, 0xed, 0xfe].map((marker) => jpegFacts(jpeg(HEAD, [marker, [1, 2, 3]], [0xc0, frame(30, 20)], SCAN))?.records)).toEqual([
    false,
    false,
    true,
    true,
    true,
  ]);
});

test.each([
  ['no JPEG', Uint8Array.from([1, 2, 3])],
  ['one that ends before its picture', jpeg(HEAD, [0xc0, frame(30, 20)])],
  ['one without a frame', jpeg(HEAD, SCAN)],
  ['one of no height', jpeg([0xc0, frame(30, 0)], SCAN)],
  ['a segment longer than the file', Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0xff, 0xff, 0, 0])],
  ['a segment shorter than its own length', Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 1, 0xff, 0xda])],
  ['something between segments', Uint8Array.from([0xff, 0xd8, 0, 0, 0, 0, 0, 0])],
])('of %s nothing is said', (_, bytes) => {
  expect(jpegFacts(bytes)).toBeUndefined();
});

test('whatever the bytes, the head is read to an end', () => {
  fc.assert(fc.property(fc.uint8Array({ maxLength: 200 }), (bytes) => void jpegFacts(Uint8Array.from([0xff, 0xd8, ...bytes]))));
});

const bytesOf = (text: string, ...rest: number[]) => Uint8Array.from([...[...text].map((letter) => letter.charCodeAt(0)), ...rest]);
const boxed = (brand: string) => bytesOf(`\0\0\0\x18ftyp${brand}`);

test('formats are told by how files begin', () => {
  const heads = [
    jpeg(HEAD),
    bytesOf('\x89PNG'),
    bytesOf('RIFF....WEBP'),
    bytesOf('GIF89a'),
    bytesOf('BM'),
    boxed('avif'),
    boxed('heic'),
    boxed('mif1'),
    boxed('crx '),
    bytesOf('II*\0'),
    bytesOf('MM\0*'),
  ];
  expect(heads.map(formatOf)).toEqual(['jpeg', 'png', 'webp', 'gif', 'bmp', 'avif', 'heif', 'heif', 'raw', 'tiff', 'tiff']);
  expect([bytesOf('%PDF-1.7'), bytesOf('RIFF....WAVE'), boxed('isom'), bytesOf('')].map(formatOf)).toEqual([undefined, undefined, undefined, undefined]);
});

test('a file that cannot become a photo says why before it is drawn', () => {
  const png = (widthPx: number, heightPx: number) => {
    const head = new Uint8Array(33);
    head.set(bytesOf('\x89PNG\r\n\x1a\n\0\0\0\rIHDR'));
    new DataView(head.buffer).setUint32(16, widthPx);
    new DataView(head.buffer).setUint32(20, heightPx);
    return head;
  };
  expect(fileFault(new Uint8Array(0), 0)).toEqual({ code: 'empty' });
  expect(fileFault(bytesOf('hello'), 5)).toEqual({ code: 'not a picture' });
  expect(fileFault(boxed('heic'), 5000)).toEqual({ code: 'format', format: 'heif' });
  expect(fileFault(jpeg(HEAD), MOST_SOURCE_BYTES + 1)).toEqual({ code: 'large', bytes: MOST_SOURCE_BYTES + 1, most: MOST_SOURCE_BYTES });
  expect(fileFault(png(12_000, 10_000), 900)).toBeUndefined();
  expect(fileFault(png(12_001, 10_000), 900)).toEqual({ code: 'pixels', pixels: 120_010_000, most: 120_000_000 });
  expect(fileFault(jpeg([0xc0, frame(20_000, 20_000)], SCAN), 900)).toMatchObject({ code: 'pixels' });
  expect(fileFault(jpeg([0xc0, frame(9000, 6700)], SCAN), 900)).toBeUndefined();
  // A head that breaks off says nothing yet.
  expect(fileFault(png(1, 1).subarray(0, 20), 900)).toBeUndefined();
});
