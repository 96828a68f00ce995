import type { Pose } from '../pose';
import { kneelingPoses } from './kneeling';
import { lyingPoses } from './lying';
import { sittingPoses } from './sitting';
import { splits } from './splits';
import { standingPoses } from './standing';

const all = { ...splits, ...standingPoses, ...kneelingPoses, ...sittingPoses, ...lyingPoses };

export type PoseId = keyof typeof all;
export const poses: Readonly<Record<PoseId, Pose>> = all;
export const poseIds = Object.keys(all) as PoseId[];
