// A data table: what a session toward each goal is made of. Reference sessions, common practice; where no session of a goal is commonly
// taught, by analogy ("our judgement"). docs/sources.md#recipes
import type { MotionId } from '../body/motions';
import type { SchoolId } from '../school/school';
import type { Level } from '../level';
import type { Candidate, Recipe, RecipeSection, Role } from './recipe';

type Word = string | Candidate;
const candidate = (word: Word): Candidate => (typeof word === 'string' ? { id: word } : word);

/** From a level on, up to one, or first in a school. */
const from = (level: Level, id: string): Candidate => ({ id, from: level });
const upTo = (level: Level, id: string): Candidate => ({ id, upTo: level });
const inSchool = (school: SchoolId, id: string): Candidate => ({ id, schools: [school] });

const role = (section: RecipeSection, motions: readonly MotionId[], words: readonly Word[]): Role => ({
  section,
  motions,
  candidates: words.map(candidate),
  count: 1
});
const loosen = (...words: Word[]): Role => role('loosen', [], words);
const open = (motion: MotionId, ...words: Word[]): Role => role('open', [motion], words);
const press = (motion: MotionId, ...words: Word[]): Role => role('press and draw', [motion], words);
const own = (motion: MotionId, ...words: Word[]): Role => role('own', [motion], words);
/** As it is taught toward this goal. */
const dosed = (word: Word, dose: NonNullable<Candidate['dose']>): Candidate => ({ ...candidate(word), dose });

/** Looked at before the work and after it. */
const tested = (...words: Word[]): Role => ({ ...role('test', [], words), again: true });
const position = (...words: Word[]): Role => role('position', [], words);
/** All of them, in this order: the later one uses what the earlier one reached. */
const chain = (one: Role): Role => ({ ...one, count: one.candidates.length });
/** For those who know the first places already. */
const later = (one: Role): Role => ({ ...one, from: 'intermediate' });
const advanced = (one: Role): Role => ({ ...one, from: 'advanced' });

const taught = { basis: 'common practice' } as const;
const ours = { basis: 'our judgement' } as const;

const strapAngles = ['strap_reps_middle', 'strap_reps_outside', 'strap_reps_inside'] as const;
/** Three angles, one set of each; where there is no strap the pedalled fold. */
const straps = chain(open('KE', ...strapAngles));
const lyingPress = press(
  'HF-KS',
  inSchool('long_hold', 'front_hamstring_cycle'),
  'lying_contract_relax',
  'front_hamstring_cycle',
  'half_split_hold'
);
const innerThighPress = press('HAB90', 'butterfly_contract_relax', 'butterfly_elbow_pressure');

const frontSplit: readonly Recipe[] = [
  {
    ...taught,
    goal: 'front_split',
    roles: [
      press('HF-KS', 'front_hamstring_cycle', 'lying_contract_relax', 'half_split_hold'),
      press('HE', 'rear_hip_cycle', 'low_lunge'),
      own('HF-KS', 'front_leg_lift'),
      own('HE', 'rear_knee_lift', 'prone_kicks'),
      position('front_split_on_stack')
    ]
  },
  {
    ...taught,
    goal: 'front_split',
    school: 'contract_relax',
    roles: [
      press('HE', 'long_lunge_contract_relax', 'rear_hip_cycle', 'low_lunge'),
      press('HF-KS', 'half_kneeling_heel_press', 'lying_contract_relax'),
      press('HE', 'rear_knee_press'),
      own('HF-KS', 'front_leg_lift'),
      own('HE', 'rear_knee_lift', 'prone_kicks'),
      later(press('HF-KS', 'split_lowering')),
      position('front_split_on_stack')
    ]
  },
  {
    ...taught,
    goal: 'front_split',
    school: 'short_holds',
    roles: [
      straps,
      open('HE', 'low_lunge'),
      own('HF-KS', 'front_leg_lift'),
      own('HE', 'rear_knee_lift', 'prone_kicks'),
      position('front_split_on_stack')
    ]
  },
  {
    ...taught,
    goal: 'front_split',
    school: 'breath_counted',
    roles: [
      own('HF-KS', 'lying_leg_raise'),
      open('HF-KS', 'leg_drawn_in'),
      open('HE', 'leg_aside_lying'),
      open('HE', 'side_lying_leg_back'),
      loosen('side_sit_push_up'),
      later(open('HF-KS', 'leg_drawn_in_curled')),
      later(open('HE', 'leg_aside_twist')),
      later(loosen('side_sit_elbow_guide')),
      later(loosen('lying_to_side_sit_flow')),
      own('HE', 'rear_knee_lift', 'prone_kicks'),
      position('front_split_on_stack')
    ]
  },
  {
    ...taught,
    goal: 'front_split',
    school: 'drills',
    roles: [
      press('HF-KS', dosed('lying_contract_relax', { rounds: 3 }), 'half_split_hold'),
      chain(open('HE', 'low_lunge')),
      later(open('HF-KS', 'half_split_hold')),
      later(own('HE', 'standing_split_kicks')),
      own('HF-KS', 'front_leg_lift'),
      own('HE', 'rear_knee_lift', 'prone_kicks'),
      position('front_split_on_stack')
    ]
  },
  {
    ...taught,
    goal: 'front_split',
    stage: 3,
    roles: [
      press('HF-KS', dosed('lying_contract_relax', { rounds: 3 }), 'front_hamstring_cycle'),
      press('HE', 'rear_hip_cycle', 'low_lunge'),
      own('HE', 'standing_split_kicks', 'rear_knee_lift'),
      position('front_split_on_stack'),
      position('raised_split'),
      loosen('prone_press_up'),
      advanced(loosen('split_lean')),
      own('HF-KS', 'split_front_foot_lift', 'front_leg_lift')
    ]
  }
];

const pancake: readonly Recipe[] = [
  {
    ...ours,
    goal: 'pancake',
    roles: [
      loosen('straddle_side_bend'),
      open('HAB', 'half_straddle_fold'),
      press('HF-KS', 'pancake_press_draw', 'front_hamstring_cycle', 'lying_contract_relax'),
      own('HAB', 'straddle_leg_lifts'),
      later(own('HF-KS', 'raise_back_off', 'front_leg_lift')),
      position('pancake_on_seat')
    ]
  },
  {
    ...taught,
    goal: 'pancake',
    school: 'contract_relax',
    roles: [
      open('HAB', 'half_straddle_fold'),
      press('HF-KS', 'pancake_press_draw', 'lying_contract_relax'),
      later(own('HF-KS', 'weighted_roll_down', 'straddle_good_morning')),
      own('HF-KS', 'raise_back_off', 'front_leg_lift'),
      own('HAB', dosed('half_90_circles', { reps: 10 }), 'straddle_leg_lifts'),
      position('pancake_on_seat')
    ]
  },
  {
    ...ours,
    goal: 'pancake',
    school: 'drills',
    roles: [
      loosen('wide_reach_to_foot', 'straddle_side_bend'),
      open('HAB', 'half_straddle_fold'),
      open('HF-KS', 'straddle_fold_one_leg'),
      own('HAB', 'straddle_leg_lifts'),
      later(own('HF-KS', 'straddle_good_morning', 'front_leg_lift')),
      later(open('HF-KS', 'pancake_hands_walk')),
      position('pancake_on_seat')
    ]
  },
  {
    ...ours,
    goal: 'pancake',
    school: 'breath_counted',
    roles: [
      loosen('straddle_side_bend'),
      open('HAB', 'half_straddle_fold'),
      open('HF-KS', 'straddle_fold_one_leg'),
      own('HAB', 'straddle_leg_lifts'),
      later(open('HF-KS', 'pancake_hands_walk')),
      position('pancake_on_seat')
    ]
  }
];

/** Toward sitting cross-legged: hip, knee and ankle, light and daily. */
const seatRoles: readonly Role[] = [
  // A beginner begins in the butterfly, who is further with a full circle of the hip without hands.
  loosen(upTo('beginner', 'butterfly_pulses'), 'supine_circle_half_lotus'),
  open('HAB90', upTo('beginner', 'butterfly_one_knee')),
  {
    ...chain(
      role(
        'loosen',
        [],
        ['half_butterfly_press', 'half_butterfly_circles'].map((id) => upTo('beginner', id))
      )
    )
  },
  loosen(upTo('beginner', 'knee_drops')),
  open('HER90', dosed(upTo('beginner', 'stacked_shins'), { holdS: 30 }), from('intermediate', 'figure_four_lying')),
  { ...later(chain(open('HER90', 'pigeon_engaged', 'pigeon_hand_press', 'pigeon_turned'))) },
  later(loosen('standing_leg_circuit', 'supine_leg_circles')),
  later(open('HAB90', 'wide_squat_press')),
  later(press('HER90', 'stacked_shins_press')),
  later(press('HER90', 'cow_face_press')),
  own('HER90', 'end_hold_rotation', 'supine_leg_circles'),
  own('HAB90', 'butterfly_drawn_down')
];

const positions: readonly Recipe[] = [
  {
    ...ours,
    goal: 'standing_split',
    roles: [
      press('HF-KS', 'lying_contract_relax', 'front_hamstring_cycle'),
      press('HE', 'rear_hip_cycle', 'low_lunge'),
      later(open('HF-KS', 'front_split_on_stack')),
      own('HE', 'standing_split_kicks', 'rear_knee_lift'),
      own('HF-KS', 'front_leg_lift'),
      position('wall_split_pulses'),
      later(own('HE', 'wall_split_lift_off', 'rear_knee_lift'))
    ]
  },
  {
    ...ours,
    goal: 'side_split',
    roles: [
      loosen('frog_slides'),
      innerThighPress,
      open('HAB', 'one_leg_frog', 'straddle_side_bend'),
      open('HER0', 'prone_shin_in'),
      own('HAB', 'one_leg_frog_lift', 'side_lying_abduction'),
      later(own('HAB', 'one_leg_frog_tilted', 'side_kicks')),
      own('HER0', 'prone_shin_in_lift'),
      position('side_split_on_stack')
    ]
  },
  {
    ...ours,
    goal: 'frog',
    roles: [
      loosen('frog_slides'),
      press('HAB90', 'frog_press_draw'),
      later(loosen('prone_frog_circles')),
      own('HAB90', 'butterfly_drawn_down'),
      position('frog')
    ]
  },
  {
    ...ours,
    goal: 'butterfly',
    roles: [
      loosen('butterfly_pulses'),
      open('HAB90', 'butterfly_one_knee'),
      innerThighPress,
      open('HER90', 'butterfly_fold'),
      own('HAB90', 'butterfly_drawn_down'),
      position('butterfly_seat'),
      later(open('HAB90', 'butterfly_reclined'))
    ]
  },
  {
    ...taught,
    goal: 'standing_fold',
    roles: [
      tested('toe_reach_test'),
      loosen('pedalling_fold'),
      lyingPress,
      own('HF-KS', 'front_leg_lift'),
      later(own('HF-KS', 'raise_back_off', 'front_leg_double_tap')),
      position('standing_fold')
    ]
  },
  {
    ...ours,
    goal: 'seated_fold',
    roles: [
      loosen('pedalling_fold'),
      lyingPress,
      later(straps),
      own('HF-KS', 'front_leg_lift'),
      later(own('HF-KS', 'front_leg_double_tap')),
      position('seated_pike')
    ]
  },
  {
    ...taught,
    goal: 'easy_seat',
    roles: [
      ...seatRoles,
      open('KF', 'heel_sit_rocks', 'prone_heel_to_seat'),
      own('KF', 'prone_heel_draw', 'knee_circles_sitting'),
      position('easy_seat')
    ]
  },
  {
    ...taught,
    goal: 'lotus',
    roles: [
      ...seatRoles,
      // The heel-sit gives knee and ankle; it is rocked before it is held.
      open('KF', 'heel_sit_rocks', 'prone_heel_to_seat'),
      open('APF', 'heel_sit', 'foot_point_other'),
      own('KF', 'prone_heel_draw'),
      own('APF', 'foot_point_hold'),
      position('half_lotus')
    ]
  },
  {
    ...ours,
    goal: 'heel_sit',
    roles: [
      open('APF', 'top_of_foot_standing', 'foot_point_other'),
      open('KF', upTo('beginner', 'towel_heel_pull'), upTo('beginner', 'rock_back_tucked'), 'rock_back_pointed'),
      loosen('heel_sit_rocks'),
      own('KF', 'prone_heel_draw'),
      own('APF', 'foot_point_hold'),
      position('heel_sit')
    ]
  },
  {
    ...taught,
    goal: 'turnout',
    roles: [
      innerThighPress,
      chain(role('loosen', [], ['half_straddle_side_bend', 'half_straddle_hip_lift'].map(candidate))),
      loosen('prone_frog_circles'),
      open('HER0', 'prone_shin_in'),
      later(press('HER0', 'prone_shin_in_press')),
      later(loosen('prone_frog_swings')),
      own('HER0', 'prone_shin_in_lift'),
      position('turnout_standing')
    ]
  },
  {
    ...ours,
    goal: 'deep_squat',
    roles: [
      press('HF-KB', 'deep_knee_to_side_press', 'knee_to_side'),
      press('ADF', 'ankle_contract_relax', 'standing_calf'),
      later(open('ADF', 'standing_calf')),
      open('KF', 'rock_back_tucked'),
      later(open('HAB90', 'wide_squat_press')),
      own('ADF', 'stair_knee_drive', 'lower_step_drive'),
      own('HF-KB', 'knee_raise_hold'),
      own('KF', 'heels_raised_squat', 'stair_knee_drive'),
      position('deep_squat_check')
    ]
  },
  {
    ...taught,
    goal: 'lean_back',
    roles: [
      open('HE-KF', 'side_lying_leg_back'),
      loosen('heel_sit_rocks'),
      open('HE-KF', 'prone_heel_to_seat'),
      own('HE-KF', 'prone_heel_draw'),
      position('leaning_back_kneel')
    ]
  }
];

const activeGoals: readonly Recipe[] = [
  {
    ...taught,
    goal: 'switch_90_90',
    roles: [
      loosen('trailing_knee_lift'),
      own('HIR90', 'prone_heel_lift'),
      later(own('HIR90', 'prone_knee_ankle_lift')),
      open('HER90', 'sweep_fold'),
      later(open('HIR90', 'partial_sweep')),
      open('HIR90', 'thread_switch'),
      own('HER90', 'end_hold_rotation', 'supine_leg_circles'),
      later(loosen('front_leg_double_tap')),
      position('switch_90_90'),
      open('HER90', 'fold_90_90'),
      later(open('HIR90', 'rear_hip_two_phase'))
    ]
  },
  {
    ...ours,
    goal: 'leg_raise_held',
    roles: [
      lyingPress,
      own('HF-KS', 'front_leg_lift'),
      later(own('HF-KS', 'front_leg_double_tap')),
      position('raise_back_off'),
      own('HF-KS', 'half_90_circles'),
      later(own('HF-KS', 'supine_kicks'))
    ]
  },
  {
    ...taught,
    goal: 'abduction_lift',
    roles: [
      open('HAB', dosed('one_leg_frog', { holdS: 30 }), 'straddle_side_bend'),
      innerThighPress,
      own('HAB90', 'butterfly_drawn_down'),
      own('HAB', 'side_lying_abduction'),
      position('one_leg_frog_lift'),
      later(own('HAB', 'one_leg_frog_tilted', 'side_kicks'))
    ]
  },
  {
    ...taught,
    goal: 'front_foot_lift',
    roles: [
      press('HF-KS', 'lying_contract_relax', 'front_hamstring_cycle'),
      press('HE', 'rear_hip_cycle', 'low_lunge'),
      open('HF-KS', 'front_split_on_stack', 'slide_to_split'),
      own('HF-KS', 'front_leg_lift'),
      own('HE', 'rear_knee_lift', 'prone_kicks'),
      position('split_front_foot_lift')
    ]
  },
  {
    ...taught,
    goal: 'clean_kicks',
    roles: [
      open('HE', 'low_lunge'),
      open('HF-KS', 'half_split_hold', 'lying_contract_relax'),
      later(open('HAB', 'half_straddle_fold')),
      own('HF-KS', 'front_leg_lift'),
      position('supine_kicks'),
      own('HAB', 'side_kicks'),
      own('HE', 'prone_kicks')
    ]
  },
  {
    ...ours,
    goal: 'knee_straight_strength',
    roles: [
      open('HF-KS', 'strap_reps_middle', 'half_split_hold'),
      own('KE', 'lying_knee_straightener'),
      own('HF-KS', 'front_leg_lift'),
      later(own('KE', 'raise_back_off'))
    ]
  },
  {
    ...taught,
    goal: 'hamstring_at_knee',
    roles: [straps, open('HF-KS', 'half_split_hold', 'pedalling_fold'), own('HF-KS', 'front_leg_lift')]
  },
  {
    ...taught,
    goal: 'calf_to_thigh',
    roles: [
      // One rung, and the one below it to loosen.
      open('KF', upTo('beginner', 'towel_heel_pull'), upTo('intermediate', 'rock_back_tucked'), 'rock_back_pointed'),
      open(
        'KF',
        upTo('beginner', 'rock_back_tucked'),
        upTo('intermediate', 'rock_back_pointed'),
        'one_leg_rock_bench',
        'rock_back_pointed'
      ),
      own('KF', 'prone_heel_draw')
    ]
  }
];

const comfort: readonly Recipe[] = [
  {
    ...ours,
    goal: 'warm_back',
    roles: [loosen('cat_and_cow'), loosen('prone_press_up'), loosen('seated_twist_side_bend')]
  },
  {
    ...taught,
    goal: 'desk_ease',
    roles: [
      open('HE', 'low_lunge'),
      open('HAB90', 'butterfly_elbow_pressure'),
      open('HER90', 'pigeon_forward', 'figure_four_chair', 'figure_four_lying'),
      open('HF-KS', 'half_split_hold'),
      later(open('HAB90', 'frog')),
      later(open('HE', 'pigeon_back')),
      advanced(open('HF-KB', 'knee_to_side')),
      open('SF', 'arm_overhead_stick', 'arm_across_and_over')
    ]
  },
  {
    ...taught,
    goal: 'knee_comfort',
    roles: [
      press('HF-KB', 'deep_knee_to_side_press', 'knee_to_side'),
      press('ADF', 'ankle_contract_relax', 'standing_calf'),
      loosen('knee_bounce'),
      own('KE', 'lying_knee_straightener'),
      open('KF', 'deep_squat_check', 'rock_back_tucked')
    ]
  },
  {
    ...ours,
    goal: 'before_training',
    roles: [loosen('trailing_knee_lift'), loosen('hip_circles'), loosen('supine_leg_circles'), loosen('knee_drops')]
  },
  {
    ...ours,
    goal: 'return_of_range',
    roles: [
      loosen('ankle_pumps'),
      loosen('knee_drops'),
      loosen('supine_leg_circles'),
      open('KE', 'strap_reps_middle', 'pedalling_fold')
    ]
  }
];

const range = (motion: MotionId, basis: Recipe['basis'], ...roles: Role[]): Recipe => ({ goal: `range_${motion}`, basis, roles });

const ranges: readonly Recipe[] = [
  range('HF-KS', ours.basis, loosen('pedalling_fold'), lyingPress, own('HF-KS', 'raise_back_off', 'front_leg_lift')),
  range(
    'HF-KB',
    ours.basis,
    loosen('rock_back_tucked'),
    press('HF-KB', 'deep_knee_to_side_press', 'knee_to_side'),
    later(open('HF-KB', 'knee_to_side')),
    own('HF-KB', 'knee_raise_hold')
  ),
  range(
    'HE',
    ours.basis,
    open('HE', 'low_lunge'),
    press('HE', 'rear_hip_cycle', 'rear_knee_press'),
    own('HE', 'rear_knee_lift', 'prone_kicks'),
    later(own('HE', 'prone_kicks'))
  ),
  range(
    'HE-KF',
    taught.basis,
    open('HE-KF', 'side_lying_leg_back'),
    open('HE-KF', 'prone_heel_to_seat'),
    later(open('HE-KF', 'leaning_back_kneel')),
    own('HE-KF', 'prone_heel_draw')
  ),
  range(
    'HAB',
    ours.basis,
    open('HAB', 'one_leg_frog', 'straddle_side_bend'),
    own('HAB', 'one_leg_frog_lift', 'side_lying_abduction'),
    later(own('HAB', 'side_kicks'))
  ),
  range(
    'HAB90',
    ours.basis,
    innerThighPress,
    open('HAB90', 'frog'),
    later(press('HAB90', 'frog_press_draw')),
    own('HAB90', 'butterfly_drawn_down')
  ),
  range('HAD', ours.basis, open('HAD', 'side_leg_lower'), later(open('HAD', 'leg_across_strap')), own('HAD', 'leg_across_draw')),
  range(
    'HER0',
    ours.basis,
    loosen('prone_frog_circles'),
    open('HER0', 'prone_shin_in'),
    later(press('HER0', 'prone_shin_in_press')),
    own('HER0', 'prone_shin_in_lift'),
    later(own('HER0', 'turnout_standing'))
  ),
  range(
    'HIR0',
    ours.basis,
    loosen('knee_drops'),
    open('HIR0', 'prone_shins_out'),
    later(press('HIR0', 'prone_shin_out_press')),
    own('HIR0', 'prone_shin_out_lift')
  ),
  range(
    'HER90',
    taught.basis,
    tested('rotation_test'),
    // One way in, and the press of the same place.
    open(
      'HER90',
      upTo('beginner', 'figure_four_chair'),
      upTo('intermediate', 'stick_leg_turns'),
      from('advanced', 'front_hip_90_90'),
      'figure_four_lying'
    ),
    press(
      'HER90',
      upTo('beginner', 'figure_four_two_phase'),
      upTo('intermediate', 'stick_two_phase'),
      from('advanced', 'front_hip_rotation_isometric'),
      'front_hip_two_phase'
    ),
    own('HER90', 'end_hold_rotation', 'supine_leg_circles')
  ),
  range(
    'HIR90',
    taught.basis,
    open('HIR90', 'stick_inward', 'knee_drops'),
    press('HIR90', 'rear_hip_two_phase'),
    own('HIR90', 'prone_heel_lift')
  ),
  range(
    'KF',
    taught.basis,
    open('KF', upTo('beginner', 'towel_heel_pull'), upTo('intermediate', 'rock_back_tucked'), 'rock_back_pointed'),
    open('KF', 'prone_heel_to_seat'),
    own('KF', 'prone_heel_draw'),
    later(own('KF', 'heels_raised_squat'))
  ),
  range('KE', taught.basis, straps, own('KE', 'lying_knee_straightener')),
  range(
    'ADF',
    ours.basis,
    press('ADF', 'ankle_contract_relax', 'standing_calf'),
    open('ADF', 'standing_calf'),
    own('ADF', 'stair_knee_drive', 'lower_step_drive')
  ),
  range(
    'APF',
    ours.basis,
    open('APF', 'top_of_foot_standing'),
    open('APF', 'foot_point_other'),
    later(press('APF', 'foot_point_press')),
    own('APF', 'foot_point_hold')
  ),
  range(
    'WF',
    taught.basis,
    open('WF', upTo('beginner', 'wrist_own_hand'), upTo('intermediate', 'wrist_floor'), 'wrist_lean'),
    press('WF', 'wrist_two_phase'),
    own('WF', 'wrist_sink_hold')
  ),
  range(
    'WE',
    ours.basis,
    open('WE', upTo('beginner', 'wrist_back_hand'), upTo('intermediate', 'wrist_palm_wall'), 'wrist_palm_floor'),
    later(open('WE', 'wrist_prayer')),
    own('WE', 'wrist_raise_hold')
  ),
  range(
    'SF',
    ours.basis,
    loosen('arm_circles'),
    open('SF', 'arm_overhead_stick', 'arm_across_and_over'),
    later(press('SF', 'arm_overhead_press')),
    own('SF', 'arm_overhead_lift')
  ),
  range(
    'SER',
    ours.basis,
    open('SER', upTo('beginner', 'forearm_back'), 'forearm_back_stick', 'forearm_back'),
    own('SER', 'forearm_back_draw')
  ),
  range(
    'SIR',
    ours.basis,
    open('SIR', upTo('beginner', 'forearm_forward'), 'forearm_forward_hand'),
    own('SIR', 'forearm_forward_draw')
  )
];

export const recipes: readonly Recipe[] = [...frontSplit, ...pancake, ...positions, ...activeGoals, ...comfort, ...ranges];
