import { CoreError } from '../errors';
import type { LinearSolver } from '../linearProgram';
import { stacksFor, type StackUse } from './stackUse';
import type { Prop, Stack } from './stack';

/** Somebody in a class who needs a height for the same exercise. */
export type ShareNeed = Readonly<{ id: string; targetCm: number; use: Pick<StackUse, 'pairs' | 'bears' | 'stairs'> }>;
export type Share = Readonly<{ id: string; stack: Stack; offCm: number }>;

/** Stacks looked at for each person: the nearest to what is wished. */
const choicesEach = 24;
const itemCost = 0.01; // far below a millimetre a prop: it only decides between equals

/**
 * One shelf among several people: who gets which stack.
 *
 * Model:  integer program. Each person gets exactly one of the stacks nearest their height (the floor is always one); no prop is
 *         given out more often than there are; least Σ|height − wish|, then fewest props.
 * Units:  cm.
 * Throws: CoreError 'not_solved' when the solver finds no optimum.
 */
export async function shareShelf(needs: readonly ShareNeed[], shelf: readonly Prop[], solve: LinearSolver): Promise<Share[]> {
  if (needs.length === 0) return [];
  const choices = needs.map((need) => choicesOf(need, shelf));
  const { status, values } = await solve(programOf(needs, choices, shelf));
  if (status !== 'Optimal') throw new CoreError('not_solved', { people: needs.length });
  return needs.map(({ id, targetCm }, i) => {
    const taken = choices[i]!.find((_, s) => (values[name(i, s)] ?? 0) > 0.5);
    if (!taken) throw new CoreError('not_solved', { people: needs.length });
    return { id, stack: taken, offCm: offOf(taken, targetCm) };
  });
}

const offOf = (stack: Stack, targetCm: number): number => Math.round(Math.abs(stack.heightCm - targetCm) * 10) / 10;
const name = (need: number, stack: number): string => `x_${need}_${stack}`;

function choicesOf({ targetCm, use }: ShareNeed, shelf: readonly Prop[]): Stack[] {
  const { stacks } = stacksFor(use, shelf);
  const near = stacks.toSorted((a, b) => offOf(a, targetCm) - offOf(b, targetCm) || a.items.length - b.items.length);
  const floor = stacks.find((s) => s.items.length === 0)!;
  return [...new Set([...near.slice(0, choicesEach), floor])];
}

function programOf(needs: readonly ShareNeed[], choices: readonly (readonly Stack[])[], shelf: readonly Prop[]): string {
  const all = choices.flatMap((stacks, i) => stacks.map((stack, s) => ({ need: needs[i]!, stack, x: name(i, s) })));
  const cost = all.map(
    ({ need, stack, x }) => `${(offOf(stack, need.targetCm) + itemCost * stack.items.length).toFixed(4)} ${x}`
  );
  const each = choices.map((stacks, i) => ` one_${i}: ${stacks.map((_, s) => name(i, s)).join(' + ')} = 1`);
  const props = shelf.flatMap((prop, p) => {
    // Steps of stairs are shared by everybody who stands on them.
    if (prop.fixed) return [];
    const terms = all.flatMap(({ need, stack, x }) => {
      const n = need.use.pairs * stack.items.filter((item) => item.propId === prop.id).length;
      return n > 0 ? [`${n} ${x}`] : [];
    });
    return terms.length > 0 ? [` prop_${p}: ${terms.join(' + ')} <= ${prop.quantity}`] : [];
  });
  return [
    'Minimize',
    ` obj: ${cost.join(' + ')}`,
    'Subject To',
    ...each,
    ...props,
    'Binary',
    ` ${all.map((a) => a.x).join(' ')}`,
    'End'
  ].join('\n');
}
