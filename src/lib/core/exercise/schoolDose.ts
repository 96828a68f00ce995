import { compileBreaths, usualBreathS } from '../cycle/compileBreaths';
import { compileCycle, defaultEffortCapPct, type Effort } from '../cycle/compileCycle';
import { compilePulses } from '../cycle/compilePulses';
import { compileReps } from '../cycle/compileReps';
import type { Phase } from '../cycle/phase';
import { totals, type Totals } from '../cycle/totals';
import { partOf, type Dose, type Exercise } from './exercise';
import { wayFor } from './wayFor';
import type { Span } from '../span';
import { schools } from '../school/schools';
import type { School, SchoolWay } from '../school/school';

/** What one school would do with an exercise, on one side. */
export type SchoolDose = Readonly<{
  school: School;
  phases: readonly Phase[];
  totals: Totals;
  /** Whose figures they are: given for this exercise, or the school's own defaults. */
  from: 'this exercise' | 'the school';
  /** Whether effort is given as a figure: else the curve stands on a guess, and nothing is added up. */
  hasEffort: boolean;
  /** Figures that could not be made out with certainty: shown with a mark, never a limit. */
  unsure: boolean;
}>;

/** What bounds the doses of a person: their breath, and what the gate allows at most; null where it says nothing. */
export type DoseOptions = Readonly<{
  breathS?: number;
  effortCapPct?: number;
  longestHoldS?: number | null;
  contractionS?: number | null;
}>;

/** Whether an exercise can be laid side by side in several schools: where range is opened or the position is held. */
export const isComparable = (exercise: Exercise): boolean => ['open', 'position'].includes(partOf(exercise));

/**
 * The same exercise as each school would dose it, on one side.
 *
 * Model:  the school's way with what the exercise is (`wayFor`); figures the exercise gives for that school take the place of its
 *         defaults, the middle of a span; no effort above the cap, nothing held longer than is allowed. Figures of two schools are never mixed.
 * Units:  seconds, percent of the greatest safe effort.
 * Throws: those of the compilers.
 */
export function compareSchools(exercise: Exercise, options: DoseOptions = {}): SchoolDose[] {
  return schools.map((school) => schoolDose(exercise, school, options));
}

export function schoolDose(
  exercise: Exercise,
  school: School,
  { breathS = usualBreathS, effortCapPct = defaultEffortCapPct, longestHoldS = null, contractionS = null }: DoseOptions = {}
): SchoolDose {
  const own = exercise.doses.find((d) => d.school === school.id);
  const usual = wayFor(exercise, school);
  const given = own ? withDose(usual, own, school.leastHoldS === null) : usual;
  const way = within(given, { breathS, longestS: longestHoldS ?? Infinity, contractionS: contractionS ?? Infinity });
  const phases = phasesOf(way, breathS, effortCapPct);
  const hasFigures = own !== undefined && figures.some((f) => own[f] !== undefined);
  return {
    school,
    phases,
    totals: totals(phases),
    from: hasFigures ? 'this exercise' : 'the school',
    hasEffort: own?.effortPct !== undefined || school.rules.effort?.span !== undefined,
    unsure: own?.unsure === true
  };
}

const figures = [
  'holdS',
  'reps',
  'sets',
  'rounds',
  'breaths',
  'contractionS',
  'effortPct'
] as const satisfies readonly (keyof Dose)[];

const middle = (span: Span): number => (typeof span === 'number' ? span : (span[0] + span[1]) / 2);
const count = (span: Span | undefined, otherwise: number): number => (span === undefined ? otherwise : Math.round(middle(span)));
const time = (span: Span | undefined, otherwise: number): number => (span === undefined ? otherwise : middle(span));

function withDose(way: SchoolWay, dose: Dose, last: boolean): SchoolWay {
  switch (way.kind) {
    case 'cycle': {
      const effort = <E extends Effort | null>(e: E): E =>
        e && { ...e, holdS: time(dose.contractionS, e.holdS), peakPct: time(dose.effortPct, e.peakPct) };
      // A short contract-relax holds at its end, a long hold at its start: the hold that is given belongs there.
      return {
        ...way,
        holdS: last ? way.holdS : time(dose.holdS, way.holdS),
        finalSettleS: last ? time(dose.holdS, way.finalSettleS) : way.finalSettleS,
        rounds: count(dose.rounds, way.rounds) * count(dose.sets, 1),
        press: effort(way.press),
        draw: effort(way.draw)
      };
    }
    case 'reps':
      return { ...way, sets: count(dose.sets, way.sets), reps: count(dose.reps, way.reps), holdS: time(dose.holdS, way.holdS) };
    case 'breaths':
      return { ...way, breaths: count(dose.breaths, way.breaths), passes: count(dose.rounds, way.passes) };
    case 'holds':
      return { ...way, sets: count(dose.sets, way.sets), holdS: time(dose.holdS, way.holdS) };
  }
}

type Bounds = Readonly<{ breathS: number; longestS: number; contractionS: number }>;

/** A way with nothing held longer at one go than a person may. */
function within(way: SchoolWay, { breathS, longestS, contractionS }: Bounds): SchoolWay {
  switch (way.kind) {
    case 'cycle': {
      const effort = <E extends Effort | null>(e: E): E => e && { ...e, holdS: Math.min(e.holdS, contractionS) };
      const [holdS, settleS, finalSettleS] = [way.holdS, way.settleS, way.finalSettleS].map((s) => Math.min(s, longestS));
      return {
        ...way,
        holdS: holdS!,
        settleS: settleS!,
        finalSettleS: finalSettleS!,
        press: effort(way.press),
        draw: effort(way.draw)
      };
    }
    case 'breaths': {
      const atWorkS = way.effortPct > 0 ? Math.min(longestS, contractionS) : longestS;
      return { ...way, breaths: Math.max(1, Math.min(way.breaths, Math.floor(atWorkS / breathS))) };
    }
    default:
      return { ...way, holdS: Math.min(way.holdS, longestS) };
  }
}

function phasesOf(way: SchoolWay, breathS: number, effortCapPct: number): Phase[] {
  const capped = (e: Effort): Effort => ({ ...e, peakPct: Math.min(e.peakPct, effortCapPct) });
  const limits = { effortCapPct };
  switch (way.kind) {
    case 'cycle':
      return compileCycle({ ...way, press: capped(way.press), draw: way.draw ? capped(way.draw) : undefined }, limits);
    case 'reps': {
      const { liftS, holdS, lowerS, reps, sets } = way;
      return compileReps(
        { reps: reps * sets, liftS, holdS, lowerS, restS: 0, peakPct: Math.min(way.effortPct, effortCapPct), assisted: true },
        limits
      );
    }
    case 'breaths':
      return compileBreaths({ ...way, breathS, effortPct: Math.min(way.effortPct, effortCapPct) }, limits);
    case 'holds':
      return compilePulses({ ...way, pulses: 0, pulseS: 0, settleS: 0 });
  }
}
