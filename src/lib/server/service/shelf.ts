import type { PropInput } from '$lib/contract/propForms';
import type { PropFace } from '$lib/core';
import type { NewProp, ShelfProp } from '../repo/propRepo';

const uprightSlenderness = 2;
/** Depth and width of a tread (common practice: stairs of 28 cm going). */
const tread = { depthCm: 28, widthCm: 90 } as const;

/**
 * A prop from what was measured of it. One that may stand any way up has three faces, flat first; the one that stands taller than
 * twice its foot carries nothing. One that lies only one way has its first measure as height. Stairs have a height a step.
 */
export function propOf(input: PropInput): NewProp {
  const { name, kind, quantity } = input;
  const prop = { name, kind, quantity, softShare: 0, faces: [] };
  switch (input.by) {
    case 'faces':
      return { ...prop, softShare: input.softPct / 100, faces: facesOf(input) };
    case 'steps': {
      const steps = Array.from({ length: input.steps }, (_, i) => Math.round((i + 1) * input.stepCm * 10) / 10);
      return { ...prop, faces: steps.map((heightCm) => ({ heightCm, ...tread })) };
    }
    case 'pull':
      return { ...prop, pullKg: input.pullKg };
    case 'mass':
      return { ...prop, massKg: input.massKg };
    case 'none':
      return prop;
  }
}

function facesOf({ lengthsCm, turns, softPct }: Extract<PropInput, { by: 'faces' }>): PropFace[] {
  const face = (heightCm: number, a: number, b: number): PropFace => {
    const [depthCm, widthCm] = a < b ? [a, b] : [b, a];
    return { heightCm, widthCm, depthCm, carries: softPct > 0 || heightCm <= uprightSlenderness * depthCm };
  };
  const [first, second, third] = lengthsCm;
  const [low, middle, high] = lengthsCm.toSorted((a, b) => a - b) as [number, number, number];
  const faces = turns
    ? [face(low, middle, high), face(middle, low, high), face(high, low, middle)]
    : [face(first, second, third)];
  return faces.filter((f, i) => faces.findIndex((g) => g.heightCm === f.heightCm) === i);
}

/** Kinds of which there is at least one on a shelf. */
export const kindsOn = (shelf: readonly ShelfProp[]): ReadonlySet<string> =>
  new Set(shelf.filter((p) => p.quantity > 0).map((p) => p.kind));
