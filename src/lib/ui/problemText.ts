import type { Problem } from '$lib/contract/problem';
import type { ProblemCode } from '$lib/core';

type Data = Readonly<Record<string, number | string>>;

/** What of a cycle goes past what a person may do. */
export function overCapText({ what, asked, most }: Data): string {
  switch (what) {
    case 'effort':
      return `An effort of ${asked} % is above ${most} %, the most for this person.`;
    case 'contraction':
      return `A contraction of ${asked} s is longer than ${most} s, the most for this person.`;
    case 'hold':
      return `A hold of ${asked} s is longer than ${most} s, the most for this person.`;
    default:
      return 'This person does not tighten the whole body.';
  }
}

/** A sentence for every problem: what happened and what to do. A forgotten code does not compile. */
const sentences = {
  not_found: () => 'This is no longer there. Reload the page.',
  conflict: () => 'This was changed elsewhere meanwhile. What you typed is still here; reload to see the other change.',
  missing_reference: () => 'Something this belongs to is gone. Reload the page.',
  sent_otherwise: () =>
    'This had arrived already, as you sent it first, and that is kept; what you changed since is not. Reload the page to see it, and correct it there.',
  date_invalid: () => 'There is no such day. Nothing was kept; check the date.',
  out_of_range: () => 'A value lies outside what is possible. Nothing was kept; check the numbers.',
  gap_exceeds_leg: () => 'The gap is longer than the leg. Check the reading, or the leg length of this person.',
  baseline_missing: () => 'A plan needs a baseline. Measure both sides first, then come back.',
  no_stack_near: (d: Data) =>
    `Nothing on the shelf comes near the measured ${d.measuredCm} cm: the nearest is ${d.nearestCm} cm. Put props on the shelf, or choose a stack in Grade.`,
  weeks_past_target: (d: Data) =>
    Number(d.weeksLeft) > 0
      ? `Only ${d.weeksLeft} ${Number(d.weeksLeft) === 1 ? 'week is' : 'weeks are'} left before the date of the goal. Choose fewer weeks, or move the date.`
      : 'The date of the goal has come. Move the date, or leave it open, then plan.',
  weekdays_do_not_match: (d: Data) =>
    `Choose as many days as sessions: ${d.weekdays} days stand against ${d.sessionsPerWeek} sessions a week.`,
  plan_over: () => 'Every session of this plan is over. Make a new one.',
  not_solved: () => 'No plan was found for this. Take back what was wished last, or give the sessions more minutes.',
  solving_cancelled: () => 'Solving was stopped. The plan is as it was.',
  solver_lost: () => 'Solving broke off. The plan is as it was; try again.',
  session_too_long: (d: Data) =>
    `This comes to ${d.sets} sets and ${d.minutes} minutes. A session has at most 200 sets and ten hours; take something out.`,
  minutes_too_few: (d: Data) =>
    `The warm-up, one exercise and the settle need ${Math.ceil(Number(d.neededS) / 60)} minutes. Give the session more time.`,
  everything_locked: () =>
    'Every exercise loads a locked joint or a resting line. The stop has to be cleared by a named person first.',
  session_not_planned: () => 'This session has begun or is over, so it cannot be arranged any more.',
  nothing_in_week: () => 'There is no exercise in the week yet. Put one in first, in Grade.',
  effort_above_cap: (d: Data) => `An effort of ${d.peakPct} % is above this client's cap of ${d.capPct} %.`,
  cycle_over_cap: (d: Data) => `${overCapText(d)}${d.why ? ` ${d.why}` : ''} Nothing was kept.`,
  nothing_harder: (d: Data) => `This asks for more than it stands at, and nothing gets harder now. ${d.why} Nothing was kept.`,
  name_taken: (d: Data) => `There is a cycle called “${d.name}” already. Give this one another name.`,
  not_cleared: () => 'Planning and playing are closed until a named person clears this client. See Check.',
  not_ready: (d: Data) => String(d.why),
  value_impossible: (d: Data) => `No body goes there: ${d.value} lies outside ${d.min} to ${d.max}. Measure again.`,
  entry_missing: () => 'A number of this trial is missing.',
  rise_exceeds_limb: () => 'The rise is longer than the limb. Check the reading, or the length of the limb.',
  span_impossible: () => 'This span is wider than the body allows. Check the reading, or the length of the leg.',
  sternum_impossible: () => 'The breastbone cannot be there with this trunk. Check both heights, or the length of the trunk.',
  past_end: (d: Data) => `It goes no further than ${d.end} for this person. ${d.why}`,
  wait_not_over: (d: Data) => `${d.why} To go on sooner, write down why; the reason is kept.`,
  goal_barred: (d: Data) => `This goal is not for this person: ${d.why}. Nothing was changed.`,
  stage_not_open: (d: Data) => `This stage is not open yet. ${d.why}`,
  end_stop_missing: (d: Data) =>
    d.motion
      ? `Write down the angle at which ${d.motion} has to stop, as the clinician told it. There is no usual angle for it.`
      : 'Write down at least one angle at which the joint stops.',
  stopped_today: () =>
    'A session of today was stopped, and the stop is still open. No other session begins today until a named person clears it in Check.',
  same_day_unconfirmed: () => 'This would be the second session today. Confirm below that you mean it.',
  check_overdue_unconfirmed: () => 'The Check is overdue. Ask it again first, or confirm below that nothing has changed.',
  deepen_against_limit: (d: Data) => `A limit says that nothing is made harder: ${d.why}. A named person may relax it in Check.`,
  turnout_past_hips: (d: Data) =>
    `The hips together turn ${d.hipsDeg}°. A target past ${d.mostDeg}° needs your reason, written beside it.`,
  value_not_a_number: () => 'A number is missing or is none. Look at what was written.',
  table_too_small: () => 'Two people, each measured by both, are the least.',
  no_spread: () => 'All values are alike: nothing can be said about agreement.',
  nothing_adds_up: () => 'Measure both joint ranges of it, then a change can be tried here.',
  opening_unreachable: () => 'These legs cannot open like that. Check the leg lengths of this person.',
  run_out_of_range: () => 'Rise and run cannot both be zero. Measure again.',
  domain_too_narrow: () => 'These numbers lie at the very edge of what the body allows. Measure again, or measure the limb.',
  plan_changed_elsewhere: () =>
    'This plan was changed in another tab. Your numbers are still here; reload to see the other version.',
  session_not_running: () => 'This session was not started. Open it from Practise.',
  session_already_running: () => 'A session of this client is already running. Finish that one first.',
  reason_missing: () => 'Write down why. The reason is kept with the decision.',
  deepen_while_locked: () => 'While something is stopped nothing is made harder, and this cannot be overruled.',
  stop_not_undone: () => 'A stop is not taken back here. A named person clears it in Check.',
  decision_carried_on: () => 'The work has gone on since this was decided. Change the setting in Grade.',
  stop_not_overruled: () => 'A stop cannot be overruled. A named person clears it in Check.',
  nothing_to_deepen: () => 'This exercise is at its hardest setting.',
  resume_undecided: () => 'There was a pause. Choose: one step back, or as before with a reason.',
  archived: () => 'This person is archived. Bring them back first.',
  consent_missing: () => 'Pictures are kept only with consent. Write down who gives it, or measure without keeping the picture.',
  photo_unreadable: () => 'This is no picture that can be kept. The number you read from it stays; take JPEG, PNG or WebP.',
  photo_too_large: (d: Data) => `A picture that is kept may have ${d.limitMb} MB. The number you read from it stays.`,
  photos_full: (d: Data) =>
    `The pictures of the studio fill their ${d.limitMb} MB. Delete older ones, or go on without keeping this one.`,
  landmark_missing: (d: Data) => `Set the point for the ${d.landmark}.`,
  landmarks_coincide: () => 'Two points lie on one spot. Move one of them to its own place on the body.',
  line_missing: () => 'Set the floor line, or something that hangs straight.',
  line_ends_coincide: () => 'Both ends of the line lie on one spot. Draw it out along the floor.',
  block_missing: () => 'Set the bottom and the top of a thing whose height you know.',
  block_height_zero: () => 'Write how high the block is, in numbers above 0.',
  block_ends_coincide: () => 'Bottom and top of the block lie on one spot. Put one at either end.',
  exercise_in_use: (d: Data) => `It stands in the week of ${d.people}. Take it out there first; nothing was removed.`,
  own_neighbour: () => 'An exercise cannot be easier or harder than itself. Choose another one, or none.',
  neighbour_ring: (d: Data) =>
    `With this choice the row from easier to harder would run in a ring through ${d.through}. Choose another one.`,
  jump_unconfirmed: (d: Data) =>
    `That is ${d.steps} steps at once, from ${d.from} to ${d.to}. One step at a time, or confirm that you mean it.`,
  measure_unconfirmed: (d: Data) => {
    const [from, to] = [d.from, d.to].map((v) => `${Math.round(Number(v) * 10) / 10} ${d.unit}`.trim());
    return d.of === 'trials'
      ? `${from} and ${to} of one measure: one of them looks mistyped. Correct it, or confirm that both are right.`
      : `${to}, after ${from} the last time: that looks mistyped. Correct it, or confirm that it is right.`;
  },
  dial_out_of_range: (d: Data) =>
    `This setting goes from ${d.min} to ${d.max}${d.cap ? `; the cap of this client is ${d.cap}` : ''}.`,
  exercise_barred: (d: Data) => `This is not for this person now. ${d.why}`,
  week_empty: () => 'The last exercise of the week stays. Put another one in first.'
} satisfies Record<ProblemCode, (data: Data) => string>;

export const problemText = (problem: Problem): string =>
  problem.code === 'invalid_input'
    ? 'Please check the fields marked below. Your entries are still here.'
    : sentences[problem.code](problem.data);
