import type { Side } from '../body/side';
import type { SessionRecord } from '../progress/history';
import { mannKendall } from './mannKendall';
import { plateauRules, type Plateau } from './plateau';

/** Something to look at before the next step, told once for an exercise, a side or the person. Words come outside. */
export type Alert =
  | Readonly<{ code: 'attendance'; done: number; due: number }>
  | Readonly<{ code: 'sensation drifts'; exerciseId: string; side: Side | null; from: number; to: number; sessions: number }>
  | Readonly<{ code: 'shape lost'; exerciseId: string; side: Side | null; lost: number; sessions: number }>
  | Readonly<{ code: 'plateau'; side: Side | null; weeks: number; measures: number }>
  | Readonly<{ code: 'side behind'; side: Side; by: number; error: number }>
  | Readonly<{
      code: 'off the forecast';
      side: Side | null;
      madeOn: string;
      value: number;
      low: number;
      high: number;
      isBehind: boolean;
    }>
  | Readonly<{ code: 'check overdue' }>;

/** What an alert looks back on, and from where on it speaks (assumptions). */
export const alertRules = {
  sessions: 6,
  toldSessions: 4,
  driftP: 0.1,
  lostSessions: 2,
  dueSessions: 4
} as const;

/** Whether too few sessions were done lately; before anything is said of the plan. */
export function attendanceAlert(done: number, due: number): Alert | null {
  return due >= alertRules.dueSessions && done < plateauRules.attendance * due ? { code: 'attendance', done, due } : null;
}

/**
 * What the last sessions of one exercise on one side say: a sensation that rises from session to session, a shape lost again and again.
 *
 * Model:  over six sessions at most. A sensation drifts where at least four were told and their rise is no chance one time in ten (Mann and
 *         Kendall). A shape is lost where two of the sessions lost it in half their sets or more.
 */
export function exerciseAlerts(exerciseId: string, side: Side | null, history: readonly SessionRecord[]): Alert[] {
  const last = history.filter((r) => r.sets.length > 0).slice(-alertRules.sessions);
  const told = last.flatMap((r) => {
    const said = r.sets.flatMap((s) => (s.clean || s.sensation === null || s.sensation === 0 ? [] : [s.sensation]));
    return said.length > 0 ? [Math.max(...said)] : [];
  });
  const lost = last.filter((r) => 2 * r.sets.filter((s) => !s.clean && s.alignmentKept === false).length >= r.sets.length).length;
  return [
    ...(told.length >= alertRules.toldSessions && drifts(told)
      ? [{ code: 'sensation drifts' as const, exerciseId, side, from: told[0]!, to: told.at(-1)!, sessions: told.length }]
      : []),
    ...(lost >= alertRules.lostSessions ? [{ code: 'shape lost' as const, exerciseId, side, lost, sessions: last.length }] : [])
  ];
}

function drifts(values: readonly number[]): boolean {
  const { s, p } = mannKendall(values);
  return s > 0 && p <= alertRules.driftP;
}

/** A gain that came to rest although the sessions were done. */
export const plateauAlert = (side: Side | null, { verdict, weeks, measures }: Plateau): Alert | null =>
  verdict === 'change the stimulus' ? { code: 'plateau', side, weeks, measures } : null;
