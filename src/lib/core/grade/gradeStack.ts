import type { Dial } from '../exercise/dial';
import { depthOfDial, dialAtRung } from '../exercise/dials';
import { isTooFar, rungAt, rungsOfStacks, usualStepCm, type LadderFault, type Rung } from '../props/ladder';
import { rungsAround } from '../props/rungsAround';
import type { Prop, Stack } from '../props/stack';
import type { StackUse } from '../props/stackUse';
import type { DialEnd } from '../safety/ends';

export type StackAsk = Readonly<{
  dial: Dial;
  use: StackUse;
  shelf: readonly Prop[];
  /** Every stack of the shelf for this use. */
  stacks: readonly Stack[];
  /** Where somebody set the dial; null while nobody did. */
  setAt: number | null;
  /** What was measured for its start, as the dial counts; null where nothing was. */
  measured: number | null;
  /** The hardest the gate lets it stand at. */
  end: DialEnd | null;
  /** Signed depth of the goal. */
  goalCm: number;
}>;

export type StackGrade = Readonly<{
  chosen: boolean;
  /** The stack it stands on: what is in use, or the start. */
  rung: Rung;
  /** Some rungs before it, to ease to, and those toward the goal, as far as the gate lets them. */
  rungs: readonly Rung[];
  faults: readonly LadderFault[];
  /** The nearest other heights the shelf makes. */
  near: readonly Rung[];
  /** The shelf's nearest is harder than what is meant by more than the greatest step: no stand-in for it. */
  tooFar: boolean;
}>;

/** A seat that nobody measured, cm: a firm cushion (common practice). */
const usualSeatCm = 15;
const nearCm = 6;
const nearCount = 3;
const roomAheadCm = 10;

/**
 * Where an exercise stands on a shelf: its stack, the ladder round it, and whether the shelf has what is meant.
 *
 * Model:  what is set stands on the nearest stack; a start on the nearest that is no harder than what was measured, or, where nothing was,
 *         a usual seat or else the middle height; both no harder than the gate's end. The ladder is laid to the goal, or to where an end stop, a limit or a stage
 *         ends it for good, and shown as far as the gate lets it today: so the way ahead does not change while it is walked.
 * Units:  signed depth in cm; `setAt` and `measured` in those of the dial.
 */
export function gradeStack({ dial, use, shelf, stacks, setAt, measured, end, goalCm }: StackAsk): StackGrade {
  const easiestCm = use.higherIs === 'harder' ? depthOfDial(dial, dial.min) : Math.max(dial.max, 0);
  const dialEndCm = depthOfDial(dial, dial.harder === 'up' ? dial.max : dial.min);
  const gateCm = end ? depthOfDial(dial, end.at) : -Infinity;
  const endCm = Math.max(gateCm, dialEndCm);
  const isOpen = (r: Rung) => r.depthCm >= endCm - 1e-9 && r.depthCm <= easiestCm;
  const whole = rungsOfStacks(stacks, use).filter((r) => r.depthCm <= easiestCm);
  const inside = whole.filter(isOpen);
  // Where even the easiest height is harder than the end, that one is shown; the gate bars what is past it.
  const all = inside.length > 0 ? inside : whole.slice(0, 1);
  const meantCm = meantDepth({ dial, use, setAt, measured }, all);
  const rung = setAt === null || meantCm < endCm ? startRung(all, Math.max(meantCm, endCm))! : rungAt(all, meantCm)!;
  // Where higher is harder there is no goal to reach: some way ahead of where it stands.
  const wishedCm = use.higherIs === 'harder' ? Math.min(rung.depthCm, 0) - roomAheadCm : goalCm;
  const targetCm = Math.max(wishedCm, dialEndCm, end && isLasting(end) ? gateCm : -Infinity);
  const around = rungsAround({ depthCm: rung.depthCm, targetCm, shelf, use, stacks });
  return {
    chosen: setAt !== null,
    rung,
    rungs: around.rungs.filter((r) => r.depthCm === rung.depthCm || isOpen(r)),
    faults: around.faults,
    near: all
      .filter((r) => Math.abs(r.depthCm - rung.depthCm) <= nearCm && r.depthCm !== rung.depthCm)
      .toSorted((a, b) => Math.abs(a.depthCm - rung.depthCm) - Math.abs(b.depthCm - rung.depthCm))
      .slice(0, nearCount),
    tooFar: isTooFar(rung.depthCm, meantCm)
  };
}

function meantDepth({ dial, use, setAt, measured }: Pick<StackAsk, 'dial' | 'use' | 'setAt' | 'measured'>, all: readonly Rung[]) {
  if (setAt !== null) return depthOfDial(dial, setAt);
  if (measured !== null) return depthOfDial(dial, measured);
  if (use.higherIs === 'harder') return depthOfDial(dial, dial.min);
  if (use.under === 'seat') return usualSeatCm;
  // Unsure: begin with the middle height (common practice), never past flat.
  const heights = all.filter((r) => r.depthCm >= 0);
  return heights[Math.floor((heights.length - 1) / 2)]?.depthCm ?? 0;
}

/** What only keeps a dial where it stands today is no end of the ladder. */
const isLasting = ({ why }: DialEnd): boolean => why.code === 'end stop' || why.code === 'flat first' || why.code === 'limit';

/** Of the settings a shelf makes, the one nearest what is meant that is no harder than it; the easiest where every one is. */
export function startRung(rungs: readonly Rung[], meantCm: number): Rung | undefined {
  const easier = rungs.filter((r) => r.depthCm >= meantCm - 1e-9);
  return easier.length > 0
    ? easier.reduce((near, r) => (r.depthCm < near.depthCm ? r : near))
    : rungs.reduce<Rung | undefined>((near, r) => (near && near.depthCm >= r.depthCm ? near : r), undefined);
}

/** A stack is no stand-in for another that is lower by more than this, cm (assumption). */
const mostEasierCm = 6;

/**
 * Of the settings a shelf makes the one that stands in for another shelf's: the nearest that is no harder, and not so much easier that it
 * would be another exercise.
 *
 * Units: signed depth in cm.
 */
export function standInRung(rungs: readonly Rung[], depthCm: number): Rung | undefined {
  const rung = startRung(rungs, depthCm);
  return rung && rung.depthCm >= depthCm - 1e-9 && rung.depthCm - depthCm <= mostEasierCm + 1e-9 ? rung : undefined;
}

/** From where a step counts: what is in use; while nothing is, or the shelf lost it, what was measured. */
export const countsFrom = (
  dial: Dial,
  grade: Pick<StackGrade, 'chosen' | 'tooFar' | 'rung'>,
  measured: number | null
): number | null => (grade.chosen && !grade.tooFar ? dialAtRung(dial, grade.rung) : measured);

/** A move harder by more than one usual step: how many steps, and how far in the unit of the dial. */
export type Jump = Readonly<{ steps: number; by: number }>;

/**
 * The jump a move makes; null for one that is one step, easier, or counted from nothing.
 *
 * Model:  a step is the usual one of the dial and, on a stack, never more than the next rung of its ladder, however near the rungs lie.
 * Units:  `from` and `to` in those of the dial; `rungs` the ladder of its stack, none on another dial.
 */
export function jumpOf(dial: Dial, from: number | null, to: number, rungs: readonly Rung[]): Jump | null {
  if (from === null) return null;
  const [fromCm, toCm] = [depthOfDial(dial, from), depthOfDial(dial, to)];
  const by = fromCm - toCm;
  const usual = Math.ceil(by / (dial.stack ? usualStepCm.max : dial.step) - 1e-3);
  const passed = rungs.filter((r) => r.depthCm < fromCm - 1e-9 && r.depthCm > toCm + 1e-9).length;
  const steps = Math.max(usual, by > 0 ? passed + 1 : 0);
  return steps > 1 ? { steps, by } : null;
}
