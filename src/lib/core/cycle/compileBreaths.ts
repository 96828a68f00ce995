import { CoreError, requireRange } from '../errors';
import { defaultEffortCapPct, type EffortLimits } from './compileCycle';
import { layPhases, type Phase } from './phase';

export type BreathsSpec = Readonly<{
  breaths: number;
  /** Length of one breath of this person. */
  breathS: number;
  /** Effort kept throughout; 0 where nothing works. */
  effortPct: number;
  passes?: number;
  /** A circuit: so many breaths in each of these places, one after the other. */
  places?: readonly string[];
}>;

/** A breath in and out of a resting adult, taken slowly (common practice: five to six a minute when counted; assumption). */
export const usualBreathS = 8;

/**
 * A stretch counted in breaths, with muscles lightly at work all the while where an effort is given; one phase a pass, of a circuit one a
 * place.
 *
 * Units:  seconds, percent.
 * Throws: CoreError 'effort_above_cap', 'out_of_range'.
 */
export function compileBreaths(spec: BreathsSpec, limits: EffortLimits = {}): Phase[] {
  const { breaths, breathS, effortPct, passes = 1, places = [undefined] } = spec;
  const capPct = limits.effortCapPct ?? defaultEffortCapPct;
  requireRange('breaths', breaths, 1, 60);
  requireRange('breath', breathS, 2, 20);
  requireRange('rounds', passes, 1, 20);
  requireRange('peak', effortPct, 0, 100);
  if (effortPct > capPct) throw new CoreError('effort_above_cap', { peakPct: effortPct, capPct });
  return layPhases(
    Array.from({ length: passes }, () => places).flatMap((round) =>
      round.map((how) => ({
        kind: 'hold' as const,
        durationS: breaths * breathS,
        fromPct: effortPct,
        cue: { code: effortPct > 0 ? ('breathe at work' as const) : ('breathe' as const) },
        beatS: breathS,
        ...(how !== undefined && { how })
      }))
    )
  );
}
