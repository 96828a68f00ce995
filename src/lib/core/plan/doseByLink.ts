import { compileForm, exercisesIn, isAsked, workOfSet, type Block } from '../session/block';
import type { PhaseKind } from '../cycle/phase';
import { totals } from '../cycle/totals';
import { isTest, trainedMotions, type LinkId } from '../exercise/exercise';
import { sides, type Side } from '../body/side';

export type LinkDose = Readonly<{ link: LinkId; side: Side; stretchS: number; contractionS: number; activeS: number }>;

/** Seconds of stretch a week and more that go with lasting gains (published, from memory): docs/sources.md#planning */
export const gainfulWeekS = 5 * 60;

/** Phases in which a limb is kept or moved at the end of its range by its own muscles. */
const activeKinds: ReadonlySet<PhaseKind> = new Set(['lift', 'work', 'held', 'lower']);

/**
 * Seconds under stretch, of contraction and of active work each link gets, a side each, over any number of sessions.
 *
 * Model:  a block counts fully for every link it names, on the side of the body that makes the motion: a split done on the left for the
 *         flexion of the left hip and the extension of the right; what is done with both sides together for both.
 * Shape:  link by link as they come first, left before right.
 * Units:  seconds. `share` is how much of a work was done, of 1; all of it where absent.
 */
export function doseByLink(
  blocks: readonly Block[],
  share: (exerciseId: string, side: Side | null) => number = () => 1
): LinkDose[] {
  const find = exercisesIn(blocks);
  const doses = new Map<string, { link: LinkId; side: Side; stretchS: number; contractionS: number; activeS: number }>();
  for (const block of blocks.filter((b) => !isTest(find(b.exerciseId))))
    for (const work of block.work.filter(isAsked)) {
      // Passes that grow are not all as long as the first.
      const phases = Array.from({ length: work.sets }, (_, i) =>
        compileForm(workOfSet(block, work, i + 1).form, { effortCapPct: 100 })
      ).flat();
      const { stretchS, contractionS } = totals(phases);
      const activeS = totals(phases.filter((p) => activeKinds.has(p.kind))).durationS;
      for (const { motion: link, side } of trainedMotions(find(block.exerciseId), work.side)) {
        const key = `${link}/${side}`;
        const dose = doses.get(key) ?? { link, side, stretchS: 0, contractionS: 0, activeS: 0 };
        const done = share(block.exerciseId, work.side);
        dose.stretchS += stretchS * done;
        dose.contractionS += contractionS * done;
        dose.activeS += activeS * done;
        doses.set(key, dose);
      }
    }
  const links = [...new Set([...doses.values()].map((d) => d.link))];
  return links.flatMap((link) => sides.flatMap((side) => doses.get(`${link}/${side}`) ?? []));
}
