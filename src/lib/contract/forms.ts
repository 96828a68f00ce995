import { z } from 'zod';
import {
  exercises,
  highestEffortCapPct,
  highestSensationCap,
  painKinds,
  painPlaces,
  redFlags,
  type PainKindId,
  type PainPlaceId
} from '$lib/core';
import {
  bodyState,
  checkbox,
  isoDate,
  length,
  optionalDate,
  optionalLength,
  optionalMass,
  parseDecimal,
  personName,
  requiredText,
  sideField,
  text,
  toCm,
  whole,
  type LengthUnit,
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
    bodyMassKg: optionalMass(units.mass, 20, 300),
    sessionsPerWeek: whole(1, 7),
    minutesPerSession: whole(5, 240),
    notes: text(4000)
  });
export type ClientInput = z.output<ReturnType<typeof clientForm>>;

export const goalForm = (unit: LengthUnit, today: string) =>
  z
    .object({
      leadSide: sideField,
      aim: z.enum(['flat', 'above', 'past'], { error: 'Choose where it ends' }),
      distanceCm: z.unknown().optional(),
      targetOn: optionalDate,
      eventName: text(120)
    })
    .transform(({ distanceCm, aim, ...rest }, ctx) => {
      if (aim === 'flat') return { ...rest, targetDepthCm: 0 };
      const parsed = length(unit, 0.5, 40).safeParse(distanceCm);
      if (!parsed.success) {
        for (const { message } of parsed.error.issues) ctx.addIssue({ code: 'custom', message, path: ['distanceCm'] });
        return z.NEVER;
      }
      return { ...rest, targetDepthCm: aim === 'above' ? parsed.data : -parsed.data };
    })
    .refine((goal) => goal.targetOn === null || goal.targetOn > today, {
      message: 'This date has passed. Leave it empty for an open end',
      path: ['targetOn']
    });
export type GoalInput = z.output<ReturnType<typeof goalForm>>;

/** Each tier is answered: something is ticked, or "none of these" is. */
export const screeningForm = z
  .object({
    flags: z.array(z.enum(redFlags.map((f) => f.id) as [string, ...string[]])),
    noneUrgent: checkbox,
    noneClinician: checkbox,
    effortCapPct: whole(10, highestEffortCapPct),
    sensationCap: whole(1, highestSensationCap)
  })
  .superRefine(({ flags, noneUrgent, noneClinician }, ctx) => {
    for (const [tier, none, path] of [
      ['urgent', noneUrgent, 'noneUrgent'],
      ['clinician first', noneClinician, 'noneClinician']
    ] as const) {
      const ticked = redFlags.some((f) => f.tier === tier && flags.includes(f.id));
      if (!ticked && !none) ctx.addIssue({ code: 'custom', message: 'Tick what applies, or "none of these"', path: [path] });
      if (ticked && none)
        ctx.addIssue({ code: 'custom', message: 'Something is ticked and "none of these" as well', path: [path] });
    }
  });
export type ScreeningInput = z.output<typeof screeningForm>;

export const clearForm = z.object({ clearedBy: personName, clearNote: requiredText(1000, 'What did they say?') });
export type ClearInput = z.output<typeof clearForm>;
export const clearLockForm = clearForm.extend({ lockId: whole(1, 2 ** 31 - 1) });

export const trialsPerSide = 5;
export const measureModes = ['passive', 'active'] as const;
export type MeasureMode = (typeof measureModes)[number];
export const trialField = (side: string, mode: string, ordinal: number) => `${side}_${mode}_${ordinal}`;
export const pastFlatField = (side: string, mode: string) => `${side}_${mode}_past`;

export type TrialInput = Readonly<{
  side: 'left' | 'right';
  mode: MeasureMode;
  ordinal: number;
  gapCm: number;
  leadRaiseCm: number;
}>;

/**
 * Trials as typed: empty fields are no trials. A gap longer than the shorter leg is refused at its field.
 */
export const measureForm = (unit: LengthUnit, shorterLegCm: number) =>
  z
    .object({ bodyState, takenOn: isoDate, note: text(500) })
    .catchall(z.unknown())
    .transform((form, ctx) => {
      const trials: TrialInput[] = [];
      for (const side of ['left', 'right'] as const)
        for (const mode of measureModes) {
          const past = form[pastFlatField(side, mode)] === 'on';
          for (let ordinal = 1; ordinal <= trialsPerSide; ordinal++) {
            const name = trialField(side, mode, ordinal);
            const trial = parseTrial(form[name], { unit, maxCm: past ? 40 : shorterLegCm - 1, past });
            if (typeof trial === 'string') ctx.addIssue({ code: 'custom', message: trial, path: [name] });
            else if (trial !== null) trials.push({ side, mode, ordinal, gapCm: past ? 0 : trial, leadRaiseCm: past ? trial : 0 });
          }
        }
      if (trials.length === 0 && ctx.issues.length === 0)
        ctx.addIssue({ code: 'custom', message: 'Write at least one trial', path: [trialField('left', 'passive', 1)] });
      return { bodyState: form.bodyState, takenOn: form.takenOn, note: form.note, trials };
    });
export type MeasureInput = z.output<ReturnType<typeof measureForm>>;

/** One trial as typed: null when empty, a message when it cannot be, else centimetres. */
export function parseTrial(
  raw: unknown,
  { unit, maxCm, past }: { unit: LengthUnit; maxCm: number; past: boolean }
): number | string | null {
  if (String(raw ?? '').trim() === '') return null;
  const typed = parseDecimal(raw);
  if (typed === null) return 'Write a number, for example 12.5';
  const cm = Math.round(toCm(typed, unit) * 100) / 100;
  if (cm < 0) return 'Past flat? Tick "past flat" and write the raise under the heel';
  if (cm > maxCm) return past ? 'More than any raise we know' : 'Longer than the leg';
  return cm;
}

export const materials = ['cork', 'felt', 'steel'] as const;
export const propForm = (unit: LengthUnit) =>
  z.object({
    name: requiredText(80, 'What is it called?'),
    material: z.enum(materials, { error: 'Choose what it is made of' }),
    quantity: whole(0, 99),
    softPct: whole(0, 90),
    lengthsCm: z.tuple([length(unit, 0.2, 150), length(unit, 0.2, 150), length(unit, 0.2, 150)]),
    turns: checkbox
  });
export type PropInput = z.output<ReturnType<typeof propForm>>;

export const quantityForm = z.object({ propId: whole(1, 2 ** 31 - 1), quantity: whole(0, 99) });

export const gradeForm = z.object({ side: sideField, depthCm: z.coerce.number().min(-60).max(150) });

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
