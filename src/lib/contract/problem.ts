/** What can go wrong for a careful user, as data. Text is made last, in ui/problemText.ts. */
export type Problem =
  | Readonly<{ code: 'invalid_input'; fields: Readonly<Record<string, readonly string[]>> }>
  | Readonly<{ code: ProblemCode; data: Readonly<Record<string, number | string>> }>;

export type Result<T> =
  Readonly<{ ok: true; value: T; problem?: never }> | Readonly<{ ok: false; problem: Problem; value?: never }>;

export const problemCodes = [
  'not_found',
  'conflict',
  'missing_reference',
  'out_of_range',
  'gap_exceeds_leg',
  'baseline_missing',
  'no_stack_near',
  'weeks_past_target',
  'minutes_too_few',
  'session_too_long',
  'everything_locked',
  'dials_unset',
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
  'dial_out_of_range',
  'exercise_barred',
  'week_empty'
] as const;
export type ProblemCode = (typeof problemCodes)[number];

export const isProblemCode = (code: string): code is ProblemCode => (problemCodes as readonly string[]).includes(code);

/** A form as it was typed: what came several times as a list. */
export type Typed = Readonly<Record<string, string | string[]>>;
