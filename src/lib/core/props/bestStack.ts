import { requireRange } from '../errors';
import { reachableStacks } from './reachableStacks';
import type { Prop, Stack, StackRules } from './stack';

/**
 * The stack nearest a height.
 *
 * Model:  least |height − target|, then fewest items, then lower. The bare floor counts.
 * Throws: CoreError 'out_of_range'; those of `reachableStacks`.
 */
export function bestStack(targetCm: number, shelf: readonly Prop[], rules: Partial<StackRules> = {}): Stack {
  return nearestStack(targetCm, reachableStacks(shelf, rules));
}

/** The same, among stacks already known. */
export function nearestStack(targetCm: number, stacks: readonly Stack[]): Stack {
  requireRange('target', targetCm, 0, 1000);
  const off = (stack: Stack) => Math.round(Math.abs(stack.heightCm - targetCm) * 1000); // whole steps, so that no tie is lost to rounding
  const order = (a: Stack, b: Stack) => off(a) - off(b) || a.items.length - b.items.length || a.heightCm - b.heightCm;
  return stacks.reduce((best, stack) => (order(stack, best) < 0 ? stack : best));
}
