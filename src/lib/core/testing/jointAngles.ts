import type { MotionId } from '../body/motions';
import type { Side } from '../body/side';
import type { FigurePose } from '../figure/poseFigure';
import type { Joint } from '../figure/posture';
import { cross, dot, squareTo, sub, times, unit, vec } from '../figure/vec';

const toDeg = (rad: number): number => (rad * 180) / Math.PI;
const asinDeg = (x: number): number => toDeg(Math.asin(Math.max(-1, Math.min(1, x))));
const acosDeg = (x: number): number => 90 - asinDeg(x);

/**
 * The angle of a joint in a drawn figure, read off its joint centres as a goniometer would be laid (common practice): greater is further
 * along the motion.
 *
 * Model:  the hip in the frame of the pelvis, its turn by the shin about the thigh, or by the foot where the knee is straight; the wrist
 *         by the palm, which every figure of a hand holds a quarter turn behind its fingers, and palm to palm the inside.
 * Units:  degrees.
 */
export function jointAngleDeg(figure: FigurePose, motion: MotionId, side: Side): number {
  const { posture } = figure.space;
  const at = (joint: string) => posture[joint as Joint];
  const from = (a: string, b: string) => unit(sub(at(b), at(a)));
  const limb = (a: string, b: string) => from(`${side} ${a}`, `${side} ${b}`);
  const right = from('left hip', 'right hip');
  const out = times(right, side === 'right' ? 1 : -1);
  const up = unit(squareTo(from('pelvis', 'waist'), right));
  const ahead = cross(up, right);
  const [thigh, shin, foot] = [limb('hip', 'knee'), limb('knee', 'ankle'), limb('ankle', 'toe')];
  const flexion = () => toDeg(Math.atan2(dot(thigh, ahead), -dot(thigh, up)));
  const outward = () => asinDeg(dot(thigh, out));
  const turnOut = () => {
    if (dot(thigh, shin) > 0.97) return toDeg(Math.atan2(dot(foot, out), dot(foot, ahead)));
    const inward = unit(squareTo(times(out, -1), thigh));
    const back = times(cross(inward, thigh), side === 'right' ? 1 : -1);
    return toDeg(Math.atan2(dot(shin, inward), dot(shin, back)));
  };
  const kneeBend = () => acosDeg(dot(thigh, shin));
  const pointed = () => acosDeg(dot(times(shin, -1), limb('heel', 'toe'))) - 90;
  const wristBack = () => {
    const hand = limb('wrist', 'fingertip');
    const palm = figure.pose === 'palms together' ? times(out, -1) : vec(hand.y, -hand.x);
    const fore = limb('elbow', 'wrist');
    return toDeg(Math.atan2(dot(fore, unit(palm)), dot(fore, hand)));
  };
  const trunk = unit(squareTo(from('waist', 'chest'), right));
  const armRaised = () => {
    const arm = limb('shoulder', 'elbow');
    const deg = toDeg(Math.atan2(dot(arm, cross(trunk, right)), -dot(arm, trunk)));
    return deg < -90 ? deg + 360 : deg;
  };
  const armTurn = () => {
    const fore = limb('elbow', 'wrist');
    return toDeg(Math.atan2(dot(fore, trunk), dot(fore, cross(trunk, right))));
  };
  const angles: Readonly<Record<MotionId, () => number>> = {
    'HF-KS': flexion,
    'HF-KB': flexion,
    HE: () => -flexion(),
    'HE-KF': () => kneeBend() - flexion(),
    HAB: outward,
    HAB90: outward,
    HAD: () => -outward(),
    HER0: turnOut,
    HER90: turnOut,
    HIR0: () => -turnOut(),
    HIR90: () => -turnOut(),
    KF: kneeBend,
    KE: () => -kneeBend(),
    ADF: () => -pointed(),
    APF: pointed,
    WE: wristBack,
    WF: () => -wristBack(),
    SF: armRaised,
    SER: armTurn,
    SIR: () => -armTurn()
  };
  return angles[motion]();
}
