// A data table. The basis of each figure stands in docs/sources.md#goals.
import type { LinkId } from '../exercise/exercise';

export type Demand = Readonly<{
  link: LinkId;
  leg: 'lead' | 'trail';
  needDeg: number;
  basis: 'geometry' | 'published' | 'common practice' | 'assumption';
}>;

export type Goal = Readonly<{
  id: string;
  name: string;
  headline: string;
  betterIs: 'higher' | 'lower';
  demands: readonly Demand[];
  checks: readonly string[];
  /** Typical error of the headline to start with; own trials replace the trial part. */
  error: Readonly<{ trialSdCm: number; trialDf: number; daySdCm: number; resolutionCm: number }>;
}>;

export const goals: readonly Goal[] = [
  {
    id: 'front_split',
    name: 'Front split',
    headline: 'gap from the floor to the lowest point of the pelvis',
    betterIs: 'lower',
    demands: [
      { link: 'hip flexion, straight knee', leg: 'lead', needDeg: 140, basis: 'assumption' },
      { link: 'hip extension', leg: 'trail', needDeg: 40, basis: 'assumption' }
    ],
    checks: ['hips square', 'knees straight', 'rear knee under its hip', 'no knee or sit-bone pain'],
    error: { trialSdCm: 0.8, trialDf: 8, daySdCm: 1.8, resolutionCm: 0.5 }
  }
];

export const frontSplit = goals[0]!;

/** Motions the goals of this catalogue need, with the usual code of the trade. */
export const motions: readonly Readonly<{ id: LinkId; code: string; name: string }>[] = [
  { id: 'hip flexion, straight knee', code: 'HF-KS', name: 'Hip flexion with the knee straight' },
  { id: 'hip extension', code: 'HE', name: 'Hip extension' }
];
