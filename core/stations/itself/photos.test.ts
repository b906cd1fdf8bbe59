import { MOST_ON_SHEET, MOST_PHOTOS, type PhotoSubject } from '../../photos/index.ts';
import { openedLog, type TestLog } from '../../job/test/log.ts';
import { foldJob } from '../../log/index.ts';
import { itself, type Act } from '../index.ts';

const GRILLE: PhotoSubject = { kind: 'piece', piece: 'grille', level: 'off' };
const picture = (letter: string) => ({ hash: letter.repeat(64), thumb: letter.toUpperCase().repeat(64), widthPx: 1600, heightPx: 900 });
function take(log: TestLog, act: Act): string[] {
  if ('refused' in act) return act.refused.map(({ code }) => code);
  for (const { type, payload } of act.events) log.add(type, payload);
  return [];
}
const photos = (log: TestLog) => Object.values(log.state.photos);

test('a photo is taken once of each subject, and says who took it', () => {
  const log = openedLog();
  expect(take(log, itself.photographed(log, GRILLE, picture('a')))).toEqual([]);
  expect(photos(log)).toMatchObject([{ about: 'piece:grille/off', by: 'fern', hash: 'a'.repeat(64), widthPx: 1600, heightPx: 900, onSheet: false }]);
  expect(take(log, itself.photographed(log, GRILLE, picture('a')))).toEqual(['already']);
  expect(take(log, itself.photographed(log, { ...GRILLE, level: 'loose' }, picture('a')))).toEqual([]);
  expect(take(log, itself.photographed(log, GRILLE, picture('b')))).toEqual([]);
  expect(photos(log).map(({ about }) => about)).toEqual(['piece:grille/off', 'piece:grille/loose', 'piece:grille/off']);
});

test('a job keeps so many photos and no more; one taken back makes room', () => {
  const log = openedLog();
  for (let count = 0; count < MOST_PHOTOS; count++) take(log, itself.photographed(log, GRILLE, { ...picture('a'), hash: `${count}`.padStart(64, '0') }));
  const full = itself.photographed(log, GRILLE, picture('b'));
  expect(full).toEqual({ refused: [{ code: 'too-many-photos', most: MOST_PHOTOS }] });
  log.add('undone', { event: photos(log)[7]?.event ?? '' });
  expect(take(log, itself.photographed(log, GRILLE, picture('b')))).toEqual([]);
});

test('ring, word and place on the sheet are said of a photo that stands, each once, and taken off again', () => {
  const log = openedLog();
  take(log, itself.photographed(log, GRILLE, picture('a')));
  const event = photos(log)[0]?.event ?? '';
  const ring = { x: 250, y: 700, r: 80 };
  expect([take(log, itself.ringed(log, event, ring)), take(log, itself.ringed(log, event, { ...ring })), take(log, itself.ringed(log, event, { ...ring, r: 100 }))]).toEqual([
    [],
    ['already'],
    [],
  ]);
  expect([take(log, itself.captioned(log, event, ' clip ')), take(log, itself.captioned(log, event, 'clip')), take(log, itself.captioned(log, event, 'x'.repeat(161)))]).toEqual([
    [],
    ['already'],
    ['too-long'],
  ]);
  expect([take(log, itself.onTheSheet(log, event, false)), take(log, itself.onTheSheet(log, event, true))]).toEqual([['already'], []]);
  expect(photos(log)).toMatchObject([{ ring: { x: 250, y: 700, r: 100 }, note: 'clip', onSheet: true }]);
  expect([take(log, itself.ringed(log, event, undefined)), take(log, itself.captioned(log, event, ' '))]).toEqual([[], []]);
  expect(photos(log).map(({ ring: own, note }) => [own, note])).toEqual([[undefined, undefined]]);
  for (const act of [itself.ringed(log, 'none', ring), itself.captioned(log, 'none', 'x'), itself.onTheSheet(log, 'none', true)]) expect(take(log, act)).toEqual(['unknown']);
});

test('so many photos go with the sheet, and one more once another was taken off it', () => {
  const log = openedLog();
  for (let count = 0; count <= MOST_ON_SHEET; count++) take(log, itself.photographed(log, GRILLE, { ...picture('a'), hash: `${count}`.padStart(64, '0') }));
  const events = photos(log).map(({ event }) => event);
  const choose = (place: number, on: boolean) => take(log, itself.onTheSheet(log, events[place] ?? '', on));
  expect(events.slice(0, -1).flatMap((_, place) => choose(place, true))).toEqual([]);
  expect([choose(MOST_ON_SHEET, true), choose(3, false), choose(MOST_ON_SHEET, true)]).toEqual([['too-many-on-sheet'], [], []]);
});

test('what is said of a photo that was taken back says nothing', () => {
  const log = openedLog();
  take(log, itself.photographed(log, GRILLE, picture('a')));
  const event = photos(log)[0]?.event ?? '';
  log.add('photo.captioned', { photo: event, note: 'clip' });
  log.add('undone', { event });
  expect(photos(log)).toEqual([]);
});

test('after signing a photo may still be taken and named; what the customer gets stays as it was signed', () => {
  const log = openedLog();
  take(log, itself.photographed(log, GRILLE, picture('a')));
  const event = photos(log)[0]?.event ?? '';
  log.add('job.signed', { atSeq: 2 });
  expect([take(log, itself.photographed(log, { kind: 'leaving' }, picture('b'))), take(log, itself.captioned(log, event, 'clip'))]).toEqual([[], []]);
  expect(take(log, itself.onTheSheet(log, event, true))).toEqual(['has-left']);
  expect(log.state.questions).toEqual([]);
  log.add('photo.chosen', { photo: event, onSheet: true });
  expect(foldJob(log.events).questions.map(({ code }) => code)).toEqual(['late-event']);
});
