import { MOST_SOURCE_BYTES, MOST_SOURCE_PIXELS } from './photo.ts';

export const PICTURE_FORMATS = ['jpeg', 'png', 'webp', 'gif', 'bmp', 'avif', 'heif', 'tiff', 'raw'] as const;
/** Format of a picture by how its file begins. */
export type PictureFormat = (typeof PICTURE_FORMATS)[number];

/** Formats that browsers can draw. */
const DRAWN: readonly PictureFormat[] = ['jpeg', 'png', 'webp', 'gif', 'bmp', 'avif'];

/** Why a file is not taken as a photo. */
export type PhotoFault =
  | { code: 'empty' }
  | { code: 'not a picture' }
  | { code: 'format'; format: PictureFormat }
  | { code: 'broken' }
  | { code: 'large'; bytes: number; most: number }
  | { code: 'pixels'; pixels: number; most: number };

/** What the head of a file says of a JPEG: its size in px, and whether it carries more than the picture. */
export interface JpegFacts {
  widthPx: number;
  heightPx: number;
  /** Records of the camera beside the picture: place, maker, moment, remarks. */
  records: boolean;
}

const text = (bytes: Uint8Array, from: number, length: number) => String.fromCharCode(...bytes.subarray(from, from + length));
const begins = (bytes: Uint8Array, ...head: number[]) => head.every((value, place) => bytes[place] === value);

/** Brands of the boxed formats, by their word at byte 8 (ISO/IEC 14496-12). */
const BRANDS: Readonly<Record<string, PictureFormat>> = {
  avif: 'avif',
  avis: 'avif',
  heic: 'heif',
  heix: 'heif',
  hevc: 'heif',
  hevx: 'heif',
  heim: 'heif',
  heis: 'heif',
  mif1: 'heif',
  msf1: 'heif',
  crx: 'raw',
};

/** Format of a picture by how its file begins; undefined where it begins as none. */
export function formatOf(head: Uint8Array): PictureFormat | undefined {
  if (begins(head, 0xff, 0xd8, 0xff)) return 'jpeg';
  if (begins(head, 0x89, 0x50, 0x4e, 0x47)) return 'png';
  if (text(head, 0, 4) === 'RIFF' && text(head, 8, 4) === 'WEBP') return 'webp';
  if (text(head, 0, 4) === 'GIF8') return 'gif';
  if (text(head, 0, 2) === 'BM') return 'bmp';
  if (text(head, 4, 4) === 'ftyp') return BRANDS[text(head, 8, 4).trim()];
  if (begins(head, 0x49, 0x49, 0x2a, 0) || begins(head, 0x4d, 0x4d, 0, 0x2a)) return 'tiff';
  return undefined;
}

const NO_LENGTH = (marker: number) => marker === 0x01 || (marker >= 0xd0 && marker <= 0xd8);
/** Frames of a JPEG (ITU-T T.81, table B.1): C0 to CF without the tables C4, CC and the reserved C8. */
const FRAME = (marker: number) => marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
/** Segments that a picture needs nothing of: application records but the plain head (E0), the colours (E2) and how they are coded (EE); remarks (FE). */
const RECORD = (marker: number) => marker === 0xfe || (marker >= 0xe1 && marker <= 0xef && marker !== 0xe2 && marker !== 0xee);

/**
 * What the segments of a JPEG say before its picture begins; undefined where it is none or they break off.
 * Source: ITU-T T.81, annex B.
 */
export function jpegFacts(bytes: Uint8Array): JpegFacts | undefined {
  if (!begins(bytes, 0xff, 0xd8)) return undefined;
  let size: { widthPx: number; heightPx: number } | undefined;
  let records = false;
  for (let at = 2; at + 4 <= bytes.length;) {
    if (bytes[at] !== 0xff) return undefined;
    const marker = bytes[at + 1] ?? 0;
    if (marker === 0xff) {
      at += 1;
      continue;
    }
    if (NO_LENGTH(marker)) {
      at += 2;
      continue;
    }
    const two = (place: number) => ((bytes[place] ?? 0) << 8) | (bytes[place + 1] ?? 0);
    const length = two(at + 2);
    if (length < 2 || at + 2 + length > bytes.length) return undefined;
    if (FRAME(marker)) size = { heightPx: two(at + 5), widthPx: two(at + 7) };
    if (RECORD(marker)) records = true;
    // The picture itself begins: nothing of the head comes after it.
    if (marker === 0xda) return size && size.widthPx > 0 && size.heightPx > 0 ? { ...size, records } : undefined;
    at += 2 + length;
  }
  return undefined;
}

/** Width and height that the head of a PNG states (its first chunk). */
function pngSize(head: Uint8Array): { widthPx: number; heightPx: number } {
  const four = (place: number) => new DataView(head.buffer, head.byteOffset).getUint32(place);
  return head.length < 24 ? { widthPx: 0, heightPx: 0 } : { widthPx: four(16), heightPx: four(20) };
}

/**
 * What keeps a file from being drawn as a photo, as far as its first bytes say; undefined where nothing does.
 * @param head the first bytes of the file, some tens of thousands: cameras write records before the picture
 * @param bytes of the whole file
 */
export function fileFault(head: Uint8Array, bytes: number): PhotoFault | undefined {
  if (bytes === 0) return { code: 'empty' };
  if (bytes > MOST_SOURCE_BYTES) return { code: 'large', bytes, most: MOST_SOURCE_BYTES };
  const format = formatOf(head);
  if (!format) return { code: 'not a picture' };
  if (!DRAWN.includes(format)) return { code: 'format', format };
  const size = format === 'jpeg' ? jpegFacts(head) : format === 'png' ? pngSize(head) : undefined;
  return size && pixelFault(size.widthPx, size.heightPx);
}

/** What keeps a picture of so many points from being drawn: a device has to hold all of them at one time. */
export function pixelFault(widthPx: number, heightPx: number): PhotoFault | undefined {
  const pixels = widthPx * heightPx;
  return pixels > MOST_SOURCE_PIXELS ? { code: 'pixels', pixels, most: MOST_SOURCE_PIXELS } : undefined;
}
