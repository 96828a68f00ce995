import { CoreError } from '../errors';
import { defaultEffortCapPct, defaultSensationCap } from '../cycle/compileCycle';
import type { Clearance, Limit } from './limit';
import { redFlags, type RedFlag } from './screeningTable';

export type ScreeningAnswers = Readonly<{
  /** Ids of the red flags that apply. */
  flags: readonly string[];
  /** Age by birth year alone, the younger reading: the cautious side for minors. */
  ageYears: number;
  /** Caps the instructor sets; never above what a limit says. */
  effortCapPct?: number;
  sensationCap?: number;
}>;

export type Screening = Readonly<{
  clearance: Clearance;
  limits: readonly Limit[];
  cautions: readonly string[];
  raised: readonly RedFlag[];
}>;

/** Most an instructor may set for an adult without a limit; the usual cap is lower (`defaultEffortCapPct`). */
export const highestEffortCapPct = 80;
export const highestSensationCap = 6;

/**
 * What answers allow: a clearance and limits as data.
 *
 * Model:  the most serious row decides; an urgent sign before a clinician-first one. Ages set their own limits. Caps are
 *         the lower of what the instructor sets and what a limit says.
 * Throws: CoreError 'flag_unknown'.
 * Source: docs/sources.md#screening (assumption; it defers to licensed practice and local rules)
 */
export function screen(answers: ScreeningAnswers): Screening {
  const raised = answers.flags.map((id) => {
    const flag = redFlags.find((f) => f.id === id);
    if (!flag) throw new CoreError('flag_unknown', { id });
    return flag;
  });
  const age = ageLimits(answers.ageYears);
  const limits: Limit[] = [
    ...age.limits,
    { kind: 'effort cap', value: answers.effortCapPct ?? defaultEffortCapPct, reason: 'set by the instructor' },
    { kind: 'sensation cap', value: answers.sensationCap ?? defaultSensationCap, reason: 'set by the instructor' }
  ];
  const clearance: Clearance = raised.some((f) => f.tier === 'urgent')
    ? 'urgent'
    : raised.length > 0
      ? 'clinician first'
      : age.limits.length > 0
        ? 'go with limits'
        : 'go';
  return { clearance, limits, cautions: age.cautions, raised };
}

function ageLimits(ageYears: number): { limits: Limit[]; cautions: string[] } {
  if (ageYears < 18)
    return {
      limits: [
        { kind: 'effort cap', value: 40, reason: 'under 18' },
        { kind: 'no past-flat', reason: 'under 18' },
        { kind: 'no partner', reason: 'under 18' }
      ],
      cautions: [
        'An adult is present, safeguarding and consent are recorded. A growth spurt, or a heel, knee or sit-bone ache: ease and refer.'
      ]
    };
  if (ageYears >= 60)
    return {
      limits: [
        { kind: 'effort cap', value: 50, reason: '60 and over' },
        { kind: 'warm-up at least', value: 480, reason: '60 and over' },
        { kind: 'no ballistic', reason: '60 and over' }
      ],
      cautions: ['Balance support in standing work.']
    };
  return { limits: [], cautions: [] };
}

/** Whether planning and playing are open: an urgent or clinician-first result waits for a named person. */
export const isCleared = (clearance: Clearance, clearedBy: string | null): boolean =>
  clearance === 'go' || clearance === 'go with limits' || clearedBy !== null;
