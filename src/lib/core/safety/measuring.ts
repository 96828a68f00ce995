import type { JointSide, LineSide } from '../body/body';
import { motionOf } from '../body/motions';
import { lineOf } from '../exercise/bearing';
import type { Measure } from '../measure/measure';
import { isJointStop, isLineStop, isPersonStop } from '../screen/stop';
import type { SafetyPerson } from './person';
import type { GateReason } from './reason';

/**
 * Returns what speaks against measuring: stops, and pains nobody has decided on, of the joint that a motion is measured at and of the line it
 * lengthens; of a whole position any of them. A stopped exercise stops no measure.
 */
export function measuringNotes(
  { stops, told }: Pick<SafetyPerson, 'stops' | 'told'>,
  { motion }: Pick<Measure, 'motion'>
): GateReason[] {
  const isAtJoint = ({ joint }: JointSide) => motion === undefined || motionOf(motion).joint === joint;
  const isOnLine = ({ line }: LineSide) => motion === undefined || lineOf(motion) === line;
  const isOpen = (stop: SafetyPerson['stops'][number]) =>
    isPersonStop(stop) || (isJointStop(stop) && isAtJoint(stop)) || (isLineStop(stop) && isOnLine(stop));
  return [
    ...stops.filter(isOpen).map((stop): GateReason => ({ code: 'stop', stop, bears: true })),
    ...told
      .filter((p) => p.joints.some(isAtJoint) || p.lines.some(isOnLine))
      .map((p): GateReason => ({ code: 'told pain', text: p.text, on: p.on, again: p.again }))
  ];
}
