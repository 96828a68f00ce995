// A data table: what comes before what, whatever else decides the order. Common practice (docs/sources.md#recipes).

/** Rows of exercises of which an earlier one is done before a later one wherever both are: pulses before lift-offs, the flat split before the raised one. */
const rows: readonly (readonly string[])[] = [
  ['wall_split_pulses', 'wall_split_lift_off'],
  ['standing_split_kicks', 'wall_split_pulses'],
  ['front_split_on_stack', 'raised_split', 'prone_press_up', 'split_lean', 'split_front_foot_lift'],
  ['low_lunge', 'half_split_hold', 'slide_to_split', 'front_split_on_stack'],
  ['long_lunge_contract_relax', 'half_kneeling_heel_press', 'rear_knee_press', 'split_lowering'],
  ['frog', 'side_split_sit_in'],
  ['one_leg_frog', 'one_leg_frog_lift', 'one_leg_frog_tilted'],
  ['half_straddle_side_bend', 'half_straddle_hip_lift'],
  ['butterfly_contract_relax', 'prone_frog_circles', 'prone_frog_swings'],
  [
    'trailing_knee_lift',
    'prone_heel_lift',
    'prone_knee_ankle_lift',
    'sweep_fold',
    'partial_sweep',
    'thread_switch',
    'switch_90_90',
    'fold_90_90'
  ],
  ['front_leg_lift', 'front_leg_double_tap', 'switch_90_90'],
  ['weighted_roll_down', 'raise_back_off', 'half_90_circles'],
  ['weighted_roll_down', 'pancake_on_seat'],
  ['raise_back_off', 'pancake_on_seat'],
  ['half_90_circles', 'pancake_on_seat'],
  ['pedalling_fold', 'standing_fold'],
  ['stick_leg_turns', 'stick_two_phase', 'end_hold_rotation'],
  ['figure_four_chair', 'figure_four_two_phase'],
  ['front_hip_90_90', 'front_hip_rotation_isometric'],
  ['rear_hip_two_phase', 'front_hip_two_phase'],
  [
    'pigeon_engaged',
    'pigeon_hand_press',
    'pigeon_turned',
    'standing_leg_circuit',
    'stacked_shins_press',
    'cow_face_press',
    'half_lotus'
  ],
  ['half_butterfly_press', 'half_butterfly_circles', 'knee_drops', 'stacked_shins', 'heel_sit_rocks'],
  ['top_of_foot_standing', 'heel_sit_rocks', 'heel_sit', 'half_lotus'],
  [
    'towel_heel_pull',
    'rock_back_tucked',
    'rock_back_pointed',
    'one_leg_rock_bench',
    'stair_knee_drive',
    'lower_step_drive',
    'heels_raised_squat'
  ],
  ['rock_back_pointed', 'heel_sit'],
  ['deep_knee_to_side_press', 'ankle_contract_relax', 'lying_knee_straightener', 'deep_squat_check'],
  ['strap_reps_middle', 'strap_reps_outside', 'strap_reps_inside'],
  ['wrist_own_hand', 'wrist_floor', 'wrist_lean'],
  ['supine_kicks', 'side_kicks', 'prone_kicks'],
  ['lying_leg_raise', 'leg_drawn_in', 'side_lying_leg_back', 'side_sit_push_up', 'lying_to_side_sit_flow'],
  ['leg_drawn_in', 'leg_drawn_in_curled', 'leg_aside_twist', 'side_sit_elbow_guide', 'lying_to_side_sit_flow']
];

/** Pairs that are done in turn, set by set, without a rest: they tire one motion from two sides. */
const supersets: readonly (readonly [string, string])[] = [['raise_back_off', 'half_90_circles']];

/** True where an exercise is done in turn with the one right before it. */
export const isSuperset = (before: string | undefined, exerciseId: string): boolean =>
  supersets.some(([one, other]) => one === before && other === exerciseId);

/** True where an exercise has to be done before another. */
export const comesBefore = (one: string, other: string): boolean =>
  rows.some((row) => row.indexOf(one) >= 0 && row.indexOf(one) < row.indexOf(other));

/** The same list with every row of what comes before what kept; the rest stays where it is. */
export function inPrecedence<T extends Readonly<{ exerciseId: string }>>(list: readonly T[]): T[] {
  const rest = [...list];
  const placed: T[] = [];
  while (rest.length > 0) {
    const next = rest.findIndex(({ exerciseId }) => !rest.some((other) => comesBefore(other.exerciseId, exerciseId)));
    placed.push(...rest.splice(Math.max(0, next), 1));
  }
  return placed;
}
