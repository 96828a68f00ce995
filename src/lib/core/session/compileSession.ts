import { compileForm, isWorked, workOfSet, type Block, type Work } from './block';
import type { EffortLimits } from '../cycle/compileCycle';
import { layPhases, type Phase } from '../cycle/phase';
import { inPrecedence } from './precedence';
import { sessionParts, type SessionPart } from '../exercise/exercise';
import type { Side } from '../body/side';

/** All sets of one side before the other's, set by set in turn, or both sides in every set without rest between. */
export const sideOrders = ['one side first', 'alternate', 'inside a set'] as const;
export type SideOrder = (typeof sideOrders)[number];

export type SessionOptions = Readonly<{
  /** @default 'one side first' */
  sides?: SideOrder;
  /** Time to get into a new exercise or onto the other side. @default 15 */
  setupS?: number;
  /** Rest between two sets on the same side. @default 20 */
  restS?: number;
  /** Blocks as they come, or in their usual order. @default 'usual' */
  order?: 'as given' | 'usual';
}> &
  EffortLimits;

export const usualSetupS = 15;
export const usualRestS = 20;
/** From one exercise to the next where they are done in turn without rest (assumption). */
const turnS = 5;

export type TimelinePhase = Phase & Readonly<{ setIndex: number }>;

/** One set: its get-ready time and its work, with what changes when it begins. */
export type TimelineSet = Readonly<{
  index: number;
  /** Which block of the session it is of, in their order. */
  blockIndex: number;
  exerciseId: string;
  side: Side | null;
  setNo: number;
  setCount: number;
  startS: number;
  workStartS: number;
  endS: number;
  work: Work;
  sideChange: boolean;
  newExercise: boolean;
}>;

export type Timeline = Readonly<{
  /** In the order they are done. */
  blocks: readonly Block[];
  phases: readonly TimelinePhase[];
  sets: readonly TimelineSet[];
  durationS: number;
}>;

/**
 * A whole session as one timeline.
 *
 * Model:  the usual order (`orderBlocks`) or the given one. Before a new exercise or a side change `setupS`, between sets on one side `restS`; none before the first set. Blocks that
 *         are joined take turns set by set, side by side, with a few seconds to change; so do the sides inside a set.
 * Units:  seconds from the start of the session; phases are contiguous.
 * Throws: CoreError 'effort_above_cap' and the others of the compilers.
 */
export function compileSession(blocks: readonly Block[], options: SessionOptions = {}): Timeline {
  const { sides = 'one side first', setupS = usualSetupS, restS = usualRestS, order = 'usual' } = options;
  const phases: TimelinePhase[] = [];
  const sets: TimelineSet[] = [];
  let atS = 0;
  let last: { exerciseId: string; side: Side | null; setNo: number } | null = null;

  const ordered = order === 'as given' ? blocks : orderBlocks(blocks);
  for (const turn of turnsOf(ordered))
    for (const { blockIndex, block, work, setNo } of orderTurn(turn, sides)) {
      const newExercise: boolean = last?.exerciseId !== block.exerciseId;
      const sideChange: boolean = !newExercise && last?.side !== work.side;
      const index = sets.length;
      const inTurn = newExercise && last?.side === work.side && turn.some(({ block: b }) => b.exerciseId === last?.exerciseId);
      // The second half of a set that has both sides in it; between two such sets there is a rest.
      const inSet = sides === 'inside a set' && sideChange && last?.setNo === setNo;
      const changeS = newExercise || (sideChange && sides !== 'inside a set') ? setupS : restS;
      const readyS = last === null ? 0 : inTurn || inSet ? Math.min(turnS, setupS) : changeS;
      const ready = layPhases(
        [{ kind: newExercise || sideChange ? 'ready' : 'rest', durationS: readyS, cue: { code: 'get ready' } }],
        atS
      );
      const workStartS: number = atS + readyS;
      const done = compileForm(work.form, options).map((p) => ({
        ...p,
        startS: p.startS + workStartS,
        endS: p.endS + workStartS
      }));
      const endS: number = done.at(-1)?.endS ?? workStartS;
      phases.push(...[...ready, ...done].map((phase) => ({ ...phase, setIndex: index })));
      sets.push({
        index,
        blockIndex,
        exerciseId: block.exerciseId,
        side: work.side,
        setNo,
        setCount: work.sets,
        startS: atS,
        workStartS,
        endS,
        work,
        sideChange,
        newExercise
      });
      atS = endS;
      last = { exerciseId: block.exerciseId, side: work.side, setNo };
    }
  return { blocks: ordered, phases, sets, durationS: atS };
}

/** The timeline of a session that was given: its efforts were held against the cap when it was composed. */
export const timelineOf = ({ blocks, options }: Readonly<{ blocks: readonly Block[]; options?: SessionOptions }>): Timeline =>
  compileSession(blocks, { effortCapPct: 100, ...options });

type Placed = Readonly<{ blockIndex: number; block: Block }>;

/** Blocks that are done in turn, together; every other one by itself. */
function turnsOf(blocks: readonly Block[]): Placed[][] {
  const turns: Placed[][] = [];
  for (const [blockIndex, block] of blocks.entries())
    if (block.joins && turns.length > 0) turns.at(-1)!.push({ blockIndex, block });
    else turns.push([{ blockIndex, block }]);
  return turns;
}

/** The sets of blocks done in turn: the first of each on a side, then the second of each; the other side after it, or turn and turn about. */
function orderTurn(turn: readonly Placed[], order: SideOrder) {
  const all = turn.flatMap((placed) => orderSets(placed.block, order).map((set) => ({ ...placed, ...set })));
  if (turn.length === 1) return all;
  const sideAt = new Map([...new Set(all.map((s) => s.work.side))].map((side, i) => [side, i]));
  const key = (s: (typeof all)[number]): [number, number] =>
    order === 'one side first' ? [sideAt.get(s.work.side)!, s.setNo] : [s.setNo, sideAt.get(s.work.side)!];
  return all.toSorted((a, b) => key(a)[0] - key(b)[0] || key(a)[1] - key(b)[1]);
}

function orderSets(block: Block, order: SideOrder): { work: Work; setNo: number }[] {
  const all = block.work.flatMap((work) =>
    Array.from({ length: work.sets }, (_, i) => ({ work: workOfSet(block, work, i + 1), setNo: i + 1 }))
  );
  return order === 'one side first' ? all : all.toSorted((a, b) => a.setNo - b.setNo);
}

/** With more blocks in a part every order is too many to try. */
const mostPermuted = 6;

/** The parts of a session; active work may have to come before what is opened. */
const sections = sessionParts.flatMap((part): { part: SessionPart; isFirst: boolean }[] => [
  ...(part === 'open' ? [{ part: 'own' as const, isFirst: true }] : []),
  { part, isFirst: false }
]);

/**
 * The usual order of a session: the warm-up first, the settle last.
 *
 * Model:  by the recipe of the goal, where the blocks have their place in it; what no recipe names comes at the end of its part. Without a
 *         recipe, and where active work has to come first, parts in their order, inside a part the permutation with the fewest props
 *         fetched or put away. What has to come before something does so in either.
 */
export function orderBlocks(blocks: readonly Block[]): Block[] {
  const isFirst = blocks.some((b) => b.isFirst);
  if (isFirst) return byParts(blocks);
  return withPrecedence(isRanked(blocks) ? byRank(blocks) : byParts(blocks));
}

const isRanked = (blocks: readonly Block[]): boolean => blocks.some((b) => b.rank !== undefined);

/** Keeps what comes before what, among what is worked. */
function withPrecedence(blocks: readonly Block[]): Block[] {
  const worked = inPrecedence(blocks.filter(isWorked));
  return blocks.map((b) => (isWorked(b) ? worked.shift()! : b));
}

function byRank(blocks: readonly Block[]): Block[] {
  const ranked = blocks.filter((b) => b.rank !== undefined);
  const placeOf = (part: SessionPart) => sessionParts.indexOf(part);
  const rankOf = ({ rank, part }: Block): number => {
    if (rank !== undefined) return rank;
    const alike = ranked.filter((b) => b.part === part);
    const before = alike.length > 0 ? alike : ranked.filter((b) => placeOf(b.part) < placeOf(part));
    return Math.max(-1, ...before.map((b) => b.rank!)) + 0.5;
  };
  const worked = blocks.filter(isWorked).toSorted((a, b) => rankOf(a) - rankOf(b));
  const flows = blocks.filter((b) => !isWorked(b));
  return [...flows.filter((b) => b.part !== 'settle'), ...worked, ...flows.filter((b) => b.part === 'settle')];
}

function byParts(blocks: readonly Block[]): Block[] {
  let held: readonly string[] = [];
  return sections.flatMap(({ part, isFirst }) => {
    const inPart = blocks.filter((block) => block.part === part && (block.isFirst ?? false) === isFirst);
    // The warm-up begins its part, the settle ends its own.
    const flows = inPart.filter((block) => !isWorked(block));
    const others = inPart.filter(isWorked);
    const best = inPrecedence(isRanked(others) ? byRank(others) : fewestMoves(others, held));
    held = best.at(-1)?.props ?? held;
    return part === 'settle' ? [...best, ...flows] : [...flows, ...best];
  });
}

const fewestMoves = (blocks: readonly Block[], held: readonly string[]): Block[] =>
  blocks.length > 1 && blocks.length <= mostPermuted ? fewestChanges(blocks, held) : [...blocks];

function fewestChanges(blocks: readonly Block[], held: readonly string[]): Block[] {
  let best = [...blocks];
  let least = propChanges(best, held);
  const permute = (chosen: Block[], rest: readonly Block[]) => {
    if (rest.length === 0) {
      const changes = propChanges(chosen, held);
      if (changes < least) [best, least] = [chosen, changes];
      return;
    }
    rest.forEach((block, i) => permute([...chosen, block], rest.toSpliced(i, 1)));
  };
  permute([], blocks);
  return best;
}

function propChanges(blocks: readonly Block[], held: readonly string[]): number {
  let changes = 0;
  let before = held;
  for (const { props } of blocks) {
    changes += props.filter((p) => !before.includes(p)).length + before.filter((p) => !props.includes(p)).length;
    before = props;
  }
  return changes;
}
