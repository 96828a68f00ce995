import { describe, expect, test } from 'vitest';
import { lackedBy, motionsOfRole } from '../exercise/exercise';
import { exerciseOf, exercises } from '../exercise/exercises';
import { motionOfDemand } from '../exercise/goalExercises';
import { goals } from '../goal/goals';
import type { EquipmentId } from '../props/equipment';
import type { SchoolId } from '../school/school';
import { schools } from '../school/schools';
import { levels } from '../level';
import { fillRecipe, recipeOf, rungsIn, standIns, type RecipeAsk } from './fillRecipe';
import type { Role } from './recipe';
import { recipes } from './recipes';

const goalsWithRecipe = goals.filter((g) => g.id !== 'custom');
/** What a studio has, and a home with one block and a strap. */
const studio: readonly EquipmentId[] = [
  'block',
  'book',
  'cushion',
  'box',
  'chair',
  'stairs',
  'pad',
  'stick',
  'band',
  'strap',
  'weight',
  'slider',
  'rings',
  'rail'
];
const home: readonly EquipmentId[] = ['block', 'strap'];

const ask = (more: Partial<RecipeAsk> & Readonly<{ goal: string }>, kinds: readonly string[] = studio): RecipeAsk => ({
  stage: 0,
  level: 'beginner',
  school: null,
  catalogue: exercises,
  isOpen: () => true,
  isAtHand: (e) => lackedBy(e, new Set(kinds)).length === 0,
  ...more
});
const idsOf = (a: RecipeAsk) => fillRecipe(a).picks.map((p) => p.exercise.id);
const doesFor = (role: Role, id: string) => {
  const moved = motionsOfRole(exerciseOf(id), ...(role.section === 'own' ? (['works'] as const) : (['opens'] as const)));
  return role.motions.length === 0 || role.motions.some((motion) => moved.includes(motion));
};

describe('the recipes', () => {
  test('every goal but one of one’s own has one, and nobody else', () => {
    expect(new Set(recipes.map((r) => r.goal))).toEqual(new Set(goalsWithRecipe.map((g) => g.id)));
    expect(recipeOf({ goal: 'custom', stage: 0, school: null })).toBeNull();
  });

  test.each(recipes.map((r) => [`${r.goal} ${r.school ?? ''} ${r.stage ?? ''}`.trim(), r] as const))(
    '%s: every candidate is an exercise that does what its role says',
    (_, { roles }) => {
      for (const role of roles)
        for (const { id } of role.candidates)
          expect(doesFor(role, id), `${id} for ${role.section} ${role.motions.join()}`).toBe(true);
    }
  );

  test('a position is that of the goal, and stands once', () => {
    for (const { goal, roles } of recipes)
      for (const role of roles.filter((r) => r.section === 'position'))
        for (const { id } of role.candidates) expect(exerciseOf(id).positionOf, `${goal} ${id}`).toContain(goal);
  });
});

describe.each(goalsWithRecipe.map((g) => [g.id, g] as const))('%s', (id, goal) => {
  const demanded = [...new Set(goal.demands.flatMap((d) => motionOfDemand(d.measure) ?? []))];
  const ways = [
    ...schools.map((s) => ({ school: s.id as SchoolId | null, stage: 0 })),
    { school: null, stage: 0 },
    ...goal.stages.map((_, stage) => ({ school: null, stage }))
  ];

  test('every role is filled from the studio’s shelf, at every level, in every school, at every stage; nothing stands twice', () => {
    for (const level of levels)
      for (const way of ways) {
        const { picks, unfilled } = fillRecipe(ask({ goal: id, level, ...way }));
        expect(unfilled, `${level} ${way.school} ${way.stage}`).toEqual([]);
        expect(picks.length).toBeGreaterThanOrEqual(goal.kind === 'comfort' ? 3 : 2);
        expect(new Set(picks.map((p) => p.exercise.id)).size).toBe(picks.length);
      }
  });

  test('every motion it demands is opened by one piece and worked by one', () => {
    for (const level of levels)
      for (const way of ways) {
        const { picks } = fillRecipe(ask({ goal: id, level, ...way }));
        for (const role of ['opens', 'works'] as const)
          for (const motion of demanded)
            expect(
              picks.some((p) => motionsOfRole(p.exercise, role).includes(motion)),
              `${role} ${motion}: ${level} ${way.school} ${way.stage}`
            ).toBe(true);
      }
  });

  test('at home with a block and a strap a role takes its stand-in or is left out and said', () => {
    const recipe = recipeOf({ goal: id, stage: 0, school: null })!;
    const { picks, unfilled } = fillRecipe(ask({ goal: id }, home));
    for (const { exercise } of picks) expect(lackedBy(exercise, new Set(home)), exercise.id).toEqual([]);
    for (const { why, role } of unfilled) {
      expect(why).toBe('props');
      expect(recipe.roles).toContain(role);
    }
    expect(picks.length).toBeGreaterThan(0);
  });
});

// Source: reference sessions, common practice.
describe('what an expert would look for first', () => {
  test.each<[goal: string, more: Partial<RecipeAsk>, must: readonly string[]]>([
    ['front_split', { school: 'contract_relax' }, ['long_lunge_contract_relax', 'half_kneeling_heel_press', 'rear_knee_press']],
    ['front_split', { school: 'breath_counted' }, ['leg_drawn_in', 'side_lying_leg_back', 'side_sit_push_up']],
    ['front_split', { stage: 3, level: 'advanced' }, ['raised_split', 'prone_press_up', 'split_front_foot_lift']],
    ['side_split', {}, ['one_leg_frog', 'one_leg_frog_lift', 'side_split_on_stack']],
    ['pancake', { school: 'contract_relax', level: 'intermediate' }, ['weighted_roll_down', 'raise_back_off', 'half_90_circles']],
    ['lotus', {}, ['butterfly_pulses', 'half_butterfly_press', 'knee_drops', 'stacked_shins', 'heel_sit_rocks', 'heel_sit']],
    [
      'lotus',
      { level: 'intermediate' },
      ['pigeon_engaged', 'pigeon_hand_press', 'pigeon_turned', 'wide_squat_press', 'cow_face_press']
    ],
    ['turnout', {}, ['butterfly_contract_relax', 'half_straddle_hip_lift', 'prone_frog_circles']],
    ['switch_90_90', {}, ['trailing_knee_lift', 'prone_heel_lift', 'sweep_fold', 'fold_90_90']],
    ['clean_kicks', {}, ['supine_kicks', 'side_kicks', 'prone_kicks']],
    ['hamstring_at_knee', {}, ['strap_reps_middle', 'strap_reps_outside', 'strap_reps_inside']],
    ['standing_fold', {}, ['pedalling_fold']],
    ['abduction_lift', {}, ['one_leg_frog', 'one_leg_frog_lift']],
    ['knee_comfort', {}, ['deep_knee_to_side_press', 'ankle_contract_relax', 'lying_knee_straightener', 'deep_squat_check']],
    ['range_HER90', { level: 'intermediate' }, ['stick_leg_turns', 'stick_two_phase', 'end_hold_rotation']]
  ])('%s %j', (goal, more, must) => expect(idsOf(ask({ goal, ...more }))).toEqual(expect.arrayContaining([...must])));

  test('of three levels of a wrist, of the rungs of a knee, of two ways to turn a leg never two', () => {
    const alternatives = [
      ['wrist_own_hand', 'wrist_floor', 'wrist_lean'],
      ['stick_leg_turns', 'stick_pelvis_tilts'],
      ['wide_standing_fold', 'pancake_on_seat', 'pancake_floor']
    ];
    for (const { id } of goalsWithRecipe)
      for (const level of levels)
        for (const some of alternatives)
          expect(idsOf(ask({ goal: id, level })).filter((e) => some.includes(e)).length, `${id} ${level}`).toBeLessThan(2);
    expect(idsOf(ask({ goal: 'range_WF' }))).toContain('wrist_own_hand');
    expect(idsOf(ask({ goal: 'range_WF', level: 'advanced' }))).toContain('wrist_lean');
    const loaded = ['stair_knee_drive', 'lower_step_drive', 'heels_raised_squat'];
    expect(idsOf(ask({ goal: 'calf_to_thigh' })).filter((e) => loaded.includes(e))).toEqual([]);
  });

  test('lifts come after what is opened, lift-offs at the wall after its pulses, the raised split after the flat one', () => {
    const before = (list: readonly string[], a: string, b: string) => list.indexOf(a) >= 0 && list.indexOf(a) < list.indexOf(b);
    expect(before(idsOf(ask({ goal: 'standing_split', level: 'advanced' })), 'wall_split_pulses', 'wall_split_lift_off')).toBe(
      true
    );
    const raised = idsOf(ask({ goal: 'front_split', stage: 3, level: 'advanced' }));
    expect(before(raised, 'front_split_on_stack', 'raised_split')).toBe(true);
    expect(before(idsOf(ask({ goal: 'abduction_lift' })), 'one_leg_frog', 'one_leg_frog_lift')).toBe(true);
    expect(before(idsOf(ask({ goal: 'lotus' })), 'heel_sit_rocks', 'heel_sit')).toBe(true);
  });
});

describe('a role', () => {
  test('passes over what the gate bars, and is said where nothing of it is left', () => {
    const barred = new Set(['front_hamstring_cycle', 'rear_knee_lift', 'prone_kicks']);
    const { picks, unfilled } = fillRecipe(ask({ goal: 'front_split', isOpen: (e) => !barred.has(e.id) }));
    expect(picks.map((p) => p.exercise.id)).toContain('lying_contract_relax');
    expect(unfilled.map((u) => [u.role.section, u.role.motions, u.why])).toEqual([['own', ['HE'], 'barred']]);
  });
});

describe('where its things are not there', () => {
  const standInsOf = (more: Parameters<typeof ask>[0], kinds: readonly string[] = home) =>
    standIns(ask(more, kinds), fillRecipe(ask(more)).picks.map((p) => p.exercise)); // prettier-ignore

  test('an exercise has its stand-in, which does the same and is not in the week', () => {
    for (const { id } of goalsWithRecipe)
      for (const level of levels) {
        const week = fillRecipe(ask({ goal: id, level })).picks.map((p) => p.exercise);
        for (const { exercise, standsFor } of standIns(ask({ goal: id, level }, []), week)) {
          expect(lackedBy(standsFor, new Set()), `${id} ${standsFor.id}`).not.toEqual([]);
          expect(lackedBy(exercise, new Set()), `${id} ${exercise.id}`).toEqual([]);
          expect(week, id).not.toContain(exercise);
        }
      }
    expect(standInsOf({ goal: 'side_split' }).map((s) => [s.standsFor.id, s.exercise.id])).toEqual([
      ['one_leg_frog', 'straddle_side_bend'],
      ['one_leg_frog_lift', 'side_lying_abduction']
    ]);
  });

  test('nothing stands in that the gate bars or that is a step up, nor where something of the role can be done', () => {
    const barred = standInsOf({ goal: 'side_split', isOpen: (e) => e.id !== 'straddle_side_bend' });
    expect(barred.map((s) => s.exercise.id)).toEqual(['side_lying_abduction']);
    expect(standInsOf({ goal: 'side_split' }, studio)).toEqual([]);
    expect(standInsOf({ goal: 'hamstring_at_knee' }, ['strap'])).toEqual([]);
    // Where there are no stairs nobody begins on the floor.
    expect(standInsOf({ goal: 'deep_squat' }).map((s) => s.exercise.id)).not.toContain('lower_step_drive');
  });
});

describe('rungs of a ladder in a week', () => {
  const rungsOf = (goal: string, ...week: string[]) => rungsIn([{ goal, stage: 0, school: null }], week, exercises);

  test('stand side by side where one role could take either', () => {
    expect(rungsOf('range_WF', 'wrist_lean', 'wrist_floor', 'wrist_two_phase')).toEqual([['wrist_floor', 'wrist_lean']]);
    expect(rungsOf('heel_sit', 'towel_heel_pull', 'rock_back_pointed')).toEqual([['towel_heel_pull', 'rock_back_pointed']]);
  });

  test('are none where one loosens for the other, where they are two ways into a stretch, or in the first list', () => {
    expect(rungsOf('calf_to_thigh', 'towel_heel_pull', 'rock_back_tucked')).toEqual([]);
    expect(rungsOf('front_split', 'rear_hip_cycle', 'low_lunge')).toEqual([]);
    for (const { id: goal } of goalsWithRecipe)
      for (const level of levels)
        for (const school of [null, ...schools.map((s) => s.id)])
          expect(rungsOf(goal, ...idsOf(ask({ goal, level, school }))), `${goal} ${level} ${school}`).toEqual([]);
  });
});
