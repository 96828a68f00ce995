import { describe, expect, test } from 'vitest';
import { loadsJoint } from '../exercise/exercise';
import {
  afterPain,
  compileSession,
  exerciseOf,
  partOf,
  stepsAfterPain,
  type Block,
  type FlowStep,
  type Side,
  type TimelineSet
} from '../index';

// Source: common practice, the cautious side (docs/sources.md#screening).
const blockOf = (id: string, sets: number, on: readonly Side[] = ['left', 'right']): Block => {
  const exercise = exerciseOf(id);
  const form = { kind: 'hold', spec: { holdS: 30 } } as const;
  const work = (on.length > 0 ? on : [null]).map((side) => ({ side, sets, form, setting: {}, easier: { form, setting: {} } }));
  return {
    exerciseId: id,
    part: partOf(exercise),
    links: exercise.links,
    props: [],
    baseSets: sets,
    leastHoldS: 20,
    priority: 1,
    because: [],
    work
  };
};
const { sets } = compileSession([
  blockOf('front_hamstring_cycle', 1),
  blockOf('rear_hip_cycle', 1),
  blockOf('front_split_on_stack', 2)
]);
const indexOf = (id: string, side: Side, setNo = 1) =>
  sets.find((s) => s.exerciseId === id && s.side === side && s.setNo === setNo)!.index;
const named = (indices: readonly number[]) => indices.map((i) => sets[i]!).map((s: TimelineSet) => `${s.exerciseId}/${s.side}`);

const loadsKnee = (id: string, side: Side | null) => loadsJoint(exerciseOf(id), side, { joint: 'knee', side: 'left' });

describe('afterPain', () => {
  test('a stretch that is only felt changes nothing', () =>
    expect(afterPain(sets, 0, { kind: 'stretch_or_work', place: 'back_of_thigh', side: 'left' })).toEqual({
      endsSet: false,
      endsSession: false,
      dropped: [],
      eased: []
    }));

  test('a pinch ends the set and eases what is left of that exercise on that side', () => {
    const at = indexOf('front_split_on_stack', 'left');
    const outcome = afterPain(sets, at, { kind: 'pinch', place: 'front_of_hip', side: 'left' });
    expect(outcome).toMatchObject({ endsSet: true, endsSession: false, dropped: [] });
    expect(named(outcome.eased)).toEqual(['front_split_on_stack/left']);
  });

  test('joint pain ends the exercise on both sides, and nothing else', () => {
    const outcome = afterPain(sets, indexOf('front_split_on_stack', 'left'), { kind: 'joint', place: 'knee', side: 'left' });
    expect(new Set(named(outcome.dropped))).toEqual(new Set(['front_split_on_stack/left', 'front_split_on_stack/right']));
  });

  test('what is done with both sides together goes as well, and is eased as well', () => {
    const { sets } = compileSession([blockOf('pancake_on_seat', 3, []), blockOf('butterfly_seat', 1, [])]);
    const outcome = afterPain(sets, 0, { kind: 'joint', place: 'front_of_hip', side: 'left' });
    expect(sets.map((s) => s.side)).toEqual([null, null, null, null]);
    expect(outcome).toMatchObject({ dropped: [1, 2], eased: [3] });
    const pinch = afterPain(sets, 0, { kind: 'pinch', place: 'front_of_hip', side: 'left' });
    expect(pinch).toMatchObject({ dropped: [], eased: [1, 2, 3] });
  });

  test('an ache at the left sit-bone takes out what stretches the left hamstring later on', () => {
    const outcome = afterPain(sets, indexOf('front_hamstring_cycle', 'left'), {
      kind: 'bone_attachment',
      place: 'sit_bone',
      side: 'left'
    });
    expect(named(outcome.dropped)).toContain('front_split_on_stack/left');
    expect(named(outcome.dropped)).not.toContain('front_split_on_stack/right');
    expect(named(outcome.dropped)).not.toContain('rear_hip_cycle/left');
  });

  test('a moderate pain rests whatever loads its joint, a mild one no more than before, a severe one ends the session', () => {
    const at = indexOf('front_split_on_stack', 'left');
    const pinch = { kind: 'pinch', place: 'knee', side: 'left' } as const;
    const resting = sets.filter((s) => s.index > at && loadsKnee(s.exerciseId, s.side)).map((s) => s.index);
    expect(resting.length).toBeGreaterThan(0);
    for (const kind of ['pinch', 'joint', 'too_strong', 'bone_attachment'] as const) {
      const moderate = afterPain(sets, at, { ...pinch, kind, grade: 'moderate' });
      expect(moderate.dropped, kind).toEqual(expect.arrayContaining(resting));
      expect(
        moderate.eased.filter((i) => moderate.dropped.includes(i)),
        kind
      ).toEqual([]);
      expect(afterPain(sets, at, { ...pinch, kind, grade: 'severe' }), kind).toMatchObject({ endsSession: true });
    }
    expect(afterPain(sets, at, { ...pinch, grade: 'mild' })).toEqual(afterPain(sets, at, pinch));
    expect(afterPain(sets, at, { ...pinch, kind: 'stretch_or_work', grade: 'severe' }).endsSession).toBe(false);
  });

  test.each(['sharp_pop', 'nerve', 'locking', 'urgent_sign'] as const)('%s ends the session', (kind) => {
    const outcome = afterPain(sets, 0, { kind, place: 'knee', side: 'right' });
    expect(outcome.endsSession).toBe(true);
    expect(outcome.dropped).toHaveLength(sets.length - 1);
  });
});

describe('stepsAfterPain', () => {
  const stepOf = (exerciseId: string, side: Side | null): FlowStep => ({ exerciseId, side, durationS: 40, cue: 'march' });
  const steps = [
    stepOf('march_on_the_spot', null),
    stepOf('leg_swings_forward', 'left'),
    stepOf('leg_swings_forward', 'right'),
    stepOf('half_split_pulses', 'left'),
    stepOf('half_split_pulses', 'right'),
    stepOf('arm_circles', null),
    { durationS: 60, cue: 'march' } as FlowStep
  ];
  const after = (event: Parameters<typeof afterPain>[2]) => stepsAfterPain(steps, 1, event);

  test('what is only felt ends nothing; what was too strong ends its exercise', () => {
    expect(after({ kind: 'stretch_or_work', place: 'back_of_thigh', side: 'left' })).toEqual([]);
    expect(after({ kind: 'too_strong', place: 'back_of_thigh', side: 'left' })).toEqual([1, 2]);
  });

  test('joint pain ends what loads the joint as well; nothing of the rest of the warm-up', () => {
    const knee = after({ kind: 'joint', place: 'knee', side: 'left' });
    const loading = steps.flatMap((s, i) => (i > 1 && s.exerciseId && loadsKnee(s.exerciseId, s.side ?? null) ? [i] : []));
    expect(loading.length).toBeGreaterThan(0);
    expect(knee).toEqual([...new Set([1, 2, ...loading])].toSorted());
    expect(knee).not.toContain(5);
  });

  test('at the bone what stretches the line goes too, on its side', () => {
    const bone = after({ kind: 'bone_attachment', place: 'sit_bone', side: 'left' });
    expect(bone).toContain(3);
    expect(bone).not.toContain(5);
  });
});
