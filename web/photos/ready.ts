import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';
import { fileFault, LONGEST_EDGE_PX, MOST_PHOTO_BYTES, pixelFault, sizeWithin, THUMB_EDGE_PX, type PhotoFault } from '@jade/core/photos';

/** A picture as it is sent: JPEG, scaled, upright, nothing of the camera with it. */
export interface Picture {
  hash: string;
  bytes: ArrayBuffer;
}

/** A photo made ready on the device: the picture and the small one that stands for it in lists. */
export interface ReadyPhoto {
  picture: Picture;
  small: Picture;
  widthPx: number;
  heightPx: number;
}

/** What the head of a file is told by: records of a camera may stand before its picture. */
const HEAD_BYTES = 256 * 1024;
/** Tried one after the other until the picture is light enough. */
const QUALITIES = [0.82, 0.6, 0.4];

interface Canvas {
  pen: CanvasRenderingContext2D | OffscreenCanvasRenderingContext2D | null;
  pack: (quality: number) => Promise<Blob | null>;
}

/** A drawing ground that is nowhere seen; of the page itself where the browser has none for a worker. */
function canvasOf(widthPx: number, heightPx: number): Canvas {
  if (typeof OffscreenCanvas !== 'undefined') {
    const canvas = new OffscreenCanvas(widthPx, heightPx);
    return { pen: canvas.getContext('2d'), pack: (quality) => canvas.convertToBlob({ type: 'image/jpeg', quality }) };
  }
  const canvas = document.createElement('canvas');
  canvas.width = widthPx;
  canvas.height = heightPx;
  return { pen: canvas.getContext('2d'), pack: (quality) => new Promise((settle) => canvas.toBlob(settle, 'image/jpeg', quality)) };
}

async function pictureOf(source: ImageBitmap, widthPx: number, heightPx: number): Promise<Picture | undefined> {
  const { pen, pack } = canvasOf(widthPx, heightPx);
  if (!pen) return undefined;
  pen.fillStyle = '#ffffff';
  pen.fillRect(0, 0, widthPx, heightPx);
  pen.imageSmoothingQuality = 'high';
  pen.drawImage(source, 0, 0, widthPx, heightPx);
  for (const quality of QUALITIES) {
    const packed = await pack(quality);
    if (!packed || packed.type !== 'image/jpeg') return undefined;
    if (packed.size > MOST_PHOTO_BYTES && quality !== QUALITIES.at(-1)) continue;
    const bytes = await packed.arrayBuffer();
    return { hash: bytesToHex(sha256(new Uint8Array(bytes))), bytes };
  }
  return undefined;
}

/** Makes a camera's file ready to be kept: turned as it was held, scaled, and drawn anew, so that nothing goes along that the camera wrote beside the picture. */
export async function makeReady(file: Blob): Promise<ReadyPhoto | { fault: PhotoFault }> {
  const fault = fileFault(new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()), file.size);
  if (fault) return { fault };
  const source = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => undefined);
  if (!source) return { fault: { code: 'broken' } };
  try {
    const tooMany = pixelFault(source.width, source.height);
    if (tooMany) return { fault: tooMany };
    const size = sizeWithin(source.width, source.height, LONGEST_EDGE_PX);
    const thumb = sizeWithin(source.width, source.height, THUMB_EDGE_PX);
    const picture = await pictureOf(source, size.widthPx, size.heightPx);
    const small = await pictureOf(source, thumb.widthPx, thumb.heightPx);
    return picture && small ? { picture, small, ...size } : { fault: { code: 'broken' } };
  } finally {
    source.close();
  }
}
