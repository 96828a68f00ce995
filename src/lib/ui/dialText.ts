import type { LengthUnit } from '$lib/contract/fields';
import { levelName, spanText, type Dial, type Dose, type Setting } from '$lib/core';
import { depthText, lengthText, numberText } from './format';

const units: Readonly<Record<Dial['unit'], string>> = {
  cm: '',
  s: ' s',
  '%': ' %',
  reps: ' ×',
  breaths: ' breaths',
  rounds: ' rounds',
  kg: ' kg',
  '°': '°',
  level: ''
};

/** What a dial stands at: "60 s", "12.5 cm", "both behind"; a split's depth with its sign in words. */
export function dialText(dial: Dial, at: number, unit: LengthUnit): string {
  if (dial.kind === 'level') return levelName(dial, at);
  if (dial.stack?.past) return depthText(at, unit);
  if (dial.stack && at === 0) return 'the floor';
  if (dial.unit === 'cm') return lengthText(at, unit);
  return `${numberText(at)}${at === 1 && dial.unit === 'breaths' ? ' breath' : at === 1 && dial.unit === 'rounds' ? ' round' : units[dial.unit]}`;
}

/** The dials that are set, in a line: "seat 12.5 cm, 30 s". */
export const settingText = (dials: readonly Dial[], setting: Setting, unit: LengthUnit): string =>
  dials
    .flatMap((d) => {
      const at = setting[d.id];
      if (at === undefined) return [];
      const under = d.stack && !d.stack.past ? `${d.stack.under} ` : '';
      return [`${under}${dialText(d, at, unit)}`];
    })
    .join(', ');

const doseWords = [
  ['holdS', 'hold', ' s'],
  ['breaths', '', ' breaths'],
  ['contractionS', 'contraction', ' s'],
  ['effortPct', 'effort', ' %'],
  ['reps', '', ' ×'],
  ['rounds', '', ' rounds'],
  ['sets', '', ' sets'],
  ['loadKg', 'load', ' kg']
] as const satisfies readonly (readonly [keyof Dose, string, string])[];

/** A dose in words; "as it feels right" never: what has no figure says so. */
export function doseText(dose: Dose): string {
  const figures = doseWords.flatMap(([key, name, of]) =>
    dose[key] === undefined ? [] : [`${name ? `${name} ` : ''}${spanText(dose[key])}${of}`]
  );
  return [...figures, ...(dose.note ? [dose.note] : [])].join(', ') || 'no standard value';
}
