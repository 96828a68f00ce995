/** The exercises of a front split that nobody changed, as the tests of the path expect them. */
export const splitWeekIds = [
  'front_split_on_stack',
  'front_hamstring_cycle',
  'rear_hip_cycle',
  'front_leg_lift',
  'rear_knee_lift'
] as const;
