import type { PoseId } from '../figure/poses';
import type { Support } from '../figure/pose';
import type { Under } from '../props/stackUse';
import type { Dial, Setting } from './dial';
import type { Exercise } from './exercise';

/** The figure of an exercise at a setting: the pose, the number it is about, and the seat it sits on. */
export type ExerciseScene = Readonly<{
  pose: PoseId;
  value?: number;
  /** The number where the movement begins, if there is one to show. */
  from?: number;
  seatCm?: number;
  handsCm?: number;
  stepCm?: number;
}>;

/** Poses whose number is the height under the hands, or under the heels. */
const byHands: ReadonlySet<PoseId> = new Set(['standing fold', 'half split', 'long lunge', 'wide fold']);
const byKnees: ReadonlySet<PoseId> = new Set(['butterfly', 'easy seat', 'half lotus', 'lotus']);
const byPelvis: ReadonlySet<PoseId> = new Set(['front split', 'side split', 'frog height']);
const bySeat: ReadonlySet<PoseId> = new Set(['heel sit']);

/** Null where the exercise has no figure, as one of the studio's own may. */
export function sceneOf(
  { pose, path, dials }: Pick<Exercise, 'pose' | 'path' | 'dials'>,
  setting: Setting
): ExerciseScene | null {
  if (!pose) return null;
  const at = (under: readonly Under[]) => {
    const dial = dials.find((d) => d.stack && under.includes(d.stack.under));
    return dial && setting[dial.id] !== undefined ? { dial, value: setting[dial.id]! } : undefined;
  };
  const seat = at(['seat']);
  const hands = at(['hands']);
  const step = at(['front foot']);
  const standsAt = byHands.has(pose)
    ? hands?.value
    : byKnees.has(pose)
      ? at(['knees', 'knee'])?.value
      : byPelvis.has(pose)
        ? signed(at(['pelvis', 'lead heel']))
        : bySeat.has(pose)
          ? seat?.value
          : pose === 'deep squat'
            ? at(['heels'])?.value
            : undefined;
  const value = standsAt ?? path?.at(-1);
  return {
    pose,
    ...(value !== undefined && { value }),
    ...(standsAt === undefined && path?.length === 2 && { from: path[0]! }),
    ...(seat && !bySeat.has(pose) && { seatCm: seat.value }),
    ...(hands && !byHands.has(pose) && { handsCm: hands.value }),
    ...(step && { stepCm: step.value })
  };
}

/** A depth of a split: past flat where the stack stands under the heel and higher is harder. */
const signed = (found: Readonly<{ dial: Dial; value: number }> | undefined): number | undefined =>
  found && (found.dial.harder === 'up' ? -found.value : found.value);

/** Where the stacks of a dial stand in the figure; none where it has no such place. */
export function supportsFor(under: Under): readonly Support[] {
  switch (under) {
    case 'pelvis':
      return ['pelvis'];
    case 'lead heel':
    case 'heels':
      return ['leadHeel'];
    case 'seat':
      return ['seat', 'pelvis'];
    case 'hands':
      return ['hands'];
    case 'knees':
      return ['knee', 'otherKnee'];
    case 'knee':
      return ['knee'];
    case 'front foot':
      return ['frontFoot'];
    default:
      return [];
  }
}
