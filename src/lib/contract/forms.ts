import { z } from 'zod';
import { exercises, painKinds, painPlaces, todayThings, type PainKindId, type PainPlaceId } from '$lib/core';
import {
  isoDate,
  length,
  optionalLength,
  optionalMass,
  personName,
  requiredText,
  rowId,
  sideField,
  text,
  whole,
  type Units
} from './fields';

export const levels = ['beginner', 'intermediate', 'advanced'] as const;

export const clientForm = (units: Units, thisYear: number) =>
  z.object({
    name: requiredText(120, 'What are they called?'),
    birthYear: whole(1900, thisYear - 5),
    level: z.enum(levels, { error: 'Choose a level' }),
    contact: text(200),
    statureCm: length(units.length, 100, 230),
    leftLegCm: optionalLength(units.length, 40, 130),
    rightLegCm: optionalLength(units.length, 40, 130),
    lowerLegCm: optionalLength(units.length, 20, 70).default(null),
    hipToBreastboneCm: optionalLength(units.length, 25, 80).default(null),
    bodyMassKg: optionalMass(units.mass, 20, 300),
    sessionsPerWeek: whole(1, 7),
    minutesPerSession: whole(5, 240),
    notes: text(4000)
  });
export type ClientInput = z.output<ReturnType<typeof clientForm>>;

export const weekThings = ['desk', 'standing', 'dance', 'gym', 'running', 'carrying', 'stage'] as const;

export const clearForm = z.object({ clearedBy: personName, clearNote: requiredText(1000, 'What did they say?') });
export type ClearInput = z.output<typeof clearForm>;
export const clearLockForm = clearForm.extend({ lockId: rowId });

export const relaxForm = clearForm.extend({ kind: z.string(), reason: z.string() });
export type RelaxInput = z.output<typeof relaxForm>;

/** The three taps before a session, and the answer to a pause where there was one. */
export const startForm = z
  .object({
    answer: z.enum(['accept', 'as before']).nullable().default(null),
    reason: text(500).default(''),
    newSymptom: z.enum(['no', 'yes'], { error: 'Answer this first' }),
    soreness: whole(0, 10),
    today: z.array(z.enum(todayThings)).default([]),
    kind: z.enum(painKinds.map((k) => k.id) as [PainKindId, ...PainKindId[]]).optional(),
    place: z.enum(painPlaces.map((p) => p.id) as [PainPlaceId, ...PainPlaceId[]]).optional(),
    side: sideField.optional()
  })
  .transform(({ newSymptom, kind, place, side, ...rest }, ctx) => {
    const isNew = newSymptom === 'yes';
    if (isNew && !kind) ctx.addIssue({ code: 'custom', message: 'What kind is it?', path: ['kind'] });
    if (isNew && !place) ctx.addIssue({ code: 'custom', message: 'Where is it?', path: ['place'] });
    return { ...rest, newSymptom: isNew, symptom: isNew && kind && place ? { kind, place, side: side ?? null } : null };
  });
export type StartInput = z.output<typeof startForm>;

export const planForm = z.object({
  weeks: whole(1, 12),
  sessionsPerWeek: whole(1, 7),
  minutes: whole(5, 240),
  startOn: isoDate,
  /** Version the form was opened on; 0 when there was none. */
  basedOnVersion: whole(0, 100_000)
});
export type PlanInput = z.output<typeof planForm>;

export const feltPlaces = ['expected', 'elsewhere', 'closing side', 'joint'] as const;
export const slips = ['nothing', 'hips turned', 'knee bent', 'back rounded', 'came off early'] as const;

const settingSchema = z.partialRecord(z.enum(['depthCm', 'holdS', 'effortPct', 'reps']), z.number());
const exerciseId = z.enum(exercises.map((e) => e.id) as [string, ...string[]]);

/** A set as the player sends it. `clean` null where it is not asked. */
export const setLogSchema = z
  .object({
    id: z.uuid(),
    setIndex: z.int().min(0).max(200),
    exerciseId,
    side: z.enum(['left', 'right']).nullable(),
    plannedS: z.int().min(0).max(7200),
    actualS: z.int().min(0).max(14400),
    clean: z.boolean().nullable(),
    sensation: z.int().min(0).max(10).nullable(),
    felt: z.enum(feltPlaces).nullable(),
    slipped: z.enum(slips).nullable(),
    setting: settingSchema
  })
  .refine((s) => s.clean !== true || (s.sensation === null && s.felt === null && s.slipped === null), 'A clean set has no notes');
export type SetLogInput = z.output<typeof setLogSchema>;

export const painSchema = z.object({
  id: z.uuid(),
  setIndex: z.int().min(0).max(200),
  exerciseId,
  /** The side the set was done on; `side` is where it hurts. */
  workSide: z.enum(['left', 'right']).nullable(),
  place: z.enum(painPlaces.map((p) => p.id) as [PainPlaceId, ...PainPlaceId[]]),
  side: z.enum(['left', 'right']).nullable(),
  kind: z.enum(painKinds.map((k) => k.id) as [PainKindId, ...PainKindId[]])
});
export type PainInput = z.output<typeof painSchema>;

export const finishSchema = z.object({ status: z.enum(['done', 'stopped']) });

export const decideForm = z.object({
  exerciseId,
  side: sideField,
  verdict: z.enum(['deepen', 'stay', 'ease', 'stop']),
  overruledBecause: text(500)
});
export type DecideInput = z.output<typeof decideForm>;

export const unitsForm = z.object({ length: z.enum(['cm', 'in']), mass: z.enum(['kg', 'lb']) });
