import { z } from 'zod';
import { cutKinds, dayWorks, sideOrders, sides, trainings, type Arrangement } from '$lib/core';
import { exerciseId, checkbox, jsonField } from './fields';

const arrangementSchema = z.strictObject({
  parts: z
    .array(
      z.strictObject({
        exerciseId,
        sets: z.int().min(1).max(20).optional(),
        side: z.enum(sides).optional(),
        joins: z.literal(true).optional(),
        grows: z.literal(true).optional(),
        eased: z.literal(true).optional()
      })
    )
    .max(60),
  out: z.array(exerciseId).max(100),
  sides: z.enum(sideOrders),
  setupS: z.number().min(0).max(600),
  restS: z.number().min(0).max(600),
  work: z.enum(dayWorks),
  training: z.enum(trainings).optional(),
  minutes: z.number().min(1).max(600),
  fits: z.boolean(),
  cutOrder: z.array(z.enum(cutKinds)).max(cutKinds.length)
}) satisfies z.ZodType<Arrangement>;

/** An arrangement as the page sends it, in one field; empty goes back to the usual. */
export const arrangeForm = z.object({
  arrangement: z.union([
    z.literal('').transform(() => null),
    jsonField<Arrangement>(arrangementSchema, 'This arrangement cannot be read. Arrange the session again')
  ]),
  /** For every session that is still to come, not this one alone. */
  all: checkbox
});
export type ArrangeInput = z.output<typeof arrangeForm>;
