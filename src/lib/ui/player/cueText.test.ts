import { describe, expect, test } from 'vitest';
import { compileForm, compileSession, countAt, exerciseOf, partOf, type Form, type Phase, type TimelineSet } from '$lib/core';
import type { LastTime } from '$lib/contract/review';
import { doseText } from '$lib/ui/session/doseText';
import { holdCues } from '$lib/words/holdWords';
import { checksOf, countText, cueOf, howOf, lastTimeText, shownText, slipsOf, spokenText, stackChangeText } from './cueText';

const effort = (peakPct: number) => ({ rampUpS: 5, holdS: 5, rampDownS: 3, peakPct });
const cycle: Form = {
  kind: 'cycle',
  spec: { holdS: 20, rounds: 2, press: effort(40), draw: effort(30), turnS: 2, settleS: 10, finalSettleS: 20 }
};
const reps: Form = { kind: 'reps', spec: { reps: 3, liftS: 2, holdS: 3, lowerS: 2, restS: 2, peakPct: 50 } };

const setOf = (exerciseId: string, form: Form): TimelineSet => {
  const exercise = exerciseOf(exerciseId);
  const block = {
    exerciseId,
    part: partOf(exercise),
    links: exercise.links,
    props: [],
    baseSets: 1,
    leastHoldS: 10,
    priority: 1
  };
  return compileSession([{ ...block, because: [], work: [{ side: 'left', sets: 1, form, setting: {} }] }]).sets[0]!;
};
const set = setOf('front_hamstring_cycle', cycle);
const phases = compileForm(cycle);
const of = (kind: Phase['kind']) => phases.find((p) => p.kind === kind)!;

describe('the cue', () => {
  test('every phase of a cycle has one, and none is empty', () => {
    for (const phase of phases) expect(cueOf(phase, 20, set).text, phase.kind).not.toBe('');
  });

  test('a ramp begins in words and goes on by its percent', () => {
    expect(cueOf(of('press up'), 0, set).text).toBe('Build up to 40 %');
    expect(cueOf(of('press up'), 20, set).text).toBe('Press 20 %');
    expect(cueOf(of('draw up'), 0, set).text).toBe('Draw, up to 30 %');
    expect(cueOf(of('draw'), 30, set).text).toBe('Draw 30 %');
  });

  // Source: common practice. Letting go is as gradual as pressing, so its percent is told as well.
  test('letting go is told by its percent, the turn by none', () => {
    expect(cueOf(of('press down'), 10, set).text).toBe('Let go slowly, 10 %');
    expect(cueOf(of('draw down'), 10, set).text).toBe('Let go slowly, 10 %');
    expect(cueOf(of('turn'), 0, set).text).toBe('Let go');
  });

  test('press and draw are told apart by colour as well as by word', () => {
    const tones = (kinds: Phase['kind'][]) => new Set(kinds.map((k) => cueOf(of(k), 20, set).tone));
    expect(tones(['press up', 'press', 'press down'])).toEqual(new Set(['iris']));
    expect(tones(['draw up', 'draw', 'draw down'])).toEqual(new Set(['fern']));
    expect(tones(['hold', 'settle', 'turn'])).toEqual(new Set(['ink']));
  });

  test('a lift is held there, not drawn by percent', () => {
    const lifted = setOf('front_leg_lift', reps);
    const held: Phase = { ...of('draw'), kind: 'held', cue: { code: 'hold' } };
    expect(cueOf(held, 50, lifted).text).toBe('Hold it there');
  });

  test('a change of sides is said while getting ready', () => {
    const ready: Phase = { kind: 'ready', startS: 0, endS: 5, fromPct: 0, toPct: 0, cue: { code: 'get ready' } };
    expect(cueOf(ready, 0, set).text).toBe('Get ready');
    expect(cueOf(ready, 0, { ...set, sideChange: true }).text).toBe('Change sides');
  });
});

describe('the line under it', () => {
  const exercise = exerciseOf('front_hamstring_cycle');

  test('says how to press and to draw in the words of the exercise', () => {
    expect(howOf(of('press'), exercise)).toBe(exercise.press);
    expect(howOf(of('draw'), exercise)).toBe(exercise.draw);
  });

  test('tells the set-up while there is time for it', () => {
    const ready: Phase = { ...of('hold'), kind: 'ready' };
    for (const step of exercise.setup) expect(howOf(ready, exercise)).toContain(step);
  });

  test('what resists, and another way to press, stand with it', () => {
    const pressed: Phase = { ...of('press'), how: 'in toward the middle', notes: [{ code: 'against', resistance: 'strap' }] };
    expect(howOf(pressed, exercise)).toBe('in toward the middle. Press against the strap.');
  });

  test('an exercise that has no words of its own falls back on those of the phase', () => {
    const { press, ...silent } = exerciseOf('front_split_on_stack');
    expect(press).toBeUndefined();
    expect(howOf(of('press'), exerciseOf(silent.id))).toBe('Press, steady. Keep breathing.');
  });
});

describe('what is said aloud', () => {
  const shown = { exerciseId: 'front_hamstring_cycle', side: 'left' } as const;
  const ready: Phase = { kind: 'ready', startS: 0, endS: 15, fromPct: 0, toPct: 0, cue: { code: 'get ready' } };
  const split = exerciseOf('front_split_on_stack');
  const on = (depthCm: number, under: 'pelvis' | 'lead heel' = 'pelvis') => ({
    stacks: [{ dialId: 'depthCm', rung: { depthCm, items: [{ propId: 'block', face: 0 }], under, heightCm: Math.abs(depthCm) } }]
  });

  test('while getting ready: which exercise, which side, and what to fetch', () =>
    expect(spokenText(ready, 0, { ...set, sideChange: true }, shown, 'The stack stays.')).toBe(
      `Change sides: ${exerciseOf('front_hamstring_cycle').name}, left ${exerciseOf('front_hamstring_cycle').sideWords}. The stack stays.`
    ));

  test('a repetition by its count, a movement by its words, the rest by its cue', () => {
    const [lift] = compileForm(reps);
    expect(spokenText(lift!, 50, set, shown, '')).toBe('Lift, 1 of 3.');
    const knees = setOf('butterfly_drawn_down', reps);
    expect(spokenText(lift!, 50, knees, { ...shown, exerciseId: 'butterfly_drawn_down' }, '')).toBe(
      'Draw the knees down, 1 of 3.'
    );
    expect(howOf(lift!, exerciseOf('butterfly_drawn_down'))).toBe('1 of 3');
    const lower = compileForm(reps).find((p) => p.kind === 'lower')!;
    expect([cueOf(lower, 0, knees).text, howOf(lower, exerciseOf('butterfly_drawn_down'))]).toEqual([
      'Let them rise slowly',
      'Let them rise slowly.'
    ]);
    expect(spokenText({ ...ready, kind: 'move', cue: { code: 'march' } }, 0, set, shown, '')).toBe(
      'March on the spot, arms swinging.'
    );
    expect(spokenText(of('press'), 40, set, shown, '')).toBe('Press 40 %');
  });

  test('a side that is none is not said', () =>
    expect(shownText({ exerciseId: 'march_on_the_spot', side: null })).toBe(exerciseOf('march_on_the_spot').name));

  test('the stack is told where it changes, and that it stays where it does not', () => {
    expect(stackChangeText(split, {}, undefined, [], 'cm')).toBe('');
    expect(stackChangeText(split, on(20), on(20), [], 'cm')).toBe('The stack stays.');
    expect(stackChangeText(split, on(20), on(22.5), [], 'cm')).toMatch(/^Stack: 20 cm under the pelvis: /);
    expect(stackChangeText(split, on(-5, 'lead heel'), on(0), [], 'cm')).toMatch(/5 cm past flat under the lead heel/);
  });

  test('breaths and pulses are cues of their own, and what is counted is told', () => {
    const breaths: Phase = { kind: 'hold', startS: 0, endS: 24, fromPct: 15, toPct: 15, cue: { code: 'breathe' }, beatS: 8 };
    expect(cueOf(breaths, 15, set)).toEqual({ text: 'Breathe', tone: 'iris' });
    expect(cueOf({ ...breaths, fromPct: 0, toPct: 0 }, 0, set)).toEqual({ text: 'Breathe', tone: 'ink' });
    expect(countText(countAt(breaths, 0))).toBe('1 of 3');
    expect(countText(countAt(breaths, 23.9))).toBe('3 of 3');
    expect(countText(countAt(of('hold'), 3))).toBe('');
  });
});

test.each([
  [{ clean: true, sensation: null, slipped: null }, 'Last time, 2 Mar: as planned, 1:05.'],
  [{ clean: false, sensation: 6, slipped: 'back rounded' }, 'Last time, 2 Mar: 6 of 10, back rounded, 1:05.'],
  [{ clean: false, sensation: 3, slipped: 'nothing' }, 'Last time, 2 Mar: 3 of 10, 1:05.'],
  [{ clean: false, sensation: null, slipped: null }, 'Last time, 2 Mar: nothing was said, 1:05.'],
  [
    {
      clean: true,
      sensation: null,
      slipped: null,
      figures: {
        done: 6,
        of: 8,
        effortTold: 7,
        dropDeg: 4,
        reachedCm: 25.4,
        feltAt: { place: 'knee', side: 'left' },
        signs: ['cramp'],
        ended: true
      }
    },
    'Last time, 2 Mar: as planned, 6 of 8 done, effort 7 as they said, of 10, fell by 4°, reached 10 in, felt: left knee, cramp, which ended it, 1:05.'
  ]
] satisfies [Partial<LastTime>, string][])('how it went before: %j', (said, text) =>
  expect(
    lastTimeText(
      { on: '2026-03-02', actualS: 65, figures: {}, ...(said as Pick<LastTime, 'clean' | 'sensation' | 'slipped'>) },
      { length: 'in', mass: 'kg' }
    )
  ).toBe(text)
);

describe('what somebody chose in place of the rules of a school', () => {
  const hold = { form: { kind: 'hold', spec: { holdS: 60 } } } as const;
  const exercise = exerciseOf('front_hamstring_cycle');

  test('a strict shape is checked whole, one at the joint there alone, one that loosens on purpose not at all', () => {
    expect(checksOf(exercise, hold)).toEqual(exercise.checks);
    expect(checksOf(exercise, { ...hold, rules: { alignment: 'joint only' } })).toHaveLength(1);
    expect(checksOf(exercise, { ...hold, rules: { alignment: 'graded' } })).toEqual([]);
    expect(slipsOf({ rules: { alignment: 'graded' } })).toEqual(['nothing', 'came off early']);
    expect(slipsOf({})).toContain('knee bent');
  });

  test('where the hands do not help, that is a check of its own', () =>
    expect(checksOf(exercise, { ...hold, rules: { hands: 'none' } })).toEqual([...exercise.checks, 'no hands']));

  test.each([
    [undefined, undefined, '60 s', ''],
    ['counts', 1, '60 slow counts', '3 of 60'],
    ['breaths', 6, '10 breaths', '1 of 10'],
    ['until eased', undefined, '60 s at most, until it eases', '']
  ] as const)('a hold by %s', (goesBy, beatS, text, count) => {
    const form: Form = { kind: 'hold', spec: { holdS: 60, ...(goesBy && { goesBy, beatS }) } };
    expect(doseText({ form, sets: 1 })).toBe(text);
    const [phase] = compileForm(form);
    expect(countText(countAt(phase!, 2.5))).toBe(count);
    if (goesBy) expect(howOf(phase!, exercise)).toBe(holdCues[goesBy]);
  });
});
