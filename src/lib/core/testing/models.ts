// A data table: reference sessions as what a plan is held against, common practice. Each is one invented person.
import type { Level } from '../level';
import type { SchoolId } from '../school/school';

/** A figure of a block and between which ends it lies; `until` the upper end where a model goes past the usual cap. */
export type ModelDose = readonly [
  exerciseId: string,
  figure: 'reps' | 'holdS' | 'rounds' | 'breaths' | 'repS',
  from: number,
  to: number
];

export type ModelSession = Readonly<{
  id: string;
  goal: string;
  school: SchoolId;
  level: Level;
  stage?: number;
  age: number;
  minutes: number;
  days: number;
  /** Pieces that are not missing, one of each row. */
  must: readonly (readonly string[])[];
  /** Pieces that an expert would refuse, and rows of which no two stand in one session. */
  refused: readonly string[];
  never: readonly (readonly string[])[];
  /** One before the other. */
  order: readonly (readonly [string, string])[];
  doses: readonly ModelDose[];
  /** The main line: what has to grow. */
  main: readonly string[];
}>;

type Row = Omit<ModelSession, 'refused' | 'never' | 'order' | 'doses' | 'age' | 'days'> & Partial<ModelSession>;
const model = (row: Row): ModelSession => ({ refused: [], never: [], order: [], doses: [], age: 35, days: 3, ...row });

const loadedKnee = ['stair_knee_drive', 'lower_step_drive', 'heels_raised_squat', 'one_leg_rock_bench'];
const wrists = ['wrist_own_hand', 'wrist_floor', 'wrist_lean'];
const angles = ['strap_reps_middle', 'strap_reps_outside', 'strap_reps_inside'] as const;

export const modelSessions: readonly ModelSession[] = [
  model({
    id: 'S01',
    goal: 'range_HER90',
    school: 'long_hold',
    level: 'intermediate',
    minutes: 15,
    must: [['rotation_test'], ['stick_leg_turns', 'stick_pelvis_tilts'], ['stick_two_phase'], ['end_hold_rotation']],
    never: [['stick_leg_turns', 'stick_pelvis_tilts']],
    order: [
      ['stick_leg_turns', 'stick_two_phase'],
      ['stick_two_phase', 'end_hold_rotation']
    ],
    doses: [
      ['stick_leg_turns', 'holdS', 120, 180],
      ['stick_two_phase', 'rounds', 2, 3]
    ],
    main: ['stick_two_phase']
  }),
  model({
    id: 'S02',
    goal: 'range_HER90',
    school: 'long_hold',
    level: 'advanced',
    minutes: 15,
    must: [['front_hip_90_90'], ['front_hip_rotation_isometric', 'front_hip_two_phase']],
    order: [['front_hip_90_90', 'front_hip_rotation_isometric']],
    doses: [
      ['front_hip_90_90', 'holdS', 120, 120],
      ['front_hip_rotation_isometric', 'rounds', 2, 3]
    ],
    main: ['front_hip_rotation_isometric']
  }),
  model({
    id: 'S03',
    goal: 'lean_back',
    school: 'contract_relax',
    level: 'intermediate',
    minutes: 15,
    must: [['leaning_back_kneel']],
    doses: [
      ['leaning_back_kneel', 'reps', 3, 5],
      ['leaning_back_kneel', 'repS', 20, 27]
    ],
    main: ['leaning_back_kneel']
  }),
  model({
    id: 'S04',
    goal: 'calf_to_thigh',
    school: 'short_holds',
    level: 'beginner',
    age: 61,
    minutes: 15,
    days: 6,
    must: [['towel_heel_pull'], ['rock_back_tucked', 'rock_back_pointed']],
    refused: loadedKnee,
    order: [['towel_heel_pull', 'rock_back_tucked']],
    doses: [
      ['towel_heel_pull', 'reps', 8, 10],
      ['towel_heel_pull', 'repS', 3, 4],
      ['rock_back_tucked', 'repS', 2, 4]
    ],
    main: ['rock_back_tucked']
  }),
  model({
    id: 'S05',
    goal: 'front_split',
    school: 'contract_relax',
    level: 'intermediate',
    minutes: 20,
    must: [
      ['long_lunge_contract_relax'],
      ['half_kneeling_heel_press'],
      ['rear_knee_press'],
      ['split_lowering', 'front_split_on_stack']
    ],
    order: [
      ['long_lunge_contract_relax', 'half_kneeling_heel_press'],
      ['rear_knee_press', 'split_lowering']
    ],
    doses: [
      ['long_lunge_contract_relax', 'rounds', 3, 5],
      ['half_kneeling_heel_press', 'rounds', 3, 5]
    ],
    main: ['long_lunge_contract_relax', 'half_kneeling_heel_press']
  }),
  model({
    id: 'S06',
    goal: 'switch_90_90',
    school: 'drills',
    level: 'intermediate',
    minutes: 30,
    must: [
      ['trailing_knee_lift'],
      ['prone_heel_lift'],
      ['sweep_fold'],
      ['thread_switch'],
      ['front_leg_lift', 'front_leg_double_tap'],
      ['switch_90_90'],
      ['fold_90_90']
    ],
    order: [
      ['trailing_knee_lift', 'sweep_fold'],
      ['sweep_fold', 'switch_90_90'],
      ['switch_90_90', 'fold_90_90']
    ],
    doses: [
      ['sweep_fold', 'repS', 7, 8.5],
      ['switch_90_90', 'repS', 3, 4],
      ['switch_90_90', 'reps', 8, 12],
      ['fold_90_90', 'holdS', 30, 60],
      ['trailing_knee_lift', 'reps', 5, 5]
    ],
    main: ['switch_90_90']
  }),
  model({
    id: 'S07',
    goal: 'lotus',
    school: 'drills',
    level: 'beginner',
    minutes: 30,
    days: 6,
    must: [
      ['butterfly_pulses'],
      ['half_butterfly_press'],
      ['half_butterfly_circles'],
      ['knee_drops'],
      ['stacked_shins'],
      ['heel_sit_rocks'],
      ['heel_sit']
    ],
    refused: ['stair_knee_drive', 'lower_step_drive'],
    order: [
      ['butterfly_pulses', 'half_butterfly_press'],
      ['half_butterfly_press', 'knee_drops'],
      ['stacked_shins', 'heel_sit'],
      ['heel_sit_rocks', 'heel_sit']
    ],
    doses: [
      ['half_butterfly_press', 'reps', 7, 10],
      ['butterfly_one_knee', 'reps', 10, 10],
      ['heel_sit', 'holdS', 60, 300],
      ['stacked_shins', 'holdS', 30, 45]
    ],
    main: ['heel_sit', 'stacked_shins']
  }),
  model({
    id: 'S08',
    goal: 'range_HER90',
    school: 'long_hold',
    level: 'beginner',
    minutes: 15,
    must: [['figure_four_chair'], ['figure_four_two_phase']],
    order: [['figure_four_chair', 'figure_four_two_phase']],
    doses: [
      ['figure_four_chair', 'holdS', 60, 120],
      ['figure_four_two_phase', 'rounds', 2, 3]
    ],
    main: ['figure_four_two_phase']
  }),
  model({
    id: 'S09',
    goal: 'turnout',
    school: 'drills',
    level: 'intermediate',
    minutes: 15,
    must: [
      ['butterfly_contract_relax'],
      ['half_straddle_side_bend'],
      ['half_straddle_hip_lift'],
      ['prone_frog_circles'],
      ['prone_frog_swings']
    ],
    order: [
      ['butterfly_contract_relax', 'prone_frog_circles'],
      ['half_straddle_side_bend', 'half_straddle_hip_lift'],
      ['prone_frog_circles', 'prone_frog_swings']
    ],
    doses: [
      ['prone_frog_circles', 'repS', 1.5, 2],
      ['prone_frog_circles', 'reps', 8, 8],
      ['half_straddle_side_bend', 'repS', 10, 15],
      ['butterfly_contract_relax', 'rounds', 2, 4]
    ],
    main: ['butterfly_contract_relax']
  }),
  model({
    id: 'S10',
    goal: 'range_WF',
    school: 'long_hold',
    level: 'beginner',
    minutes: 15,
    must: [['wrist_own_hand'], ['wrist_two_phase']],
    refused: ['wrist_lean'],
    never: [wrists],
    order: [['wrist_own_hand', 'wrist_two_phase']],
    doses: [['wrist_own_hand', 'holdS', 30, 120]],
    main: ['wrist_own_hand', 'wrist_two_phase']
  }),
  model({
    id: 'S11',
    goal: 'desk_ease',
    school: 'drills',
    level: 'beginner',
    minutes: 15,
    must: [
      ['low_lunge'],
      ['butterfly_elbow_pressure'],
      ['pigeon_forward', 'figure_four_chair', 'figure_four_lying'],
      ['half_split_hold', 'standing_fold']
    ],
    doses: [
      ['low_lunge', 'holdS', 20, 30],
      ['low_lunge', 'rounds', 2, 3],
      ['butterfly_elbow_pressure', 'holdS', 20, 30]
    ],
    main: ['low_lunge', 'butterfly_elbow_pressure']
  }),
  model({
    id: 'S12',
    goal: 'front_split',
    stage: 3,
    school: 'drills',
    level: 'advanced',
    minutes: 20,
    must: [
      ['front_split_on_stack'],
      ['standing_split_kicks'],
      ['lying_contract_relax'],
      ['raised_split'],
      ['prone_press_up'],
      ['split_lean'],
      ['split_front_foot_lift']
    ],
    order: [
      ['front_split_on_stack', 'raised_split'],
      ['prone_press_up', 'split_lean'],
      ['split_lean', 'split_front_foot_lift']
    ],
    doses: [
      ['standing_split_kicks', 'repS', 1.4, 2.4],
      ['standing_split_kicks', 'reps', 10, 10],
      ['raised_split', 'holdS', 30, 60],
      ['lying_contract_relax', 'rounds', 3, 3]
    ],
    main: ['raised_split', 'lying_contract_relax', 'front_split_on_stack']
  }),
  model({
    id: 'S13',
    goal: 'standing_fold',
    school: 'drills',
    level: 'beginner',
    minutes: 15,
    must: [['toe_reach_test'], ['pedalling_fold'], ['standing_fold']],
    order: [['pedalling_fold', 'standing_fold']],
    doses: [
      ['pedalling_fold', 'repS', 1.5, 2.5],
      ['pedalling_fold', 'reps', 15, 50]
    ],
    main: ['pedalling_fold', 'standing_fold']
  }),
  model({
    id: 'S14',
    goal: 'range_HIR90',
    school: 'long_hold',
    level: 'intermediate',
    minutes: 15,
    must: [['rear_hip_two_phase'], ['prone_heel_lift', 'prone_knee_ankle_lift']],
    doses: [['rear_hip_two_phase', 'rounds', 2, 3]],
    main: ['rear_hip_two_phase']
  }),
  model({
    id: 'S15',
    goal: 'front_split',
    school: 'breath_counted',
    level: 'intermediate',
    minutes: 20,
    must: [
      ['lying_leg_raise'],
      ['leg_drawn_in'],
      ['side_lying_leg_back'],
      ['side_sit_push_up'],
      ['leg_drawn_in_curled'],
      ['lying_to_side_sit_flow'],
      ['front_split_on_stack']
    ],
    order: [
      ['lying_leg_raise', 'leg_drawn_in'],
      ['leg_drawn_in', 'side_lying_leg_back'],
      ['side_sit_push_up', 'front_split_on_stack']
    ],
    doses: [
      ['leg_drawn_in', 'breaths', 3, 9],
      ['lying_to_side_sit_flow', 'repS', 20, 40]
    ],
    main: ['leg_drawn_in', 'side_lying_leg_back']
  }),
  model({
    id: 'S16',
    goal: 'clean_kicks',
    school: 'drills',
    level: 'beginner',
    age: 10,
    minutes: 30,
    days: 2,
    must: [['low_lunge'], ['half_split_hold'], ['supine_kicks'], ['side_kicks'], ['prone_kicks']],
    order: [
      ['low_lunge', 'half_split_hold'],
      ['half_split_hold', 'supine_kicks'],
      ['supine_kicks', 'prone_kicks']
    ],
    doses: [
      ['supine_kicks', 'repS', 1.4, 2.4],
      ['prone_kicks', 'repS', 1.4, 2.4],
      ['supine_kicks', 'reps', 5, 20]
    ],
    main: ['supine_kicks', 'prone_kicks']
  }),
  model({
    id: 'S17',
    goal: 'hamstring_at_knee',
    school: 'short_holds',
    level: 'beginner',
    minutes: 15,
    days: 6,
    must: angles.map((a) => [a]),
    order: [
      [angles[0], angles[1]],
      [angles[1], angles[2]]
    ],
    doses: angles.flatMap((a): ModelDose[] => [
      [a, 'reps', 8, 10],
      [a, 'repS', 6, 10]
    ]),
    main: angles
  }),
  model({
    id: 'S18',
    goal: 'pancake',
    school: 'contract_relax',
    level: 'intermediate',
    minutes: 30,
    must: [
      ['weighted_roll_down'],
      ['raise_back_off'],
      ['half_90_circles'],
      ['pancake_on_seat', 'pancake_floor', 'wide_standing_fold']
    ],
    never: [['pancake_on_seat', 'pancake_floor', 'wide_standing_fold']],
    order: [
      ['weighted_roll_down', 'raise_back_off'],
      ['raise_back_off', 'half_90_circles'],
      ['half_90_circles', 'pancake_on_seat']
    ],
    doses: [
      ['weighted_roll_down', 'reps', 3, 4],
      ['weighted_roll_down', 'repS', 40, 50],
      ['half_90_circles', 'repS', 1.5, 2],
      ['half_90_circles', 'reps', 10, 10],
      ['raise_back_off', 'holdS', 5, 10]
    ],
    main: ['weighted_roll_down', 'pancake_on_seat']
  }),
  model({
    id: 'S19',
    goal: 'lotus',
    school: 'breath_counted',
    level: 'advanced',
    minutes: 45,
    must: [
      ['supine_circle_half_lotus'],
      ['pigeon_engaged'],
      ['pigeon_hand_press'],
      ['pigeon_turned'],
      ['standing_leg_circuit'],
      ['wide_squat_press', 'wide_standing_fold'],
      ['stacked_shins_press'],
      ['cow_face_press']
    ],
    order: [
      ['supine_circle_half_lotus', 'pigeon_engaged'],
      ['pigeon_engaged', 'pigeon_turned'],
      ['standing_leg_circuit', 'cow_face_press']
    ],
    doses: [
      ['supine_circle_half_lotus', 'repS', 6, 10],
      ['pigeon_engaged', 'breaths', 3, 9],
      ['stacked_shins_press', 'holdS', 30, 60]
    ],
    main: ['pigeon_engaged', 'stacked_shins_press']
  }),
  model({
    id: 'S20',
    goal: 'knee_comfort',
    school: 'contract_relax',
    level: 'beginner',
    age: 52,
    minutes: 15,
    must: [['deep_knee_to_side_press'], ['ankle_contract_relax'], ['lying_knee_straightener'], ['deep_squat_check']],
    order: [
      ['deep_knee_to_side_press', 'ankle_contract_relax'],
      ['ankle_contract_relax', 'lying_knee_straightener'],
      ['lying_knee_straightener', 'deep_squat_check']
    ],
    doses: [
      ['lying_knee_straightener', 'reps', 10, 10],
      ['lying_knee_straightener', 'repS', 4, 5]
    ],
    main: ['deep_knee_to_side_press', 'ankle_contract_relax']
  }),
  model({
    id: 'S21',
    goal: 'abduction_lift',
    school: 'drills',
    level: 'intermediate',
    minutes: 15,
    must: [['one_leg_frog'], ['one_leg_frog_lift'], ['one_leg_frog_tilted']],
    order: [
      ['one_leg_frog', 'one_leg_frog_lift'],
      ['one_leg_frog_lift', 'one_leg_frog_tilted']
    ],
    doses: [
      ['one_leg_frog', 'holdS', 30, 60],
      ['one_leg_frog_lift', 'reps', 5, 8],
      ['one_leg_frog_lift', 'holdS', 2, 5],
      ['one_leg_frog_tilted', 'repS', 2.5, 3.5]
    ],
    main: ['one_leg_frog_lift']
  })
];
