import { exerciseOf } from '../exercise/exercises';
import type { GateReason } from '../safety/reason';
import { reasonText } from '../safety/text';
import type { Side } from '../side';

/** What a session does without, and why; `instead` is the exercise that takes its time. */
export type LeftOut =
  | Readonly<{ code: 'barred'; exerciseId: string; side: Side | null; why: readonly GateReason[]; instead?: string }>
  | Readonly<{ code: 'no stack'; exerciseId: string; side: Side }>
  | Readonly<{ code: 'light day' }>;

/** A whole sentence for it. Sessions that were kept before there were codes carry the sentence itself. */
export function leftOutText(left: LeftOut | string): string {
  if (typeof left === 'string') return left;
  if (left.code === 'light day')
    return 'Lift-offs: the day before was hard, and the same link is not worked hard two days running.';
  const name = `${exerciseOf(left.exerciseId).name}${left.side ? `, ${left.side}` : ''}`;
  if (left.code === 'no stack') return `${name}: the shelf has no stack near its height.`;
  const instead = left.instead ? ` In its place: ${lower(exerciseOf(left.instead).name)}.` : '';
  return `Left out: ${lower(name)}. ${left.why.map(reasonText).join(' ')}${instead}`;
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
