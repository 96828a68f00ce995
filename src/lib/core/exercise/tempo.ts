// A data table: how long one repetition of an exercise takes. Reference sessions read off the clock; "ours" where none shows it. docs/sources.md#tempo
import type { Dial } from './dial';

/**
 * How one repetition of an exercise goes, whoever does it: a way of working says how many and how often, never how fast.
 *
 * `flowing`: there and back without a stop. `lifted`: there, held as long as is asked, back. `lowered`: down by its own strength, efforts at the
 * bottom with a moment to let go after each, and up. Units: seconds.
 */
export type Tempo =
  | Readonly<{ kind: 'flowing'; quickS: number; slowS: number; harder: 'slower' | 'quicker'; bothWays?: true; lastHeld?: true }>
  | Readonly<{ kind: 'lifted'; upS: number; downS: number; restS: number }>
  | Readonly<{ kind: 'lowered'; downS: number; efforts: number; effortS: number; letGoS: number; upS: number; restS: number }>;

type Flowing = Extract<Tempo, { kind: 'flowing' }>;

const flowing = (quickS: number, slowS = quickS, harder: Flowing['harder'] = 'slower'): Flowing => ({
  kind: 'flowing',
  quickS,
  slowS,
  harder
});
const circling = (quickS: number, slowS = quickS): Flowing => ({ ...flowing(quickS, slowS), bothWays: true });
const lifted = (upS: number, downS: number, restS: number): Tempo => ({ kind: 'lifted', upS, downS, restS });

/** Up in a second, down slower, and the next (ours, after lifts held for 2 to 5 s that take 4 to 8). */
export const usualLift = { upS: 1, downS: 2, restS: 1 } as const;
/** A movement through its range at an easy tempo (ours). */
export const usualMoveS = 2;

const bounces = flowing(1.2);
const byHand = flowing(1.2, 1.5);
/** One breath: bent on the way in, straightened by the thigh on the way out, the strap a moment at the end. */
const strapBreath = lifted(3, 3, 0);
/** A step taken ahead of the toes and back, never a jerk (ours). */
const drive = flowing(3, 4);

const tempos: Readonly<Record<string, Tempo>> = {
  star_jumps: flowing(1),
  split_stance_jumps: flowing(1.2),
  tall_squat_jumps: flowing(2),
  leg_swings_forward: flowing(1.6),
  leg_swings_across: flowing(1.6),
  heel_raises: flowing(2),
  ankle_pumps: flowing(1.2),
  ankle_circles: circling(1.2),
  knee_circles_sitting: circling(1.2),
  cat_and_cow: flowing(4),
  lunge_bounces_knee_down: bounces,
  lunge_bounces_straight: bounces,
  half_split_pulses: bounces,
  split_stance_pulses: flowing(1),
  wall_split_pulses: flowing(1.5),
  wall_split_lift_off: flowing(1.5),
  standing_split_kicks: flowing(1.4, 2.4, 'quicker'),
  supine_kicks: flowing(1.4, 2.4, 'quicker'),
  side_kicks: flowing(1.4, 2.4, 'quicker'),
  prone_kicks: flowing(1.4, 2.4, 'quicker'),
  split_lean: flowing(2, 3),
  front_leg_lift: lifted(1, 1, 1),
  front_leg_double_tap: flowing(7, 8),
  raise_back_off: lifted(1, 1, 3),
  half_90_circles: circling(1.5, 2.5),
  half_straddle_side_bend: flowing(10, 15),
  half_straddle_hip_lift: flowing(8, 12),
  lying_to_side_sit_flow: flowing(20, 40),
  straddle_side_bend: flowing(10, 15),
  wide_reach_to_foot: flowing(10, 12),
  straddle_leg_lifts: lifted(1, 1, 0),
  straddle_good_morning: flowing(5, 7),
  strap_reps_middle: strapBreath,
  strap_reps_outside: strapBreath,
  strap_reps_inside: strapBreath,
  pedalling_fold: flowing(2),
  weighted_roll_down: { kind: 'lowered', downS: 10, efforts: 3, effortS: 5, letGoS: 3, upS: 10, restS: 5 },
  frog_slides: flowing(2, 3),
  prone_frog_circles: circling(1.5, 2.5),
  prone_frog_swings: flowing(2),
  one_leg_frog_lift: lifted(1, 1, 1),
  one_leg_frog_tilted: { ...flowing(2.5, 3.5), lastHeld: true },
  butterfly_one_knee: byHand,
  half_butterfly_press: byHand,
  half_butterfly_circles: circling(1.2),
  trailing_knee_lift: flowing(4, 6, 'quicker'),
  sweep_fold: flowing(7, 8.5),
  partial_sweep: flowing(5.5, 7),
  thread_switch: flowing(8, 9),
  switch_90_90: flowing(3, 4, 'quicker'),
  prone_heel_lift: lifted(0.5, 0.5, 0),
  prone_knee_ankle_lift: lifted(1, 1, 1),
  end_hold_rotation: lifted(2, 2, 2),
  supine_leg_circles: circling(2, 3),
  supine_circle_half_lotus: flowing(6, 10),
  towel_heel_pull: flowing(3, 4),
  rock_back_tucked: flowing(2, 4),
  rock_back_pointed: flowing(2, 4),
  one_leg_rock_bench: flowing(2, 4),
  stair_knee_drive: drive,
  stair_knee_drive_turned: drive,
  lower_step_drive: drive,
  heels_raised_squat: drive,
  lying_knee_straightener: lifted(2, 1.5, 0),
  leaning_back_kneel: { kind: 'lowered', downS: 7, efforts: 1, effortS: 5, letGoS: 5, upS: 4, restS: 5 },
  wrist_heel_raise: flowing(2, 3)
};

/** True where the hold that a dial says is that of the last repetition alone. */
export const holdsLastOnly = ({ tempo }: Readonly<{ tempo?: Tempo }>): boolean =>
  tempo?.kind === 'flowing' && tempo.lastHeld === true;

/** The tempo of an exercise that ships; none where nothing of it is repeated, or a lift goes as lifts usually do. */
export const tempoOf = (exerciseId: string): Tempo | undefined => tempos[exerciseId];

/** The dial of a tempo that somebody can tell apart; the last one that is moved, since how many comes first. */
export const tempoDials = (tempo: Tempo | undefined): Dial[] =>
  tempo?.kind === 'flowing' && tempo.slowS - tempo.quickS >= 1 ? [tempoDial(tempo)] : [];

const tempoDial = ({ quickS, slowS, harder }: Flowing): Dial => ({
  id: 'tempoS',
  name: 'tempo',
  unit: 's',
  kind: 'metric',
  harder: harder === 'slower' ? 'up' : 'down',
  min: quickS,
  max: slowS,
  step: slowS - quickS >= 5 ? 5 : slowS - quickS >= 4 ? 2 : 0.5
});
