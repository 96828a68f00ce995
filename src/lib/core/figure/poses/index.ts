import type { Pose } from '../pose';
import { allFoursPoses } from './allFours';
import { foldedPoses } from './folded';
import { kneelingPoses } from './kneeling';
import { looseningPoses } from './loosening';
import { lyingPoses } from './lying';
import { sideLyingPoses } from './sideLying';
import { sittingPoses } from './sitting';
import { splits } from './splits';
import { standingPoses } from './standing';

const all = {
  ...splits,
  ...standingPoses,
  ...kneelingPoses,
  ...sittingPoses,
  ...lyingPoses,
  ...looseningPoses,
  ...allFoursPoses,
  ...foldedPoses,
  ...sideLyingPoses
};

export type PoseId = keyof typeof all;
export const poses: Readonly<Record<PoseId, Pose>> = all;
export const poseIds = Object.keys(all) as PoseId[];
