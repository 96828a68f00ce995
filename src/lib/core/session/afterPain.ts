import type { TimelineSet } from './compileSession';
import { sidesMeet } from '../body/body';
import type { Side } from '../body/side';
import { exerciseOf } from '../exercise/exercises';
import { isAsked, type FindExercise, type FlowStep } from './block';
import { loadsJoint, stretchesLine } from '../exercise/exercise';
import { painKindOf, painPlaceOf, type PainEvent } from '../screen/pain';

/** What a told pain does to the rest of a session. Sets are named by their index. */
export type PainOutcome = Readonly<{
  endsSet: boolean;
  endsSession: boolean;
  /** Sets that are not done any more. */
  dropped: readonly number[];
  /** Sets that take the easier setting. */
  eased: readonly number[];
}>;

/** True where a pain ends the session at once: a stop sign, and whatever hurts severely. */
export function endsSession({ kind, grade }: Pick<PainEvent, 'kind' | 'grade'>): boolean {
  const { action } = painKindOf(kind);
  return action === 'urgent' || action === 'stop session' || (grade === 'severe' && action !== 'carry on');
}

/**
 * What is left of a session after pain was told in one of its sets. Needs no server, so that it acts without a connection.
 *
 * Model:  fine → nothing. Too strong → the set ends, later sets of the exercise on that side take the easier setting. A pinch, or
 *         pain told of afterwards → the same, and so does what else loads that joint. Joint pain → the exercise ends, on both sides,
 *         and what else loads that joint is eased. At the bone → every later set that stretches that line goes, and the exercise.
 *         Told as moderate → whatever loads that joint goes. Stop signs, and what hurts severely → the session ends. Sets of both sides
 *         together are among them.
 * Source: docs/sources.md#screening
 */
export function afterPain(
  sets: readonly TimelineSet[],
  at: number,
  event: PainEvent,
  find: FindExercise = exerciseOf
): PainOutcome {
  const action = painKindOf(event.kind).action;
  const current = sets[at];
  const later = sets.filter((s) => s.index > at && isAsked(s.work));
  const indices = (some: readonly TimelineSet[]) => some.map((s) => s.index);
  const isSame = (s: TimelineSet) => s.exerciseId === current?.exerciseId;
  const isSameSide = (s: TimelineSet) => isSame(s) && sidesMeet(s.side, current?.side);
  const easier = (some: readonly TimelineSet[]) => indices(some.filter((s) => s.work.easier));
  const nothing: PainOutcome = { endsSet: true, endsSession: false, dropped: [], eased: [] };
  if (action === 'carry on') return { ...nothing, endsSet: false };
  if (endsSession(event)) return { ...nothing, endsSession: true, dropped: sets.filter((s) => s.index > at).map((s) => s.index) };
  const rests = (s: TimelineSet) => event.grade === 'moderate' && loads(s, event, find);
  const going = later.filter((s) => !rests(s));
  const resting = indices(later.filter(rests));
  switch (action) {
    case 'ease':
      return {
        ...nothing,
        dropped: resting,
        eased: easier(going.filter((s) => isSameSide(s) || (event.kind !== 'too_strong' && !isSame(s) && loads(s, event, find))))
      };
    case 'stop exercise':
      return {
        ...nothing,
        dropped: [...resting, ...indices(going.filter(isSame))],
        eased: easier(going.filter((s) => !isSame(s) && loads(s, event, find)))
      };
    default:
      return { ...nothing, dropped: [...resting, ...indices(going.filter((s) => isSame(s) || stretches(s, event, find)))] };
  }
}

/**
 * The steps of a flow that are not done any more after pain was told in one of them; nothing of a flow has an easier setting.
 *
 * Model:  the step ends, and so do later ones of its exercise; after anything but a stretch that was too strong also those that load
 *         the joint, and at the bone those that stretch the line. Stop signs end the session. Told as moderate, whatever loads the joint.
 */
export function stepsAfterPain(steps: readonly FlowStep[], at: number, event: PainEvent): number[] {
  const { action } = painKindOf(event.kind);
  if (action === 'carry on') return [];
  const reaches = (id: string, side: Side | null) =>
    (event.kind !== 'too_strong' || event.grade === 'moderate') &&
    (loads({ exerciseId: id, side }, event, exerciseOf) ||
      (action === 'stop line' && stretches({ exerciseId: id, side }, event, exerciseOf)));
  return steps.flatMap(({ exerciseId, side = null }, i) =>
    i === at || (i > at && exerciseId && (exerciseId === steps[at]?.exerciseId || reaches(exerciseId, side))) ? [i] : []
  );
}

type Done = Pick<TimelineSet, 'exerciseId' | 'side'>;

function loads(set: Done, { place, side }: PainEvent, find: FindExercise): boolean {
  const { joint } = painPlaceOf(place);
  return joint !== null && loadsJoint(find(set.exerciseId), set.side, { joint, side });
}

function stretches(set: Done, { place, side }: PainEvent, find: FindExercise): boolean {
  const { lines } = painPlaceOf(place);
  return lines.some((line) => stretchesLine(find(set.exerciseId), set.side, { line, side }));
}
