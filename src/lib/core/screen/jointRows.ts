// What is asked of each joint a goal moves. Standing: assumption from general exercise-safety practice, not reviewed by a clinician
// (docs/sources.md#screening).
import { hasNoSide, joints, type Joint } from '../body/body';
import type { ScreeningRow } from './screeningTable';

/** Joints by the name people know them by, with what is asked along with them. */
export const jointNames: Readonly<Record<Joint, string>> = {
  neck: 'Neck',
  shoulder: 'Shoulder',
  elbow: 'Elbow',
  wrist: 'Wrist and hand',
  back: 'Spine',
  hip: 'Hip',
  knee: 'Knee',
  ankle: 'Ankle and foot'
};

/** Joints whose ranges are trained and measured; of the others it is not known where their end is. */
const ranged: ReadonlySet<Joint> = new Set(['shoulder', 'wrist', 'hip', 'knee', 'ankle']);

type Finding = Pick<ScreeningRow, 'tier' | 'limits' | 'caution'> & Readonly<{ id: string; text: string }>;

const findingsOf = (joint: Joint): readonly Finding[] => [
  {
    id: 'mild',
    tier: 'limits',
    text: 'hurts now, mildly (1 to 3 of 10)',
    limits: [{ kind: 'no deepening', joint }],
    caution: 'Work goes on only while it stays as mild; nothing there is made harder.'
  },
  {
    id: 'moderate',
    tier: 'limits',
    text: 'hurts now, moderately (4 to 6)',
    limits: [{ kind: 'joint rests', joint }],
    caution: 'Refer if it lasts two weeks.'
  },
  { id: 'severe', tier: 'clinician first', text: 'hurts now, severely (7 and more)' },
  { id: 'recent', tier: 'clinician first', text: 'injury or surgery within 12 weeks' },
  {
    id: 'operated',
    tier: 'limits',
    text: `operated on${ranged.has(joint) ? ' or artificial' : ''}, cleared for training`,
    limits: ranged.has(joint) ? [{ kind: 'no end-range work', joint }] : [{ kind: 'no deepening', joint }],
    caution: 'What the surgeon forbade stays forbidden.'
  },
  ranged.has(joint)
    ? { id: 'unstable', tier: 'limits', text: 'slips or feels unstable', limits: [{ kind: 'no end-range work', joint }] }
    : { id: 'unstable', tier: 'clinician first', text: 'slips or feels unstable' },
  { id: 'numb', tier: 'clinician first', text: 'numb, tingling or weak' }
];

export const jointRows: readonly ScreeningRow[] = joints.flatMap((joint) =>
  findingsOf(joint).map(({ id, text, ...finding }): ScreeningRow => ({
    ...finding,
    id: `joint_${joint}_${id}`,
    text: `${jointNames[joint]}: ${text}`,
    joint: { at: joint, finding: text },
    ...(!hasNoSide(joint) && { asks: 'side' as const })
  }))
);
