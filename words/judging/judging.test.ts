import { sayDoubt, sayWarnings } from './index.ts';

const plain = (text: string) => text.replaceAll('\u202f', ' ');

test('what makes one wonder is said with what it is held against, and what to do', () => {
  expect(sayDoubt({ code: 'no code', lit: ['airbag', 'engine'] })).toBe('Lit: airbag, engine. No fault code is stored: read both again, with everything running.');
  expect(sayDoubt({ code: 'lens uneven', other: 'light haze' })).toBe('The other side: light haze. Was one of the two renewed?');
  expect(sayDoubt({ code: 'lens better', before: 'heavy haze' })).toBe('It came with heavy haze: was it polished or renewed?');
  expect(sayDoubt({ code: 'no time' })).toBe('It takes some time: how much?');
  expect(plain(sayDoubt({ code: 'long', likelyMin: 30 }))).toBe('More than 30 min for this alone?');
  expect([sayWarnings([]), sayWarnings(['brakes'])]).toEqual(['none lit', 'brakes']);
});
