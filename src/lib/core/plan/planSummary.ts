import { isHard } from './hardWork';
import { doseByLink, type LinkDose } from './doseByLink';
import type { PlanWeek } from './planProgression';
import { leftOutTexts } from './leftOut';
import { exercisesIn } from '../session/block';
import type { Cut } from '../session/fitToMinutes';

export type PlanSummary = Readonly<{
  weeks: number;
  /** Of a usual week: one in the middle that is not easy. */
  week: Readonly<{ sessions: number; seconds: number; hardSessions: number; doses: readonly LinkDose[] }>;
  /** What its fullest session is cut by, and what it goes without. */
  cuts: readonly Cut[];
  leftOut: readonly string[];
}>;

/**
 * A plan in a few figures, to hold it against another.
 *
 * Model:  of the weeks that are not easy the one in the middle: that is where a plan opens range. A session is hard with lifts in it, or with
 *         an effort from 60 % on.
 * Units:  seconds a week, counted for the whole plan and for each motion and side.
 */
export function planSummary(weeks: readonly PlanWeek[]): PlanSummary {
  const usual = weeks.filter((w) => !w.easy);
  const { sessions } = usual[Math.floor((usual.length - 1) / 2)] ?? weeks[0]!;
  const blocks = sessions.flatMap((s) => s.blocks);
  const fullest = sessions.toSorted((a, b) => b.blocks.length - a.blocks.length || b.cuts.length - a.cuts.length)[0];
  return {
    weeks: weeks.length,
    week: {
      sessions: sessions.length,
      seconds: sessions.reduce((sum, s) => sum + s.durationS, 0),
      hardSessions: sessions.filter((s) => s.blocks.some(isHard)).length,
      doses: doseByLink(blocks)
    },
    cuts: fullest?.cuts ?? [],
    leftOut: fullest ? leftOutTexts(fullest.leftOut, exercisesIn(fullest.blocks)) : []
  };
}
