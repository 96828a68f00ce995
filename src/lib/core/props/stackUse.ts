import { searchStacks } from './reachableStacks';
import { bearsWeight, type Prop, type Stack } from './stack';

/** What a stack stands under. */
export const unders = ['pelvis', 'seat', 'hands', 'knees', 'knee', 'heels', 'lead heel', 'front foot', 'foot'] as const;
export type Under = (typeof unders)[number] | 'floor';

/** The measured reach that gives a start height, and in words how. */
export type ReachStart = Readonly<{ measure: string; words: string }>;

/** How an exercise uses a stack. */
export type StackUse = Readonly<{
  under: (typeof unders)[number];
  /** Below zero, where the goal lies past flat: what the stack then stands under, and higher is harder. */
  past?: (typeof unders)[number];
  /** Two for both hands, both knees, both heels: the same stack is needed twice at once. */
  pairs: 1 | 2;
  higherIs: 'easier' | 'harder';
  /** Light: a hand, or a knee that only rests. An upright block will do for that, and for nothing else. */
  bears: 'weight' | 'light';
  startFrom?: ReachStart;
  /** Single steps of stairs are heights too. */
  stairs?: boolean;
}>;

/**
 * The stacks a shelf makes for a use, and whether all were tried.
 *
 * Model:  as `reachableStacks`, twice at once where a pair is needed; without stacks that bear no weight where they must; with
 *         single steps of stairs, and else only single hard props, where the exercise steps up. Stairs never stand in a stack.
 * Units:  cm, ascending, the floor included.
 * Throws: those of `reachableStacks`.
 */
export function stacksFor(use: Pick<StackUse, 'pairs' | 'bears' | 'stairs'>, shelf: readonly Prop[]): StackSearch {
  const found = searchStacks(shelf, { pairs: use.pairs });
  const firm = use.bears === 'light' ? found.stacks : found.stacks.filter((s) => bearsWeight(s, shelf));
  if (!use.stairs) return { ...found, stacks: firm };
  // Where somebody steps up, one hard thing stands under the foot, and nothing on it.
  const isSoft = (propId: string) => (shelf.find((p) => p.id === propId)?.softShare ?? 0) > 0;
  const steps = firm.filter((s) => s.items.length < 2 && s.items.every((i) => !isSoft(i.propId)));
  return { ...found, stacks: withSteps(steps, shelf) };
}

export type StackSearch = ReturnType<typeof searchStacks>;

/** Steps of stairs between the stacks; where both make a height, the steps, which cannot move. */
function withSteps(stacks: readonly Stack[], shelf: readonly Prop[]): Stack[] {
  const all = shelf
    .filter((p) => p.fixed && p.quantity > 0)
    .flatMap((p) => p.faces.map((f, face): Stack => ({ heightCm: f.heightCm, items: [{ propId: p.id, face }] })));
  // Two flights may have steps of one height.
  const steps = [...new Map(all.map((s) => [s.heightCm, s])).values()];
  const rest = stacks.filter((s) => steps.every((step) => step.heightCm !== s.heightCm));
  return [...rest, ...steps].toSorted((a, b) => a.heightCm - b.heightCm);
}

/** A shelf that is searched once for all that use it alike. */
export function stacksOn(shelf: readonly Prop[]): (use: StackUse) => StackSearch {
  const known = new Map<string, StackSearch>();
  return (use) => {
    const key = `${use.pairs}/${use.bears}/${use.stairs ?? false}`;
    const found = known.get(key) ?? stacksFor(use, shelf);
    known.set(key, found);
    return found;
  };
}
