import { z } from 'zod';
import { bases, goalOf, goals, isSplit, measureOf, motionIds, type Demand, type Goal } from '$lib/core';
import { fromCm, length, line, optionalDate, parseDecimal, rowId, sideField, text, toCm, whole, type LengthUnit } from './fields';

/** Measures a goal of one's own may be told by. */
export const ownHeadlines = ['own_distance', 'own_angle', 'own_minutes', 'own_count', 'ease'] as const;

export const DemandSchema = z.object({
  measure: z.enum([...motionIds, 'straddle', 'trunk_fold']),
  on: z.enum(['lead', 'trail', 'each', 'both together']),
  needDeg: z.number(),
  basis: z.enum(bases)
}) satisfies z.ZodType<Demand>;

export type GoalInput = Readonly<{
  kind: string;
  title: string;
  headline: string;
  leadSide: 'left' | 'right' | null;
  target: number | null;
  targetReason: string;
  targetOn: string | null;
  eventName: string;
  stage: number;
  /** Null: those of the catalogue. */
  demands: Demand[] | null;
}>;

/** Field of a demand; a goal of one's own has one for each motion. */
export const needField = (goal: Pick<Goal, 'id'>, d: Pick<Demand, 'measure' | 'on'>): string =>
  goal.id === 'custom' ? `need_${d.measure}` : `need_${d.measure}_${d.on}`;

const message = (ctx: z.RefinementCtx, path: string, text: string) =>
  ctx.addIssue({ code: 'custom', message: text, path: [path] });

/**
 * A goal as typed. What is asked depends on its kind: a split ends above the floor, flat or past it; the others at a number of
 * their headline, or open.
 */
export const goalForm = (unit: LengthUnit, today: string) =>
  z
    .object({
      kind: z.enum(goals.map((g) => g.id) as [string, ...string[]], { error: 'Choose a goal' }),
      title: line(80).default(''),
      headline: z.enum(ownHeadlines).optional(),
      leadSide: sideField.optional(),
      aim: z.enum(['flat', 'above', 'past']).optional(),
      distanceCm: z.unknown().optional(),
      target: z.unknown().optional(),
      targetReason: text(300).default(''),
      targetOn: optionalDate.default(null),
      eventName: line(120).default(''),
      stage: z.union([z.undefined(), whole(0, 9)])
    })
    .catchall(z.unknown())
    .transform((form, ctx): GoalInput => {
      const goal = goalOf(form.kind);
      const headline = goal.id === 'custom' ? (form.headline ?? 'own_distance') : goal.headline;
      if (goal.id === 'custom' && form.title === '') message(ctx, 'title', 'What is it called?');
      if (goal.leads && !form.leadSide) message(ctx, 'leadSide', 'Choose a side');
      if (form.targetOn !== null && form.targetOn <= today)
        message(ctx, 'targetOn', 'This date has passed. Leave it empty for an open end');
      const target = isSplit(goal) ? splitTarget(form, unit, ctx) : plainTarget(form.target, headline, unit, ctx);
      return {
        kind: goal.id,
        title: goal.id === 'custom' ? form.title : '',
        headline,
        leadSide: goal.leads ? (form.leadSide ?? null) : null,
        target,
        targetReason: form.targetReason,
        targetOn: form.targetOn,
        eventName: form.eventName,
        stage: Math.min(form.stage ?? 0, Math.max(0, goal.stages.length - 1)),
        demands: typedDemands(goal, form, ctx)
      };
    });

function splitTarget(form: { aim?: string; distanceCm?: unknown }, unit: LengthUnit, ctx: z.RefinementCtx): number {
  if (!form.aim) message(ctx, 'aim', 'Choose where it ends');
  if (!form.aim || form.aim === 'flat') return 0;
  const parsed = length(unit, 0.5, 40).safeParse(form.distanceCm);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) message(ctx, 'distanceCm', issue.message);
    return 0;
  }
  return form.aim === 'above' ? parsed.data : -parsed.data;
}

function plainTarget(raw: unknown, headline: string, unit: LengthUnit, ctx: z.RefinementCtx): number | null {
  if (String(raw ?? '').trim() === '') return null;
  const measure = measureOf(headline);
  const isLength = measure.unit === 'cm';
  const typed = parseDecimal(raw);
  const value = typed === null ? null : isLength ? Math.round(toCm(typed, unit) * 100) / 100 : typed;
  const [min, max] = measure.possible;
  const edge = (v: number) => Math.round((isLength ? fromCm(v, unit) : v) * 10) / 10;
  if (value === null) message(ctx, 'target', 'Write a number, for example 12.5');
  else if (value < min || value > max) message(ctx, 'target', `Between ${edge(min)} and ${edge(max)}`);
  return value;
}

/** Null when every need is the catalogue's own. */
function typedDemands(goal: Goal, form: Readonly<Record<string, unknown>>, ctx: z.RefinementCtx): Demand[] | null {
  const catalogue: readonly Demand[] =
    goal.id === 'custom'
      ? motionIds.map((measure) => ({ measure, on: 'each', needDeg: Number.NaN, basis: 'set by the instructor' }))
      : goal.demands;
  const demands = catalogue.flatMap((demand): Demand[] => {
    const raw = form[needField(goal, demand)];
    if (String(raw ?? '').trim() === '') return goal.id === 'custom' ? [] : [demand];
    const needDeg = parseDecimal(raw);
    const [min, max] = measureOf(demand.measure).possible;
    if (needDeg === null || needDeg < min || needDeg > max) {
      message(ctx, needField(goal, demand), needDeg === null ? 'Write a number' : `Between ${min} and ${max}°`);
      return [demand];
    }
    return [needDeg === demand.needDeg ? demand : { ...demand, needDeg, basis: 'set by the instructor' }];
  });
  const isOwn = goal.id === 'custom' || demands.some((d, i) => d !== catalogue[i]);
  return isOwn ? demands : null;
}

export const goalIdForm = z.object({ goalId: rowId });
