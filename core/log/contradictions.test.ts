import { contradictions } from './contradictions.ts';
import type { EventType, LoggedEvent } from '../events/index.ts';

const START = Date.parse('2026-03-05T08:00:00Z');
let count = 0;
const said = (person: string | undefined, second: number, type: EventType, payload: object): LoggedEvent =>
  ({ id: `e${++count}`, type, v: 1, at: new Date(START + second * 1000).toISOString(), payload, ...(person ? { person } : {}) }) as LoggedEvent;
const lamp = (person: string | undefined, second: number, result: string, of = 'dipped') => said(person, second, 'baseline.tried', { lamp: of, result });
const gap = (person: string, second: number, widthMm: number, moment = 'before') => said(person, second, 'gap.measured', { gap: 'wing', moment, widthMm });
const pairs = (...log: LoggedEvent[]) => contradictions(log).map((question) => (question.code === 'contradicted' ? [question.other, question.event] : []));

test('two people who say otherwise of one thing within a minute contradict each other; the same person, or later, does not', () => {
  const [works, dim] = [lamp('fern', 0, 'works'), lamp('copper', 60, 'dim')];
  expect(pairs(works, dim)).toEqual([[works.id, dim.id]]);
  expect(pairs(works, lamp('copper', 61, 'dim'))).toEqual([]);
  expect(pairs(works, lamp('fern', 5, 'dim'))).toEqual([]);
  expect(pairs(works, lamp('copper', 5, 'works'))).toEqual([]);
  expect(pairs(works, lamp('copper', 5, 'dim', 'tail'))).toEqual([]);
  expect(pairs(works, lamp(undefined, 5, 'dim'))).toEqual([]);
  // A clock that runs behind is a clock all the same.
  const behind = lamp('copper', -50, 'dim');
  expect(pairs(works, behind)).toEqual([[works.id, behind.id]]);
});

test('saying it again within the minute settles nothing; agreeing does, and so does looking again later', () => {
  const [works, dim] = [lamp('fern', 0, 'works'), lamp('copper', 10, 'dim')];
  const again = lamp('copper', 40, 'dim');
  expect(pairs(works, dim, again)).toEqual([[works.id, again.id]]);
  expect(pairs(works, dim, lamp('fern', 40, 'dim'))).toEqual([]);
  expect(pairs(works, dim, lamp('copper', 75, 'dim'))).toEqual([]);
  const slate = lamp('slate', 30, 'dead');
  expect(pairs(works, dim, slate)).toHaveLength(1);
});

test('measures that differ as two hands differ are the same; of other moments they are of other things', () => {
  expect(pairs(gap('fern', 0, 4.2), gap('copper', 5, 4.0))).toEqual([]);
  expect(pairs(gap('fern', 0, 4.2), gap('copper', 5, 3.9))).toHaveLength(1);
  expect(pairs(gap('fern', 0, 4.2), gap('copper', 5, 7, 'after'))).toEqual([]);
  const aim = (person: string, heightMm: number) => said(person, 0, 'aim.measured', { lamp: 'k/l', moment: 'after', heightMm, referenceMm: 380 });
  expect(pairs(aim('fern', -100), aim('copper', -104))).toEqual([]);
  expect(pairs(aim('fern', -100), aim('copper', 100))).toHaveLength(1);
});

test('two who see other warning lamps lit, or another grade of one lens, contradict each other; the order of the lamps says nothing', () => {
  const [one, other] = [
    said('fern', 0, 'warnings.read', { moment: 'before', lit: ['engine', 'airbag'] }),
    said('copper', 9, 'warnings.read', { moment: 'before', lit: ['airbag'] }),
  ];
  expect(pairs(one, other)).toEqual([[one.id, other.id]]);
  expect(pairs(one, said('copper', 9, 'warnings.read', { moment: 'before', lit: ['airbag', 'engine'] }))).toEqual([]);
  expect(pairs(one, said('copper', 9, 'warnings.read', { moment: 'after', lit: [] }))).toEqual([]);
  const lens = (person: string, grade: string, lamp = 'dipped') => said(person, 3, 'lens.graded', { lamp, moment: 'before', grade });
  const [clear, hazy] = [lens('fern', 'clear'), lens('copper', 'light haze')];
  expect(pairs(clear, hazy)).toEqual([[clear.id, hazy.id]]);
  expect(pairs(clear, lens('copper', 'light haze', 'other'))).toEqual([]);
});
