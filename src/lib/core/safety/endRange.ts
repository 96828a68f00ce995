import { sidesMeet } from '../body/body';
import { movedMotions } from '../exercise/exercise';
import type { Dial } from '../exercise/dial';
import { motionOf } from '../body/motions';
import type { Limit } from '../screen/limit';
import type { GateAsk } from './ask';
import { leastShortCm } from './rules';

/** Turned inward with the hip bent, or across the middle. */
export const isCrossing = (motion: string): boolean => motion === 'HIR90' || motion === 'HIR0' || motion === 'HAD';

/** Whether it works where the range ends, by its form: a hold, a press or a load there, or lifts at the edge. */
export const isAtEnd = ({ exercise, side, setting }: GateAsk, limit: Limit): boolean =>
  (exercise.traits.includes('end range') ||
    exercise.phases.some((p) => p === 'hold' || p === 'contract-relax' || p === 'active end') ||
    exercise.position === 'in the split' ||
    (setting.loadKg ?? 0) > 0) &&
  movedMotions(exercise, side).some(
    (m) => (limit.joint === undefined || motionOf(m.motion).joint === limit.joint) && sidesMeet(m.side, limit.side)
  );

/** A height that starts at a measured reach can be kept clearly short of it. */
export const hasRoomToStayShort = ({ exercise, measured = {} }: GateAsk): boolean =>
  !exercise.traits.includes('end range') &&
  exercise.dials.some((d) => d.stack?.startFrom && d.stack.bears === 'weight' && measured[d.id] !== undefined);

/** Half way into a dial: of a measured height half again as far from the end, of anything else the middle of the dial. */
export function halfWay(dial: Dial, { measured = {} }: GateAsk): number {
  const reached = measured[dial.id];
  if (reached === undefined) return dial.kind === 'level' ? Math.floor((dial.levels!.length - 1) / 2) : (dial.min + dial.max) / 2;
  const shortCm = Math.max(leastShortCm, Math.abs(reached) / 2);
  return dial.harder === 'down' ? reached + shortCm : Math.max(dial.min, reached - shortCm);
}
