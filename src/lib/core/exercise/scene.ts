import type { PoseId } from '../figure/poses';
import type { Support } from '../figure/pose';
import type { Under } from '../props/stackUse';
import type { Dial, Setting } from './dial';
import type { Exercise } from './exercise';

/** The figure of an exercise at a setting: the pose, the number it is about, and the seat it sits on. */
export type ExerciseScene = Readonly<{ pose: PoseId; value?: number; seatCm?: number; handsCm?: number; stepCm?: number }>;

/** Poses whose number is the height under the hands, or under the heels. */
const byHands: ReadonlySet<PoseId> = new Set(['standing fold', 'half split', 'long lunge']);
const byKnees: ReadonlySet<PoseId> = new Set(['butterfly', 'easy seat', 'half lotus', 'lotus']);
const byPelvis: ReadonlySet<PoseId> = new Set(['front split', 'side split', 'frog height']);
const bySeat: ReadonlySet<PoseId> = new Set(['heel sit']);

/** Null where the exercise has no figure. */
export function sceneOf({ pose, dials }: Pick<Exercise, 'pose' | 'dials'>, setting: Setting): ExerciseScene | null {
  if (!pose) return null;
  const at = (under: readonly Under[]) => {
    const dial = dials.find((d) => d.stack && under.includes(d.stack.under));
    return dial && setting[dial.id] !== undefined ? { dial, value: setting[dial.id]! } : undefined;
  };
  const seat = at(['seat']);
  const hands = at(['hands']);
  const step = at(['front foot']);
  const value = byHands.has(pose)
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
  return {
    pose,
    ...(value !== undefined && { value }),
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
