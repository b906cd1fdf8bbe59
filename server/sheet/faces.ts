import { createRequire } from 'node:module';

const resolve = createRequire(import.meta.url).resolve;

export type Weight = 'regular' | 'bold';

/** What the sheet's own face has; a text with anything else in it is set in one that has Latin with all its marks, Greek, Cyrillic and the signs of measures. */
const OWN = /^[\u0000-\u00ff\u0131\u0152\u0153\u02bb\u02bc\u02c6\u02da\u02dc\u2000-\u202e\u2030-\u2060\u20ac\u2122\u2212]*$/u;

/** Files of the faces by their names. */
export const FACES: Record<string, string> = {
  regular: resolve('@fontsource/archivo/files/archivo-latin-400-normal.woff'),
  bold: resolve('@fontsource/archivo/files/archivo-latin-700-normal.woff'),
  'regular beyond': resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf'),
  'bold beyond': resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf'),
};

/** No face has a narrow hard space; a plain one stands in for it. */
export const plain = (text: string): string => text.replaceAll('\u202f', '\u00a0');

/** The face that a text is set in as a whole. */
export const faceFor = (text: string, weight: Weight): string => (OWN.test(plain(text)) ? weight : `${weight} beyond`);
