import { describe, expect, test } from 'vitest';
import { measureOf, type BodyLengths, type MeasureMode, type Side, type WayId } from '$lib/core';
import { MeasureState, type Before } from './measureState.svelte';

const length = (value: number, estimated = false) => ({ value, sd: 0.5, estimated });
const lengths: BodyLengths = {
  legCm: length(90),
  thighCm: length(45, true),
  shankCm: length(45, true),
  hipSpacingCm: length(17, true),
  hipToSternumCm: length(45)
};

type Known = Partial<Record<string, Before>>;
type Series = Partial<
  Record<
    string,
    ReturnType<ConstructorParameters<typeof MeasureState>[0]>['earlier'] extends (...asked: never[]) => infer E ? E : never
  >
>;

function stateOf(
  measureId: string,
  { known = {} as Known, earlier = {} as Series, typed = {}, unit = 'cm' as 'cm' | 'in', way = 'tape' as WayId } = {}
) {
  const measure = measureOf(measureId);
  const sides = measure.sides === 'each' ? (['left', 'right'] as const) : [null];
  return new MeasureState(
    () => ({
      measure,
      unit,
      lengths: sides.map((side) => ({ side, lengths })),
      own: [],
      stackStepCm: 2.5,
      today: '2026-03-16',
      earlier: ({ side, mode }) => earlier[`${side ?? 'both'} ${mode}`] ?? [],
      before: ({ side, mode }) => known[`${side ?? 'both'} ${mode}`] ?? null,
      earlierToday: () => null,
      otherwise: () => null,
      otherWays: () => []
    }),
    { bodyState: 'warm', way, support: '' },
    typed
  );
}

const type = (
  state: MeasureState,
  side: Side | null,
  values: readonly string[],
  mode: MeasureMode = 'passive',
  field = 'heightCm'
) => values.forEach((value, i) => (state.typed[`${side ?? 'both'}_${mode}_${i + 1}_${field}`] = value));

describe('what is typed is told at once', () => {
  test('past a straight line the tape reads on, where a body can go there and no run tells it', () => {
    const raise = stateOf('HF-KS', { way: 'rise and run', typed: { left_passive_1_past: 'on' } });
    type(raise, 'left', ['78'], 'passive', 'riseCm');
    expect(raise.foldDeg('left', 'passive')).toBe(90);
    expect(raise.isPast('left', 'passive')).toBe(true);
    expect(raise.result('left', 'passive')).toMatchObject({ ok: true, value: { value: expect.closeTo(120, 0) } });
    raise.setPast('left', 'passive', false);
    expect(raise.result('left', 'passive')).toMatchObject({ ok: true, value: { value: expect.closeTo(60, 0) } });
    type(raise, 'left', ['-45'], 'passive', 'runCm');
    expect(raise.foldDeg('left', 'passive')).toBeNull();
    expect(stateOf('HE', { way: 'rise and run' }).foldDeg('left', 'passive')).toBeNull();
  });

  test('nothing typed says nothing', () => {
    const state = stateOf('front_split_gap');
    expect(state.result('left', 'passive')).toBeNull();
    expect(state.impossible('left', 'passive')).toEqual([]);
    expect(state.sideDifference('passive')).toBeNull();
  });

  test('a comma is a point; the mean of two trials is what counts', () => {
    const state = stateOf('front_split_gap');
    type(state, 'left', ['22,5', '21.5']);
    expect(state.result('left', 'passive')).toMatchObject({ ok: true, value: { value: 22 } });
  });

  // By hand: two legs of 90 cm, each at asin(22/90) = 14.15° over the floor, open 180 − 2 · 14.15 = 151.7°.
  test('a split is an opening as well', () => {
    const state = stateOf('front_split_gap');
    type(state, 'left', ['22', '22']);
    expect(state.opening('left', 'passive')!.value).toBeCloseTo(151.7, 1);
    expect(stateOf('pancake_sternum_height').opening(null, 'passive')).toBeNull();
  });

  test('inches are read as such', () => {
    const state = stateOf('front_split_gap', { unit: 'in' });
    type(state, 'left', ['10']);
    expect(state.result('left', 'passive')).toMatchObject({ value: { value: 25.4 } });
  });

  test('a number no leg allows is told beside it, and read by nobody', () => {
    const state = stateOf('front_split_gap');
    type(state, 'left', ['95']);
    expect(state.impossible('left', 'passive')).toEqual([expect.stringMatching(/Longer than the leg/)]);
    expect(state.result('left', 'passive')).toBeNull();
  });

  test('half a number is wrong, not zero', () => {
    const state = stateOf('front_split_gap');
    type(state, 'left', ['2x']);
    expect(state.result('left', 'passive')).toBeNull();
    expect(state.impossible('left', 'passive')).toEqual(['Write a number, for example 12.5']);
  });

  test('held further than reached was mixed up, or is not the end; held short of it is usual', () => {
    const state = stateOf('front_split_gap');
    type(state, 'left', ['22', '22']);
    type(state, 'left', ['29', '29'], 'active');
    expect(state.activeGap('left')).toMatchObject({ leads: false, trails: true });
    type(state, 'left', ['12', '12'], 'active');
    expect(state.activeGap('left')!.leads).toBe(true);
  });
});

describe('left and right', () => {
  const before = (value: number): Before => ({ value, trials: 2, takenOn: '2026-01-05', sd: 1 });
  const known = { 'left passive': before(12), 'right passive': before(25) };

  test('sides that have changed places since the last time are pointed out, and put right by one tap', () => {
    const state = stateOf('front_split_gap', { known });
    type(state, 'left', ['25', '24.5']);
    type(state, 'right', ['12', '12.5']);
    expect(state.looksSwapped('passive')).toBe(true);
    state.swapSides('passive');
    expect([state.typed.left_passive_1_heightCm, state.typed.right_passive_2_heightCm]).toEqual(['12', '24.5']);
    expect(state.looksSwapped('passive')).toBe(false);
  });

  test('a third trial of one side goes along', () => {
    const state = stateOf('front_split_gap', { known });
    state.addTrial('left', 'passive');
    type(state, 'left', ['25', '24', '24.5']);
    state.swapSides('passive');
    expect([state.trialNumbers('left', 'passive'), state.trialNumbers('right', 'passive')]).toEqual([
      [1, 2],
      [1, 2, 3]
    ]);
  });

  test('a difference within the measuring error is none', () => {
    const state = stateOf('front_split_gap');
    type(state, 'left', ['22', '22']);
    type(state, 'right', ['22.5', '22']);
    expect(state.sideDifference('passive')!.exceedsError).toBe(false);
    type(state, 'right', ['32', '32']);
    expect(state.sideDifference('passive')).toMatchObject({ difference: -10, exceedsError: true });
  });
});

describe('trials and their slots', () => {
  test('two of a length, one of a level; at most five', () => {
    const split = stateOf('front_split_gap');
    expect(split.trialNumbers('left', 'passive')).toEqual([1, 2]);
    for (let i = 0; i < 9; i++) split.addTrial('left', 'passive');
    expect(split.trialNumbers('left', 'passive')).toEqual([1, 2, 3, 4, 5]);
    expect(split.canAdd('left', 'passive')).toBe(false);
    const level = stateOf('lotus_stage');
    expect(level.trialNumbers(level.slots([null])[0]?.side ?? 'left', 'passive')).toEqual([1]);
  });

  test('an instrument fills the open slots in order, and keeps the picture it was read from', () => {
    const state = stateOf('front_split_gap');
    const slots = state.slots(['right', 'left']);
    expect(slots.slice(0, 4).map((s) => `${s.side} ${s.mode} ${s.n}`)).toEqual([
      'right passive 1',
      'right passive 2',
      'left passive 1',
      'left passive 2'
    ]);
    expect(state.firstOpen(slots)).toBe(0);
    state.fill(slots[0]!, 21.26, 1, 'picture');
    expect([state.slotText(slots[0]!), state.firstOpen(slots)]).toEqual(['21.3', 1]);
    expect(state.photos.right_passive_1_photo).toBe('picture');
    for (const slot of slots) state.fill(slot, 20, 1);
    expect(state.firstOpen(slots)).toBe(slots.length);
    // A number taken anew by tape is of no picture any more.
    expect(state.photos.right_passive_1_photo).toBe('');
  });

  test('what came back from a refused form stands where it was typed, further trials too', () => {
    const state = stateOf('front_split_gap', {
      typed: { left_passive_1_heightCm: '2o', left_passive_4_heightCm: '21', right_passive_1_photo: 'picture' }
    });
    expect(state.typed.left_passive_1_heightCm).toBe('2o');
    expect(state.trialNumbers('left', 'passive')).toEqual([1, 2, 3, 4]);
    expect(state.photos.right_passive_1_photo).toBe('picture');
  });
});
