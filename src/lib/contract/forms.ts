import { z } from 'zod';
import {
  goalWeights,
  oftens,
  painKinds,
  painPlaceIds,
  schoolIds,
  sessionWorks,
  sides,
  todayThings,
  type PainKindId,
  type PlanWishes
} from '$lib/core';
import {
  checkbox,
  isoDate,
  jsonField,
  length,
  optionalDate,
  optionalLength,
  optionalMass,
  optionalNumber,
  personName,
  requiredText,
  rowId,
  sideField,
  text,
  whole,
  type Units
} from './fields';

export const levels = ['beginner', 'intermediate', 'advanced'] as const;

/** The day of birth, or the year alone: limits of age then take the cautious side both ways. */
export const clientForm = (units: Units, today: string) => {
  const latestYear = Number(today.slice(0, 4)) - 5;
  const year = whole(1900, latestYear);
  return z
    .object({
      name: requiredText(120, 'What are they called?'),
      birthDate: optionalDate.default(null),
      birthYear: z
        .unknown()
        .optional()
        .transform((raw, ctx): number | null => {
          if (String(raw ?? '').trim() === '') return null;
          const parsed = year.safeParse(raw);
          for (const { message } of parsed.error?.issues ?? []) ctx.addIssue({ code: 'custom', message });
          return parsed.data ?? null;
        }),
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
    })
    .superRefine((form, ctx) => {
      const dateYear = form.birthDate && Number(form.birthDate.slice(0, 4));
      if (dateYear && (dateYear < 1900 || dateYear > latestYear))
        ctx.addIssue({ code: 'custom', message: `Between 1900 and ${latestYear}`, path: ['birthDate'] });
      if (!form.birthDate && form.birthYear === null)
        ctx.addIssue({ code: 'custom', message: 'The year at least, or the day', path: ['birthYear'] });
    })
    .transform((form) => ({ ...form, birthYear: form.birthDate ? Number(form.birthDate.slice(0, 4)) : form.birthYear! }));
};
export type ClientInput = z.output<ReturnType<typeof clientForm>>;

const exerciseId = z.string().regex(/^[a-z0-9_]{1,60}$/, 'Choose an exercise');

export const weekThings = ['desk', 'standing', 'dance', 'gym', 'running', 'carrying', 'stage'] as const;

export const clearForm = z.object({ clearedBy: personName, clearNote: requiredText(1000, 'What did they say?') });
export type ClearInput = z.output<typeof clearForm>;
export const clearLockForm = clearForm.extend({ lockId: rowId });

export const relaxForm = clearForm.extend({ kind: z.string(), from: z.string() });
export type RelaxInput = z.output<typeof relaxForm>;

const painKindId = z.enum(painKinds.map((k) => k.id) as [PainKindId, ...PainKindId[]], { error: 'What kind is it?' });
const needsNoPlace = (kind: PainKindId): boolean => kind === 'urgent_sign' || kind === 'nerve';

/** Pain as it is told at any time: what, where, when, and after which exercise if one is known. */
export const toldPainForm = (today: string) =>
  z
    .object({
      kind: z.union([z.literal(''), painKindId]).default(''),
      place: z.union([z.literal(''), z.enum(painPlaceIds)]).default(''),
      side: sideField.optional(),
      feltOn: isoDate,
      exerciseId: z.union([z.literal(''), exerciseId]).default(''),
      workSide: z.union([z.literal(''), sideField]).default(''),
      note: text(500).default('')
    })
    .transform(({ kind, place, exerciseId, workSide, ...rest }, ctx) => {
      if (!kind) ctx.addIssue({ code: 'custom', message: 'What kind is it?', path: ['kind'] });
      if (!place && !(kind && needsNoPlace(kind))) ctx.addIssue({ code: 'custom', message: 'Where is it?', path: ['place'] });
      if (rest.feltOn > today) ctx.addIssue({ code: 'custom', message: 'This day is still to come', path: ['feltOn'] });
      return {
        ...rest,
        kind: kind || ('afterwards' as const), // refused above where there is none
        place: place || ('nowhere' as const),
        side: rest.side ?? null,
        exerciseId: exerciseId === '' ? null : exerciseId,
        workSide: workSide === '' ? null : workSide
      };
    });
export type ToldPainInput = z.output<ReturnType<typeof toldPainForm>>;

/** Length of one breath of a person; empty goes back to the usual. */
export const breathForm = z.object({ breathS: optionalNumber(3, 20, 's') });

/** The three taps before a session, and the answer to a pause where there was one. */
export const startForm = z
  .object({
    answer: z.enum(['accept', 'as before']).nullable().default(null),
    reason: text(500).default(''),
    newSymptom: z.enum(['no', 'yes'], { error: 'Answer this first' }),
    soreness: whole(0, 10),
    today: z.array(z.enum(todayThings)).default([]),
    kind: painKindId.optional(),
    place: z.enum(painPlaceIds).optional(),
    side: sideField.optional(),
    /** The Check is overdue, or it is the second session of the day: confirmed, and kept with the session. */
    overdueCheck: checkbox,
    sameDay: checkbox
  })
  .transform(({ newSymptom, kind, place, side, ...rest }, ctx) => {
    const isNew = newSymptom === 'yes';
    // Urgent and nerve signs need no place.
    const at = place ?? (kind && needsNoPlace(kind) ? ('nowhere' as const) : undefined);
    if (isNew && !kind) ctx.addIssue({ code: 'custom', message: 'What kind is it?', path: ['kind'] });
    if (isNew && !at) ctx.addIssue({ code: 'custom', message: 'Where is it?', path: ['place'] });
    return { ...rest, newSymptom: isNew, symptom: isNew && kind && at ? { kind, place: at, side: side ?? null } : null };
  });
export type StartInput = z.output<typeof startForm>;

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
  sessions: z.record(
    z.string().regex(/^[1-7]$/),
    z.strictObject({
      atHome: z.literal(true).optional(),
      beginsAt: clockTime.optional(),
      trainingFollows: z.literal(true).optional(),
      only: z.enum(sessionWorks).optional()
    })
  ),
  themes: z.boolean(),
  also: z.array(z.strictObject({ goalId: z.int().positive(), weight: z.enum(goalWeights) })).max(10)
});

/** What becomes of sessions whose day has gone by: done next, all moved by whole weeks, or left. */
export const missedWays = ['keep', 'slide', 'drop'] as const;

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
export const planNameForm = z.object({ version: whole(1, 100_000), name: text(60) });

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

/** When it was said on the device; it may arrive much later. */
const toldAt = z.iso.datetime().optional();

export const painSchema = z.object({
  id: z.uuid(),
  setIndex: z.int().min(0).max(200),
  exerciseId,
  /** The side the set was done on; `side` is where it hurts. */
  workSide: z.enum(sides).nullable(),
  place: z.enum(painPlaceIds),
  side: z.enum(sides).nullable(),
  kind: painKindId,
  at: toldAt
});
export type PainInput = z.output<typeof painSchema>;

export const finishSchema = z.object({ status: z.enum(['done', 'stopped']), at: toldAt });
export type FinishInput = z.output<typeof finishSchema>;

export const decideForm = z.object({
  exerciseId,
  /** Empty where it is done with both sides together. */
  side: z.union([z.literal(''), sideField]).transform((side) => side || null),
  verdict: z.enum(['deepen', 'stay', 'ease', 'stop']),
  overruledBecause: text(500)
});
export type DecideInput = z.output<typeof decideForm>;

/** A dated judgement of a person, or of an exercise with them. */
export const judgementForm = z.object({
  judgement: requiredText(2000, 'Write what you think of it'),
  exerciseId: z.union([z.literal(''), exerciseId]).transform((id) => id || null)
});
export type JudgementInput = z.output<typeof judgementForm>;
export const judgementIdForm = z.object({ id: rowId });

/** What is looked for among the notes; what cannot be read narrows nothing. */
export const notesQuery = z.object({
  exercise: exerciseId.optional().catch(undefined),
  person: rowId.optional().catch(undefined),
  q: z.string().trim().max(200).optional().catch(undefined),
  most: whole(1, 10_000).optional().catch(undefined)
});

/** The last decision on an exercise and side. */
export const undoDecisionForm = decideForm.pick({ exerciseId: true, side: true });
export type UndoDecisionInput = z.output<typeof undoDecisionForm>;

export const unitsForm = z.object({ length: z.enum(['cm', 'in']), mass: z.enum(['kg', 'lb']) });
