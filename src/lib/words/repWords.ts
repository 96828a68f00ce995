import type { Phase } from '$lib/core';

/** What a repetition is said as: there, and back. */
export type RepWords = Readonly<{ there: string; back: string }>;

const lifting: RepWords = { there: 'Lift', back: 'Lower slowly' };
const say = (there: string, back: string): RepWords => ({ there, back });

/** Of the exercises whose repetitions are no lift. */
const wordsOf: Readonly<Record<string, RepWords>> = {
  raise_back_off: say('Back off, the leg stays', 'Lower slowly'),
  half_90_circles: say('Circle the leg', 'Lower slowly'),
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
  supine_kicks: say('Kick', 'Lower slowly'),
  side_kicks: say('Kick', 'Lower slowly'),
  prone_kicks: say('Kick', 'Lower slowly'),
  knee_raise_hold: say('Draw the knee up', 'Lower slowly'),
  wrist_sink_hold: say('Bend the hand down', 'Let it come up slowly'),
  wrist_heel_raise: say('Lift the heels of the hands', 'Lower slowly'),
  wrist_raise_hold: say('Raise the hand', 'Lower slowly'),
  forearm_back_draw: say('Draw the forearm back', 'Let it come forward slowly'),
  forearm_forward_draw: say('Draw the forearm forward', 'Let it go back slowly')
};

/** Words for the repetitions of an exercise; those of a lift where it has none of its own. */
export const repWordsOf = (exerciseId: string): RepWords => wordsOf[exerciseId] ?? lifting;

/** Which repetition it is, in words: "2 of 5", "2, from 3 to 8 clean ones". */
export const repText = ({ at, of, least }: NonNullable<Phase['rep']>): string =>
  least === undefined ? `${at} of ${of}` : `${at}, from ${least} to ${of} clean ones`;
