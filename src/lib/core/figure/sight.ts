import type { Side } from '../body/side';
import type { Point } from '../geometry/point';
import type { View } from './pose';
import type { Vec } from './vec';

/** Where a point in space is seen, and how near it is to the eye. */
export type Sight = Readonly<{ at: (p: Vec) => Point; depth: (p: Vec) => number }>;

export function sightOf(view: View, side: Side): Sight {
  const s = side === 'right' ? 1 : -1;
  switch (view) {
    case 'side':
      return { at: ({ x, y }) => ({ x: s * x, y }), depth: ({ z }) => s * z };
    case 'front':
      return { at: ({ y, z }) => ({ x: -z, y }), depth: ({ x }) => x };
    case 'behind':
      return { at: ({ y, z }) => ({ x: z, y }), depth: ({ x }) => -x };
    case 'top':
      return { at: ({ x, z }) => ({ x: z, y: x }), depth: ({ y }) => y };
    case 'facing down on':
      return { at: ({ x, z }) => ({ x: -z, y: -x }), depth: ({ y }) => y };
  }
}
