import type { Page } from 'playwright-core';

export interface CameraOptions {
  widthPx?: number;
  heightPx?: number;
  /** How the camera says that the picture is to be turned: 6 is a quarter to the right (Exif, tag 0x0112). */
  turn?: number;
  /** What the camera writes beside the picture. */
  place?: string;
}

/** Records of a camera as it writes them before the picture: how to turn it, and a remark. */
function records(turn: number, place: string): Buffer {
  const remark = Buffer.from(`${place}\0`);
  const tiff = Buffer.alloc(8 + 2 + 2 * 12 + 4);
  tiff.write('II*\0', 0, 'latin1');
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(2, 8);
  const entry = (at: number, tag: number, type: number, count: number, value: number) => {
    tiff.writeUInt16LE(tag, at);
    tiff.writeUInt16LE(type, at + 2);
    tiff.writeUInt32LE(count, at + 4);
    tiff.writeUInt32LE(value, at + 8);
  };
  entry(10, 0x010e, 2, remark.length, tiff.length);
  entry(22, 0x0112, 3, 1, turn);
  const body = Buffer.concat([Buffer.from('Exif\0\0', 'latin1'), tiff, remark]);
  const head = Buffer.from([0xff, 0xe1, (body.length + 2) >> 8, (body.length + 2) & 0xff]);
  return Buffer.concat([head, body]);
}

/** A photo as a camera gives it, drawn in the page: a cable with clips on a grey ground, and a red corner above on the left. */
export async function cameraPhoto(page: Page, seed: number, { widthPx = 4000, heightPx = 3000, turn, place }: CameraOptions = {}) {
  const data = await page.evaluate(
    async ([own, width, height]) => {
      const canvas = new OffscreenCanvas(width, height);
      const pen = canvas.getContext('2d') as OffscreenCanvasRenderingContext2D;
      const ground = pen.createLinearGradient(0, 0, width, height);
      ground.addColorStop(0, `hsl(${own * 47} 12% 30%)`);
      ground.addColorStop(1, `hsl(${own * 47} 10% 62%)`);
      pen.fillStyle = ground;
      pen.fillRect(0, 0, width, height);
      pen.fillStyle = '#e01010';
      pen.fillRect(0, 0, width / 12, height / 12);
      pen.lineWidth = width / 60;
      pen.beginPath();
      pen.moveTo(0, height * 0.62);
      pen.bezierCurveTo(width * 0.3, height * 0.5, width * 0.6, height * 0.75, width, height * 0.55);
      pen.stroke();
      pen.fillStyle = '#1a1a1a';
      for (let clip = 0; clip < 5; clip++) pen.fillRect(width * (0.1 + clip * 0.17), height * 0.57, width * 0.06, height * 0.09);
      const bytes = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 })).arrayBuffer());
      let text = '';
      for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192));
      return btoa(text);
    },
    [seed, widthPx, heightPx] as const,
  );
  const plain = Buffer.from(data, 'base64');
  const buffer = turn === undefined ? plain : Buffer.concat([plain.subarray(0, 2), records(turn, place ?? ''), plain.subarray(2)]);
  return { name: `photo-${seed}.jpg`, mimeType: 'image/jpeg', buffer };
}
