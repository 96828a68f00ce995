import type { SessionPart } from '../exercise/exercise';
import type { ArrangedPart, Arrangement } from './arrange';
import { isWorked, type Block } from './block';

/** An order of a session that is used again and again. Common practice; which exercise stands where follows from its part. */
export type SessionTemplate = Readonly<{
  id: string;
  name: string;
  words: string;
  of: (usual: Arrangement, blocks: readonly Block[]) => Arrangement;
}>;

const inOrder =
  (...order: readonly SessionPart[]) =>
  (usual: Arrangement, blocks: readonly Block[]): Arrangement => ({
    ...usual,
    parts: order.flatMap((part) => blocks.filter((b) => isWorked(b) && b.part === part).map(({ exerciseId }) => ({ exerciseId })))
  });
const openThenOwn = inOrder('warm-up', 'mobilise', 'open', 'own', 'position', 'settle');

export const sessionTemplates: readonly SessionTemplate[] = [
  {
    id: 'open then own',
    name: 'Open, then own',
    words: 'Stretch first, then active work in the new range, then the position.',
    of: openThenOwn
  },
  {
    id: 'active first',
    name: 'Active first',
    words: 'Active work while fresh, then stretch, then the position.',
    of: inOrder('warm-up', 'mobilise', 'own', 'open', 'position', 'settle')
  },
  {
    id: 'thirds',
    name: 'Thirds',
    words: 'Early movement and stretch, the position in the middle, active work late.',
    of: inOrder('warm-up', 'mobilise', 'open', 'position', 'own', 'settle')
  },
  {
    id: 'two visits',
    name: 'Two visits',
    words: 'The position once after the stretches and once at the end, the second time deeper.',
    of: (usual, blocks) => {
      const once = inOrder('warm-up', 'mobilise', 'open', 'position', 'own', 'settle')(usual, blocks);
      const again = blocks.filter((b) => b.part === 'position').map(({ exerciseId }) => ({ exerciseId, sets: 1 }));
      return { ...once, parts: [...once.parts, ...again] };
    }
  },
  {
    id: 'side by side',
    name: 'Side by side',
    words: 'Left and right in turn, set by set, so that they can be compared.',
    of: (usual, blocks) => ({ ...openThenOwn(usual, blocks), sides: 'alternate', restS: 10 })
  },
  {
    id: 'passes',
    name: 'In passes',
    words:
      'The stretches in turn without rest, one after the other and round again, those counted in breaths longer each time, then active work and the position.',
    of: (usual, blocks) => {
      const { parts, ...rest } = openThenOwn(usual, blocks);
      const opens = new Set(blocks.filter((b) => b.part === 'open').map((b) => b.exerciseId));
      const inTurn = (p: ArrangedPart, i: number) => opens.has(p.exerciseId) && i > 0 && opens.has(parts[i - 1]!.exerciseId);
      return {
        ...rest,
        parts: parts.map((p, i) =>
          opens.has(p.exerciseId) ? { ...p, sets: 2, grows: true as const, ...(inTurn(p, i) && { joins: true as const }) } : p
        )
      };
    }
  },
  {
    id: 'ten minutes',
    name: 'Daily ten minutes',
    words: 'Whatever is missed most, cut to ten minutes with the warm-up.',
    of: (usual, blocks) => ({ ...openThenOwn(usual, blocks), minutes: 10, fits: true })
  }
];
