import { key } from '@jade/core/subject';
import { MOST_PHOTOS, photoSubject, type EarlierPhoto, type Photo, type PhotoFault, type PhotoSubject, type PictureFormat } from '@jade/core/photos';
import type { Names } from '@jade/words/names';
import { sayKey } from '@jade/words/subject';
import { inSentence, plural } from '@jade/words/units';

const megabytes = (bytes: number) => `${Math.round(bytes / 1e6)} MB`;
const megapixels = (pixels: number) => `${Math.round(pixels / 1e6)} million points`;

const FORMATS: Partial<Record<PictureFormat, string>> = {
  heif: 'a format of telephones that browsers cannot show',
  tiff: 'a format for printers that browsers cannot show',
  raw: 'the raw record of a camera',
};

/** Why a file is not taken, and what to do. */
export function sayPhotoFault(fault: PhotoFault): string {
  switch (fault.code) {
    case 'empty':
      return 'There is nothing in this file. Take the photo again.';
    case 'not a picture':
      return 'This is not a picture. Take a photo, or pick a picture.';
    case 'format':
      return `This is ${FORMATS[fault.format] ?? 'a format that browsers cannot show'}. Set the camera to JPEG, or take the photo from here.`;
    case 'broken':
      return 'This picture is broken and cannot be drawn. Take it again.';
    case 'large':
      return `This file has ${megabytes(fault.bytes)}; up to ${megabytes(fault.most)} are taken. Take it with the camera’s usual setting.`;
    case 'pixels':
      return `This picture has ${megapixels(fault.pixels)}; up to ${megapixels(fault.most)} are taken. Take it with the camera’s usual setting.`;
  }
}

/** What is on a photo: the piece, whatever level it is at, as nobody says by a photo that it was opened; else what the subject is called. */
export function sayPictured(about: string, names: Names): string {
  const subject = photoSubject(about);
  return subject?.kind === 'piece' ? names.piece(subject.piece) : sayKey(about, names);
}

/** What a photo shows: its word where it has one, and what it is about. */
export function sayPhoto({ about, note }: Pick<Photo, 'about' | 'note'>, names: Names, damage?: { place: string; note: string }): string {
  const of = damage ? `Damage, ${inSentence(damage.place)}: ${damage.note}` : sayPictured(about, names);
  return note === undefined ? of : `${note} (${inSentence(of)})`;
}

/** When and by whom, and on which vehicle where it was another. */
export const sayTaken = (when: string, who: string | undefined, { plate }: Partial<Pick<EarlierPhoto, 'plate'>> = {}): string =>
  [...(plate === undefined ? [] : [`on ${plate}`]), ...(who === undefined ? [] : [who]), when].join(' · ');

/** What is photographed by the button beside a subject. */
export const sayTake = (subject: PhotoSubject, names: Names): string => `Photo: ${inSentence(sayPictured(key(subject), names))}`;

/** Papers of the kits of a job, page by page. */
export const KIT_PAPERS = {
  title: 'Papers in the box',
  why: 'Photograph them page by page before the box is gone: they are kept with the kit, and lie at hand where it is wired, fitted, aimed and handed over, on this job and every later one.',
  pages: (count: number) => (count === 0 ? 'none yet' : plural(count, 'page')),
  page: (paper: string, page: number) => `${paper}, page ${page}`,
  none: 'Nobody has photographed its papers.',
} as const;

export const PHOTOS = {
  title: 'Photos',
  question: 'What was found, and where to look the next time?',
  take: 'Photo',
  making: (count: number) => `Making ${plural(count, 'photo')} ready …`,
  list: 'Photos of this step',
  onOthers: 'On others',
  none: 'No photo yet. Each step, plug and wire has a button for it; a photo of a clip is shown again at the same step of the next vehicle of the kind.',
  limits: `Up to ${MOST_PHOTOS} photos a job, each made smaller on this device and freed of place and camera before it is sent.`,
  onItsWay: 'still on its way from the device that took it',
  notHere: 'not here while there is no server',
  open: (what: string) => `Look at: ${what}`,
  where: 'Where to look: tap the place. Arrows move the ring, plus and minus size it.',
  larger: 'Larger ring',
  smaller: 'Smaller ring',
  noRing: 'No ring',
  caption: 'What it shows',
  onSheet: 'For the customer’s sheet',
  offSheet: 'Not on the sheet',
  isOnSheet: 'goes with the sheet',
  takeBack: 'Take photo back',
  close: 'Close',
  all: (count: number) => `All photos (${count})`,
  waiting: (count: number) => `${plural(count, 'picture')} kept on this device until the server has them`,
  keepsNothing: (count: number) => `This device has no room to keep photos: ${plural(count, 'picture')} would be lost with the page. Leave it open until they are sent.`,
  refused: (count: number, why: string) => `The server does not take ${plural(count, 'picture')}: ${why}`,
  putAway: 'Read, put it away',
} as const;
