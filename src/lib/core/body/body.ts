import type { Side } from './side';

/** Joints a stop can lock. Neck and back have no side. */
export const joints = ['neck', 'shoulder', 'elbow', 'wrist', 'back', 'hip', 'knee', 'ankle'] as const;
export type Joint = (typeof joints)[number];
/** A joint on a side; without a side both, or the middle of the body. */
export type JointSide = Readonly<{ joint: Joint; side: Side | null }>;

/** Lines of tissue that an ache at the bone takes out of passive stretching. 'hip flexor' is the front of hip and thigh. */
export const lines = ['hamstring', 'hip flexor', 'inner thigh', 'outer hip', 'calf', 'forearm'] as const;
export type Line = (typeof lines)[number];
export type LineSide = Readonly<{ line: Line; side: Side | null }>;

export const hasNoSide = (joint: Joint): boolean => joint === 'neck' || joint === 'back';

/** Whether two sides meet: none, or both together, meets either. */
export const sidesMeet = (a: Side | null | undefined, b: Side | null | undefined): boolean => a == null || b == null || a === b;
