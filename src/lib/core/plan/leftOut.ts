import { exerciseOf } from '../exercise/exercises';
import { equipmentOf } from '../props/equipment';
import type { FindExercise } from '../session/block';
import type { NotBuilt } from '../session/buildBlock';
import type { GateReason } from '../safety/reason';
import { reasonText } from '../safety/text';
import type { Side } from '../body/side';

/** What a session does without, and why; `instead` is the exercise that takes its time. */
export type LeftOut =
  | Exclude<NotBuilt, { code: 'barred' }>
  | Readonly<{ code: 'barred'; exerciseId: string; side: Side | null; why: readonly GateReason[]; instead?: string }>
  | Readonly<{ code: 'made worse'; exerciseId: string }>
  | Readonly<{ code: 'light day' }>;

type Barred = Extract<LeftOut, { code: 'barred' }>;

/**
 * Whole sentences for what is left out: why first, then the work it takes out, then the parts of warm-up and settle with what is done
 * in their place. Sessions that were kept before there were codes carry the sentence itself.
 */
export function leftOutTexts(leftOut: readonly (LeftOut | string)[], find: FindExercise = exerciseOf): string[] {
  const byReason = new Map<string, Barred[]>();
  const plain: string[] = [];
  for (const left of leftOut) {
    if (typeof left === 'string') plain.push(left);
    else if (left.code === 'light day')
      plain.push('Lift-offs: the day before was hard, and the same motion is not worked hard two days running.');
    else if (left.code === 'made worse') plain.push(`${find(left.exerciseId).name}: noted as making it worse.`);
    else if (left.code === 'no prop')
      plain.push(
        `${find(left.exerciseId).name}: there is no ${left.props.map((p) => equipmentOf(p).name.toLowerCase()).join(' and no ')} there.`
      );
    else if (left.code === 'no stack' || left.code === 'no dose')
      plain.push(`${find(left.exerciseId).name}${left.side ? `, ${left.side}` : ''}: ${notBuiltTexts[left.code]}`);
    else {
      const why = left.why.map(reasonText).join(' ');
      byReason.set(why, [...(byReason.get(why) ?? []), left]);
    }
  }
  return [
    ...[...byReason].map(([why, barred]) => {
      const work = named(
        barred.filter((b) => !b.instead),
        find
      );
      const parts = named(
        barred.filter((b) => b.instead),
        find
      );
      return [why, work && `Left out: ${work}.`, parts && `Done in place of others: ${parts}.`].filter(Boolean).join(' ');
    }),
    ...plain
  ];
}

/** Each exercise once, with its side or both, and what takes its time. */
function named(barred: readonly Barred[], find: FindExercise): string {
  const sidesOf = new Map<string, Barred[]>();
  for (const b of barred) sidesOf.set(b.exerciseId, [...(sidesOf.get(b.exerciseId) ?? []), b]);
  return [...sidesOf.values()]
    .map((same) => {
      const { exerciseId, side } = same[0]!;
      const where = same.length > 1 ? ', both sides' : side ? `, ${side}` : '';
      const instead = [...new Set(same.flatMap((b) => (b.instead ? [nameOf(b.instead, find)] : [])))];
      return instead.length > 0
        ? `${instead.join(' and ')} for ${nameOf(exerciseId, find)}${where}`
        : `${nameOf(exerciseId, find)}${where}`;
    })
    .join('; ');
}

const notBuiltTexts = {
  'no stack': 'the shelf has no stack near its height.',
  'no dose': 'neither the exercise nor its school says how much. Give it a dial in the Library.'
} as const;

function nameOf(exerciseId: string, find: FindExercise): string {
  const { name } = find(exerciseId);
  return name.charAt(0).toLowerCase() + name.slice(1);
}
