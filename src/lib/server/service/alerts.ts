import {
  attendanceAlert,
  capsOf,
  effortAlert,
  exerciseAlerts,
  isHarder,
  measureOf,
  nextEffortCap,
  plateauAlert,
  sides,
  type Alert,
  type Exercise,
  type Side
} from '$lib/core';
import type { Outlook } from '$lib/contract/forecast';
import { isCheckDue } from './checking';
import type { GoalCase, LoggedCase } from './clientCase';
import { compareSides, tighterSideOf } from './comparing';
import { attendedLately } from './forecasting';
import { gradeOf, settingOf, tapeEnds } from './gradeExercise';
import { safetyOf } from './safety';
import { recordsOf } from './sessionRecords';
import { takenOf } from './taken';
import { weekOf } from './week';

/** Attendance is told of so many weeks. */
const latelyWeeks = 4;

/** What to look at before the next step, what weighs most first. Pain told twice is on every page and not told again here. */
export function alertsOf(c: LoggedCase, outlooks: readonly Outlook[]): Alert[] {
  const { done, due } = attendedLately(c, c.today, latelyWeeks);
  const attendance = attendanceAlert(done, due);
  return [
    ...(isCheckDue(c, c.today) ? [{ code: 'check overdue' as const }] : []),
    ...(attendance ? [attendance] : []),
    ...weekOf(c).flatMap(({ exercise }) =>
      (exercise.sides === 'each' ? (['left', 'right'] as const) : [null]).flatMap((side: Side | null) => [
        ...exerciseAlerts(exercise.id, side, recordsOf(c, exercise.id, side)),
        ...pastTape(c, exercise, side)
      ])
    ),
    ...effortMayRise(c),
    ...outlooks.flatMap((o) => plateauAlert(o.side, o.plateau) ?? []),
    ...outlooks.flatMap((o) => offForecast(c, o) ?? []),
    ...sideBehind(c)
  ];
}

/** The last measure against what the newest forecast that is old enough told of its day. */
function offForecast(c: GoalCase, { side, lately }: Outlook): Alert | null {
  if (!lately || lately.within90) return null;
  const { madeOn, value, band } = lately;
  const isBehind = measureOf(c.goal.headline).betterIs === 'lower' ? value > band.p50 : value < band.p50;
  return { code: 'off the forecast', side, madeOn, value, low: band.p05, high: band.p95, isBehind };
}

/** The first exercise that is pressed at the cap and was clean for weeks; the cap is one for all. */
function effortMayRise(c: LoggedCase): Alert[] {
  const { limits, stops } = safetyOf(c);
  const to = nextEffortCap(limits);
  if (to === null || stops.length > 0) return [];
  const { effortPct: from, sensation: sensationCap } = capsOf(limits);
  const found = weekOf(c).flatMap(({ exercise }) => {
    const places = exercise.sides === 'each' ? sides : ([null] as const);
    const alerts = places.map((side) => {
      const { gated, dials, history } = gradeOf(c, exercise, side ?? 'left');
      const at = dials.find((d) => d.dial.id === 'effortPct')?.at ?? 0;
      if (at < from || gated.noHarder || gated.bars.length > 0) return null;
      const movedOn = history.find((h) => h.dial === 'effortPct')?.on ?? null;
      return effortAlert(exercise.id, recordsOf(c, exercise.id, side), { from, to, sensationCap, movedOn });
    });
    return alerts.every((a) => a !== null) ? alerts.slice(0, 1) : [];
  });
  return found.slice(0, 1);
}

/** Stacks that were taken further than the tape shows. */
function pastTape(c: GoalCase, exercise: Exercise, side: Side | null): Alert[] {
  const setting = settingOf(c, exercise, side ?? 'left');
  const ends = tapeEnds(c, exercise, side);
  return exercise.dials.flatMap((dial): Alert[] => {
    const [at, end] = [setting[dial.id], ends[dial.id]];
    if (at === undefined || !end || !isHarder(dial, at, end.end)) return [];
    return [{ code: 'past the tape', exerciseId: exercise.id, side, at, measured: end.value, on: end.on }];
  });
}

function sideBehind(c: GoalCase): Alert[] {
  const { id, modes } = measureOf(c.goal.headline);
  const taken = takenOf(c).filter((r) => r.measureId === id);
  const difference = compareSides(taken, modes[0]!)?.difference;
  if (!difference?.trails) return [];
  const { trails: side, margin: error } = difference;
  return [{ code: 'side behind', side, by: Math.abs(difference.difference), error, isLong: tighterSideOf(c) === side }];
}
