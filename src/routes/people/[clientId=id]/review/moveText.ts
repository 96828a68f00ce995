import type { LengthUnit } from '$lib/contract/fields';
import type { Dial, DialId } from '$lib/core';
import { dialText } from '$lib/ui/dialText';

type Move = Readonly<{ dial: DialId | null; from: number | null; to: number | null }>;

/** What a verdict moves: "hold 30 s to 45 s", "12.5 cm to 10 cm"; empty when nothing moves. */
export function moveText({ dial: id, from, to }: Move, dials: readonly Dial[], unit: LengthUnit): string {
  if (id === null || from === null || to === null) return '';
  const dial = dials.find((d) => d.id === id);
  if (!dial) return '';
  // A depth and a count say by themselves what they are.
  const name = dial.stack?.past || dial.unit === 'reps' ? '' : `${dial.stack ? dial.stack.under : dial.name} `;
  return `${name}${dialText(dial, from, unit)} to ${dialText(dial, to, unit)}`;
}
