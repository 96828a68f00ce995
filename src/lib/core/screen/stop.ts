import type { JointSide, Line, LineSide } from '../body/body';
import type { Side } from '../body/side';
import { painKindOf, painPlaceOf, type PainEvent } from './pain';

/** What a stop takes out until a named person clears it: the person for all work, a joint, a line, or one exercise on a side. */
export type Stop = Readonly<{ person: true }> | JointSide | LineSide | Readonly<{ exerciseId: string; side: Side | null }>;

/** A stop that is open, with what it came from. */
export type OpenStop = Stop & Readonly<{ reason: string; openedOn: string }>;

/** What an exercise loads and stretches, where a sign was told in one. */
export type ToldIn = Readonly<{ joints: readonly JointSide[]; lines: readonly LineSide[] }>;

/**
 * What told signs lock, everywhere, until a named person clears them. Each once.
 *
 * Model:  an urgent sign closes the person for all work, wherever it is felt. A nerve sign locks the joint and the lines of its
 *         place and those of the exercise it came in. A sharp pain, a pop, locking and giving way lock the joint of their place;
 *         in the head or the chest, or where neither place nor exercise says what to lock, the person. An ache at the bone rests
 *         the lines of its place, or locks the joint where no line belongs to it. A severe pain of any other kind that hurts locks its joint. A sided place without its side stands for both.
 * Source: docs/sources.md#screening (the cautious side)
 */
export function locksFrom(events: readonly PainEvent[], told?: ToldIn): Stop[] {
  const locks = events.flatMap((event) => locksOf(event, told));
  return [...new Map(locks.map((l) => [JSON.stringify(l), l])).values()];
}

const person: Stop = { person: true };

function locksOf({ kind, place: placeId, side, grade }: PainEvent, told: ToldIn = { joints: [], lines: [] }): Stop[] {
  const { action } = painKindOf(kind);
  const place = painPlaceOf(placeId);
  const at = place.sided ? side : null;
  const joint: Stop[] = place.joint ? [{ joint: place.joint, side: at }] : [];
  const lines: Stop[] = place.lines.map((line) => ({ line, side: at }));
  switch (action) {
    case 'urgent':
      return [person];
    case 'stop line':
      return lines.length > 0 ? lines : joint.length > 0 ? joint : [...told.lines];
    case 'stop session': {
      if (place.vital) return [person];
      const ofExercise = kind === 'nerve' || joint.length === 0 ? [...told.joints, ...told.lines] : [];
      const all = [...joint, ...(kind === 'nerve' ? lines : []), ...ofExercise];
      return all.length > 0 ? all : [person];
    }
    case 'carry on':
      return [];
    default:
      if (grade !== 'severe') return [];
      if (place.vital) return [person];
      return joint.length > 0 ? joint : lines.length > 0 ? lines : told.joints.length > 0 ? [...told.joints] : [person];
  }
}

export const isPersonStop = (stop: Stop): stop is Readonly<{ person: true }> => 'person' in stop;
export const isJointStop = (stop: Stop): stop is JointSide => 'joint' in stop;
export const isLineStop = (stop: Stop): stop is Readonly<{ line: Line; side: Side | null }> => 'line' in stop;
