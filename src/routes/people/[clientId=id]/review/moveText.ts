import type { LengthUnit } from '$lib/contract/fields';
import type { DialId } from '$lib/core';
import { depthText } from '$lib/ui/format';

type Move = Readonly<{ dial: DialId | null; from: number | null; to: number | null }>;

const words: Readonly<Record<Exclude<DialId, 'depthCm'>, (value: number) => string>> = {
  holdS: (v) => `${v} s`,
  effortPct: (v) => `${v} %`,
  reps: (v) => `${v} lifts`
};
const names: Readonly<Record<DialId, string>> = { depthCm: '', holdS: 'hold ', effortPct: 'effort ', reps: '' };

/** What a verdict moves: "12.5 cm to 10 cm"; empty when nothing moves. */
export function moveText({ dial, from, to }: Move, unit: LengthUnit): string {
  if (dial === null || from === null || to === null) return '';
  const show = (value: number) => (dial === 'depthCm' ? depthText(value, unit) : words[dial](value));
  return `${names[dial]}${show(from)} to ${show(to)}`;
}
