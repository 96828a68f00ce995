import type { Units } from '$lib/contract/fields';
import type { LastTime } from '$lib/contract/review';
import { isAsked, isHarder, type FindExercise, type Setting, type Side, type TimelineSet } from '$lib/core';
import { dialText } from '../dialText';

/** What was done of one exercise on one side, and what of it was further than the last time. */
export type DoneWork = Readonly<{
  exerciseId: string;
  side: Side | null;
  name: string;
  done: number;
  planned: number;
  /** "depth: 20 cm, last time 22.5 cm". */
  changes: readonly Readonly<{ text: string; further: boolean }>[];
  /** The day of the last time; null where this was the first. */
  lastOn: string | null;
}>;

type Ask = Readonly<{
  sets: readonly TimelineSet[];
  /** Places of the sets that were done. */
  done: ReadonlySet<number>;
  /** What a set was done at. */
  settingOf: (set: TimelineSet) => Setting;
  lastTimes: Readonly<Record<string, LastTime>>;
  find: FindExercise;
  units: Units;
}>;

/** The work of a session that was asked about, in its order, held against the last time. What was not done is compared with nothing. */
export function sinceLast({ sets, done, settingOf, lastTimes, find, units }: Ask): DoneWork[] {
  const worked = sets.filter((s) => isAsked(s.work));
  const keys = [...new Set(worked.map((s) => `${s.exerciseId}/${s.side}`))];
  return keys.map((key) => {
    const mine = worked.filter((s) => `${s.exerciseId}/${s.side}` === key);
    const { exerciseId, side } = mine[0]!;
    const { name, dials } = find(exerciseId);
    const last = lastTimes[key];
    const kept = mine.filter((s) => done.has(s.index));
    const final = kept.at(-1);
    const now = final ? settingOf(final) : {};
    const changes = dials.flatMap((dial) => {
      const [to, from] = [now[dial.id], last?.setting?.[dial.id]];
      if (to === undefined || from === undefined || to === from) return [];
      const text = `${dial.name}: ${dialText(dial, to, units.length)}, last time ${dialText(dial, from, units.length)}`;
      return [{ text, further: isHarder(dial, to, from) }];
    });
    return { exerciseId, side, name, done: kept.length, planned: mine.length, changes, lastOn: last?.on ?? null };
  });
}
