import { CoreFault } from '../errors';
import {
  bearsWeight,
  floor,
  loadedHeightMm,
  stackRules,
  type Prop,
  type PropFace,
  type Stack,
  type StackItem,
  type StackRules
} from './stack';

/** Stacks looked at before the search stops. Thirty props in twenty kinds need a quarter of it. */
const nodeLimit = 500_000;

/** The reachable stacks that may carry the pelvis or a heel. A height that only an upright block makes is not among them. */
export function bearingStacks(shelf: readonly Prop[], rules: Partial<StackRules> = {}): Stack[] {
  return reachableStacks(shelf, rules).filter((stack) => bearsWeight(stack, shelf));
}

type Piece = Readonly<{ prop: Prop; face: PropFace; item: StackItem; heightMm: number; soft: boolean; copies: number }>;
type Candidate = { pieces: Piece[]; heightMm: number };

/**
 * Every height the shelf can make, each with its best stack.
 *
 * Model:  at most `maxItems`; at most one soft prop and on top; in stacks of two or more no footprint more than
 *         `maxOverhangCm` over the edge below it, the whole no taller than `maxSlenderness` times the shortest side it
 *         stands on, and nothing on a face that does not carry. `pairs: 2` needs the same stack twice at once.
 *         The best stack of a height has the fewest items, then the broadest stand.
 * Units:  cm to 0.1, as loaded by the body (a soft prop sinks by its `softShare`); ascending, the floor included.
 * Throws: CoreError 'prop_out_of_range'.
 * Source: docs/sources.md#stacks
 */
export function reachableStacks(shelf: readonly Prop[], rules: Partial<StackRules> = {}): Stack[] {
  return searchStacks(shelf, rules).stacks;
}

/**
 * The same, and how far the search went: stacks of one item first, then of two, then of three, so that a search cut off on a very
 * large shelf has lost none of the simple ones. `triedItems` is the number of items up to which every stack was seen.
 */
export function searchStacks(
  shelf: readonly Prop[],
  rules: Partial<StackRules> = {}
): { stacks: Stack[]; bounded: boolean; triedItems: number } {
  const rule = { ...stackRules, ...rules };
  const pieces = shelf.filter((p) => !p.fixed).flatMap((prop) => piecesOf(prop, rule.pairs));
  // Without the rules about what stands on what, order does not matter, and one order of each choice is enough.
  const anyOrder =
    rule.maxOverhangCm === Infinity &&
    rule.maxSlenderness === Infinity &&
    pieces.every((p) => !p.soft && p.face.carries !== false);
  const best = new Map<number, Candidate>();
  const used = new Map<string, number>();
  let nodes = 0;

  /** Every stack of exactly `size` items; whether there is any. */
  const grow = (size: number, below: Piece[], heightMm: number, firstPiece: number): boolean => {
    let any = false;
    for (let i = firstPiece; i < pieces.length && nodes <= nodeLimit; i++) {
      const piece = pieces[i]!;
      const inUse = used.get(piece.prop.id) ?? 0;
      if (inUse >= piece.copies || !mayStandOn(piece, below, heightMm, rule)) continue;
      nodes++;
      const stack = { pieces: [...below, piece], heightMm: heightMm + piece.heightMm };
      if (stack.pieces.length === size) {
        keepBetter(best, stack);
        any = true;
        continue;
      }
      used.set(piece.prop.id, inUse + 1);
      any = grow(size, stack.pieces, stack.heightMm, anyOrder ? i : 0) || any;
      used.set(piece.prop.id, inUse);
    }
    return any;
  };
  let triedItems = 0;
  for (let size = 1; size <= rule.maxItems && grow(size, [], 0, 0) && nodes <= nodeLimit; size++) triedItems = size;

  const stacks = [...best.values()]
    .sort((a, b) => a.heightMm - b.heightMm)
    .map(({ pieces, heightMm }) => ({ heightCm: heightMm / 10, items: pieces.map((p) => p.item) }));
  return { stacks: [floor, ...stacks], bounded: nodes > nodeLimit, triedItems };
}

function piecesOf(prop: Prop, pairs: number): Piece[] {
  const softShare = prop.softShare ?? 0;
  if (!(softShare >= 0 && softShare < 1) || !(prop.quantity >= 0)) throw new CoreFault('prop_out_of_range', { prop: prop.name });
  return prop.faces.map((face, index) => {
    const heightMm = loadedHeightMm(prop, face);
    if (!(heightMm > 0 && face.widthCm > 0 && face.depthCm > 0)) throw new CoreFault('prop_out_of_range', { prop: prop.name });
    return {
      prop,
      face,
      item: { propId: prop.id, face: index },
      heightMm,
      soft: softShare > 0,
      copies: Math.floor(prop.quantity / pairs)
    };
  });
}

const shortSide = (face: PropFace) => Math.min(face.widthCm, face.depthCm);
const longSide = (face: PropFace) => Math.max(face.widthCm, face.depthCm);

function mayStandOn(piece: Piece, below: readonly Piece[], heightMm: number, rule: StackRules): boolean {
  const top = below.at(-1);
  if (!top) return true; // alone on the floor, even upright: allowed for light hand support
  if (top.soft || top.face.carries === false) return false;
  // A lone upright block is allowed, but it is not put on others either: it is what tips first.
  if (piece.face.carries === false && !piece.soft) return false;
  const over = Math.max(shortSide(piece.face) - shortSide(top.face), longSide(piece.face) - longSide(top.face)) / 2;
  if (over > rule.maxOverhangCm) return false;
  return (heightMm + piece.heightMm) / 10 <= rule.maxSlenderness * shortSide(below[0]!.face);
}

function keepBetter(best: Map<number, Candidate>, stack: Candidate): void {
  const held = best.get(stack.heightMm);
  if (!held || compare(stack, held) < 0) best.set(stack.heightMm, stack);
}

/** What carries weight before what does not, then fewest items, then the broadest foot, then hard before soft. */
function compare(a: Candidate, b: Candidate): number {
  const upright = (c: Candidate) => (c.pieces[0]!.face.carries === false && !c.pieces[0]!.soft ? 1 : 0);
  const foot = (c: Candidate) => shortSide(c.pieces[0]!.face);
  const soft = (c: Candidate) => (c.pieces.at(-1)!.soft ? 1 : 0);
  return upright(a) - upright(b) || a.pieces.length - b.pieces.length || foot(b) - foot(a) || soft(a) - soft(b);
}
