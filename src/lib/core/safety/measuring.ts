import type { JointSide } from '../body/body';
import { motionOf } from '../body/motions';
import type { Measure } from '../measure/measure';
import { isJointStop, isLineStop, isPersonStop } from '../screen/stop';
import type { SafetyPerson } from './person';
import type { GateReason } from './reason';

/**
 * What is open against measuring: stops, and pains nobody has decided on, of the joint that a motion is measured at; of a whole position any
 * of them. An exercise that is stopped stops no measure.
 */
export function measuringNotes(
  { stops, told }: Pick<SafetyPerson, 'stops' | 'told'>,
  { motion }: Pick<Measure, 'motion'>
): GateReason[] {
  const joint = motion && motionOf(motion).joint;
  const isHere = (at: JointSide) => joint === undefined || at.joint === joint;
  const isOpen = (stop: SafetyPerson['stops'][number]) =>
    isPersonStop(stop) || (isJointStop(stop) ? isHere(stop) : isLineStop(stop) && (joint === undefined || joint === 'hip'));
  return [
    ...stops.filter(isOpen).map((stop): GateReason => ({ code: 'stop', stop, bears: true })),
    ...told
      .filter((p) => p.joints.some(isHere))
      .map((p): GateReason => ({ code: 'told pain', text: p.text, on: p.on, again: p.again }))
  ];
}
