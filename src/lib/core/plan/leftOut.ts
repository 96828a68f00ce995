import { exerciseOf } from '../exercise/exercises';
import type { GateReason } from '../safety/reason';
import { reasonText } from '../safety/text';
import type { Side } from '../side';

/** What a session does without, and why; `instead` is the exercise that takes its time. */
export type LeftOut =
  | Readonly<{ code: 'barred'; exerciseId: string; side: Side | null; why: readonly GateReason[]; instead?: string }>
  | Readonly<{ code: 'no stack'; exerciseId: string; side: Side }>
  | Readonly<{ code: 'light day' }>;

/**
 * Whole sentences for what is left out: why first, then all that it takes out, with what is done in their place. Sessions that were
 * kept before there were codes carry the sentence itself.
 */
export function leftOutTexts(leftOut: readonly (LeftOut | string)[]): string[] {
  const byReason = new Map<string, string[]>();
  const plain: string[] = [];
  for (const left of leftOut) {
    if (typeof left === 'string') plain.push(left);
    else if (left.code === 'light day')
      plain.push('Lift-offs: the day before was hard, and the same link is not worked hard two days running.');
    else if (left.code === 'no stack') plain.push(`${nameOf(left)}: the shelf has no stack near its height.`);
    else {
      const why = left.why.map(reasonText).join(' ');
      const instead = left.instead ? ` (in its place ${lower(exerciseOf(left.instead).name)})` : '';
      byReason.set(why, [...(byReason.get(why) ?? []), `${lower(nameOf(left))}${instead}`]);
    }
  }
  return [...[...byReason].map(([why, names]) => `${why} Left out: ${names.join('; ')}.`), ...plain];
}

const nameOf = ({ exerciseId, side }: Readonly<{ exerciseId: string; side: Side | null }>): string =>
  `${exerciseOf(exerciseId).name}${side ? `, ${side}` : ''}`;
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
