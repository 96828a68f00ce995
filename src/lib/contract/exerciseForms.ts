import { z } from 'zod';
import {
  effects,
  alignmentPolicies,
  equipment,
  exerciseKinds,
  exercisePhases,
  exerciseTraits,
  handPolicies,
  joints,
  lines as bodyLines,
  motionIds,
  moveRoles,
  schoolIds,
  startPositions,
  timePolicies,
  unders,
  usualRole,
  type EquipmentId,
  type ExerciseKind,
  type MotionId,
  type Move,
  type MoveRole
} from '$lib/core';
import { checkbox, exerciseId, parseDecimal, sideField, text } from './fields';

/** What a line of an exercise and a dial of levels may have at most. */
export const longestLine = 400;
export const mostLevels = 12;
const words = z.string().trim().min(1).max(longestLine);
const lines = z.array(words).max(40);
const equipmentId = z.enum(equipment.map((e) => e.id) as [EquipmentId, ...EquipmentId[]]);
const span = z.union([z.number(), z.tuple([z.number(), z.number()])]);

const stackUse = z.strictObject({
  under: z.enum(unders),
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
  levels: z.array(words).min(2).max(mostLevels).optional(),
  startFrom: z.strictObject({ measure: z.string(), levels: z.array(z.int().min(0)).max(mostLevels) }).optional(),
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

const seconds = z.number().min(0).max(120);
/** How one repetition goes. */
const tempo = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('flowing'),
    quickS: seconds,
    slowS: seconds,
    harder: z.enum(['slower', 'quicker']),
    bothWays: z.literal(true).optional(),
    lastHeld: z.literal(true).optional()
  }),
  z.strictObject({ kind: z.literal('lifted'), upS: seconds, downS: seconds, restS: seconds }),
  z.strictObject({
    kind: z.literal('lowered'),
    downS: seconds,
    efforts: z.int().min(1).max(10),
    effortS: seconds,
    letGoS: seconds,
    upS: seconds,
    restS: seconds
  })
]);

/** A whole exercise as data: those that ship are checked against it in a test, those of the studio whenever they are read. */
export const exerciseSchema = z
  .object({
    id: exerciseId,
    name: words,
    aliases: lines,
    standardTerm: words.optional(),
    family: words,
    position: z.enum(startPositions),
    phases: z.array(z.enum(exercisePhases)).min(1),
    kinds: z.array(z.enum(exerciseKinds)).min(1),
    links: z.array(z.enum(motionIds)),
    /** Kept before there were moves: every link on the side's own leg. Before roles: what was for nothing else was trained. */
    moves: z
      .array(z.strictObject({ motion: z.enum(motionIds), on: z.enum(['same', 'other']), role: z.enum(moveRoles).optional() }))
      .optional(),
    rests: words.optional(),
    also: lines,
    sides: z.enum(['each', 'both together', 'alternating']),
    sideWords: z.string().max(80),
    positionOf: z.array(z.string()),
    pose: z.string().optional(),
    path: z.array(z.number()).optional(),
    pressWays: z.array(z.string()).optional(),
    drawWays: z.array(z.string()).optional(),
    loads: z.array(z.strictObject({ joint: z.enum(joints), on: z.enum(['same', 'other', 'middle']) })),
    lines: z.array(z.strictObject({ line: z.enum(bodyLines), on: z.enum(['same', 'other']) })),
    traits: z.array(z.enum(exerciseTraits)),
    props: z.array(
      z.strictObject({ id: equipmentId, count: z.int().min(1).max(9), optional: z.boolean(), words: words.optional() })
    ),
    padding: lines,
    /** What ships says it; one of the studio's own may say it later. */
    setup: lines,
    places: lines.min(2).optional(),
    press: words.optional(),
    draw: words.optional(),
    checks: lines,
    felt: words,
    notFelt: words,
    normal: lines,
    mistakes: z.array(z.strictObject({ mistake: words, fix: words })),
    why: z.string().max(longestLine),
    cautions: lines,
    stops: lines.min(2),
    clothing: words.optional(),
    privatePlace: z.boolean(),
    /** Copied before there were tempos: none, and its lifts go as lifts usually do. */
    tempo: tempo.optional(),
    reads: z.strictObject({ what: words, unit: z.enum(['cm', '°']) }).optional(),
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
  })
  .transform(({ moves, ...e }) => ({ ...e, moves: movesWithRoles(moves, e) }));

type KeptMove = Readonly<{ motion: MotionId; on: 'same' | 'other'; role?: MoveRole | undefined }>;

/** Moves kept before they had roles: a link was worked where only muscles move the limb, else opened; the rest was passed through. */
function movesWithRoles(
  moves: readonly KeptMove[] | undefined,
  { links, kinds }: Readonly<{ links: readonly MotionId[]; kinds: readonly ExerciseKind[] }>
): Move[] {
  const trained = usualRole(kinds);
  const stored = moves ?? links.map((motion): KeptMove => ({ motion, on: 'same' }));
  return stored.map(({ motion, on, role }) => ({
    motion,
    on,
    role: role ?? (links.includes(motion) ? trained : 'passes')
  }));
}

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

export const noteForm = z.object({
  exerciseId,
  effect: z.enum(effects, { error: 'Choose what it did' }),
  note: text(1000).default('')
});
export type NoteInput = z.output<typeof noteForm>;

export const choiceForm = z.object({ exerciseId });

export const variantForm = z.object({ exerciseId, variant: z.string().max(longestLine) });
export type VariantInput = z.output<typeof variantForm>;

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
  sure: checkbox,
  /** The other side as well. */
  both: checkbox,
  /** Why a wait is passed over. */
  reason: text(300).default('')
});
export type DialFormInput = z.output<typeof dialForm>;
export type DialInput = Omit<DialFormInput, 'both'>;
