import { z } from 'zod';
import { deepenings, mostCycleRounds, resistances, type CycleSpec, type SideCycles } from '$lib/core';
import { exerciseId, jsonField, requiredLine, rowId, text } from './fields';

const pct = z.number().min(0).max(100);
const seconds = (most: number) => z.number().min(0).max(most);
const effort = z.strictObject({ rampUpS: seconds(60), holdS: seconds(600), rampDownS: seconds(60), peakPct: pct });
/** A cycle as it is shaped by hand, whole. */
export const cycleSchema: z.ZodType<CycleSpec> = z.strictObject({
  holdS: seconds(600),
  rounds: z.int().min(0).max(mostCycleRounds),
  press: effort.optional(),
  draw: effort.optional(),
  turnS: seconds(300),
  settleS: seconds(300),
  finalSettleS: seconds(600),
  perRound: z
    .array(
      z.strictObject({
        press: effort.partial().optional(),
        draw: effort.partial().optional(),
        deepening: z.enum(deepenings).optional()
      })
    )
    .max(mostCycleRounds)
    .optional(),
  drawFirst: z.boolean().optional(),
  holdPct: z.number().min(-100).max(100).optional(),
  stepPct: z.number().min(5).max(50).optional(),
  breathS: z.number().min(2).max(20).optional(),
  mostRounds: z.int().min(0).max(mostCycleRounds).optional(),
  leaves: z.boolean().optional(),
  brace: z.boolean().optional(),
  resistance: z.enum(resistances).optional(),
  deepening: z.enum(deepenings).optional(),
  secondWay: z.string().trim().max(120).optional()
});

export const sideCyclesSchema: z.ZodType<SideCycles> = z.strictObject({ left: cycleSchema, right: cycleSchema });

const unreadable = 'This cycle cannot be read. Shape it again';

/** The cycle of one exercise on each side; empty goes back to the school's. */
export const keepCycleForm = z.object({
  exerciseId,
  cycles: z.union([z.literal('').transform(() => null), jsonField<SideCycles>(sideCyclesSchema, unreadable)]),
  /** Why a wait is passed over. */
  reason: text(300).default('')
});
export type KeepCycleInput = z.output<typeof keepCycleForm>;

/** A cycle under a name, for any exercise of anybody. */
export const nameCycleForm = z.object({
  name: requiredLine(60, 'Give it a name'),
  cycle: jsonField<CycleSpec>(cycleSchema, unreadable)
});

export const forgetCycleForm = z.object({ id: rowId });
