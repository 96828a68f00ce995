import { z } from 'zod';
import {
  addedStops,
  equipment,
  exerciseKinds,
  exercisePhases,
  exerciseTraits,
  joints,
  loadsOf,
  motionIds,
  poseIds,
  schoolIds,
  startPositions,
  unders,
  type Dial,
  type Dose,
  type EquipmentId,
  type Exercise,
  type ExerciseKind,
  type ExercisePhase,
  type Joint,
  type SchoolId,
  type Span
} from '$lib/core';
import { longestLine, mostLevels } from './exerciseForms';
import { exerciseId, checkbox, parseDecimal, requiredLine, text } from './fields';
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
const several = <T extends readonly [string, ...string[]]>(values: T) => z.array(z.enum(values)).default([]);

/** A mistake and, after a colon, what mends it. */
const mistakeList = lineList(12).transform((list, ctx) =>
  list.map((line) => {
    const [, mistake = '', fix = ''] = /^([^:]*):?(.*)$/.exec(line) ?? [];
    if (mistake.trim() === '') ctx.addIssue({ code: 'custom', message: 'What goes wrong? It stands before the colon' });
    return { mistake: mistake.trim(), fix: fix.trim() || 'Less.' };
  })
);

/** What a dial can be, in the form: the standard ones have their unit and name; the ends it is offered with are wide, and no dose. */
export const dialKinds = {
  hold: { name: 'hold', id: 'holdS', unit: 's', ends: [10, 60, 10] },
  contraction: { name: 'contraction', id: 'contractionS', unit: 's', ends: [5, 15, 5] },
  reps: { name: 'repetitions', id: 'reps', unit: 'reps', ends: [3, 10, 1] },
  rounds: { name: 'rounds', id: 'rounds', unit: 'rounds', ends: [1, 5, 1] },
  effort: { name: 'effort', id: 'effortPct', unit: '%', ends: [20, 80, 5] },
  tempo: { name: 'tempo', id: 'tempoS', unit: 's', ends: [1, 4, 0.5] },
  breaths: { name: 'breaths', id: 'breaths', unit: 'breaths', ends: [3, 9, 3] },
  load: { name: 'load', id: 'loadKg', unit: 'kg', ends: [0, 20, 1] },
  height: { name: 'height on a stack', id: '', unit: 'cm', ends: [0, 60, 2.5] },
  distance: { name: 'distance', id: '', unit: 'cm', ends: [0, 60, 5] },
  angle: { name: 'angle', id: '', unit: '°', ends: [0, 90, 5] },
  levels: { name: 'levels in words', id: '', unit: 'level', ends: null }
} as const;
export type DialKind = keyof typeof dialKinds;

/**
 * How an exercise is done where nobody has said it yet, from its first dial. What is not said is the stretching way: it loads more
 * lines, so that limits and stops reach it.
 */
function usualWay(kind: DialKind | undefined): Readonly<{ phases: ExercisePhase[]; kinds: ExerciseKind[] }> {
  if (kind === 'contraction' || kind === 'rounds' || kind === 'effort')
    return { phases: ['contract-relax'], kinds: ['isometric'] };
  if (kind === 'reps' || kind === 'load') return { phases: ['active end'], kinds: ['active', 'assisted'] };
  return { phases: ['hold'], kinds: ['passive'] };
}

/** What a dose of one school may say: its word, its unit, and what is still sensible. */
export const doseFigures = {
  holdS: { name: 'Hold', unit: 's', most: 1800 },
  reps: { name: 'Repetitions', unit: '', most: 100 },
  sets: { name: 'Sets', unit: '', most: 10 },
  rounds: { name: 'Rounds', unit: '', most: 10 },
  breaths: { name: 'Breaths', unit: '', most: 60 },
  contractionS: { name: 'Contraction', unit: 's', most: 60 },
  effortPct: { name: 'Effort', unit: '%', most: 100 }
} as const satisfies Partial<Record<keyof Dose, object>>;
export type DoseFigure = keyof typeof doseFigures;
export const doseFigureIds = Object.keys(doseFigures) as DoseFigure[];
export const doseField = (school: SchoolId, figure: DoseFigure): string => `dose_${school}_${figure}`;

/** "20", "20-30", "20–30" or "20 to 30". */
const span = (most: number) =>
  text(20)
    .default('')
    .transform((raw, ctx): Span | undefined => {
      if (raw === '') return undefined;
      const [low, high, ...more] = raw.split(/\s*(?:-|–|to)\s*/).map(parseDecimal);
      const ends = high === undefined ? [low] : [low, high];
      if (more.length > 0 || ends.some((v) => v === null || v === undefined || v <= 0 || v > most))
        ctx.addIssue({ code: 'custom', message: `A number up to ${most}, or two: 20 to 30` });
      else if (high !== undefined && high! <= low!)
        ctx.addIssue({ code: 'custom', message: 'The second is more than the first' });
      return high === undefined ? low! : [low!, high!];
    });
const doseSchema = z
  .object(
    Object.fromEntries(doseFigureIds.map((f) => [f, span(doseFigures[f].most)])) as Record<DoseFigure, ReturnType<typeof span>>
  )
  .partial();
/** Doses of the schools that say something. */
const doseList = z
  .partialRecord(z.enum(schoolIds), doseSchema)
  .default({})
  .transform((bySchool): Dose[] =>
    schoolIds.flatMap((school) => {
      const said = Object.entries(bySchool[school] ?? {}).filter(([, v]) => v !== undefined);
      return said.length > 0 ? [{ school, ...Object.fromEntries(said) }] : [];
    })
  );

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
    name: requiredLine(80, 'What is it called?'),
    aliases: lineList(12),
    position: z.enum(startPositions, { error: 'Choose the position' }).default('any'),
    phases: several(exercisePhases),
    kinds: several(exerciseKinds),
    links: several(motionIds as unknown as [string, ...string[]]),
    also: lineList(6),
    sides: z.enum(['each', 'both together', 'alternating'], { error: 'Choose how the sides are done' }).default('each'),
    sideWords: text(60),
    setup: lineList(20),
    checks: lineList(12),
    felt: text(200),
    notFelt: text(200),
    variants: lineList(6).default([]),
    why: text(200),
    press: text(longestLine).default(''),
    draw: text(longestLine).default(''),
    cautions: lineList(12),
    stops: lineList(12).default([]),
    loads: several(joints),
    otherLoads: several(joints),
    pose: z.union([z.literal(''), z.enum(poseIds)]).default(''),
    doses: doseList,
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
  })
  .transform((e) => {
    const usual = usualWay(e.dials.find((d) => d !== null)?.kind);
    return { ...e, phases: e.phases.length > 0 ? e.phases : usual.phases, kinds: e.kinds.length > 0 ? e.kinds : usual.kinds };
  });
export type OwnExerciseInput = z.output<typeof ownExerciseForm>;

/** Names of the form's fields that may come several times. */
export const ownExerciseLists = ['phases', 'kinds', 'links', 'props', 'traits', 'loads', 'otherLoads'] as const;

const dialFields = ['id', 'kind', 'name', 'min', 'max', 'step', 'harder', 'levels', 'under'] as const;
type DialField = (typeof dialFields)[number];
export const dialField = (row: number, field: DialField): string => `dial${row}_${field}`;

/** The flat form as the schema reads it: dials in rows, neighbours in lists. */
export function ownExerciseShape(typed: Typed): unknown {
  const dials = Array.from({ length: ownDialRows }, (_, row) =>
    Object.fromEntries(dialFields.map((f) => [f, typed[dialField(row, f)]] as const).filter(([, value]) => value !== undefined))
  );
  const one = (name: string) => (typed[name] ? [typed[name]] : []);
  const doses = Object.fromEntries(
    schoolIds.map((school) => [school, Object.fromEntries(doseFigureIds.map((f) => [f, typed[doseField(school, f)]]))])
  );
  return { ...typed, dials, doses, easier: one('easier'), harder: one('harder') };
}

/** An exercise as the form shows it; of its neighbours the first. */
export function typedExercise(e: Exercise): Typed {
  const lines = (list: readonly string[]) => list.join('\n');
  const follows = loadsOf(e).map((l) => JSON.stringify(l));
  const alsoLoads = (isOther: boolean): Joint[] =>
    e.loads.filter((l) => (l.on === 'other') === isOther && !follows.includes(JSON.stringify(l))).map((l) => l.joint);
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
    variants: lines(e.variants),
    why: e.why,
    press: e.press ?? '',
    draw: e.draw ?? '',
    cautions: lines(e.cautions),
    stops: lines(addedStops(e)),
    loads: alsoLoads(false),
    otherLoads: alsoLoads(true),
    pose: e.pose ?? '',
    ...Object.assign({}, ...e.doses.map(typedDose)),
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

const typedDose = (dose: Dose): Typed =>
  Object.fromEntries(
    doseFigureIds.flatMap((f) => {
      const figure = dose[f];
      return figure === undefined
        ? []
        : [[doseField(dose.school, f), typeof figure === 'number' ? String(figure) : figure.join(' to ')]];
    })
  );

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
