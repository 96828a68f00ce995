import type { LengthUnit } from '$lib/contract/fields';
import { dialAtRung, type Exercise, type PropFace, type StackItem, type StackOfWork } from '$lib/core';
import { dialText } from './dialText';

type NamedProp = Readonly<{ id: string; name: string; fixed?: boolean; faces: readonly PropFace[] }>;

const faceWords = ['flat', 'on its side', 'upright'] as const;

/** A stack in words, bottom first: "cork block flat, thin book". */
export function stackText(items: readonly StackItem[], shelf: readonly NamedProp[]): string {
  if (items.length === 0) return 'the floor';
  const parts = items.map(({ propId, face }) => {
    const prop = shelf.find((p) => p.id === propId);
    if (!prop) return 'a prop that is gone';
    if (prop.fixed) return `${prop.name.toLowerCase()}, step ${face + 1}`;
    return prop.faces.length > 1 ? `${prop.name.toLowerCase()} ${faceWords[face] ?? ''}`.trim() : prop.name.toLowerCase();
  });
  const counted = new Map<string, number>();
  for (const part of parts) counted.set(part, (counted.get(part) ?? 0) + 1);
  return [...counted].map(([part, n]) => (n > 1 ? `${n} × ${part}` : part)).join(', ');
}

/** A stack of a session with its height and what it stands under: "12.5 cm under the pelvis: cork block flat, thin book". */
export function stackLine(
  { dials }: Pick<Exercise, 'dials'>,
  { dialId, rung }: StackOfWork,
  shelf: readonly NamedProp[],
  unit: LengthUnit
): string {
  const dial = dials.find((d) => d.id === dialId);
  if (!dial?.stack) return stackText(rung.items, shelf);
  const height = dialText(dial, dialAtRung(dial, rung), unit);
  if (rung.items.length === 0) return `${height}, no stack under the ${dial.stack.under}`;
  return `${height} under the ${rung.under === 'floor' ? dial.stack.under : rung.under}: ${stackText(rung.items, shelf)}`;
}
