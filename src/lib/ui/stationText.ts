import type { StationId } from '$lib/contract/path';

/** What is done at a station, and what comes of it: for the page of help, and told once at the station itself. */
export const stationText: Readonly<Record<StationId, string>> = {
  check: 'Ask about health, injuries and pain. The answers set limits that hold on every page.',
  measure:
    'Take the goal’s own measure, and the joint ranges that stand behind it, with a tape, an inclinometer, a stack or a photo.',
  read: 'See which joint range is the main limit, how the sides differ, and where the active hold is short of the passive reach.',
  grade: 'Set each exercise to an exact step: the stack, the hold, the effort, for each side.',
  plan: 'Lay out the weeks. The minutes go to what limits the goal most; easy weeks and days between hard work are kept.',
  practise: 'Play the session beside the mat: the figure, the clock, the cue, the stop signs. Say how each set was.',
  review: 'Decide what comes next for each exercise: keep, harder, easier, or stop. Then see what changed over the weeks.'
};
