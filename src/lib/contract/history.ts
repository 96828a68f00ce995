import type { SetFigures, SetLogInput } from './setForms';
import type { Taken } from './taken';
import { measureOf, wayOf, type LinkId, type Side } from '$lib/core';

/** A measure as a row of a table that other programs read: plain names, values as they are kept. */
export const measureRow = (r: Taken) => {
  const { name, unit } = measureOf(r.measureId);
  return {
    day: r.takenOn,
    measure: name,
    side: r.side ?? 'both together',
    mode: r.mode,
    state: r.bodyState,
    way: wayOf(r.way).label,
    support: r.support,
    trials: r.trials,
    value: Math.round(r.value * 100) / 100,
    unit,
    error_95: r.margin === null ? '' : Math.round(r.margin * 100) / 100,
    change: r.change?.verdict ?? ''
  };
};

/** A set as such a row, with all that was counted and seen of it; its dials by their own names after it. */
export const setRow = (
  l: Pick<SetLogInput, 'side' | 'plannedS' | 'actualS' | 'clean' | 'sensation' | 'felt' | 'slipped' | 'setting'> &
    Readonly<{ schoolId: string | null; figures: SetFigures }>,
  day: string,
  exercise: string
) => ({
  day,
  exercise,
  school: l.schoolId ?? '',
  variant: l.figures.variant ?? '',
  side: l.side ?? 'both together',
  planned_s: l.plannedS,
  done_s: l.actualS,
  clean: l.clean === null ? '' : l.clean ? 'yes' : 'no',
  sensation_of_10: l.sensation ?? '',
  felt: l.felt ?? '',
  slipped: l.slipped ?? '',
  count: l.figures.done ?? '',
  count_planned: l.figures.of ?? '',
  effort_told_of_10: l.figures.effortTold ?? '',
  effort_seen_of_10: l.figures.effortSeen ?? '',
  fell_deg: l.figures.dropDeg ?? '',
  reached_cm: l.figures.reachedCm ?? '',
  reached_deg: l.figures.reachedDeg ?? '',
  load_kg: l.figures.loadKg ?? '',
  signs: (l.figures.signs ?? []).join('; '),
  checks_slipped: (l.figures.checks ?? []).join('; '),
  ended_by_a_sign: l.figures.ended ? 'yes' : '',
  one_step_easier: l.figures.easier ? 'yes' : '',
  dials: Object.entries(l.setting)
    .map(([dial, value]) => `${dial} ${value}`)
    .join('; ')
});

export type WeekDone = Readonly<{
  startOn: string;
  sessions: number;
  /** Sessions the plan in force had for that week; null where it had none yet. */
  planned: number | null;
  sets: number;
  plannedSets: number;
  minutes: number;
  pains: number;
}>;

export type LinkDone = Readonly<{ link: LinkId; side: Side; passiveS: number; activeS: number }>;
