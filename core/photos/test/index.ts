export type Segment = [marker: number, body: number[]];

/** A JPEG of these segments up to where its picture begins, by ITU-T T.81. */
export function jpeg(...segments: Segment[]): Uint8Array {
  return Uint8Array.from([0xff, 0xd8, ...segments.flatMap(([marker, body]) => [0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 0xff, ...body])]);
}

/** Body of a frame of one colour. */
export const frame = (widthPx: number, heightPx: number): number[] => [8, heightPx >> 8, heightPx & 0xff, widthPx >> 8, widthPx & 0xff, 1, 1, 0x11, 0];
export const SCAN: Segment = [0xda, [1, 1, 0, 0, 63, 0]];
export const HEAD: Segment = [0xe0, [...'JFIF\0'].map((letter) => letter.charCodeAt(0))];
/** Records of a camera. */
export const RECORDS: Segment = [0xe1, [...'Exif\0\0'].map((letter) => letter.charCodeAt(0))];
