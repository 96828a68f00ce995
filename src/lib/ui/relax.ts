import type { FormState } from './formState';

/** A wish that can be relaxed so that a form goes through: which field, and to what. */
export type Relaxed = Readonly<{ label: string; field: string; value: number }>;

/** What could be relaxed where nothing fits; nothing where only a person can tell. */
export function relaxationsOf(form: FormState): Relaxed[] {
  const problem = form?.problem;
  if (!problem || problem.code === 'invalid_input') return [];
  const { data } = problem;
  if (problem.code === 'minutes_too_few') {
    const minutes = Math.ceil(Number(data.neededS) / 60);
    return [{ label: `Give each session ${minutes} minutes`, field: 'minutes', value: minutes }];
  }
  if (problem.code === 'weeks_past_target' && Number(data.weeksLeft) > 0) {
    const weeks = Number(data.weeksLeft);
    return [{ label: `Plan ${weeks} ${weeks === 1 ? 'week' : 'weeks'}`, field: 'weeks', value: weeks }];
  }
  return [];
}
