import { compileForm, type Block } from '../session/block';
import { totals } from '../cycle/totals';
import type { LinkId } from '../exercise/exercise';
import { otherSide, type Side } from '../body/side';

export type LinkDose = Readonly<{ link: LinkId; side: Side; stretchS: number; contractionS: number }>;

/**
 * Seconds under stretch and of contraction each link gets, a side each, over any number of sessions.
 *
 * Model:  a block counts fully for the link it names; a block that names both ends of the split counts for either: the
 *         flexion of the leg it is done on, and the extension of the other.
 */
export function doseByLink(blocks: readonly Block[]): LinkDose[] {
  const doses = new Map<string, { link: LinkId; side: Side; stretchS: number; contractionS: number }>();
  for (const block of blocks)
    for (const work of block.work) {
      if (work.side === null) continue;
      const { stretchS, contractionS } = totals(compileForm(work.form, { effortCapPct: 100 }));
      const position = block.links.length > 1;
      for (const link of block.links) {
        const side = position && link === 'HE' ? otherSide(work.side) : work.side;
        const key = `${link}/${side}`;
        const dose = doses.get(key) ?? { link, side, stretchS: 0, contractionS: 0 };
        dose.stretchS += stretchS * work.sets;
        dose.contractionS += contractionS * work.sets;
        doses.set(key, dose);
      }
    }
  return [...doses.values()];
}
