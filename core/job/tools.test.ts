import { contextOf, openedLog, PAIR } from './test/log.ts';
import { jobTools } from './index.ts';
import { planOpening } from '../plan/index.ts';

test('the tools of the whole job: for what is to come off, and for fitting besides', () => {
  const context = contextOf(openedLog());
  expect(jobTools(context, planOpening(context))).toEqual({ opening: ['10 mm hex'], fitting: ['T25'], alike: [] });
});

test('what came off already still counts: it goes back with the same tool', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'w', fasteners: [] });
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [] });
  expect(jobTools(contextOf(log), planOpening(contextOf(log))).opening).toEqual(['10 mm hex']);
});

test('a fitting tool that is out already is not named twice; how it is used does not make another of it', () => {
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('no fitment');
  const step = (id: string, tool: string) => ({ id, name: id, side: 'left' as const, needs: [], passes: ['start' as const], minutes: 1, tool, tighten: 'snug' });
  const kit = { ...PAIR, fitments: [{ ...fitment, fitSteps: [step('a', '10 mm hex, by hand'), step('b', 'cable tie'), step('c', 'cable tie, short')] }] };
  const context = { ...contextOf(openedLog()), kits: [kit] };
  expect(jobTools(context, planOpening(context))).toMatchObject({ opening: ['10 mm hex'], fitting: ['cable tie'] });
});
