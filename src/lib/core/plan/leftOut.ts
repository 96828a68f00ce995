import { exerciseOf } from '../exercise/exercises';
import type { GateReason } from '../safety/reason';
import { reasonText } from '../safety/text';
import type { Side } from '../body/side';

/** What a session does without, and why; `instead` is the exercise that takes its time. */
export type LeftOut =
  | Readonly<{ code: 'barred'; exerciseId: string; side: Side | null; why: readonly GateReason[]; instead?: string }>
  | Readonly<{ code: 'no stack'; exerciseId: string; side: Side }>
  | Readonly<{ code: 'light day' }>;

type Barred = Extract<LeftOut, { code: 'barred' }>;

/**
 * Whole sentences for what is left out: why first, then the work it takes out, then the parts of warm-up and settle with what is done
 * in their place. Sessions that were kept before there were codes carry the sentence itself.
 */
export function leftOutTexts(leftOut: readonly (LeftOut | string)[]): string[] {
  const byReason = new Map<string, Barred[]>();
  const plain: string[] = [];
  for (const left of leftOut) {
    if (typeof left === 'string') plain.push(left);
    else if (left.code === 'light day')
      plain.push('Lift-offs: the day before was hard, and the same link is not worked hard two days running.');
    else if (left.code === 'no stack')
      plain.push(`${exerciseOf(left.exerciseId).name}, ${left.side}: the shelf has no stack near its height.`);
    else {
      const why = left.why.map(reasonText).join(' ');
      byReason.set(why, [...(byReason.get(why) ?? []), left]);
    }
  }
  return [
    ...[...byReason].map(([why, barred]) => {
      const work = named(barred.filter((b) => !b.instead));
      const parts = named(barred.filter((b) => b.instead));
      return [why, work && `Left out: ${work}.`, parts && `Done in place of others: ${parts}.`].filter(Boolean).join(' ');
    }),
    ...plain
  ];
}

/** Each exercise once, with its side or both, and what takes its time. */
function named(barred: readonly Barred[]): string {
  const sidesOf = new Map<string, Barred[]>();
  for (const b of barred) sidesOf.set(b.exerciseId, [...(sidesOf.get(b.exerciseId) ?? []), b]);
  return [...sidesOf.values()]
    .map((same) => {
      const { exerciseId, side } = same[0]!;
      const where = same.length > 1 ? ', both sides' : side ? `, ${side}` : '';
      const instead = [...new Set(same.flatMap((b) => (b.instead ? [nameOf(b.instead)] : [])))];
      return instead.length > 0 ? `${instead.join(' and ')} for ${nameOf(exerciseId)}${where}` : `${nameOf(exerciseId)}${where}`;
    })
    .join('; ');
}

function nameOf(exerciseId: string): string {
  const { name } = exerciseOf(exerciseId);
  return name.charAt(0).toLowerCase() + name.slice(1);
}
