import { z } from 'zod';
import {
  alignmentPolicies,
  equipment,
  exerciseKinds,
  exercisePhases,
  exerciseTraits,
  handPolicies,
  motionIds,
  schoolIds,
  startPositions,
  timePolicies,
  type EquipmentId
} from '$lib/core';
import { checkbox, parseDecimal, requiredText, sideField, text } from './fields';

const words = z.string().trim().min(1).max(400);
const lines = z.array(words).max(40);
export const exerciseId = z.string().regex(/^[a-z0-9_]{1,60}$/);
const equipmentId = z.enum(equipment.map((e) => e.id) as [EquipmentId, ...EquipmentId[]]);
const span = z.union([z.number(), z.tuple([z.number(), z.number()])]);

const stackUse = z.strictObject({
  under: z.enum(['pelvis', 'seat', 'hands', 'knees', 'knee', 'heels', 'lead heel', 'front foot', 'foot']),
  past: z.enum(['lead heel']).optional(),
  pairs: z.union([z.literal(1), z.literal(2)]),
  higherIs: z.enum(['easier', 'harder']),
  bears: z.enum(['weight', 'light']),
  startFrom: z.strictObject({ measure: z.string(), words }).optional(),
  stairs: z.boolean().optional()
});

const dial = z.strictObject({
  id: z.string().regex(/^[a-zA-Z][a-zA-Z0-9]{0,30}$/),
  name: words,
  unit: z.enum(['cm', 's', '%', 'reps', 'breaths', 'rounds', 'kg', '°', 'level']),
  kind: z.enum(['metric', 'level']),
  harder: z.enum(['up', 'down']),
  min: z.number(),
  max: z.number(),
  step: z.number().positive(),
  levels: z.array(words).min(2).max(12).optional(),
  stack: stackUse.optional()
});

const dose = z.strictObject({
  school: z.enum(schoolIds),
  holdS: span.optional(),
  reps: span.optional(),
  sets: span.optional(),
  rounds: span.optional(),
  breaths: span.optional(),
  contractionS: span.optional(),
  effortPct: span.optional(),
  loadKg: span.optional(),
  note: z.string().optional(),
  unsure: z.literal(true).optional()
});

/** A whole exercise as data: those that ship are checked against it in a test, those of the studio whenever they are read. */
export const exerciseSchema = z.object({
  id: exerciseId,
  name: words,
  aliases: lines,
  standardTerm: words.optional(),
  family: words,
  position: z.enum(startPositions),
  phases: z.array(z.enum(exercisePhases)).min(1),
  kinds: z.array(z.enum(exerciseKinds)).min(1),
  links: z.array(z.enum(motionIds)),
  also: lines,
  sides: z.enum(['each', 'both together', 'alternating']),
  sideWords: z.string().max(80),
  positionOf: z.array(z.string()),
  pose: z.string().optional(),
  loads: z.array(z.strictObject({ joint: z.enum(['hip', 'knee', 'ankle', 'back']), on: z.enum(['same', 'other', 'middle']) })),
  lines: z.array(z.strictObject({ line: z.enum(['hamstring', 'hip flexor']), on: z.enum(['same', 'other']) })),
  traits: z.array(z.enum(exerciseTraits)),
  props: z.array(
    z.strictObject({ id: equipmentId, count: z.int().min(1).max(9), optional: z.boolean(), words: words.optional() })
  ),
  padding: lines,
  setup: lines.min(1),
  press: words.optional(),
  draw: words.optional(),
  checks: lines,
  felt: words,
  notFelt: words,
  normal: lines,
  mistakes: z.array(z.strictObject({ mistake: words, fix: words })),
  why: words,
  cautions: lines,
  stops: lines.min(2),
  clothing: words.optional(),
  privatePlace: z.boolean(),
  dials: z.array(dial).max(8),
  start: z.record(z.string(), z.number()),
  doses: z.array(dose),
  asks: z.array(z.string()),
  harder: z.array(exerciseId),
  harderInferred: z.array(exerciseId),
  easier: z.array(exerciseId),
  then: z.array(exerciseId),
  variants: lines,
  mirrors: exerciseId.optional(),
  added: z.boolean()
});

/** Alignment, hands and time, each only where it differs from the school's. */
export const policiesSchema = z.object({
  alignment: z.enum(alignmentPolicies).optional(),
  hands: z.enum(handPolicies).optional(),
  time: z.enum(timePolicies).optional()
});
export type PolicyChanges = z.output<typeof policiesSchema>;

const orNone = <T extends readonly [string, ...string[]]>(values: T) =>
  z
    .union([z.literal(''), z.enum(values)])
    .default('')
    .transform((v) => (v === '' ? undefined : (v as T[number])));

const schoolFields = {
  schoolId: z
    .union([z.literal(''), z.enum(schoolIds)])
    .default('')
    .transform((v) => (v === '' ? null : v)),
  alignment: orNone(alignmentPolicies),
  hands: orNone(handPolicies),
  time: orNone(timePolicies)
};

/** What a client prefers, or what one exercise of the week is done by. */
export const schoolForm = z
  .object({ exerciseId: exerciseId.optional(), ...schoolFields })
  .transform(({ exerciseId: id, schoolId, ...chosen }) => {
    const policies: PolicyChanges = Object.fromEntries(Object.entries(chosen).filter(([, v]) => v !== undefined));
    return { exerciseId: id, schoolId, policies };
  });
export type SchoolInput = z.output<typeof schoolForm>;

export const effects = ['works', 'nothing', 'worse'] as const;
export const noteForm = z.object({
  exerciseId,
  effect: z.enum(effects, { error: 'Choose what it did' }),
  note: text(1000).default('')
});
export type NoteInput = z.output<typeof noteForm>;

export const choiceForm = z.object({ exerciseId });

/** One dial of an exercise to a value; `sure` confirms a jump of more than one step. */
export const dialForm = z.object({
  exerciseId,
  side: sideField,
  dial: z.string().regex(/^[a-zA-Z][a-zA-Z0-9]{0,30}$/),
  value: z
    .unknown()
    .optional()
    .transform((raw, ctx) => {
      const value = parseDecimal(raw);
      if (value !== null) return value;
      ctx.addIssue({ code: 'custom', message: 'Write a number, for example 12.5' });
      return z.NEVER;
    }),
  sure: checkbox
});
export type DialInput = z.output<typeof dialForm>;

// An exercise of the studio's own.

const lineList = (max: number) =>
  text(4000).transform((raw) =>
    raw
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '')
      .slice(0, max)
  );
const neededLines = (message: string) => lineList(20).refine((list) => list.length > 0, message);
const several = <T extends readonly [string, ...string[]]>(values: T, message?: string) =>
  message ? z.array(z.enum(values)).min(1, message) : z.array(z.enum(values)).default([]);

/** What a dial can be, in the form: the standard ones have their unit and name. */
export const dialKinds = {
  hold: { name: 'hold', id: 'holdS', unit: 's' },
  reps: { name: 'repetitions', id: 'reps', unit: 'reps' },
  rounds: { name: 'rounds', id: 'rounds', unit: 'rounds' },
  effort: { name: 'effort', id: 'effortPct', unit: '%' },
  breaths: { name: 'breaths', id: 'breaths', unit: 'breaths' },
  load: { name: 'load', id: 'loadKg', unit: 'kg' },
  height: { name: 'height on a stack', id: '', unit: 'cm' },
  distance: { name: 'distance', id: '', unit: 'cm' },
  angle: { name: 'angle', id: '', unit: '°' },
  levels: { name: 'levels in words', id: '', unit: 'level' }
} as const;
export type DialKind = keyof typeof dialKinds;

export const unders = ['pelvis', 'seat', 'hands', 'knees', 'heels', 'front foot'] as const;
const dialKindIds = Object.keys(dialKinds) as [DialKind, ...DialKind[]];
const mostDials = 6;

const number = (raw: unknown, path: string[], ctx: z.RefinementCtx): number => {
  const value = parseDecimal(raw);
  if (value === null) ctx.addIssue({ code: 'custom', message: 'A number', path });
  return value ?? 0;
};

const dialRow = z
  .object({
    id: z.string().max(30).default(''),
    kind: z.union([z.literal(''), z.enum(dialKindIds)]).default(''),
    name: text(60).default(''),
    min: z.unknown().optional(),
    max: z.unknown().optional(),
    step: z.unknown().optional(),
    harder: z.enum(['up', 'down']).default('up'),
    levels: text(600).default(''),
    under: z.enum(unders).default('hands')
  })
  .transform((row, ctx): OwnDial | null => {
    const { kind } = row;
    if (kind === '') return null;
    const name = row.name || dialKinds[kind].name;
    if (kind === 'levels') {
      const named = row.levels
        .split(',')
        .map((l) => l.trim())
        .filter(Boolean);
      if (named.length < 2)
        ctx.addIssue({ code: 'custom', message: 'Two levels at least, the easier first, with commas', path: ['levels'] });
      return { id: row.id, kind, name, min: 0, max: named.length - 1, step: 1, harder: 'up', levels: named };
    }
    const [min, max, step] = [number(row.min, ['min'], ctx), number(row.max, ['max'], ctx), number(row.step, ['step'], ctx)];
    if (max <= min) ctx.addIssue({ code: 'custom', message: 'More than the least', path: ['max'] });
    if (step <= 0) ctx.addIssue({ code: 'custom', message: 'More than 0', path: ['step'] });
    if (min < -200 || max > 1000) ctx.addIssue({ code: 'custom', message: 'Between −200 and 1000', path: ['max'] });
    return { id: row.id, kind, name, min, max, step, harder: row.harder, ...(kind === 'height' && { under: row.under }) };
  });

/** A dial as it was written in the form. */
export type OwnDial = Readonly<{
  id: string;
  kind: DialKind;
  name: string;
  min: number;
  max: number;
  step: number;
  harder: 'up' | 'down';
  levels?: readonly string[];
  under?: (typeof unders)[number];
}>;

export const ownExerciseForm = z.object({
  name: requiredText(80, 'What is it called?'),
  aliases: lineList(12),
  position: z.enum(startPositions, { error: 'Choose the position' }),
  phases: several(exercisePhases, 'What is it used for?'),
  kinds: several(exerciseKinds, 'Who moves the joint?'),
  links: several(motionIds as unknown as [string, ...string[]], 'What does it train?'),
  sides: z.enum(['each', 'both together', 'alternating'], { error: 'Choose how the sides are done' }),
  sideWords: text(60),
  setup: neededLines('How is it set up?'),
  checks: lineList(12),
  felt: requiredText(200, 'Where should it be felt?'),
  notFelt: text(200),
  why: requiredText(200, 'Why, in one line?'),
  cautions: lineList(12),
  mistakes: lineList(12),
  padding: lineList(6),
  props: several(equipment.map((e) => e.id) as [EquipmentId, ...EquipmentId[]]),
  traits: several(exerciseTraits),
  privatePlace: checkbox,
  clothing: text(200),
  harder: z.array(exerciseId).default([]),
  easier: z.array(exerciseId).default([]),
  dials: z.array(dialRow).max(mostDials)
});
export type OwnExerciseInput = z.output<typeof ownExerciseForm>;
export const ownDialRows = mostDials;
