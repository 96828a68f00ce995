import { z } from 'zod';
import type { Bound, Caps, Exercise, LiftShape, Side, SideLifts } from '$lib/core';
import { exerciseId, jsonField, text } from './fields';

const seconds = (most: number) => z.number().min(0).max(most);

/** Most repetitions of a set, and the most degrees inside the greatest range. */
export const mostReps = 100;
export const mostInsideDeg = 45;

/** Lifts as they are shaped by hand, whole. */
const liftSchema: z.ZodType<LiftShape> = z
  .strictObject({
    reps: z.int().min(1).max(mostReps),
    leastReps: z.int().min(1).max(mostReps).optional(),
    liftS: seconds(60),
    holdS: seconds(600),
    lowerS: seconds(60),
    restS: seconds(300),
    lastHoldS: seconds(600).optional(),
    letGo: z.boolean().optional(),
    insideDeg: z.number().min(0).max(mostInsideDeg).optional(),
    deepest: z
      .strictObject({
        holdS: seconds(120),
        peakPct: z.number().min(0).max(100),
        times: z.int().min(1).max(10).optional(),
        letGoS: seconds(120).optional()
      })
      .optional(),
    bothWays: z.boolean().optional(),
    allows: z.string().trim().min(1).max(120).optional(),
    noHands: z.boolean().optional()
  })
  .refine(({ reps, leastReps = 1 }) => leastReps <= reps)
  .refine(({ liftS, holdS, lowerS }) => liftS + holdS + lowerS > 0);

export const sideLiftsSchema: z.ZodType<SideLifts> = z.strictObject({ left: liftSchema, right: liftSchema });

/** The lifts of one exercise on each side; empty goes back to the school's. */
export const keepLiftsForm = z.object({
  exerciseId,
  lifts: z.union([
    z.literal('').transform(() => null),
    jsonField<SideLifts>(sideLiftsSchema, 'These lifts cannot be read. Shape them again')
  ]),
  /** Why a wait is passed over. */
  reason: text(300).default('')
});
export type KeepLiftsInput = z.output<typeof keepLiftsForm>;

/** The lifts of one side as they are done now, and what the person's limits make of them. */
export type SideLift = Readonly<{
  lift: LiftShape;
  effortPct: number;
  caps: Caps;
  longestHoldS: number | null;
  /** How far the figures go that the exercise has a dial for, and the hold inside the person's longest. */
  bounds: Readonly<Record<'reps' | 'holdS', Bound>>;
  /** Why nothing of it gets harder. */
  noHarder: string | null;
  /** Degrees it is moved by own strength; null where that was not measured. */
  activeDeg: number | null;
  legCm: number;
}>;

/** What the page needs to shape the lifts of an exercise. */
export type LiftsDesk = Readonly<{
  exercise: Exercise;
  perSide: boolean;
  /** By hand, and not the school's way. */
  isShaped: boolean;
  sides: Readonly<Record<Side, SideLift>>;
  /** Why the exercise is not done now. */
  bar: string | null;
}>;
