import { CoreError, requireRange } from '../errors';
import { compileSession, type SessionOptions } from './compileSession';
import { byItself, isWorked, servesSide, type Block, type Form } from './block';
import type { Side } from '../body/side';
import type { LinkId } from '../exercise/exercise';

/** Kinds of cuts, in the order in which they are usually made. */
export const cutKinds = ['extra sets', 'holds', 'rounds', 'second link', 'blocks'] as const;
export type CutKind = (typeof cutKinds)[number];

/** What was taken out to fit: for holds and rounds from how many to how many. */
/** `ownName` is that of an exercise of the studio's own: once its block is gone nothing else names it. */
export type Cut = Readonly<{ kind: CutKind; exerciseId: string; ownName?: string; from: number; to: number }>;
export type Fitted = Readonly<{ blocks: readonly Block[]; durationS: number; cuts: readonly Cut[] }>;

const holdStepS = 5;
/** No cycle is cut to fewer rounds (common practice). */
const leastRounds = 2;

/**
 * Trims a session to the minutes there are.
 *
 * Model:  in the stated order, and only as far as needed: extra sets (of what grows with each set there are none), then holds (in steps of 5 s, to
 *         the least their school allows), then rounds (to two: the second, harder one is the point), then the link of lower priority, then any block by priority; never the last active work of a
 *         motion that is opened. The warm-up and the settle are never cut. Durations are those of the compiled timeline, to the second.
 * Throws: CoreError 'minutes_too_few' with the seconds that the last of the work needs with the parts that are never cut; 'out_of_range'.
 */
export function fitToMinutes(
  session: Readonly<{ blocks: readonly Block[] }> & SessionOptions,
  minutes: number,
  cutOrder: readonly CutKind[] = cutKinds
): Fitted {
  requireRange('minutes', minutes, 1, 600);
  const budgetS = minutes * 60;
  // How long it takes does not hang on the order.
  const durationOf = (blocks: readonly Block[]) => compileSession(blocks, { ...session, order: 'as given' }).durationS;
  let blocks = session.blocks;
  const cuts: Cut[] = [];
  // What the last of the work needs with everything that is never cut.
  let leastS = durationOf(blocks);
  for (const kind of cutOrder) {
    while (durationOf(blocks) > budgetS) {
      const next = cutters[kind](blocks);
      if (!next) break;
      blocks = next.blocks;
      noteCut(cuts, next.cut);
      if (blocks.some(isWorked)) leastS = durationOf(blocks);
    }
  }
  const durationS = durationOf(blocks);
  if (durationS > budgetS || !blocks.some(isWorked)) throw new CoreError('minutes_too_few', { minutes, neededS: leastS });
  return { blocks, durationS, cuts };
}

/** The last active work of a motion that is opened in this session, on either side: it is not cut. */
const isLastActive = (blocks: readonly Block[], block: Block): boolean => {
  if (block.part !== 'own') return false;
  const others = blocks.filter((b) => b !== block);
  const has = (part: 'open' | 'own', link: LinkId, side: Side | null) =>
    others.some((b) => b.part === part && servesSide(b, link, side));
  return block.links.some((link) => block.work.some(({ side }) => has('open', link, side) && !has('own', link, side)));
};

/** Of some blocks the one that is missed least, the last active work of an opened motion spared. */
const leastMissed = (some: readonly Block[], all: readonly Block[]): Block | undefined =>
  some.filter((b) => isWorked(b) && !isLastActive(all, b)).toSorted((a, b) => a.priority - b.priority)[0];

/** A block as short as it may be: its least hold, two rounds; with what that took out. */
export function shortest(block: Block): Readonly<{ block: Block; cuts: readonly Cut[] }> {
  const cuts: Cut[] = [];
  let blocks: readonly Block[] = [block];
  for (const kind of ['holds', 'rounds'] as const)
    for (let next = cutters[kind](blocks); next; next = cutters[kind](blocks)) {
      blocks = next.blocks;
      noteCut(cuts, next.cut);
    }
  return { block: blocks[0]!, cuts };
}

/** Cuts of the same kind on the same exercise tell one story: from the first to the last. */
function noteCut(cuts: Cut[], cut: Cut): void {
  const i = cuts.findIndex((c) => c.kind === cut.kind && c.exerciseId === cut.exerciseId);
  if (i < 0) cuts.push(cut);
  else cuts[i] = { ...cuts[i]!, from: Math.max(cuts[i]!.from, cut.from), to: Math.min(cuts[i]!.to, cut.to) };
}

type Step = { blocks: readonly Block[]; cut: Cut } | null;

const cutters: Record<CutKind, (blocks: readonly Block[]) => Step> = {
  'extra sets': (blocks) =>
    changeOne(blocks, 'extra sets', (block) => {
      // Of what grows with each set none is extra: the second pass is the sense of the first, and goes only before the whole exercise.
      const most = mostSets(block);
      return block.grows || most <= 1 ? null : { block: withSets(block, most - 1), from: most, to: most - 1 };
    }),
  rounds: (blocks) =>
    changeOne(blocks, 'rounds', (block) => {
      const most = Math.max(...block.work.map((w) => (w.form.kind === 'cycle' ? w.form.spec.rounds : 0)));
      if (most <= leastRounds) return null;
      return { block: mapForms(block, (form) => withRounds(form, most - 1)), from: most, to: most - 1 };
    }),
  holds: (blocks) =>
    changeOne(blocks, 'holds', (block) => {
      const longest = Math.max(...block.work.map((w) => holdOf(w.form)));
      if (longest <= block.leastHoldS) return null;
      const to = Math.max(block.leastHoldS, longest - holdStepS);
      return { block: mapForms(block, (form) => withHold(form, to)), from: longest, to };
    }),
  'second link': (blocks) => {
    const links = new Map<LinkId, number>();
    for (const block of blocks)
      if (block.links.length === 1) links.set(block.links[0]!, Math.max(block.priority, links.get(block.links[0]!) ?? -Infinity));
    if (links.size < 2) return null;
    const [weakest] = [...links].sort((a, b) => a[1] - b[1])[0]!;
    const ofLink = blocks.filter((b) => b.links.length === 1 && b.links[0] === weakest);
    const out = leastMissed(ofLink, blocks);
    return out ? drop(blocks, out, 'second link') : null;
  },
  blocks: (blocks) => {
    const out = leastMissed(blocks, blocks);
    return out ? drop(blocks, out, 'blocks') : null;
  }
};

function drop(blocks: readonly Block[], out: Block, kind: CutKind): Step {
  const most = mostSets(out);
  if (out.grows && most > 1)
    return {
      blocks: blocks.map((b) => (b === out ? withSets(out, most - 1) : b)),
      cut: cutOf(out, 'extra sets', most, most - 1)
    };
  return {
    // Whoever took turns with it alone goes by itself from here on.
    blocks: blocks.flatMap((b, i) => (b === out ? [] : [blocks[i - 1] === out && !out.joins ? byItself(b) : b])),
    cut: cutOf(out, kind, 1, 0)
  };
}

const mostSets = ({ work }: Block): number => Math.max(...work.map((w) => w.sets));
const withSets = (block: Block, most: number): Block => ({
  ...block,
  baseSets: Math.min(block.baseSets, most),
  work: block.work.map((w) => ({ ...w, sets: Math.min(w.sets, most) }))
});

const cutOf = ({ exerciseId, own }: Block, kind: CutKind, from: number, to: number): Cut => ({
  kind,
  exerciseId,
  ...(own && { ownName: own.name }),
  from,
  to
});

/** Applies a change to the block where it costs most: the greatest `from`, then the lowest priority. */
function changeOne(
  blocks: readonly Block[],
  kind: CutKind,
  change: (block: Block) => { block: Block; from: number; to: number } | null
): Step {
  const options = blocks.filter(isWorked).flatMap((block) => {
    const changed = change(block);
    return changed ? [{ old: block, ...changed }] : [];
  });
  options.sort((a, b) => b.from - a.from || a.old.priority - b.old.priority);
  const pick = options[0];
  if (!pick) return null;
  const { old, from, to } = pick;
  return { blocks: blocks.map((b) => (b === old ? pick.block : b)), cut: cutOf(old, kind, from, to) };
}

const mapForms = (block: Block, change: (form: Form) => Form): Block => ({
  ...block,
  work: block.work.map((w) => ({ ...w, form: change(w.form) }))
});

const withRounds = (form: Form, rounds: number): Form => {
  if (form.kind !== 'cycle' || form.spec.rounds <= rounds) return form;
  // Without its first round the peak comes in the first that is left, so the lighter opening round is what stays.
  return { ...form, spec: { ...form.spec, rounds } };
};

const holdOf = (form: Form): number => (form.kind === 'cycle' || form.kind === 'hold' ? form.spec.holdS : 0);

const withHold = (form: Form, holdS: number): Form => {
  if (form.kind === 'cycle') return { ...form, spec: { ...form.spec, holdS: Math.min(form.spec.holdS, holdS) } };
  if (form.kind === 'hold') return { ...form, spec: { ...form.spec, holdS: Math.min(form.spec.holdS, holdS) } };
  return form;
};
