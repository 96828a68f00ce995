import type { Phase } from '$lib/core';

/** The words of a repetition: there, and back; one alone where it goes on without a stop. */
export type RepWords = Readonly<{ there: string; back: string }>;

const lifting: RepWords = { there: 'Lift', back: 'Lower slowly' };
const say = (there: string, back = 'And back'): RepWords => ({ there, back });

/** Of the exercises whose repetitions are no lift. */
const wordsOf: Readonly<Record<string, RepWords>> = {
  raise_back_off: say('Back off, the leg stays', 'Lower slowly'),
  half_90_circles: say('Circle the leg', 'Lower slowly'),
  front_leg_double_tap: say('Two taps out, two back'),
  leaning_back_kneel: say('Lean back, by your own strength', 'Pull yourself up by the hands'),
  rear_knee_lift: say('Straighten the rear knee', 'Lower the knee slowly'),
  weighted_roll_down: say('Roll down', 'Roll up slowly'),
  straddle_good_morning: say('Hinge ahead', 'Come up slowly'),
  one_leg_frog_tilted: say('Straighten the leg', 'Bend it slowly'),
  leg_across_draw: say('Draw the leg across', 'Take it back slowly'),
  butterfly_drawn_down: say('Draw the knees down', 'Let them rise slowly'),
  switch_90_90: say('Switch over', 'Switch back slowly'),
  end_hold_rotation: say('Hold it there, the stick leaves', 'Turn back slowly'),
  standing_leg_circuit: say('Round: forward, out, behind', 'Home, slowly'),
  prone_shin_out_lift: say('Turn the shin out', 'Turn back slowly'),
  prone_shin_in_lift: say('Turn the shin in', 'Turn back slowly'),
  turnout_standing: say('Turn out', 'Turn back slowly'),
  stair_knee_drive: say('Knee ahead', 'Back slowly'),
  stair_knee_drive_turned: say('Knee ahead', 'Back slowly'),
  lower_step_drive: say('Knee ahead', 'Back slowly'),
  heels_raised_squat: say('Squat', 'Come up slowly'),
  lying_knee_straightener: say('Straighten the knee', 'Let it bend slowly'),
  foot_point_hold: say('Point the foot', 'Let it come back slowly'),
  prone_heel_draw: say('Draw the heel in', 'Lower slowly'),
  wall_split_lift_off: say('Take the foot off the wall', 'Set it back slowly'),
  supine_kicks: say('Kick', 'Let it fall back'),
  side_kicks: say('Kick', 'Let it fall back'),
  prone_kicks: say('Kick', 'Let it fall back'),
  knee_raise_hold: say('Draw the knee up', 'Lower slowly'),
  wrist_sink_hold: say('Bend the hand down', 'Let it come up slowly'),
  wrist_heel_raise: say('Lift the heels of the hands', 'Lower slowly'),
  wrist_raise_hold: say('Raise the hand', 'Lower slowly'),
  forearm_back_draw: say('Draw the forearm back', 'Let it come forward slowly'),
  star_jumps: say('Jump'),
  split_stance_jumps: say('Jump and change'),
  tall_squat_jumps: say('Jump tall'),
  leg_swings_forward: say('Swing'),
  leg_swings_across: say('Swing across'),
  heel_raises: say('Heels up, heels down'),
  ankle_pumps: say('Point, and draw up'),
  ankle_circles: say('Circle the foot'),
  knee_circles_sitting: say('Circle the knee'),
  cat_and_cow: say('Round, and hollow'),
  lunge_bounces_knee_down: say('Sink and rise'),
  lunge_bounces_straight: say('Sink and rise'),
  half_split_pulses: say('Pulse'),
  split_stance_pulses: say('Pulse'),
  wall_split_pulses: say('Pulse to the wall'),
  standing_split_kicks: say('Kick'),
  split_lean: say('Lean ahead, and back'),
  half_straddle_side_bend: say('Bend over the leg, and up'),
  half_straddle_hip_lift: say('Hips up, and down'),
  lying_to_side_sit_flow: say('Through all the places'),
  straddle_side_bend: say('Bend to the side, and up'),
  wide_reach_to_foot: say('Reach to the foot, and up'),
  strap_reps_middle: say('Straighten', 'Bend'),
  strap_reps_outside: say('Straighten', 'Bend'),
  strap_reps_inside: say('Straighten', 'Bend'),
  pedalling_fold: say('Bend one knee, then the other'),
  frog_slides: say('Slide apart, and back'),
  prone_frog_circles: say('Circle the feet'),
  prone_frog_swings: say('Swing the shins'),
  butterfly_one_knee: say('Press the knee'),
  half_butterfly_press: say('Press the knee'),
  half_butterfly_circles: say('Circle the knee'),
  trailing_knee_lift: say('Lift the knee, stop, lower'),
  sweep_fold: say('Sweep across, back, and fold'),
  partial_sweep: say('Sweep half way, and back'),
  thread_switch: say('Thread through, and switch'),
  supine_leg_circles: say('Circle the leg'),
  supine_circle_half_lotus: say('All the way round'),
  towel_heel_pull: say('Draw the heel in, and ease'),
  rock_back_tucked: say('Rock back, and forward'),
  rock_back_pointed: say('Rock back, and forward'),
  one_leg_rock_bench: say('Rock forward, and back'),
  forearm_forward_draw: say('Draw the forearm forward', 'Let it go back slowly')
};

/** Words for the repetitions of an exercise; those of a lift where it has none of its own. */
export const repWordsOf = (exerciseId: string): RepWords => wordsOf[exerciseId] ?? lifting;

/** The word of what goes on without a stop; undefined where it has none of its own. */
export const movementOf = (exerciseId: string): string | undefined => wordsOf[exerciseId]?.there;

/** Which repetition it is, in words: "2 of 5", "2, from 3 to 8 clean ones". */
export const repText = ({ at, of, least }: NonNullable<Phase['rep']>): string =>
  least === undefined ? `${at} of ${of}` : `${at}, from ${least} to ${of} clean ones`;
