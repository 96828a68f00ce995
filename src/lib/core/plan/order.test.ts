import { describe, expect, test } from 'vitest';
import type { Exercise } from '../exercise/exercise';
import { exerciseOf, exercises } from '../exercise/exercises';
import { levels } from '../level';
import { fittedSession, uncutSession } from './fittedSession';
import type { PlanAsk } from './planProgression';
import type { WeekWork } from './sessionBlocks';
import { settleSeconds, warmUpFlow, warmUpSeconds } from './warmUp';
import { fillRecipe, recipePlaces } from '../recipe/fillRecipe';
import { recipes } from '../recipe/recipes';
import { limit, somebody } from '../testing/person';
import { splitPlanAsk } from '../testing/plan';
import { weekFor } from '../testing/week';
import { usualArrangement } from '../session/arrange';
import { isWorked, type Block } from '../session/block';
import { timelineOf } from '../session/compileSession';
import { sessionTemplates } from '../session/templates';
import { comesBefore, inPrecedence } from '../session/precedence';

const listed = exercises.map((e) => ({ exerciseId: e.id }));

// Source: what comes before what in reference sessions, common practice.
describe('what comes before what', () => {
  test('runs in no ring', () => {
    const order = inPrecedence(listed).map((e) => e.exerciseId);
    expect(new Set(order).size).toBe(exercises.length);
    for (const [i, later] of order.entries())
      for (const earlier of order.slice(0, i)) expect(comesBefore(later, earlier), `${later} before ${earlier}`).toBe(false);
  });

  test.each([
    ['pulses before lift-offs', 'wall_split_pulses', 'wall_split_lift_off'],
    ['the flat split before the raised one', 'front_split_on_stack', 'raised_split'],
    ['the back warm before the lean', 'prone_press_up', 'split_lean'],
    ['the frog before the side split is sat into', 'frog', 'side_split_sit_in'],
    ['passive before strict before tilted', 'one_leg_frog', 'one_leg_frog_tilted'],
    ['sweeps before switches', 'sweep_fold', 'switch_90_90'],
    ['unloaded before loaded', 'rock_back_tucked', 'stair_knee_drive'],
    ['the roll-down before what owns it', 'weighted_roll_down', 'raise_back_off'],
    ['the press before the active end', 'stick_two_phase', 'end_hold_rotation']
  ])('%s', (_, one, other) => {
    expect(comesBefore(one, other)).toBe(true);
    expect(comesBefore(other, one)).toBe(false);
    expect(
      inPrecedence([{ exerciseId: other }, { exerciseId: 'low_lunge' }, { exerciseId: one }]).map((e) => e.exerciseId)
    ).toEqual(['low_lunge', one, other]);
  });

  test('every recipe has it so already, at every level', () => {
    for (const { goal, stage = 0, school = null } of recipes)
      for (const level of levels) {
        const ask = { goal, stage, school, level, catalogue: exercises, isOpen: () => true, isAtHand: () => true };
        const order = fillRecipe(ask).picks.map((p) => ({ exerciseId: p.exercise.id }));
        expect(inPrecedence(order), `${goal} ${school} ${stage} ${level}`).toEqual(order);
      }
  });
});

describe('the order of a session', () => {
  const ids = ['wall_split_lift_off', 'low_lunge', 'wall_split_pulses', 'lying_contract_relax', 'standing_split_kicks'];
  const blocksOf = (week: readonly WeekWork[], more: Partial<PlanAsk> = {}) =>
    uncutSession({ ...splitPlanAsk, week, phase: 'open', amount: 'whole', light: false, ...more }).blocks;
  const idsOf = (blocks: readonly Block[]) => blocks.filter(isWorked).map((b) => b.exerciseId);
  const places = recipePlaces([{ goal: 'standing_split', stage: 0, school: 'drills' }]);
  const ranked = weekFor({ ids }).map((w) => ({ ...w, place: places.get(w.exercise.id) }));

  test('is that of the recipe; what no recipe names comes at the end of its part', () => {
    expect(idsOf(blocksOf(ranked))).toEqual([
      'lying_contract_relax',
      'low_lunge',
      'standing_split_kicks',
      'wall_split_pulses',
      'wall_split_lift_off'
    ]);
    const more = [...ranked, ...weekFor({ ids: ['pigeon_forward', 'side_lying_abduction'] })];
    const order = idsOf(blocksOf(more));
    expect(order.indexOf('pigeon_forward')).toBe(order.indexOf('low_lunge') + 1);
    expect(order.indexOf('side_lying_abduction')).toBeGreaterThan(order.indexOf('standing_split_kicks'));
  });

  test('keeps what comes before what without a recipe, and in every template', () => {
    const blocks = blocksOf(weekFor({ ids }));
    const orders = [
      idsOf(blocks),
      ...sessionTemplates.map((t) => t.of(usualArrangement(blocks, 60), blocks).parts.map((p) => p.exerciseId))
    ];
    for (const order of orders.filter((o) => o.includes('wall_split_lift_off') && o.includes('wall_split_pulses')))
      expect(order.indexOf('wall_split_pulses'), order.join()).toBeLessThan(order.indexOf('wall_split_lift_off'));
  });

  test('a superset is done in turn, set by set, without a rest; each by itself where the other is not there', () => {
    const pair = ['raise_back_off', 'half_90_circles'];
    const joined = (week: readonly string[]) => blocksOf(weekFor({ ids: week })).flatMap((b) => (b.joins ? [b.exerciseId] : []));
    expect(joined([...pair, 'lying_contract_relax'])).toEqual(['half_90_circles']);
    expect(joined(['half_90_circles', 'lying_contract_relax'])).toEqual([]);
    const { blocks } = fittedSession({
      ...splitPlanAsk,
      week: weekFor({ ids: pair }),
      phase: 'own',
      amount: 'whole',
      light: false
    });
    const sets = timelineOf({ blocks })
      .sets.filter((s) => s.side === 'left')
      .map((s) => s.exerciseId);
    expect(sets.slice(0, 4)).toEqual([...pair, ...pair]);
  });

  test('active work comes first where the person needs it so, whatever a recipe says', () => {
    const person = somebody({ limits: [limit('active work first')] });
    const order = idsOf(blocksOf(ranked, { person }));
    expect(order.indexOf('wall_split_lift_off')).toBeLessThan(order.indexOf('low_lunge'));
    // Among itself it keeps what comes before what.
    const pair = weekFor({ ids: ['prone_knee_ankle_lift', 'prone_heel_lift', 'low_lunge'] });
    expect(idsOf(blocksOf(pair, { person }))).toEqual(['prone_heel_lift', 'prone_knee_ankle_lift', 'low_lunge']);
  });
});

// Source: shares of a session read off reference sessions, common practice.
describe('the warm-up and the settle', () => {
  const week = [exerciseOf('front_split_on_stack'), exerciseOf('front_hamstring_cycle')];
  const ofMinutes = (minutes: number, of: readonly Exercise[] = week) =>
    warmUpFlow({ person: somebody(), today: '2026-03-02', minutes, week: of }).steps;

  test.each([
    [10, 0.2, 120],
    [15, 0.2, 180],
    [20, 0.25, 240],
    [30, 0.2, 360],
    [45, 0.2, 480],
    [60, 0.2, 600]
  ])('of %i minutes take no more than their share', (minutes, share, mostS) => {
    const s = warmUpSeconds(minutes, somebody());
    expect(s).toBeLessThanOrEqual(Math.min(share * minutes * 60, mostS));
    expect(settleSeconds(minutes)).toBeLessThanOrEqual(Math.max(30, 0.08 * minutes * 60));
    // The steps come to it, to the second.
    expect(ofMinutes(minutes).reduce((sum, x) => sum + x.durationS, 0)).toBe(s);
  });

  test('those who still grow warm up for longer, up to three tenths; what a limit asks for is kept', () => {
    const child = somebody({ limits: [limit('adult present')] });
    expect(warmUpSeconds(20, child)).toBeGreaterThan(warmUpSeconds(20, somebody()));
    for (const minutes of [5, 10, 20, 30, 45, 60]) expect(warmUpSeconds(minutes, child)).toBeLessThanOrEqual(0.3 * minutes * 60);
    expect(warmUpSeconds(15, somebody({ limits: [limit('warm-up at least', { value: 600 })] }))).toBe(600);
  });

  test('move the joints of the session, the pulse only where there is time, and nothing the session does itself', () => {
    const idsIn = (minutes: number, of?: readonly Exercise[]) => ofMinutes(minutes, of).map((s) => s.exerciseId);
    expect(idsIn(10)).not.toContain('march_on_the_spot');
    expect(idsIn(30)).toEqual(expect.arrayContaining(['march_on_the_spot', 'leg_swings_forward']));
    const wrist = idsIn(10, [exerciseOf('wrist_own_hand')]);
    expect(wrist.length).toBeGreaterThan(0);
    for (const id of wrist) expect(['arm_circles', 'shake_out']).toContain(id);
    expect(idsIn(30, [...week, exerciseOf('half_split_pulses')])).not.toContain('half_split_pulses');
    // A lean back needs a warm back however short it is.
    expect(idsIn(10, [exerciseOf('leaning_back_kneel')])).toContain('cat_and_cow');
    for (const s of ofMinutes(10)) expect(s.durationS).toBeGreaterThanOrEqual(15);
  });
});
