import { describe, expect, test } from 'vitest';
import { exerciseOf, partOf, type Block, type Form } from '$lib/core';
import { ArrangementState } from './arrangement.svelte';
import { warningText } from './warningText';

const blockOf = (exerciseId: string, form: Form): Block => {
  const exercise = exerciseOf(exerciseId);
  const work = [{ side: 'left' as const, sets: 2, form, setting: {} }];
  return {
    exerciseId,
    part: partOf(exercise),
    links: exercise.links,
    props: [],
    baseSets: 2,
    leastHoldS: 90,
    priority: 1,
    because: [],
    work
  };
};
const hold: Form = { kind: 'hold', spec: { holdS: 90 } };
const blocks = [
  blockOf('front_hamstring_cycle', hold),
  blockOf('front_leg_lift', { kind: 'reps', spec: { reps: 12, liftS: 2, holdS: 3, lowerS: 2, restS: 4, peakPct: 50 } }),
  blockOf('front_split_on_stack', hold)
];
const state = (more: Partial<ConstructorParameters<typeof ArrangementState>[0]> = {}) =>
  new ArrangementState({ blocks, arranged: null, minutes: 30, effortCapPct: 60, hardYesterday: [], ...more });
const ids = (s: ArrangementState) => s.places.map((p) => p.exerciseId);

describe('a session while it is arranged', () => {
  test('the total follows every change, to the second', () => {
    const s = state();
    const before = s.uncutS;
    s.changeSets(0, 1);
    expect(s.uncutS).toBe(before + 90 + 20); // one hold more, and its rest
    s.changeSets(0, -1);
    expect(s.uncutS).toBe(before);
  });

  test('begins with the training that the plan puts beside it; what was arranged stands above that', () => {
    expect(state({ training: 'after training' }).warnings.map((w) => w.code)).toContain('work after training');
    const arranged = { ...state().value, training: 'alone' } as const;
    expect(state({ training: 'after training', arranged }).warnings.map((w) => w.code)).not.toContain('work after training');
  });

  test('what the plan does on another day waits to be put in, and taken out again it is not kept out of its own day', () => {
    const s = state({ elsewhere: new Set(['front_leg_lift']) });
    expect(ids(s)).toEqual(['front_hamstring_cycle', 'front_split_on_stack']);
    expect(s.left.map((b) => b.exerciseId)).toEqual(['front_leg_lift']);
    expect(s.made.ok && s.made.value.blocks.map((b) => b.exerciseId)).toEqual(ids(s));
    s.putBack('front_leg_lift');
    expect(s.value.parts).toHaveLength(3);
    expect(s.made.ok && s.made.value.blocks).toHaveLength(3);
    s.takeOut(2);
    expect(s.value.out).toEqual([]);
  });

  test('back to how it stands takes the minutes back as well', () => {
    const s = state();
    s.useTemplate('short day');
    expect(s.value.minutes).not.toBe(30);
    s.useTemplate('');
    expect(s.value).toEqual(state().value);
  });

  test('a row tells what is done after the day and the cuts, beside the seconds of the same', () => {
    const s = state();
    s.set({ work: 'stretch only', fits: false });
    expect(s.givenAt(1)).toBeNull(); // lifts have no stretch
    s.set({ work: 'both', fits: true, minutes: 5, cutOrder: ['extra sets'] });
    const lifts = s.givenAt(1);
    if (lifts) expect(lifts.block.work[0]!.sets).toBe(1);
    s.set({ minutes: 30 });
    expect(s.givenAt(1)!.block.work[0]!.sets).toBe(2);
  });

  test('is moved by one place, and not past its ends', () => {
    const s = state();
    s.move(0, -1);
    s.move(0, 1);
    expect(ids(s)).toEqual(['front_leg_lift', 'front_hamstring_cycle', 'front_split_on_stack']);
    s.move(2, 1);
    expect(s.value.parts).toHaveLength(3);
  });

  test('what is taken out can be put back; of two visits one may go', () => {
    const s = state();
    s.putBack('front_split_on_stack');
    s.takeOut(3);
    expect(s.left).toEqual([]);
    s.takeOut(2);
    expect(s.left.map((b) => b.exerciseId)).toEqual(['front_split_on_stack']);
    expect(s.value.out).toEqual(['front_split_on_stack']);
    s.putBack('front_split_on_stack');
    expect(s.value.out).toEqual([]);
  });

  test('sets stay between one and twenty', () => {
    const s = state();
    for (let i = 0; i < 30; i++) s.changeSets(1, 1);
    expect(s.value.parts[1]!.sets).toBe(20);
    for (let i = 0; i < 30; i++) s.changeSets(1, -1);
    expect(s.value.parts[1]!.sets).toBe(1);
  });

  test('a warning is mended by its button', () => {
    const s = state();
    s.move(1, -1);
    const [warning] = s.warnings;
    expect(warningText(warning!, exerciseOf)).toMatchObject({ mend: expect.stringContaining('after it') });
    s.mend(warning!);
    expect(s.warnings).toEqual([]);
    const again = state({ hardYesterday: exerciseOf('front_leg_lift').links });
    expect(warningText(again.warnings[0]!, exerciseOf).why).toContain('yesterday');
    again.mend(again.warnings[0]!);
    expect(again.left.map((b) => b.exerciseId)).toEqual(['front_leg_lift']);
  });

  test('what comes before what leads to it is moved after it', () => {
    const [first] = blocks;
    const row = ['half_split_hold', 'low_lunge'].map((exerciseId) => ({ ...first!, exerciseId }));
    const s = state({ blocks: [...row, ...blocks.slice(1)] });
    const warning = s.warnings.find((w) => w.code === 'out of order')!;
    expect(warningText(warning, exerciseOf)).toEqual({
      why: `${exerciseOf('half_split_hold').name} comes before ${exerciseOf('low_lunge').name}, which usually leads to it.`,
      mend: `Move it after ${exerciseOf('low_lunge').name}`
    });
    s.mend(warning);
    expect(ids(s).slice(0, 2)).toEqual(['low_lunge', 'half_split_hold']);
    expect(s.warnings.map((w) => w.code)).not.toContain('out of order');
  });

  test('too few minutes are told, and nothing is lost by it', () => {
    const s = state();
    s.set({ minutes: 1 });
    expect(s.made).toMatchObject({ ok: false, problem: { code: 'minutes_too_few' } });
    s.set({ minutes: 30 });
    expect(s.made.ok && s.places.length).toBe(3);
  });

  test('what was kept comes back, with what came into the week since at its end', () => {
    const kept = { ...state().value, parts: [{ exerciseId: 'front_split_on_stack', sets: 1 }], out: ['front_leg_lift'] };
    const s = state({ arranged: kept });
    expect(ids(s)).toEqual(['front_split_on_stack', 'front_hamstring_cycle']);
    expect(s.setsOf(s.places[0]!)).toBe(1);
    s.moveCut('holds', -1);
    expect(s.value.cutOrder.slice(0, 2)).toEqual(['holds', 'extra sets']);
  });

  test('a second side that is left out is told, and given back', () => {
    const sided = blocks.map((b) => ({ ...b, work: [b.work[0]!, { ...b.work[0]!, side: 'right' as const }] }));
    const s = state({ blocks: sided });
    expect(s.hasSides(s.places[1]!)).toBe(true);
    s.setSide(1, 'left');
    const less = s.warnings.find((w) => w.code === 'second side less')!;
    expect(less).toMatchObject({ exerciseId: 'front_leg_lift', side: 'right', sets: 2 });
    expect(warningText(less, exerciseOf).mend).toBe('2 sets more on the right');
    s.mend(less);
    expect(s.value.parts.slice(1, 3)).toEqual([
      { exerciseId: 'front_leg_lift', side: 'left' },
      { exerciseId: 'front_leg_lift', side: 'right', sets: 2 }
    ]);
    expect(s.warnings).toEqual([]);
    s.takeOut(2);
    s.mend(s.warnings.find((w) => w.code === 'opened, not owned')!);
    expect(s.value.parts.filter((p) => p.exerciseId === 'front_leg_lift').map((p) => p.side)).toEqual(['right', 'left']);
  });

  test('what comes into the week meanwhile stands at the end, what left it is gone, the rest as it was arranged', () => {
    const s = state();
    s.move(0, 1);
    s.changeSets(0, 1);
    s.takeOut(2);
    s.follow([...blocks.filter((b) => b.exerciseId !== 'front_hamstring_cycle'), blockOf('rear_hip_cycle', hold)]);
    expect(s.value.parts).toEqual([{ exerciseId: 'front_leg_lift', sets: 3 }, { exerciseId: 'rear_hip_cycle' }]);
    expect(s.left.map((b) => b.exerciseId)).toEqual(['front_split_on_stack']);
  });
});
