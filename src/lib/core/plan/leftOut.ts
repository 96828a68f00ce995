import { exerciseOf } from '../exercise/exercises';
import { equipmentOf } from '../props/equipment';
import type { FindExercise } from '../session/block';
import type { NotBuilt } from '../session/buildBlock';
import type { GateReason } from '../safety/reason';
import { reasonText } from '../safety/text';
import type { Side } from '../body/side';

/** What a session does without, and why; `instead` is the exercise that takes its time, `ownName` the name of one that is in no catalogue. */
export type LeftOut = LeftOutWhy & Readonly<{ ownName?: string }>;
type LeftOutWhy =
  | Exclude<NotBuilt, { code: 'barred' }>
  | Readonly<{ code: 'barred'; exerciseId: string; side: Side | null; why: readonly GateReason[]; instead?: string }>
  | Readonly<{ code: 'made worse'; exerciseId: string }>
  | Readonly<{ code: 'light day' }>;

type Barred = Extract<LeftOut, { code: 'barred' }>;
type Wanting = Extract<LeftOut, { code: 'no prop' | 'no stack' | 'no dose' }>;

/**
 * Whole sentences for what is left out: why first, then the work it takes out, then the parts of warm-up and settle with what is done
 * in their place. Sessions that were kept before there were codes carry the sentence itself.
 */
export function leftOutTexts(leftOut: readonly (LeftOut | string)[], find: FindExercise = exerciseOf): string[] {
  const byReason = new Map<string, Barred[]>();
  const byWant = new Map<string, Wanting[]>();
  const plain: string[] = [];
  for (const left of leftOut) {
    if (typeof left === 'string') plain.push(left);
    else if (left.code === 'light day')
      plain.push('Lift-offs: the day before was hard, and the same motion is not worked hard two days running.');
    else if (left.code === 'made worse') plain.push(`${nameOf(left, find)}: noted as making it worse.`);
    else if (left.code !== 'barred') {
      const missing = missingText(left);
      byWant.set(missing, [...(byWant.get(missing) ?? []), left]);
    } else {
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
    ...[...byWant].map(([missing, wanting]) => `${missing} Left out: ${named(wanting, find)}.`),
    ...plain
  ];
}

type LeftOutWork = Named & Readonly<{ side?: Side | null; instead?: string }>;

/** Each exercise once, with its side or both, and what takes its time. */
function named(left: readonly LeftOutWork[], find: FindExercise): string {
  const sidesOf = new Map<string, LeftOutWork[]>();
  for (const l of left) sidesOf.set(l.exerciseId, [...(sidesOf.get(l.exerciseId) ?? []), l]);
  return [...sidesOf.values()]
    .map((same) => {
      const [{ side, ...of }] = same as [LeftOutWork];
      const where = same.length > 1 ? ', both sides' : side ? `, ${side}` : '';
      const instead = [...new Set(same.flatMap((b) => (b.instead ? [small(nameOf({ exerciseId: b.instead }, find))] : [])))];
      return instead.length > 0
        ? `${instead.join(' and ')} for ${small(nameOf(of, find))}${where}`
        : `${small(nameOf(of, find))}${where}`;
    })
    .join('; ');
}

function missingText(left: Wanting): string {
  switch (left.code) {
    case 'no prop':
      return `There is no ${left.props.map((p) => equipmentOf(p).name.toLowerCase()).join(' and no ')} there.`;
    case 'no stack':
      return 'The shelf has no stack near the height in use.';
  }
}

type Named = Readonly<{ exerciseId: string; ownName?: string }>;
const nameOf = ({ exerciseId, ownName }: Named, find: FindExercise): string => ownName ?? find(exerciseId).name;
const small = (name: string): string => name.charAt(0).toLowerCase() + name.slice(1);
