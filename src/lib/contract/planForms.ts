import { z } from 'zod';
import { goalWeights, oftens, schoolIds, sessionWorks, trainings, type PlanWishes } from '$lib/core';
import { exerciseId, isoDate, jsonField, line, rowId, whole } from './fields';

export const planForm = z.object({
  /** The way of working, where neither the exercise nor the person has one of their own. */
  schoolId: z.enum(schoolIds, { error: 'Choose a way of working' }),
  weeks: whole(1, 52),
  sessionsPerWeek: whole(1, 7),
  minutes: whole(5, 240),
  startOn: isoDate,
  /** Version the form was opened on; 0 when there was none. */
  basedOnVersion: whole(0, 100_000)
});
export type PlanInput = z.output<typeof planForm>;

const weekPlaces = z.array(z.strictObject({ exerciseId, session: z.int().min(1).max(7).nullable() })).max(200);

const clockTime = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/);

/** What is wished of the weeks of a plan, as the page sends it, in one field. */
const planWishes = z.strictObject({
  often: z.record(exerciseId, z.enum(oftens)),
  pins: weekPlaces,
  bans: weekPlaces,
  /** Monday 1 to Sunday 7; none spreads the sessions evenly. */
  weekdays: z
    .array(z.int().min(1).max(7))
    .max(7)
    .transform((days) => [...new Set(days)].toSorted((a, b) => a - b)),
  easyWeeks: z.array(z.int().min(1).max(52)).max(52).nullable(),
  busyOn: z.array(z.iso.date()).max(400),
  beginsAt: clockTime.nullable(),
  hardSessions: z.int().min(0).max(7).nullable(),
  stretchMin: z.int().min(5).max(60).nullable(),
  sessions: z.record(
    z.string().regex(/^[1-7]$/),
    z.strictObject({
      atHome: z.literal(true).optional(),
      beginsAt: clockTime.optional(),
      training: z.enum(trainings).exclude(['alone']).optional(),
      only: z.enum(sessionWorks).optional()
    })
  ),
  themes: z.boolean(),
  also: z.array(z.strictObject({ goalId: z.int().positive(), weight: z.enum(goalWeights) })).max(10)
});

/** What becomes of sessions whose day has gone by: done next, taken into the next that comes, all moved by whole weeks, or left. */
export const missedWays = ['keep', 'merge', 'slide', 'drop'] as const;

/** The rest of a plan as it is wished now. */
export const reviseForm = z.object({
  basedOnVersion: whole(1, 100_000),
  schoolId: z.enum(schoolIds, { error: 'Choose a way of working' }),
  sessionsPerWeek: whole(1, 7),
  minutes: whole(5, 240),
  missed: z.enum(missedWays).default('keep'),
  wishes: jsonField(planWishes, 'These wishes cannot be read. Open the page again')
});
export type ReviseInput = Omit<z.output<typeof reviseForm>, 'wishes'> & Readonly<{ wishes: Omit<PlanWishes, 'joinedInWeek'> }>;

/** One exercise of the week in the place of another. */
export const swapForm = z.object({ basedOnVersion: whole(1, 100_000), exerciseId, by: exerciseId });
export type SwapInput = z.output<typeof swapForm>;

/** The person whose plan is taken over, and whether from its first week on or in step with theirs. */
export const copyPlanForm = z.object({
  fromClientId: rowId,
  basedOnVersion: whole(0, 100_000),
  step: z.enum(['from the start', 'with them']).default('from the start')
});
export type CopyPlanInput = z.output<typeof copyPlanForm>;

/** An earlier version of the plan, by its number. */
export const restoreForm = z.object({ basedOnVersion: whole(1, 100_000), version: whole(1, 100_000) });
export const planNameForm = z.object({ version: whole(1, 100_000), name: line(60) });

/** One of the plans that are held against each other. */
export const comparedForm = planForm.pick({ schoolId: true, sessionsPerWeek: true, minutes: true });
export type ComparedInput = z.output<typeof comparedForm>;

/** A time of the day as a clock shows it; nothing for none. */
export const sessionTime = z
  .string()
  .regex(/^(([01]?\d|2[0-3]):[0-5]\d)?$/)
  .transform((text) => {
    const [hours, minutes] = text.split(':').map(Number);
    return text === '' ? null : { hours: hours!, minutes: minutes! };
  });
