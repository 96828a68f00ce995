import { z } from 'zod';
import { levels, painGrades, painKinds, painPlaceIds, sides, todayThings, type PainKindId } from '$lib/core';
import {
  checkbox,
  exerciseId,
  isoDate,
  length,
  optionalDate,
  optionalLength,
  optionalMass,
  optionalNumber,
  line,
  personName,
  requiredLine,
  requiredText,
  rowId,
  sideField,
  text,
  whole,
  type Units
} from './fields';

/** Sessions and minutes that are common where nothing was said yet; the plan shows them and lets them be changed. */
export const usualWeek = { sessions: 3, minutes: 45 } as const;
const usual = (value: number, field: ReturnType<typeof whole>) =>
  z.preprocess((raw) => (String(raw ?? '').trim() === '' ? String(value) : raw), field);

/** The day of birth, or the year alone: limits of age then take the cautious side both ways. */
export const clientForm = (units: Units, today: string) => {
  const latestYear = Number(today.slice(0, 4)) - 5;
  const year = whole(1900, latestYear);
  return z
    .object({
      name: requiredLine(120, 'What are they called?'),
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
      contact: line(200),
      statureCm: length(units.length, 100, 230),
      leftLegCm: optionalLength(units.length, 40, 130),
      rightLegCm: optionalLength(units.length, 40, 130),
      lowerLegCm: optionalLength(units.length, 20, 70).default(null),
      hipToBreastboneCm: optionalLength(units.length, 25, 80).default(null),
      bodyMassKg: optionalMass(units.mass, 20, 300),
      sessionsPerWeek: usual(usualWeek.sessions, whole(1, 7)),
      minutesPerSession: usual(usualWeek.minutes, whole(5, 240)),
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
      grade: z.union([z.literal(''), z.enum(painGrades)]).default(''),
      note: text(500).default('')
    })
    .transform(({ kind, place, exerciseId, workSide, grade, ...rest }, ctx) => {
      if (!kind) ctx.addIssue({ code: 'custom', message: 'What kind is it?', path: ['kind'] });
      if (!place && !(kind && needsNoPlace(kind))) ctx.addIssue({ code: 'custom', message: 'Where is it?', path: ['place'] });
      if (rest.feltOn > today) ctx.addIssue({ code: 'custom', message: 'This day is still to come', path: ['feltOn'] });
      return {
        ...rest,
        kind: kind || ('afterwards' as const), // refused above where there is none
        place: place || ('nowhere' as const),
        side: rest.side ?? null,
        grade: grade || null,
        exerciseId: exerciseId === '' ? null : exerciseId,
        workSide: workSide === '' ? null : workSide
      };
    });
export type ToldPainInput = z.output<ReturnType<typeof toldPainForm>>;

/** A pain that was told in error is taken back by name, with why. */
export const withdrawPainForm = z.object({
  painId: z.uuid(),
  by: requiredLine(120, 'Who says so? A name is needed'),
  why: requiredText(300, 'What was wrong with it?')
});
export type WithdrawPainInput = z.output<typeof withdrawPainForm>;

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
  /** Told once more under the same id, when somebody says how strong it is. */
  grade: z.enum(painGrades).nullish(),
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
