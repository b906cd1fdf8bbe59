import { createRequire } from 'node:module';
import { faceFor, FACES, plain } from './faces.ts';

interface Face {
  hasGlyphForCodePoint: (code: number) => boolean;
}
const { openSync } = createRequire(import.meta.url)('fontkit') as { openSync: (file: string) => Face };
const faces = new Map(Object.entries(FACES).map(([name, file]) => [name, openSync(file)]));
const between = (from: number, to: number) => Array.from({ length: to - from + 1 }, (_, place) => String.fromCodePoint(from + place));
const ASSIGNED = /^[\p{L}\p{M}\p{N}\p{P}\p{S}\p{Zs}]$/u;
/** Signs of a text that the face it is set in has not. */
const missing = (text: string, weight: 'regular' | 'bold') => [...plain(text)].filter((sign) => !faces.get(faceFor(text, weight))?.hasGlyphForCodePoint(sign.codePointAt(0) ?? 0));

test.each([
  ['Latin with all its marks', between(0x20, 0x17f)],
  ['Greek', between(0x391, 0x3ce)],
  ['Cyrillic', between(0x400, 0x4ff)],
  ['the signs of measures and of writing', [...'≤ ≥ → Ω ° ² × − ± · … – — “ ” ’ µ ½ € ™ Ω Ș ț', '\u202f', '\u00a0']],
])('%s: each sign is in the face that it is set in, alone and among others, in both weights', (_, signs) => {
  const assigned = signs.filter((sign) => ASSIGNED.test(sign));
  expect(assigned.length).toBeGreaterThan(30);
  for (const weight of ['regular', 'bold'] as const) {
    expect(assigned.flatMap((sign) => missing(sign, weight))).toEqual([]);
    expect(missing(`Fern ${assigned.join('')}`, weight)).toEqual([]);
  }
});

test('what the sheet’s own face has stays in it', () => {
  expect([faceFor('Fog lamp, left: 240 mm · “dim” – 2.0\u202fA, 20 °', 'bold'), faceFor('Łódka', 'regular'), faceFor('≤ 1 m', 'bold')]).toEqual([
    'bold',
    'regular beyond',
    'bold beyond',
  ]);
});
