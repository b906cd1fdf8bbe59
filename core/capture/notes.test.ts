import { openedLog } from '../job/test/log.ts';
import { notesOf } from './index.ts';

test('what was noted, and how a kit was done with that nobody had described, may be of the kind: each as it was said last, none that was taken back', () => {
  const log = openedLog();
  const first = log.add('note.written', { station: 'open-up', note: 'Clip behind the lip' });
  const wired = log.add('exception.named', { about: 'unplaced:test-kit/wired', note: 'relay at the tray' });
  const again = log.add('exception.named', { about: 'unplaced:test-kit/wired', note: 'relay at the post' });
  const aimed = log.add('exception.named', { about: 'unplaced:other-kit/aimed', note: 'at the lane in town' });
  log.add('exception.named', { about: 'codes', note: 'no reader here' });
  const note = (id: string, station: string, text: string, kit?: string) => ({ id, station, text, on: '2026-03-05', ...(kit ? { kit } : {}) });
  const clip = note(first, 'open-up', 'Clip behind the lip');
  expect(notesOf(log.events)).toEqual([clip, note(again, 'wire', 'relay at the post', 'test-kit'), note(aimed, 'aim', 'at the lane in town', 'other-kit')]);
  log.add('undone', { event: again });
  expect(notesOf(log.events)).toEqual([clip, note(wired, 'wire', 'relay at the tray', 'test-kit'), note(aimed, 'aim', 'at the lane in town', 'other-kit')]);
});
