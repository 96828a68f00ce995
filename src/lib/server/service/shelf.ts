import type { PropInput } from '$lib/contract/forms';
import type { NewProp } from '../repo/propRepo';

const uprightSlenderness = 2;

/**
 * A prop from its three measures. One that may stand any way up has three faces, flat first; the one that stands taller than
 * twice its foot carries nothing. One that lies only one way has its first measure as height.
 */
export function propOf({ name, material, quantity, softPct, lengthsCm, turns }: PropInput): NewProp {
  const face = (heightCm: number, a: number, b: number) => {
    const [depthCm, widthCm] = a < b ? [a, b] : [b, a];
    return { heightCm, widthCm, depthCm, carries: softPct > 0 || heightCm <= uprightSlenderness * depthCm };
  };
  const [first, second, third] = lengthsCm;
  const [low, middle, high] = lengthsCm.toSorted((a, b) => a - b) as [number, number, number];
  const faces = turns
    ? [face(low, middle, high), face(middle, low, high), face(high, low, middle)]
    : [face(first, second, third)];
  const distinct = faces.filter((f, i) => faces.findIndex((g) => g.heightCm === f.heightCm) === i);
  return { name, material, quantity, softShare: softPct / 100, faces: distinct };
}
