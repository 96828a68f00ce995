import { z } from 'zod';
import {
  CoreError,
  foldOf,
  isPhoto,
  isSignedDepth,
  measureOf,
  measures,
  otherSide,
  pastEntry,
  splitOpeningDeg,
  trialValue,
  wayOf,
  type BodyLengths,
  type Entries,
  type EntryField,
  type Measure,
  type MeasureMode,
  type Side,
  type WayId
} from '$lib/core';
import { bodyState, checkbox, isoDate, line, parseDecimal, rowId, text, toCm, fromCm, type LengthUnit } from './fields';

export const dayTimes = ['', 'morning', 'midday', 'evening'] as const;
export const trainings = ['', 'before', 'after'] as const;
export const trialsPerSide = 5;

/** What must be alike before two measures are compared, and what is only kept. */
const conditions = {
  takenOn: isoDate,
  bodyState,
  dayTime: z.enum(dayTimes).default(''),
  training: z.enum(trainings).default(''),
  measurer: line(80).default(''),
  note: text(500).default('')
};
export type ConditionsInput = z.output<z.ZodObject<typeof conditions>>;

export type TrialInput = Readonly<{
  measureId: string;
  side: Side | null;
  mode: MeasureMode;
  way: WayId;
  support: string;
  ordinal: number;
  entries: Entries;
  /** The picture it was read from. */
  photoId?: string;
}>;

export type MeasureInput = ConditionsInput & Readonly<{ trials: readonly TrialInput[] }>;
/** A measure as it is sent: `sure` where somebody was asked about its numbers and says that they are right. */
export type SentMeasure = MeasureInput & Readonly<{ sure: boolean }>;

export const measureId = z.enum(measures.map((m) => m.id) as [string, ...string[]]);

/** Sides a measure is taken on; null where both go together. */
export const sidesOf = (measure: Measure): readonly (Side | null)[] => (measure.sides === 'each' ? ['left', 'right'] : [null]);

export const trialField = (side: Side | null, mode: MeasureMode, ordinal: number, field: string): string =>
  `${side ?? 'both'}_${mode}_${ordinal}_${field}`;

/** Where the picture of a trial is named. */
export const photoField = (side: Side | null, mode: MeasureMode, ordinal: number): string =>
  trialField(side, mode, ordinal, 'photo');
const uuid = z.uuid();

export type LengthsBySide = (side: Side | null) => BodyLengths;

/** One number as typed: null when empty, a message when it cannot be. */
export function parseEntry(raw: unknown, field: EntryField, unit: LengthUnit): number | string | null {
  if (String(raw ?? '').trim() === '') return null;
  const typed = parseDecimal(raw);
  if (typed === null) return 'Write a number, for example 12.5';
  const value = field.unit === 'cm' ? Math.round(toCm(typed, unit) * 100) / 100 : typed;
  if (value < field.min || value > field.max) {
    const edge = (v: number) => Math.round((field.unit === 'cm' ? fromCm(v, unit) : v) * 10) / 10;
    const shown = field.unit === 'cm' ? unit : field.unit;
    return `Between ${edge(field.min)} and ${edge(field.max)} ${shown}`.trim();
  }
  return value;
}

export type ParsedTrial = Readonly<
  | { state: 'empty' }
  | { state: 'wrong'; messages: Readonly<Record<string, string>> }
  | { state: 'read'; entries: Entries; value: number }
>;

/**
 * One trial as typed: every number of its way, and the value they give. What no body can be is told beside the number that
 * says it.
 */
export function parseTrial(
  typed: (field: string) => unknown,
  measure: Measure,
  wayId: WayId,
  unit: LengthUnit,
  lengths: BodyLengths,
  /** Of the other side: a split stands on both legs. */
  otherLengths: BodyLengths = lengths
): ParsedTrial {
  const { fields } = wayOf(wayId);
  const isPast = foldOf(measure, wayId) !== null && typed(pastEntry) === 'on';
  const messages: Record<string, string> = {};
  const entries: Record<string, number> = {};
  for (const field of fields) {
    const value = parseEntry(typed(field.id), field, unit);
    if (typeof value === 'string') messages[field.id] = value;
    else if (value !== null) entries[field.id] = value;
  }
  if (Object.keys(messages).length > 0) return { state: 'wrong', messages };
  if (Object.keys(entries).length === 0) return { state: 'empty' };
  const missing = fields.find((f) => !f.optional && entries[f.id] === undefined);
  if (missing) return { state: 'wrong', messages: { [missing.id]: `Write the ${missing.label} too` } };
  if (isPast) entries[pastEntry] = 1;
  try {
    const value = trialValue(measure, wayId, entries, lengths);
    if (isSignedDepth(measure)) {
      if (wayId !== 'raise' && value < 0)
        return wrong(fields, 'Past flat? Choose "Tape, past flat" and write the raise under the heel');
      splitOpeningDeg({ gapCm: Math.abs(value), leadLegCm: lengths.legCm.value, trailLegCm: otherLengths.legCm.value });
    }
    return { state: 'read', entries, value };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    const isOther = error.code === 'gap_exceeds_leg' && error.data.legCm !== lengths.legCm.value;
    return wrong(fields, impossibleText(error, measure, wayId, unit, isOther ? otherLengths : lengths, isOther));
  }
}

const wrong = (fields: readonly EntryField[], message: string): ParsedTrial => ({
  state: 'wrong',
  messages: { [fields[0]!.id]: message }
});

function impossibleText(
  { code, data }: CoreError,
  measure: Measure,
  wayId: WayId,
  unit: LengthUnit,
  lengths: BodyLengths,
  isOther: boolean
): string {
  const estimated = ['legCm', ...wayOf(wayId).uses(measure.limb)].some((id) => lengths[id as keyof BodyLengths].estimated);
  const then = estimated ? '. The length is estimated from stature: measure it under Edit, or measure again' : '';
  if (code === 'value_impossible') {
    const edge = (v: unknown) => (measure.unit === 'cm' ? Math.round(fromCm(Number(v), unit) * 10) / 10 : Number(v));
    const shown = measure.unit === 'cm' ? unit : measure.unit === '°' ? '°' : '';
    return `No body goes there: between ${edge(data.min)} and ${edge(data.max)} ${shown}`.trim();
  }
  if (code === 'gap_exceeds_leg') return `Longer than the ${isOther ? 'other ' : ''}leg${then}`;
  return `These lengths make no triangle on this body${then || '. Measure again'}`;
}

/**
 * A measure as typed: empty trials are none. Every message stands beside its number.
 */
export const measureForm = (measure: Measure, unit: LengthUnit, lengths: LengthsBySide, today: string) =>
  z
    .object({
      ...conditions,
      way: z.enum(measure.ways as [WayId, ...WayId[]], { error: 'Choose a way' }),
      support: line(80).default(''),
      sure: checkbox
    })
    .catchall(z.unknown())
    .transform(
      ({ way, support, takenOn, bodyState: state, dayTime, training, measurer, note, sure, ...form }, ctx): SentMeasure => {
        const trials: TrialInput[] = [];
        for (const side of sidesOf(measure))
          for (const mode of measure.modes)
            for (let ordinal = 1; ordinal <= trialsPerSide; ordinal++) {
              const parsed = parseTrial(
                (f) => form[trialField(side, mode, ordinal, f)],
                measure,
                way,
                unit,
                lengths(side),
                lengths(side && otherSide(side))
              );
              const photo = uuid.safeParse(form[photoField(side, mode, ordinal)]);
              const photoId = photo.success && isPhoto(way) ? photo.data : undefined;
              if (parsed.state === 'read')
                trials.push({
                  measureId: measure.id,
                  side,
                  mode,
                  way,
                  support,
                  ordinal,
                  entries: parsed.entries,
                  ...(photoId && { photoId })
                });
              if (parsed.state === 'wrong')
                for (const [field, message] of Object.entries(parsed.messages))
                  ctx.addIssue({ code: 'custom', message, path: [trialField(side, mode, ordinal, field)] });
            }
        if (takenOn > today) ctx.addIssue({ code: 'custom', message: 'This day is still to come', path: ['takenOn'] });
        if (trials.length === 0 && ctx.issues.length === 0) {
          const first = trialField(sidesOf(measure)[0]!, measure.modes[0]!, 1, wayOf(way).fields[0]!.id);
          ctx.addIssue({ code: 'custom', message: 'Write at least one trial', path: [first] });
        }
        return { takenOn, bodyState: state, dayTime, training, measurer, note, trials, sure };
      }
    );

/** One number of an occasion as it is corrected: the fields of its way, under their own names. */
export const correctionForm = (
  trial: Readonly<{ measureId: string; way: WayId; side: Side | null }>,
  unit: LengthUnit,
  lengths: LengthsBySide
) =>
  z
    .object({ trialId: rowId, sure: checkbox })
    .catchall(z.unknown())
    .transform(({ trialId, sure, ...form }, ctx) => {
      const { side, way } = trial;
      const parsed = parseTrial(
        (f) => form[f],
        measureOf(trial.measureId),
        way,
        unit,
        lengths(side),
        lengths(side && otherSide(side))
      );
      if (parsed.state === 'read') return { trialId, sure, entries: parsed.entries };
      const messages =
        parsed.state === 'wrong' ? parsed.messages : { [wayOf(way).fields[0]!.id]: 'Write the number, or take it out' };
      for (const [field, message] of Object.entries(messages)) ctx.addIssue({ code: 'custom', message, path: [field] });
      return z.NEVER;
    });
export type Correction = z.output<ReturnType<typeof correctionForm>>;

/** Which measure a form speaks of. */
export const measureIdForm = z.object({ measureId }).transform((f) => measureOf(f.measureId));
