import { key, subjectOf, type StationId, type Subject } from '../subject/index.ts';

/** Longest edge of a photo as it is kept, and of the small picture that stands for it in a list, in px. */
export const LONGEST_EDGE_PX = 1600;
export const THUMB_EDGE_PX = 320;
/** A kept photo weighs at most so many bytes: the longest edge in a fine grain at the quality that is kept. */
export const MOST_PHOTO_BYTES = 2_000_000;
/** What a camera may give: bytes of the file, and points of the picture. */
export const MOST_SOURCE_BYTES = 80_000_000;
export const MOST_SOURCE_PIXELS = 120_000_000;
/** Photos of one job. */
export const MOST_PHOTOS = 200;
/** Of these, so many go with the sheet: it is handed on as one file. */
export const MOST_ON_SHEET = 12;
/** Thousandths of an edge, which places on a photo are counted in. */
export const WHOLE_EDGE = 1000;
/** Radius of a ring when it is drawn, least and most, in thousandths of the longer edge. */
export const RING = { usual: 80, least: 20, most: 400, step: 20 };

/** Where to look on a photo: centre in thousandths of its width and of its height, radius in thousandths of its longer edge. */
export interface Ring {
  x: number;
  y: number;
  r: number;
}

/** A photo of a job. */
export interface Photo {
  /** The entry that says it was taken. */
  event: string;
  /** By the clock of the device that took it. */
  at: string;
  by?: string;
  /** Key of the subject that it shows. */
  about: string;
  /** SHA-256 of the picture as it is kept, and of the small one. */
  hash: string;
  thumb: string;
  widthPx: number;
  heightPx: number;
  ring?: Ring;
  note?: string;
  /** Whether the customer gets it with the sheet. */
  onSheet: boolean;
}

/** A photo that was taken on another job on the same kind of vehicle. */
export interface EarlierPhoto extends Photo {
  job: string;
  plate: string;
}

/** What can be photographed. */
export const PHOTO_KINDS = ['arrival', 'damage', 'piece', 'sensor', 'face', 'wire', 'joint', 'leg', 'fit', 'aim', 'leaving', 'paper'] as const satisfies readonly Subject['kind'][];
export type PhotoKind = (typeof PHOTO_KINDS)[number];
export type PhotoSubject = Extract<Subject, { kind: PhotoKind }>;

/** What is of one vehicle alone, and says nothing about the next of its kind. */
const OF_ONE_VEHICLE: readonly PhotoKind[] = ['arrival', 'damage', 'leaving'];

/** What a photo is about, by the key it is kept under; undefined where that is nothing that can be photographed. */
export function photoSubject(about: string): PhotoSubject | undefined {
  const subject = subjectOf(about);
  return subject && (PHOTO_KINDS as readonly string[]).includes(subject.kind) ? (subject as PhotoSubject) : undefined;
}

/** Papers that come with a kit: how it is fitted, wired and aimed, under what it may be driven, and what else there is. */
export const PAPERS = ['fitting', 'wiring', 'aiming', 'approval', 'other'] as const;
export type Paper = (typeof PAPERS)[number];

/** The papers of a kit that are wanted where it is worked at; all of them where its box is opened. */
export const PAPERS_AT: Readonly<Partial<Record<StationId, readonly Paper[]>>> = {
  gather: PAPERS,
  wire: ['wiring'],
  fit: ['fitting'],
  aim: ['aiming'],
  'hand-over': ['approval'],
};

/** The kit whose paper a photo shows: it is kept with that kit, whatever it is fitted to. */
export function kitOfPaper(about: string): string | undefined {
  const subject = photoSubject(about);
  return subject?.kind === 'paper' ? subject.kit : undefined;
}

/** Whether a photo shows what the next vehicle of the kind has too: where the clip is, which wire. */
export function isOfKind(about: string): boolean {
  const subject = photoSubject(about);
  return subject !== undefined && !OF_ONE_VEHICLE.includes(subject.kind);
}

/** Where a photo belongs: a piece at all its levels is one place, as the clip of its last level is looked for when it goes back over the first. */
export function placeOf(about: string): string {
  const subject = photoSubject(about);
  return subject?.kind === 'piece' ? `piece:${subject.piece}` : about;
}

/** Photos that help at a subject: those of the subject itself first, then others of the same place, each in the order they were given. */
export function photosAt<P extends Photo>(photos: readonly P[], subject: Subject): P[] {
  const own = key(subject);
  const place = placeOf(own);
  const there = photos.filter(({ about }) => placeOf(about) === place);
  return [...there.filter(({ about }) => about === own), ...there.filter(({ about }) => about !== own)];
}

/** Size of a picture once its longer edge is at most `most`, in whole px and never under one; a smaller one stays as it is. */
export function sizeWithin(widthPx: number, heightPx: number, most: number): { widthPx: number; heightPx: number } {
  const scale = Math.min(1, most / Math.max(widthPx, heightPx));
  const whole = (px: number) => Math.max(1, Math.round(px * scale));
  return { widthPx: whole(widthPx), heightPx: whole(heightPx) };
}

/** A ring around a place that was tapped; one that is there keeps its size. */
export function ringAt(x: number, y: number, before?: Ring): Ring {
  const on = (share: number) => Math.max(0, Math.min(WHOLE_EDGE, Math.round(share * WHOLE_EDGE)));
  return { x: on(x), y: on(y), r: before?.r ?? RING.usual };
}

/** A ring made larger or smaller by so many steps, within what can be seen. */
export const ringSized = (ring: Ring, steps: number): Ring => ({ ...ring, r: Math.max(RING.least, Math.min(RING.most, ring.r + steps * RING.step)) });

/** A ring moved by thousandths of the edges, its centre kept on the photo. */
export const ringMoved = (ring: Ring, dx: number, dy: number): Ring => ({ ...ringAt((ring.x + dx) / WHOLE_EDGE, (ring.y + dy) / WHOLE_EDGE, ring) });

/** Photos of a plug of the vehicle and of its wires. */
export function photosOfPlug<P extends Photo>(photos: readonly P[], plug: string): P[] {
  return photos.filter(({ about }) => {
    const subject = photoSubject(about);
    return (subject?.kind === 'face' || subject?.kind === 'wire') && subject.plug === plug;
  });
}
