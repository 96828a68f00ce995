import { ladder, usualStepCm, type Ladder } from './ladder';
import { stacksOn, type StackUse } from './stackUse';
import type { Prop } from './stack';

/** A ladder somebody is on: what for, and from where to where, in signed depth. */
export type LadderNeed = Readonly<{ label: string; fromCm: number; toCm: number; use: StackUse }>;

/** How even ladders are: places where no step is small enough, the greatest step, and Σ(step − wished step)². */
export type Evenness = Readonly<{ faults: number; greatestStepCm: number; unevenness: number }>;

export type Addition = Readonly<{
  candidate: Prop;
  before: Evenness;
  after: Evenness;
  /** The ladders it changes. */
  changed: readonly Readonly<{ label: string; before: Evenness; after: Evenness }>[];
}>;

/** A purchase is worth naming when it takes a quarter of the unevenness away, or a missing step (assumption). */
const worthwhileShare = 0.75;

/**
 * The one purchase that would smooth the ladders most; null where nothing on offer makes them any better.
 *
 * Model:  every ladder is laid again with each candidate on the shelf; fewest faults first, then least Σ(step − wish)², then the
 *         candidate that stands first in the list.
 * Units:  cm.
 * Throws: those of `ladder`.
 */
export function bestAddition(...asked: Parameters<typeof additionsTried>): Addition | null {
  const trying = additionsTried(...asked);
  for (;;) {
    const tried = trying.next();
    if (tried.done) return tried.value;
  }
}

/** The same one candidate at a time, for whoever has other work in between; the best is what it returns. */
export function* additionsTried(
  shelf: readonly Prop[],
  ladders: readonly LadderNeed[],
  candidates: readonly Prop[]
): Generator<void, Addition | null, void> {
  const before = laid(shelf, ladders);
  let best: Addition | null = null;
  for (const candidate of candidates) {
    yield;
    const after = laid([...shelf, candidate], ladders);
    const addition: Addition = {
      candidate,
      before: sum(before),
      after: sum(after),
      changed: ladders.flatMap(({ label }, i) =>
        isBetter(after[i]!, before[i]!) ? [{ label, before: before[i]!, after: after[i]! }] : []
      )
    };
    const than = best?.after ?? { ...addition.before, unevenness: addition.before.unevenness * worthwhileShare };
    if (isBetter(addition.after, than)) best = addition;
  }
  return best;
}

/** Evenness of every ladder on a shelf. */
function laid(shelf: readonly Prop[], ladders: readonly LadderNeed[]): Evenness[] {
  const stacksOf = stacksOn(shelf);
  // Many people stand at one height of one exercise.
  const known = new Map<string, Evenness>();
  return ladders.map(({ fromCm, toCm, use }) => {
    const key = JSON.stringify([fromCm, toCm, use]);
    const evenness =
      known.get(key) ?? evennessOf(ladder({ fromCm, toCm, shelf, use, stacks: stacksOf(use).stacks }), fromCm, toCm);
    known.set(key, evenness);
    return evenness;
  });
}

function evennessOf({ steps, faults }: Ladder, fromCm: number, toCm: number): Evenness {
  const places = [...steps.map((s) => s.depthCm), ...(steps.length > 0 && steps.at(-1)!.depthCm > toCm + 1e-9 ? [toCm] : [])];
  // A first rung off the measured start is a step somebody has to take at once.
  const from = places.length > 0 && places[0]! < fromCm ? [fromCm, ...places] : places;
  const stepsCm = from.slice(1).map((p, i) => from[i]! - p);
  return {
    faults: faults.length,
    greatestStepCm: round(Math.max(0, ...stepsCm)),
    unevenness: round(stepsCm.reduce((s, step) => s + (step - usualStepCm.wish) ** 2, 0))
  };
}

const sum = (all: readonly Evenness[]): Evenness => ({
  faults: all.reduce((s, e) => s + e.faults, 0),
  greatestStepCm: Math.max(0, ...all.map((e) => e.greatestStepCm)),
  unevenness: round(all.reduce((s, e) => s + e.unevenness, 0))
});

const isBetter = (a: Evenness, b: Evenness): boolean =>
  a.faults < b.faults || (a.faults === b.faults && a.unevenness < b.unevenness - 1e-9);

const round = (value: number): number => Math.round(value * 1000) / 1000;
