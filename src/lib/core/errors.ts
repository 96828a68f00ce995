/** Refusals that a careful user can come to, each with words in ui/problemText.ts. */
export const problemCodes = [
  'not_found',
  'conflict',
  'missing_reference',
  'out_of_range',
  'gap_exceeds_leg',
  'baseline_missing',
  'no_stack_near',
  'weeks_past_target',
  'weekdays_do_not_match',
  'plan_over',
  'not_solved',
  'solving_cancelled',
  'solver_lost',
  'minutes_too_few',
  'session_too_long',
  'everything_locked',
  'nothing_in_week',
  'session_not_planned',
  'effort_above_cap',
  'cycle_over_cap',
  'name_taken',
  'nothing_harder',
  'not_cleared',
  'not_ready',
  'value_impossible',
  'value_not_a_number',
  'entry_missing',
  'rise_exceeds_limb',
  'span_impossible',
  'sternum_impossible',
  'past_end',
  'wait_not_over',
  'goal_barred',
  'stage_not_open',
  'end_stop_missing',
  'stopped_today',
  'same_day_unconfirmed',
  'check_overdue_unconfirmed',
  'deepen_against_limit',
  'turnout_past_hips',
  'table_too_small',
  'no_spread',
  'nothing_adds_up',
  'opening_unreachable',
  'run_out_of_range',
  'domain_too_narrow',
  'plan_changed_elsewhere',
  'session_not_running',
  'session_already_running',
  'reason_missing',
  'deepen_while_locked',
  'stop_not_overruled',
  'stop_not_undone',
  'decision_carried_on',
  'nothing_to_deepen',
  'resume_undecided',
  'archived',
  'consent_missing',
  'photo_unreadable',
  'photo_too_large',
  'photos_full',
  'landmark_missing',
  'landmarks_coincide',
  'line_missing',
  'line_ends_coincide',
  'block_missing',
  'block_height_zero',
  'block_ends_coincide',
  'exercise_in_use',
  'own_neighbour',
  'neighbour_ring',
  'jump_unconfirmed',
  'measure_unconfirmed',
  'dial_out_of_range',
  'exercise_barred',
  'week_empty',
  'date_invalid',
  'sent_otherwise'
] as const;
export type ProblemCode = (typeof problemCodes)[number];
export const isProblemCode = (code: string): code is ProblemCode => (problemCodes as readonly string[]).includes(code);

/** Refusals that only a fault of the program can come to. */
export type FaultCode =
  | 'confidence_unknown'
  | 'flag_unknown'
  | 'ladder_upwards'
  | 'lead_side_missing'
  | 'leg_out_of_range'
  | 'measure_missing'
  | 'no_fit'
  | 'no_repeats'
  | 'no_trials'
  | 'points_too_few'
  | 'prop_out_of_range'
  | 'sd_out_of_range'
  | 'table_ragged'
  | 'time_not_a_number'
  | 'trial_not_a_number'
  | 'unknown_dial';

/** Input the core cannot answer for. `code` and `data` travel to the interface; the message is for developers. */
export class CoreError<Code extends ProblemCode | FaultCode = ProblemCode | FaultCode> extends RangeError {
  constructor(
    readonly code: Code,
    readonly data: Record<string, number | string> = {}
  ) {
    super(`${code} ${JSON.stringify(data)}`);
    this.name = new.target.name;
  }
}

/** A call that only a fault of the program makes: the door lets it through, and it is answered as a fault. */
export class CoreFault extends CoreError<FaultCode> {}

/**
 * Refuses a number outside its range; NaN and the infinities never pass.
 *
 * Throws: CoreError 'out_of_range' with what it is, the value and its bounds.
 */
export function requireRange(what: string, value: number, min: number, max: number): number {
  if (!(value >= min && value <= max)) throw new CoreError('out_of_range', { what, value, min, max });
  return value;
}
