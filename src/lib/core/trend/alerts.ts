import { median } from 'simple-statistics';
import type { Side } from '../body/side';
import { daysBetween } from '../days';
import { metTarget, type SessionRecord } from '../progress/history';
import { mannKendall } from './mannKendall';
import { plateauRules, type Plateau } from './plateau';

/** Something to look at before the next step, told once for an exercise, a side or the person. Words come outside. */
export type Alert =
  | Readonly<{ code: 'attendance'; done: number; due: number }>
  | Readonly<{ code: 'sensation drifts'; exerciseId: string; side: Side | null; from: number; to: number; sessions: number }>
  | Readonly<{ code: 'shape lost'; exerciseId: string; side: Side | null; lost: number; sessions: number }>
  | Readonly<{ code: 'plateau'; side: Side | null; weeks: number; measures: number }>
  /** `isLong`: for two measures running. */
  | Readonly<{ code: 'side behind'; side: Side; by: number; error: number; isLong: boolean }>
  | Readonly<{
      code: 'off the forecast';
      side: Side | null;
      madeOn: string;
      value: number;
      low: number;
      high: number;
      isBehind: boolean;
    }>
  /** A stack stands harder than what was measured of the same position, by more than the error. */
  | Readonly<{ code: 'past the tape'; exerciseId: string; side: Side | null; at: number; measured: number; on: string }>
  /** Presses at the cap of effort were clean for weeks: it may be raised, by the instructor. */
  | Readonly<{ code: 'effort may rise'; exerciseId: string; from: number; to: number; sessions: number }>
  | Readonly<{ code: 'check overdue' }>;

/** What an alert looks back on, and from where on it speaks (assumptions). */
export const alertRules = {
  driftSessions: 12,
  toldSessions: 9,
  driftP: 0.003,
  driftRise: 2,
  shapeSessions: 6,
  lostSessions: 2,
  dueSessions: 4,
  effortDays: 28,
  effortSessions: 4
} as const;

/** Whether too few sessions were done lately; before anything is said of the plan. */
export function attendanceAlert(done: number, due: number): Alert | null {
  return due >= alertRules.dueSessions && done < plateauRules.attendance * due ? { code: 'attendance', done, due } : null;
}

/**
 * What the last sessions of one exercise on one side say: a sensation that rises from session to session, a shape lost again and again.
 *
 * Model:  a sensation drifts where at least nine of the last twelve sessions told one, their rise is no chance three times in a thousand (Mann and
 *         Kendall: it is looked at after every session), and the later half is two points over the earlier one. A shape is lost where two of the
 *         last six sessions lost it in half their sets or more.
 * Source: assumptions; how often a steady sensation is told to drift is simulated in docs/benchmarks.md.
 */
export function exerciseAlerts(exerciseId: string, side: Side | null, history: readonly SessionRecord[]): Alert[] {
  const worked = history.filter((r) => r.sets.length > 0);
  const last = worked.slice(-alertRules.shapeSessions);
  const told = worked.slice(-alertRules.driftSessions).flatMap((r) => {
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

/**
 * Tells that the cap of effort may be raised: presses at the cap that were clean for four weeks.
 *
 * Model:  sessions after the day the effort was moved last, all as planned, four at least, and four weeks from the first to the last (common practice;
 *         how many is an assumption).
 * Units:  percent of the greatest safe effort; `movedOn` a day, null where it was never moved.
 */
export function effortAlert(
  exerciseId: string,
  history: readonly SessionRecord[],
  { from, to, sensationCap, movedOn }: Readonly<{ from: number; to: number; sensationCap: number; movedOn: string | null }>
): Alert | null {
  const since = history.filter((r) => r.sets.length > 0 && (movedOn === null || r.on > movedOn));
  const [first, last] = [since[0], since.at(-1)];
  if (!first || !last || since.length < alertRules.effortSessions) return null;
  if (daysBetween(first.on, last.on) < alertRules.effortDays || !since.every((r) => metTarget(r, sensationCap))) return null;
  return { code: 'effort may rise', exerciseId, from, to, sessions: since.length };
}

function drifts(values: readonly number[]): boolean {
  const { s, p } = mannKendall(values);
  const half = Math.floor(values.length / 2);
  const rise = median(values.slice(-half)) - median(values.slice(0, half));
  return s > 0 && p <= alertRules.driftP && rise >= alertRules.driftRise;
}

/** A gain that came to rest although the sessions were done. */
export const plateauAlert = (side: Side | null, { verdict, weeks, measures }: Plateau): Alert | null =>
  verdict === 'change the stimulus' ? { code: 'plateau', side, weeks, measures } : null;
