import type { PropFace, StackItem } from '$lib/core';

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
