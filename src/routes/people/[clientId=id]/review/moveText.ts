import type { LengthUnit } from '$lib/contract/fields';
import type { DialId } from '$lib/core';
import { depthText } from '$lib/ui/format';

type Move = Readonly<{ dial: DialId | null; from: number | null; to: number | null }>;

const words: Readonly<Record<DialId, Readonly<{ name: string; unit: string }>>> = {
  holdS: { name: 'hold ', unit: ' s' },
  effortPct: { name: 'effort ', unit: ' %' },
  reps: { name: '', unit: ' lifts' }
};

/** What a verdict moves: "12.5 cm to 10 cm"; empty when nothing moves. */
export function moveText({ dial, from, to }: Move, unit: LengthUnit): string {
  if (dial === null || from === null || to === null) return '';
  if (dial === 'depthCm') return `${depthText(from, unit)} to ${depthText(to, unit)}`;
  const { name, unit: of } = words[dial] ?? { name: '', unit: '' };
  return `${name}${from}${of} to ${to}${of}`;
}
