import { bestOf, MOST_ACTS, practise, PracticeBench, PRACTICE_RULES, nextReadings, scoreOf, wantedLeft, type Practice, type PracticeAct } from './index.ts';

const SEED = 20_260_305;
/** The readings that the program itself would take, then each function where it was proved. */
function byWorth(seed: number): PracticeAct[] {
  const bench = new PracticeBench(seed);
  const acts: PracticeAct[] = [];
  const doing = (act: PracticeAct) => bench.act(act) && acts.push(act);
  for (let reading = 0; reading < 100; reading++) {
    const { run, readings } = bench.stands();
    const { step, found } = nextReadings(run, PRACTICE_RULES, readings.at(-1)?.state);
    if (step.now) doing({ kind: 'read', pin: step.now.pin, state: step.now.state });
    else {
      for (const { function: name, pin } of found.functions) if (pin !== undefined) doing({ kind: 'claim', pin, function: name });
      break;
    }
  }
  return acts;
}

test('the same acts on the plug of a seed give the same readings; another seed is another plug', () => {
  const acts = byWorth(SEED);
  const [one, two] = [practise(SEED, acts), practise(SEED, acts)];
  expect(one).toEqual(two);
  expect([one.done, wantedLeft(one)]).toEqual([true, []]);
  expect(practise(SEED + 1, acts).readings.map(({ highV }) => highV)).not.toEqual(one.readings.map(({ highV }) => highV));
});

test('who reads what is worth most wastes nothing and scores full', () => {
  for (const seed of [SEED, 3, 77]) {
    const practice = practise(seed, byWorth(seed));
    const score = scoreOf(practice, bestOf(seed));
    expect([seed, score.score, score.wastedMin, score.premature, score.wrong]).toEqual([seed, 100, 0, 0, 0]);
    expect([score.minutes, score.readings]).toEqual([score.bestMin, score.bestReadings]);
  }
});

test('a reading costs its switching, its pin and the meter; one that was taken already, or of what is proved, is waste', () => {
  const bench = new PracticeBench(SEED);
  const [first, second] = bench.stands().run.pins;
  if (!first || !second) throw new Error('the plug has pins');
  for (const [pin, state] of [
    [first.id, 'stop pedal'],
    [second.id, 'stop pedal'],
    [second.id, 'rear fog'],
  ] as const)
    bench.act({ kind: 'read', pin, state });
  // Pedal 0.25, pin 0.1, meter 0.2; the next pin 0.3; ignition (two turns), parking, dipped, fog on and the pedal let go: six things, the pin stays.
  expect(bench.stands().readings.map(({ minutes }) => Math.round(minutes * 100) / 100)).toEqual([0.55, 0.3, 1.7]);
  for (let time = 0; time < 4; time++) bench.act({ kind: 'read', pin: second.id, state: 'rear fog' });
  expect(bench.stands().readings.at(-1)?.waste).toBe('read before');
  const proved = byWorth(SEED).filter(({ kind }) => kind === 'read');
  const after = practise(SEED, [...proved, { kind: 'read', pin: first.id, state: 'key off' }]);
  expect(after.readings.at(-1)?.waste).toBe('proved already');
});

test('a word that is said too early is premature, with how doubtful it was; a wrong one says what is really there and when its lamp would be wrong', () => {
  const start = practise(SEED, []);
  const [name] = start.run.wanted ?? [];
  if (!name) throw new Error('something is wanted');
  const right = practise(SEED, byWorth(SEED)).claims.find((claim) => claim.function === name);
  if (!right) throw new Error('it was proved');
  const early = practise(SEED, [{ kind: 'claim', pin: right.pin, function: name }]).claims[0];
  expect([early?.premature, early?.isReally, early?.wrongIn]).toEqual([true, undefined, []]);
  expect(early?.doubt).toBeGreaterThan(0.7);
  const other = start.run.pins.find(({ id }) => id !== right.pin)?.id ?? '';
  const wrong = practise(SEED, [{ kind: 'claim', pin: other, function: name }]);
  expect(wrong.claims[0]?.isReally).toBeDefined();
  const { isReally, wrongIn = [] } = wrong.claims[0] ?? {};
  expect(wrongIn.length).toBeGreaterThan(0);
  // With the key off both are dead, whatever they are, unless one is a constant supply.
  expect(wrongIn.includes('key off')).toBe(isReally === 'constant supply');
  expect(wrongIn.length).toBeLessThan(start.run.states.length);
});

test('the score is the best time’s share of one’s own, ten less for each word said too early, forty for each wrong one', () => {
  const claim = { pin: '1', function: 'tail' as const, premature: false, doubt: 0, wrongIn: [] };
  const practice = (part: Partial<Practice>): Practice => ({ ...practise(SEED, []), minutes: 8, ...part });
  const best = { minutes: 6, readings: 12 };
  expect(scoreOf(practice({ claims: [claim] }), best).score).toBe(75);
  expect(scoreOf(practice({ claims: [{ ...claim, premature: true }] }), best)).toMatchObject({ score: 65, premature: 1, wrong: 0 });
  // What is wrong was always too early; it counts once, as wrong.
  expect(scoreOf(practice({ claims: [{ ...claim, premature: true, isReally: 'reverse' }] }), best)).toMatchObject({ score: 35, premature: 0, wrong: 1 });
  expect(scoreOf(practice({ minutes: 60, claims: [{ ...claim, isReally: 'empty' }] }), best).score).toBe(0);
  expect(scoreOf(practice({ minutes: 4 }), best).score).toBe(100);
  const reading = { pin: '1', state: 'parking' as const, lowV: 0, highV: 0, found: 'off' as const, minutes: 0.5 };
  expect(scoreOf(practice({ readings: [reading, { ...reading, minutes: 0.7, waste: 'tells little' }] }), best)).toMatchObject({
    readings: 2,
    wastedMin: 0.7,
    bestReadings: 12,
    bestMin: 6,
  });
});

test('acts on what is not there, words said twice and acts after the end count for nothing', () => {
  const acts = byWorth(SEED);
  const odd: PracticeAct[] = [
    { kind: 'read', pin: '99', state: 'parking' },
    { kind: 'read', pin: '1', state: 'engine' },
    { kind: 'claim', pin: '1', function: 'dipped' },
  ];
  expect(practise(SEED, [...odd, ...acts, ...acts])).toEqual(practise(SEED, acts));
  expect(
    practise(
      SEED,
      Array.from({ length: MOST_ACTS + 50 }, () => ({ kind: 'read' as const, pin: '1', state: 'parking' as const })),
    ).readings,
  ).toHaveLength(MOST_ACTS);
}, 60_000);
