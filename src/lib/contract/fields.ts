import { differenceInDays, formatISO, isValid, parse } from 'date-fns';
import { sides } from '$lib/core';
import { z } from 'zod';

export type LengthUnit = 'cm' | 'in';
export type MassUnit = 'kg' | 'lb';
export type Units = Readonly<{ length: LengthUnit; mass: MassUnit }>;

/** Whatever was taken out can be put back for so many days. */
export const removedDays = 30;

const cmPerInch = 2.54; // exact by definition
const kgPerPound = 0.45359237; // exact by definition

export const toCm = (value: number, unit: LengthUnit): number => (unit === 'in' ? value * cmPerInch : value);
export const fromCm = (cm: number, unit: LengthUnit): number => (unit === 'in' ? cm / cmPerInch : cm);
export const toKg = (value: number, unit: MassUnit): number => (unit === 'lb' ? value * kgPerPound : value);
export const fromKg = (kg: number, unit: MassUnit): number => (unit === 'lb' ? kg / kgPerPound : kg);

const decimalPattern = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;
const notANumber = 'Write a number, for example 12.5';

/** Whether a field was left empty. */
const isBlank = (raw: unknown): boolean => raw === undefined || raw === null || String(raw).trim() === '';

/** A typed number with a dot or a comma; never the empty text, which is missing and not 0. */
export function parseDecimal(raw: unknown): number | null {
  const text = String(raw ?? '').trim();
  return decimalPattern.test(text) ? Number(text.replace(',', '.')) : null;
}

type Bounds = Readonly<{
  min: number;
  max: number;
  unit?: string;
  convert?: (value: number) => number;
  show?: (value: number) => number;
}>;

function parseBounded(
  raw: unknown,
  { min, max, unit = '', convert = (v) => v, show = (v) => v }: Bounds,
  ctx: z.RefinementCtx
): number {
  const typed = parseDecimal(raw);
  if (typed === null) {
    ctx.addIssue({ code: 'custom', message: isBlank(raw) ? 'Fill this in' : notANumber });
    return z.NEVER;
  }
  const value = convert(typed);
  if (!(value >= min - 1e-9 && value <= max + 1e-9)) {
    const edge = (v: number) => `${Math.round(show(v) * 10) / 10}`;
    ctx.addIssue({ code: 'custom', message: `Between ${edge(min)} and ${edge(max)}${unit ? ` ${unit}` : ''}` });
    return z.NEVER;
  }
  return value;
}

/** A field as it came; one that is missing altogether is told as empty. */
const anything = z.unknown().optional();

const bounded = (bounds: Bounds) => anything.transform((raw, ctx) => parseBounded(raw, bounds, ctx));
const optionalBounded = (bounds: Bounds) =>
  anything.transform((raw, ctx) => (isBlank(raw) ? null : parseBounded(raw, bounds, ctx)));

const lengthBounds = (unit: LengthUnit, min: number, max: number): Bounds => ({
  min,
  max,
  unit,
  // A tenth of a millimetre is kept, so that inches come back as they were typed.
  convert: (v) => Math.round(toCm(v, unit) * 100) / 100,
  show: (v) => fromCm(v, unit)
});

export const length = (unit: LengthUnit, min: number, max: number) => bounded(lengthBounds(unit, min, max));
export const optionalLength = (unit: LengthUnit, min: number, max: number) => optionalBounded(lengthBounds(unit, min, max));
export const optionalMass = (unit: MassUnit, min: number, max: number) =>
  optionalBounded({ min, max, unit, convert: (v) => Math.round(toKg(v, unit) * 10) / 10, show: (v) => fromKg(v, unit) });

/** A number that may stay open. */
export const optionalNumber = (min: number, max: number, unit: string) => optionalBounded({ min, max, unit });

export const whole = (min: number, max: number) =>
  anything.transform((raw, ctx) => {
    const value = parseBounded(raw, { min, max }, ctx);
    if (value === z.NEVER || Number.isInteger(value)) return value;
    ctx.addIssue({ code: 'custom', message: 'A whole number' });
    return z.NEVER;
  });

/** The id of a row, as the database numbers them. */
export const rowId = whole(1, 2 ** 31 - 1);

/** A character that no text has and that the database cannot keep. */
const nul = /\0/g;
/** Typed text. */
const typedText = (error?: string) => z.string({ error }).overwrite((raw) => raw.replace(nul, '').trim());

/** Whatever breaks a line: a name with one would begin another line wherever it is written. */
const breaks = /[\s\u0085]+/g;
const typedLine = (error?: string) => typedText(error).overwrite((raw) => raw.replace(breaks, ' '));

export const text = (max: number) => typedText().max(max, `At most ${max} characters`);
export const requiredText = (max: number, message = 'Fill this in') => text(max).min(1, message);
export const line = (max: number) => typedLine().max(max, `At most ${max} characters`);
export const requiredLine = (max: number, message = 'Fill this in') => line(max).min(1, message);
const nameNeeded = 'Who clears it? A name is needed';
export const personName = typedLine(nameNeeded).min(2, nameNeeded).max(120, 'At most 120 characters');
const dayFormats = ['d MMM yyyy', 'd MMMM yyyy', 'd.M.yyyy'];
const dayFormatsWithoutYear = ['d MMM', 'd MMMM', 'd.M.', 'd.M'];
/** Returns a day as it is typed as year-month-day, one without its year in the year nearest to now; what is no day stays as it is. */
export function readDay(raw: string, now = new Date()): string {
  const text = raw.trim();
  const whole = dayFormats.map((form) => parse(text, form, new Date(2000, 0, 1))).find(isValid);
  const years = [-1, 0, 1].map((by) => new Date(now.getFullYear() + by, 0, 1));
  const near = dayFormatsWithoutYear
    .flatMap((form) => years.map((year) => parse(text, form, year)))
    .filter(isValid)
    .toSorted((a, b) => Math.abs(differenceInDays(a, now)) - Math.abs(differenceInDays(b, now)))[0];
  const read = whole ?? near;
  return read ? formatISO(read, { representation: 'date' }) : text;
}
const aDay = 'A day, for example 31 May 2027';
/** A day of somebody living: nothing here lies before, and no plan runs so long after. */
export const isoDate = z
  .string(aDay)
  .transform((raw) => readDay(raw))
  .pipe(z.iso.date(aDay))
  .refine((day) => day >= '1900-01-01' && day < '2200-01-01', 'A day between 1900 and 2199');
export const optionalDate = z.union([z.literal('').transform(() => null), isoDate], { error: aDay });
export const checkbox = z
  .literal('on')
  .optional()
  .transform((v) => v === 'on');
export const sideField = z.enum(sides, { error: 'Choose a side' });
export const bodyState = z.enum(['cold', 'warm', 'after'], { error: 'Choose the state' });
export type BodyState = z.output<typeof bodyState>;

/** What a page sends as one piece of JSON; what cannot be read is told in one sentence. */
export const jsonField = <T>(schema: z.ZodType<T>, unreadable: string, longest = 20_000) =>
  z
    .string()
    .max(longest)
    .transform((raw, ctx): T => {
      const parsed = schema.safeParse(jsonOf(raw));
      if (parsed.success) return parsed.data;
      ctx.addIssue({ code: 'custom', message: unreadable });
      return z.NEVER;
    });

function jsonOf(raw: string): unknown {
  try {
    return JSON.parse(raw);
  } catch {
    return null;
  }
}

export const exerciseId = z.string().regex(/^[a-z0-9_]{1,60}$/, 'Choose an exercise');
