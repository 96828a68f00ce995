import { CoreFault } from '../errors';
import type { Rung } from '../props/ladder';
import type { Dial, DialId, Setting } from './dial';
import type { Exercise } from './exercise';
import { neighboursOf } from './neighbours';

/** Where a dial stands and where it would go next; null at its end. */
export type DialState = Readonly<{ id: DialId; unit: Dial['unit']; at: number; harder: number | null; easier: number | null }>;

export type DialRange = Readonly<{
  /** Ladders of the dials that stand on stacks. */
  rungs: Readonly<Partial<Record<DialId, readonly Rung[]>>>;
  /** The hardest each dial may stand at for this client; what is not in it goes to the dial's own end. */
  ends: Readonly<Partial<Record<DialId, number>>>;
}>;

/** Whether a value is harder than another on a dial. */
export const isHarder = (dial: Pick<Dial, 'harder'>, value: number, than: number): boolean =>
  (dial.harder === 'up' ? value - than : than - value) > 1e-9;

/** Whether a dial may stand at a value under the ends set for it. */
export const isWithin = (dial: Pick<Dial, 'id' | 'harder'>, value: number, ends: DialRange['ends']): boolean => {
  const end = ends[dial.id];
  return end === undefined || !isHarder(dial, value, end);
};

/** Where a dial on a stack stands at a rung: the signed depth, or the height itself where higher is harder. */
export const dialAtRung = (dial: Dial, rung: Pick<Rung, 'depthCm'>): number =>
  dial.harder === 'up' ? -rung.depthCm + 0 : rung.depthCm;

/** Signed depth of a dial's value, as ladders count: where higher is harder, a height lies past flat. The inverse of `dialAtRung`. */
export const depthOfDial = (dial: Pick<Dial, 'harder'>, value: number): number => (dial.harder === 'up' ? -value : value);

/**
 * The dials of an exercise at one setting, in the order they are moved; one that nobody has set is not among them.
 *
 * Model:  a dial on a stack moves along its ladder's rungs, the others by their step; none harder than the end set for it.
 */
export function dialStates(exercise: Pick<Exercise, 'dials'>, setting: Setting, range: DialRange): DialState[] {
  return exercise.dials.flatMap((dial): DialState[] => {
    const at = setting[dial.id];
    if (at === undefined) return [];
    const next = dial.stack ? rungNeighbours(dial, at, range) : stepNeighbours(dial, at, range);
    return [{ id: dial.id, unit: dial.unit, at, ...next }];
  });
}

/** A step on one dial, or, where no dial can go on, the neighbours to go to. */
export type Step =
  | Readonly<{ kind: 'dial'; dial: DialId; from: number; to: number; setting: Setting; why: DialStepWhy }>
  | Readonly<{ kind: 'neighbour'; ids: readonly string[]; why: 'all at their end' | 'all at their easiest' }>;
export type DialStepWhy = 'first not at its end' | 'moved last' | 'last not at its easiest';

export type StepAsk = Readonly<{
  exercise: Exercise;
  setting: Setting;
  range: DialRange;
  /** Every exercise there is: neighbours are looked for in it. */
  catalogue: readonly Exercise[];
}>;

/** One step harder: the first dial, in the order they are moved, that can go on; one dial at a time. */
export function harder(ask: StepAsk): Step {
  const next = dialStates(ask.exercise, ask.setting, ask.range).find((d) => d.harder !== null);
  if (next) return dialStep(ask, next, next.harder!, 'first not at its end');
  const ids = neighboursOf(ask.exercise, ask.catalogue).harder.map((n) => n.id);
  return { kind: 'neighbour', ids, why: 'all at their end' };
}

/**
 * One step easier: the dial that was moved last goes back; where nobody knows, the last in order that is not at its easiest.
 *
 * Throws: CoreFault 'unknown_dial' when the dial moved last is none of the exercise.
 */
export function easier(ask: StepAsk & Readonly<{ movedLast?: DialId }>): Step {
  const { exercise, movedLast } = ask;
  if (movedLast !== undefined && !exercise.dials.some((d) => d.id === movedLast))
    throw new CoreFault('unknown_dial', { dials: exercise.dials.length });
  const states = dialStates(exercise, ask.setting, ask.range).filter((d) => d.easier !== null);
  const last = states.find((d) => d.id === movedLast);
  const next = last ?? states.at(-1);
  if (next) return dialStep(ask, next, next.easier!, last ? 'moved last' : 'last not at its easiest');
  const ids = neighboursOf(exercise, ask.catalogue).easier.map((n) => n.id);
  return { kind: 'neighbour', ids, why: 'all at their easiest' };
}

const dialStep = ({ setting }: StepAsk, { id, at }: DialState, to: number, why: DialStepWhy): Step => ({
  kind: 'dial',
  dial: id,
  from: at,
  to,
  setting: { ...setting, [id]: to },
  why
});

function rungNeighbours(dial: Dial, at: number, { rungs, ends }: DialRange): Pick<DialState, 'harder' | 'easier'> {
  const places = (rungs[dial.id] ?? []).map((rung) => dialAtRung(dial, rung));
  const ahead = places.filter((p) => isHarder(dial, p, at) && isWithin(dial, p, ends));
  const behind = places.filter((p) => isHarder(dial, at, p));
  const nearest = (list: readonly number[]) =>
    list.length ? list.reduce((near, p) => (Math.abs(p - at) < Math.abs(near - at) ? p : near)) : null;
  return { harder: nearest(ahead), easier: nearest(behind) };
}

function stepNeighbours(dial: Dial, at: number, { ends }: DialRange): Pick<DialState, 'harder' | 'easier'> {
  const up = at + dial.step <= dial.max + 1e-9 ? at + dial.step : null;
  const down = at - dial.step >= dial.min - 1e-9 ? at - dial.step : null;
  const [harder, easier] = dial.harder === 'up' ? [up, down] : [down, up];
  return { harder: harder !== null && isWithin(dial, harder, ends) ? harder : null, easier };
}
