import { z } from 'zod';
import {
  equipment,
  exerciseKinds,
  exercisePhases,
  exerciseTraits,
  motionIds,
  startPositions,
  unders,
  type Dial,
  type EquipmentId,
  type Exercise
} from '$lib/core';
import { longestLine, mostLevels } from './exerciseForms';
import { exerciseId, checkbox, parseDecimal, requiredText, text } from './fields';
import type { Typed } from './problem';

// An exercise of the studio's own, as it is typed: read from the form here, and written back into it.

/** What warms, settles or tests need not train anything of its own. A list that is wrong itself is not there. */
function trainsSomething({ phases = [], links = [], also = [] }: Readonly<Record<string, unknown>>): boolean {
  const [uses, motions, others] = [phases, links, also].map((list) => (Array.isArray(list) ? list : []));
  const onlyAround = uses!.length > 0 && uses!.every((p) => p === 'warm-up' || p === 'settle' || p === 'test');
  return onlyAround || motions!.length + others!.length > 0;
}

const linesOf = (raw: string): string[] =>
  raw
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');

const lineList = (max: number) =>
  text(4000)
    .transform(linesOf)
    .refine((list) => list.length <= max, `At most ${max} lines`)
    .refine((list) => list.every((line) => line.length <= longestLine), `At most ${longestLine} characters a line`);
const neededLines = (message: string) => lineList(20).refine((list) => list.length > 0, message);
const several = <T extends readonly [string, ...string[]]>(values: T, message?: string) =>
  message ? z.array(z.enum(values)).min(1, message) : z.array(z.enum(values)).default([]);

/** A mistake and, after a colon, what mends it. */
const mistakeList = lineList(12).transform((list, ctx) =>
  list.map((line) => {
    const [, mistake = '', fix = ''] = /^([^:]*):?(.*)$/.exec(line) ?? [];
    if (mistake.trim() === '') ctx.addIssue({ code: 'custom', message: 'What goes wrong? It stands before the colon' });
    return { mistake: mistake.trim(), fix: fix.trim() || 'Less.' };
  })
);

/** What a dial can be, in the form: the standard ones have their unit and name. */
export const dialKinds = {
  hold: { name: 'hold', id: 'holdS', unit: 's' },
  contraction: { name: 'contraction', id: 'contractionS', unit: 's' },
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

const dialKindIds = Object.keys(dialKinds) as [DialKind, ...DialKind[]];
/** Dials an exercise of one's own may have, each a row of the form. */
export const ownDialRows = 6;
const mostSteps = 500;

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
      const named = linesOf(row.levels);
      if (named.length < 2)
        ctx.addIssue({ code: 'custom', message: 'Two levels at least, the easier first, a line each', path: ['levels'] });
      if (named.some((l) => l.length > longestLine))
        ctx.addIssue({ code: 'custom', message: `At most ${longestLine} characters a line`, path: ['levels'] });
      if (named.length > mostLevels) ctx.addIssue({ code: 'custom', message: `At most ${mostLevels} levels`, path: ['levels'] });
      return { id: row.id, kind, name, min: 0, max: named.length - 1, step: 1, harder: 'up', levels: named };
    }
    const [min, max, step] = [number(row.min, ['min'], ctx), number(row.max, ['max'], ctx), number(row.step, ['step'], ctx)];
    if (max <= min) ctx.addIssue({ code: 'custom', message: 'More than the least', path: ['max'] });
    if (step <= 0) ctx.addIssue({ code: 'custom', message: 'More than 0', path: ['step'] });
    else if ((max - min) / step > mostSteps)
      ctx.addIssue({ code: 'custom', message: `At most ${mostSteps} steps from the least to the most`, path: ['step'] });
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

export const ownExerciseForm = z
  .object({
    name: requiredText(80, 'What is it called?'),
    aliases: lineList(12),
    position: z.enum(startPositions, { error: 'Choose the position' }),
    phases: several(exercisePhases, 'What is it used for?'),
    kinds: several(exerciseKinds, 'Who moves the joint?'),
    links: several(motionIds as unknown as [string, ...string[]]),
    also: lineList(6),
    sides: z.enum(['each', 'both together', 'alternating'], { error: 'Choose how the sides are done' }),
    sideWords: text(60),
    setup: neededLines('How is it set up?'),
    checks: lineList(12),
    felt: requiredText(200, 'Where should it be felt?'),
    notFelt: text(200),
    why: requiredText(200, 'Why, in one line?'),
    cautions: lineList(12),
    mistakes: mistakeList,
    padding: lineList(6),
    props: several(equipment.map((e) => e.id) as [EquipmentId, ...EquipmentId[]]),
    traits: several(exerciseTraits),
    privatePlace: checkbox,
    clothing: text(200),
    harder: z.array(exerciseId).default([]),
    easier: z.array(exerciseId).default([]),
    dials: z
      .array(dialRow)
      .max(ownDialRows)
      .superRefine((rows, ctx) => {
        for (const [i, row] of rows.entries()) {
          const isStandard = row !== null && dialKinds[row.kind].id !== '';
          if (isStandard && rows.findIndex((r) => r?.kind === row.kind) < i)
            ctx.addIssue({
              code: 'custom',
              message: `There is a setting for ${dialKinds[row.kind].name} already`,
              path: [i, 'kind']
            });
        }
      })
  })
  .refine(trainsSomething, {
    path: ['links'],
    message: 'What does it train?',
    // Told with everything else that is wrong, not after it.
    when: () => true
  });
export type OwnExerciseInput = z.output<typeof ownExerciseForm>;

/** Names of the form's fields that may come several times. */
export const ownExerciseLists = ['phases', 'kinds', 'links', 'props', 'traits'] as const;

const dialFields = ['id', 'kind', 'name', 'min', 'max', 'step', 'harder', 'levels', 'under'] as const;
type DialField = (typeof dialFields)[number];
export const dialField = (row: number, field: DialField): string => `dial${row}_${field}`;

/** The flat form as the schema reads it: dials in rows, neighbours in lists. */
export function ownExerciseShape(typed: Typed): unknown {
  const dials = Array.from({ length: ownDialRows }, (_, row) =>
    Object.fromEntries(dialFields.map((f) => [f, typed[dialField(row, f)]] as const).filter(([, value]) => value !== undefined))
  );
  const one = (name: string) => (typed[name] ? [typed[name]] : []);
  return { ...typed, dials, easier: one('easier'), harder: one('harder') };
}

/** An exercise as the form shows it; of its neighbours the first. */
export function typedExercise(e: Exercise): Typed {
  const lines = (list: readonly string[]) => list.join('\n');
  return {
    name: e.name,
    aliases: lines(e.aliases),
    position: e.position,
    phases: [...e.phases],
    kinds: [...e.kinds],
    links: [...e.links],
    also: lines(e.also),
    sides: e.sides,
    sideWords: e.sideWords,
    setup: lines(e.setup),
    checks: lines(e.checks),
    felt: e.felt,
    notFelt: e.notFelt,
    why: e.why,
    cautions: lines(e.cautions),
    mistakes: lines(e.mistakes.map(({ mistake, fix }) => `${mistake}: ${fix}`)),
    padding: lines(e.padding),
    props: e.props.map((p) => p.id),
    traits: [...e.traits],
    ...(e.privatePlace && { privatePlace: 'on' }),
    clothing: e.clothing ?? '',
    easier: e.easier[0] ?? '',
    harder: e.harder[0] ?? '',
    ...Object.assign({}, ...e.dials.map(typedDial))
  };
}

const typedDial = (d: Dial, row: number): Typed =>
  Object.fromEntries(
    Object.entries({
      id: d.id,
      kind: kindOf(d),
      name: d.name,
      min: d.min,
      max: d.max,
      step: d.step,
      harder: d.harder,
      levels: d.levels?.join('\n') ?? '',
      under: d.stack?.under ?? 'hands'
    } satisfies Record<DialField, string | number>).map(([f, value]) => [dialField(row, f as DialField), String(value)])
  );

function kindOf(d: Dial): DialKind {
  if (d.kind === 'level') return 'levels';
  const standard = (Object.keys(dialKinds) as DialKind[]).find((k) => dialKinds[k].id === d.id);
  return standard ?? (d.stack ? 'height' : d.unit === '°' ? 'angle' : 'distance');
}
