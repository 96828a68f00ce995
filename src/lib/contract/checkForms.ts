import { z } from 'zod';
import {
  beightonItems,
  endStopMotions,
  highestEffortCapPct,
  highestSensationCap,
  screeningRows,
  screeningTopics,
  sides,
  type BeightonItem,
  type EndStop,
  type MotionId,
  type ScreeningTopic,
  type Side,
  type TopicId
} from '$lib/core';
import { checkbox, line, parseDecimal, text, whole } from './fields';
import { weekThings } from './forms';

const ids = <T extends string>(all: readonly T[]) => z.enum(all as unknown as [T, ...T[]]);

/** Answers so far: kept topic by topic, so that a conversation can be gone on with. */
export const ScreeningDraftSchema = z.object({
  topics: z.array(z.string()),
  flags: z.array(ids(screeningRows.map((r) => r.id))),
  sides: z.record(z.string(), z.enum(sides)),
  endStops: z.array(z.object({ motion: ids(endStopMotions), side: z.enum(sides).nullable(), deg: z.number() })),
  beighton: z.array(ids(beightonItems.map((i) => i.id))),
  effortCapPct: z.number(),
  sensationCap: z.number(),
  adult: z.string().default('')
});
export type ScreeningDraft = Readonly<{
  topics: readonly string[];
  flags: readonly string[];
  sides: Readonly<Record<string, Side>>;
  endStops: readonly EndStop[];
  beighton: readonly BeightonItem[];
  effortCapPct: number;
  sensationCap: number;
  /** Who is present with a minor; empty for an adult. */
  adult: string;
}>;

export type WeekInput = Readonly<{ weekHolds: (typeof weekThings)[number][]; homeProps: string }>;

/** What one card of the conversation says. */
export type TopicInput = Readonly<{
  topic: TopicId;
  flags: string[];
  sides: Record<string, Side>;
  endStops: EndStop[];
  beighton: BeightonItem[];
  caps: Readonly<{ effortCapPct: number; sensationCap: number }> | null;
  adult: string | null;
  week: WeekInput | null;
}>;

/** What an open card says before it is kept. */
export type CardAnswers = Omit<TopicInput, 'week'>;

export const endStopFields = 3;

/** One card as it was answered: something is ticked, or "none of these" is. */
export const topicForm = z
  .object({
    topic: ids(screeningTopics.map((t) => t.id)),
    flags: z.array(z.string()).default([]),
    beighton: z.array(ids(beightonItems.map((i) => i.id))).default([]),
    none: checkbox,
    weekHolds: z.array(ids(weekThings)).default([]),
    homeProps: text(500).default(''),
    effortCapPct: z.unknown().optional(),
    sensationCap: z.unknown().optional(),
    adult: line(200).default('')
  })
  .catchall(z.unknown())
  .transform((form, ctx): TopicInput => {
    const topic = screeningTopics.find((t) => t.id === form.topic)!;
    const applies = ({ id, question }: ScreeningTopic['rows'][number]): boolean => {
      if (!question) return form.flags.includes(id);
      const answer = form[answerField(id)];
      if (answer !== 'yes' && answer !== 'no')
        ctx.addIssue({ code: 'custom', message: 'Answer with yes or no', path: [answerField(id)] });
      return answer === question.appliesOn;
    };
    const flags = topic.rows.filter(applies).map((r) => r.id);
    if (asksNone(topic) && flags.length === 0 && !form.none)
      ctx.addIssue({ code: 'custom', message: 'Tick what applies, or "none of these"', path: ['none'] });
    if (flags.length > 0 && form.none)
      ctx.addIssue({ code: 'custom', message: 'Something is ticked and "none of these" as well', path: ['none'] });
    const sides: Record<string, Side> = {};
    for (const row of topic.rows) {
      const side = form[`side_${row.id}`];
      if (row.asks === 'side' && flags.includes(row.id) && (side === 'left' || side === 'right')) sides[row.id] = side;
    }
    if (topic.id === 'age' && form.adult === '')
      ctx.addIssue({ code: 'custom', message: 'Who is present at the sessions?', path: ['adult'] });
    const caps = form.topic === 'caps' ? capsOf(form, ctx) : null;
    return {
      topic: topic.id,
      flags,
      sides,
      endStops: topic.id === 'stops' ? endStopsOf(form, ctx) : [],
      beighton: topic.id === 'mobility' ? form.beighton : [],
      caps,
      adult: topic.id === 'age' ? form.adult : null,
      week: topic.id === 'week' ? { weekHolds: form.weekHolds, homeProps: form.homeProps } : null
    };
  });

/** Whether a card has to be answered with a tick: one that asks questions, or only for facts, has not. */
export const asksNone = (topic: ScreeningTopic): boolean =>
  topic.rows.length > 0 && topic.id !== 'week' && topic.rows.every((r) => !r.question);

export const answerField = (rowId: string): string => `answer_${rowId}`;

/** A draft with one card's answers put in. */
export function answeredDraft(draft: ScreeningDraft, input: CardAnswers): ScreeningDraft {
  const rowIds = screeningTopics.find((t) => t.id === input.topic)?.rows.map((r) => r.id) ?? [];
  return {
    topics: [...draft.topics.filter((t) => t !== input.topic), input.topic],
    flags: [...draft.flags.filter((f) => !rowIds.includes(f)), ...input.flags],
    sides: { ...Object.fromEntries(Object.entries(draft.sides).filter(([id]) => !rowIds.includes(id))), ...input.sides },
    endStops: input.topic === 'stops' ? input.endStops : draft.endStops,
    beighton: input.topic === 'mobility' ? input.beighton : draft.beighton,
    effortCapPct: input.caps?.effortCapPct ?? draft.effortCapPct,
    sensationCap: input.caps?.sensationCap ?? draft.sensationCap,
    adult: input.adult ?? draft.adult
  };
}

function capsOf(form: Readonly<Record<string, unknown>>, ctx: z.RefinementCtx) {
  const read = (name: string, schema: z.ZodType<number>): number => {
    const parsed = schema.safeParse(form[name]);
    if (parsed.success) return parsed.data;
    for (const { message } of parsed.error.issues) ctx.addIssue({ code: 'custom', message, path: [name] });
    return 0;
  };
  return {
    effortCapPct: read('effortCapPct', whole(10, highestEffortCapPct)),
    sensationCap: read('sensationCap', whole(1, highestSensationCap))
  };
}

/** End stops as typed: a motion, a side or both, and degrees. */
function endStopsOf(form: Readonly<Record<string, unknown>>, ctx: z.RefinementCtx): EndStop[] {
  const stops: EndStop[] = [];
  for (let n = 0; n < endStopFields; n++) {
    const raw = form[`stop_${n}_deg`];
    if (String(raw ?? '').trim() === '') continue;
    const deg = parseDecimal(raw);
    const motion = endStopMotions.find((m) => m === form[`stop_${n}_motion`]);
    const side = form[`stop_${n}_side`];
    if (deg === null || deg < -20 || deg > 200) {
      ctx.addIssue({ code: 'custom', message: 'Between -20 and 200°', path: [`stop_${n}_deg`] });
      continue;
    }
    if (!motion) {
      ctx.addIssue({ code: 'custom', message: 'Choose the motion', path: [`stop_${n}_motion`] });
      continue;
    }
    stops.push({ motion: motion as MotionId, side: side === 'left' || side === 'right' ? side : null, deg });
  }
  return stops;
}
