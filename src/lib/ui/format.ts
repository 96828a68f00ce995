import { format, formatISO, parseISO } from 'date-fns';
import { isSignedDepth, measureOf, type Measure, type MeasureMode, type Training } from '$lib/core';
import { fromCm, fromKg, type LengthUnit, type MassUnit } from '$lib/contract/fields';
import type { BodyState } from '$lib/contract/fields';

const minus = '−';

/**
 * Half a step goes away from zero, above it and below: 3.75 is 3.8, and so is as much past flat. What a formula leaves off in the
 * millionths does not change the step.
 */
const roundedTo = (value: number, digits: number): number =>
  (Math.sign(value) * Math.round(Math.abs(value) * 10 ** digits + 1e-5)) / 10 ** digits;

const rounded = (value: number, digits: number): string => {
  const text = roundedTo(value, digits).toFixed(digits);
  const trimmed = digits > 0 ? text.replace(/\.?0+$/, '') : text;
  return trimmed === '-0' || trimmed === '' ? '0' : trimmed.replace('-', minus);
};

/** A length without its unit, to a tenth; trailing zeros fall away. */
export const lengthNumber = (cm: number, unit: LengthUnit, digits = 1): string => rounded(fromCm(cm, unit), digits);
export const lengthText = (cm: number, unit: LengthUnit, digits = 1): string => `${lengthNumber(cm, unit, digits)} ${unit}`;
export const massNumber = (kg: number, unit: MassUnit): string => rounded(fromKg(kg, unit), 1);
export const degText = (deg: number, digits = 0): string => `${rounded(deg, digits)}°`;
export const numberText = (value: number, digits = 1): string => rounded(value, digits);

/** A value as it is shown, as a number in the unit it is shown in: what is reckoned from shown figures has to agree with them. */
export function shownNumber(value: number, measure: Pick<Measure, 'unit'>, unit: LengthUnit): number {
  const digits = measure.unit === 'cm' || measure.unit === 'min' ? 1 : 0;
  const inUnit = measure.unit === 'cm' ? fromCm(value, unit) : value;
  return roundedTo(inUnit, digits) || 0;
}

/** True where a value is at the target or beyond it, as both are shown. */
export const isAtTarget = (
  value: number,
  target: number | null,
  measure: Pick<Measure, 'unit' | 'betterIs'>,
  unit: LengthUnit
): boolean => {
  if (target === null) return false;
  const [at, to] = [shownNumber(value, measure, unit), shownNumber(target, measure, unit)];
  return measure.betterIs === 'lower' ? at <= to : at >= to;
};

const shownDifference = (from: number, to: number, measure: Pick<Measure, 'unit'>, unit: LengthUnit): number =>
  shownNumber(to, measure, unit) - shownNumber(from, measure, unit);
/** A number that is in the shown unit already, with it. */
const inShownUnit = (value: number, measure: Pick<Measure, 'unit'>, unit: LengthUnit): string =>
  measure.unit === 'cm' ? `${rounded(value, 1)} ${unit}` : valueText(value, { unit: measure.unit }, unit);

/** From one value to another, with its sign: the difference of the two as they are shown. */
export function changeText(from: number, to: number, measure: Pick<Measure, 'unit'>, unit: LengthUnit): string {
  const by = shownDifference(from, to, measure, unit);
  return `${by > 0 ? '+' : ''}${inShownUnit(by, measure, unit)}`;
}

/** How far two values are apart, as they are shown. */
export const apartText = (a: number, b: number, measure: Pick<Measure, 'unit'>, unit: LengthUnit): string =>
  inShownUnit(Math.abs(shownDifference(a, b, measure, unit)), measure, unit);

/** How far two angles are apart, as they are shown. */
export const degApart = (a: number, b: number): string => apartText(a, b, { unit: '°' }, 'cm');

/** A depth in words: a height above the floor, flat, or so much past it. */
export function depthText(depthCm: number, unit: LengthUnit): string {
  if (Math.abs(depthCm) < 0.05) return 'flat';
  return depthCm > 0 ? lengthText(depthCm, unit) : `${lengthText(-depthCm, unit)} past flat`;
}

/** A value of a measure with its unit; a level or a yes in words. */
export function valueText(value: number, measure: Pick<Measure, 'unit' | 'levels'>, unit: LengthUnit, digits = 1): string {
  switch (measure.unit) {
    case 'cm':
      return lengthText(value, unit, digits);
    case '°':
      return degText(value, digits === 1 ? 0 : digits);
    case 'min':
      return `${rounded(value, digits)} min`;
    case '×':
      return `${rounded(value, 0)} ×`;
    case '/10':
      return `${rounded(value, 0)} of 10`;
    case 'level':
      return measure.levels?.[Math.round(value)] ?? rounded(value, 0);
    case 'yes':
      return value >= 0.5 ? 'yes' : 'no';
  }
}

/** A headline as it is spoken of: a split by its depth, the others by value and unit. */
export function headlineText(value: number, headline: string, unit: LengthUnit): string {
  const measure = measureOf(headline);
  return isSignedDepth(measure) ? depthText(value, unit) : valueText(value, measure, unit);
}

/** Where a goal ends, after its name; nothing for an open one. */
export const targetText = (goal: Readonly<{ target: number | null; headline: string }>, unit: LengthUnit): string =>
  goal.target === null ? '' : `, ${headlineText(goal.target, goal.headline, unit)}`;

/** Seconds as minutes and seconds: 4:05. */
export function clockText(seconds: number): string {
  const whole = Math.max(0, Math.round(seconds));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}

/** The day it is on this device. */
export const dateToday = (): string => formatISO(new Date(), { representation: 'date' });
export const dateText = (on: string): string => format(parseISO(on), 'd MMM yyyy');
/** An instant by the clock on the wall. */
export const dateTimeText = (at: string): string => format(parseISO(at), 'd MMM yyyy, HH:mm');
export const shortDate = (on: string): string => format(parseISO(on), 'd MMM');
export const weekdayText = (on: string): string => format(parseISO(on), 'EEE');
export const weekdayDate = (on: string): string => format(parseISO(on), 'EEE d MMM');

export const stateText: Readonly<Record<BodyState, string>> = { cold: 'cold', warm: 'warmed up', after: 'after the session' };

export const plural = (n: number, one: string, many = `${one}s`): string => `${n} ${n === 1 ? one : many}`;
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What stands beside a session. */
export const trainingText: Readonly<Record<Training, string>> = {
  alone: 'No other training',
  'before training': 'Before other training',
  'after training': 'After other training'
};

/** What was reached with help, and what the own muscles hold. */
export const modeText: Readonly<Record<MeasureMode, string>> = { passive: 'Passive reach', active: 'Active hold' };
