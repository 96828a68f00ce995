import type { SetLogInput } from './setForms';
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

/** A set as such a row; its dials by their own names after it. */
export const setRow = (
  l: Pick<SetLogInput, 'side' | 'plannedS' | 'actualS' | 'clean' | 'sensation' | 'felt' | 'slipped' | 'setting'>,
  day: string,
  exercise: string
) => ({
  day,
  exercise,
  side: l.side ?? 'both together',
  planned_s: l.plannedS,
  done_s: l.actualS,
  clean: l.clean === null ? '' : l.clean ? 'yes' : 'no',
  sensation_of_10: l.sensation ?? '',
  felt: l.felt ?? '',
  slipped: l.slipped ?? '',
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
