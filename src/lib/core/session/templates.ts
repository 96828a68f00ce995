import type { SessionPart } from '../exercise/exercise';
import type { ArrangedPart, Arrangement } from './arrange';
import { exercisesIn, isWorked, type Block } from './block';
import { compileSession } from './compileSession';
import { shortest } from './fitToMinutes';
import { inPrecedence } from './precedence';

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
    parts: inPrecedence(
      order.flatMap((part) => blocks.filter((b) => isWorked(b) && b.part === part).map(({ exerciseId }) => ({ exerciseId })))
    )
  });
/** What stands on the higher stack comes first; without one last. */
const higherFirst = (one: Block, other: Block): number => heightOf(other) - heightOf(one);
const heightOf = ({ work }: Block): number => Math.max(...work.map((w) => w.rung?.depthCm ?? -100));
const openThenOwn = inOrder('warm-up', 'mobilise', 'open', 'own', 'position', 'settle');

const onceEach = (block: Block): Block => ({ ...block, baseSets: 1, work: block.work.map((w) => ({ ...w, sets: 1 })) });

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
    words: 'The position once after the stretches, one step easier than it is set, and deeper at the end, as it is set.',
    of: (usual, blocks) => {
      const { parts, ...rest } = inOrder('warm-up', 'mobilise', 'open', 'position', 'own', 'settle')(usual, blocks);
      const positions = new Set(blocks.filter((b) => b.part === 'position').map((b) => b.exerciseId));
      const first = parts.map((p) => (positions.has(p.exerciseId) ? { ...p, sets: 1, eased: true as const } : p));
      return { ...rest, parts: [...first, ...parts.filter((p) => positions.has(p.exerciseId))] };
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
    id: 'tests between',
    name: 'One side through, tests between',
    words:
      'All stretches of one side in turn without rest, then what is tested, or the position itself; the same on the other side, so that the difference is felt and seen. Active work follows.',
    of: (usual, blocks) => {
      const worked = blocks.filter(isWorked);
      const find = exercisesIn(blocks);
      const isTest = (b: Block) => b.part === 'position' && find(b.exerciseId).phases.includes('test');
      const tests = worked.some(isTest) ? isTest : (b: Block) => b.part === 'position';
      const isSided = (b: Block) => b.work.some((w) => w.side !== null);
      const together = worked.filter((b) => b.part === 'open' && !isSided(b));
      const stretches = worked.filter((b) => b.part === 'open' && isSided(b));
      const order = [...new Set(stretches.flatMap((b) => b.work.map((w) => w.side)))].filter((side) => side !== null);
      const through = order.flatMap((side): ArrangedPart[] => [
        ...stretches
          .filter((b) => b.work.some((w) => w.side === side))
          .map(({ exerciseId }, i) => ({ exerciseId, side, ...(i > 0 && { joins: true as const }) })),
        // What is tested with both sides together is tested after each.
        ...worked.filter(tests).map((b) => ({ exerciseId: b.exerciseId, sets: 1, ...(isSided(b) && { side }) }))
      ]);
      const whole = (...parts: SessionPart[]) =>
        worked.filter((b) => parts.includes(b.part) && !(order.length > 0 && tests(b))).map(({ exerciseId }) => ({ exerciseId }));
      return {
        ...usual,
        parts: [
          ...whole('warm-up', 'mobilise'),
          ...together.map(({ exerciseId }) => ({ exerciseId })),
          ...through,
          ...whole('own', 'position', 'settle')
        ]
      };
    }
  },
  {
    id: 'ladder, then kicks',
    name: 'Counts, ladder, kicks',
    words:
      'Counted movement, then the stretches from the highest stack down to the floor and the position, then lifts and kicks.',
    of: (usual, blocks) =>
      inOrder('warm-up', 'mobilise', 'open', 'position', 'own', 'settle')(usual, blocks.toSorted(higherFirst))
  },
  {
    id: 'short day',
    name: 'Short daily session',
    words:
      'What would be missed most and the active work that keeps it, between the warm-up and the settle: ten minutes, or as few more as that takes.',
    of: (usual, blocks) => {
      const [most, ...others] = blocks.filter(isWorked).toSorted((a, b) => b.priority - a.priority);
      if (!most) return usual;
      const partner = others.find((b) => most.part === 'open' && b.part === 'own' && b.links.some((l) => most.links.includes(l)));
      const stays = new Set([most, ...(partner ? [partner] : [])].map((b) => b.exerciseId));
      const order = openThenOwn(usual, blocks);
      const leastS = compileSession(
        blocks.flatMap((b) => (!isWorked(b) ? [b] : stays.has(b.exerciseId) ? [shortest(onceEach(b)).block] : []))
      ).durationS;
      return {
        ...order,
        parts: order.parts.filter((p) => stays.has(p.exerciseId)),
        out: [...usual.out, ...order.parts.map((p) => p.exerciseId).filter((id) => !stays.has(id))],
        minutes: Math.max(10, Math.ceil(leastS / 60)),
        fits: true
      };
    }
  }
];
