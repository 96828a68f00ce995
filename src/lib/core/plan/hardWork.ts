import type { LinkId } from '../exercise/exercise';
import { compileForm, isAsked, type Block } from '../session/block';

/** From here on an effort is hard work. */
export const hardEffortPct = 60;

/** Whether a block is hard work: lifts, or an effort from 60 % on. It is not done on two days running for the same motion. */
export const isHard = (block: Block): boolean =>
  block.part === 'own' ||
  block.work
    .filter(isAsked)
    .some(({ form }) =>
      compileForm(form, { effortCapPct: 100 }).some((p) => Math.max(Math.abs(p.fromPct), Math.abs(p.toPct)) >= hardEffortPct)
    );

/** The motions that are worked hard in a session. */
export const hardLinks = (blocks: readonly Block[]): ReadonlySet<LinkId> =>
  new Set(blocks.filter(isHard).flatMap((b) => b.links));
