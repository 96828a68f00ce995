import type { PoseId } from '../figure/poses';
import type { MotionId } from '../goal/motions';
import type { Side } from '../side';

/** A joint motion that a goal needs, by its code in the catalogue of motions. */
export type LinkId = MotionId;

/** Joints a stop can lock. The back has no side. */
export type Joint = 'hip' | 'knee' | 'ankle' | 'back';
export type JointSide = Readonly<{ joint: Joint; side: Side | null }>;

/** The line of tissue an ache at its bone attachment takes out of passive stretching. */
export type Line = 'hamstring' | 'hip flexor';

/** Parts of a session, in their order. */
export type SessionPart = 'warm-up' | 'open' | 'own' | 'position' | 'settle';
export const sessionParts: readonly SessionPart[] = ['warm-up', 'open', 'own', 'position', 'settle'];

export type DialId = 'depthCm' | 'holdS' | 'effortPct' | 'reps';

/** One way to make an exercise easier or harder. A depth moves along the ladder; the others by their step. */
export type Dial = Readonly<{
  id: DialId;
  unit: 'cm' | 's' | '%' | 'reps';
  kind: 'metric' | 'level';
  harder: 'up' | 'down';
  min: number;
  max: number;
  step: number;
}>;

export type Setting = Readonly<Partial<Record<DialId, number>>>;

export type Exercise = Readonly<{
  id: string;
  name: string;
  /** The usual name in the trade, where ours differs. */
  standardTerm?: string;
  part: SessionPart;
  pose: PoseId;
  links: readonly LinkId[];
  kind: 'passive' | 'isometric' | 'active';
  sides: 'each' | 'both together';
  /** Words after "left" or "right" that say which limb the side means. */
  sideWords: string;
  /** What it loads; 'same' is the side it is done on, 'other' the opposite one. */
  loads: readonly Readonly<{ joint: Joint; on: 'same' | 'other' | 'middle' }>[];
  /** Lines it stretches passively, on the side it is done on or the opposite one. */
  lines: readonly Readonly<{ line: Line; on: 'same' | 'other' }>[];
  /** Things to fetch besides the stack. */
  props: readonly string[];
  setup: readonly string[];
  press?: string;
  draw?: string;
  checks: readonly string[];
  felt: string;
  notFelt: string;
  why: string;
  stops: readonly string[];
  /** In the order they are moved. */
  dials: readonly Dial[];
  start: Setting;
}>;

/** The joints and sides an exercise loads when it is done on one side. */
export function loadedJoints(exercise: Exercise, side: Side | null): JointSide[] {
  const other = side === null ? null : side === 'left' ? 'right' : 'left';
  return exercise.loads.flatMap(({ joint, on }): JointSide[] => {
    if (on === 'middle') return [{ joint, side: null }];
    if (side === null)
      return [
        { joint, side: 'left' },
        { joint, side: 'right' }
      ];
    return [{ joint, side: on === 'same' ? side : other }];
  });
}
