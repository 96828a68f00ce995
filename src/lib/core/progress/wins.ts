import type { Side } from '../body/side';

/** A small win, each told once: the first time of something. Reasons are codes with numbers; words come outside. */
export type Win = Readonly<{ on: string; side: Side | null }> &
  (
    | Readonly<{ code: 'first lift'; exerciseId: string }>
    | Readonly<{ code: 'longest hold'; exerciseId: string; holdS: number; beforeS: number }>
    | Readonly<{ code: 'first at height'; exerciseId: string; heightCm: number }>
    | Readonly<{ code: 'goal reached'; value: number }>
    | Readonly<{ code: 'stage opened'; name: string }>
  );

export type WinsAsk = Readonly<{
  /** Sets that met what was asked, oldest first. */
  cleanSets: readonly Readonly<{
    on: string;
    exerciseId: string;
    side: Side | null;
    isLift: boolean;
    holdS: number | null;
    /** Height it was done on, where lower is deeper. */
    heightCm: number | null;
  }>[];
  /** The headline, oldest first. */
  measures: readonly Readonly<{ on: string; side: Side | null; value: number }>[];
  target: number | null;
  betterIs: 'higher' | 'lower';
  stage: Readonly<{ on: string; name: string }> | null;
}>;

/** What weighs more stands first among those of one day. */
const rank: readonly Win['code'][] = ['goal reached', 'stage opened', 'first at height', 'first lift', 'longest hold'];

/** A hold counts as longer from this share over the first one on. */
const longerBy = 1.25;

/**
 * First lift of an exercise; the longest clean hold, well over the first; the lowest height done cleanly, of those come down to; the
 * first measure at the goal; a stage opened. Of holds and heights only the best there is: the ones on the way are no news any more.
 *
 * Shape:  newest first; of one day what weighs more.
 */
export function smallWins({ cleanSets, measures, target, betterIs, stage }: WinsAsk): Win[] {
  const groups = new Map<string, WinsAsk['cleanSets'][number][]>();
  for (const set of cleanSets) {
    const key = `${set.exerciseId}/${set.side}`;
    groups.set(key, [...(groups.get(key) ?? []), set]);
  }
  const ofSets = [...groups.values()].flatMap((sets) => [...firstLift(sets), ...longestHold(sets), ...lowest(sets)]);
  const reached =
    target === null ? undefined : measures.find((m) => (betterIs === 'lower' ? m.value <= target : m.value >= target));
  const wins: Win[] = [
    ...bothSides(ofSets),
    ...(reached ? [{ code: 'goal reached' as const, on: reached.on, side: reached.side, value: reached.value }] : []),
    ...(stage ? [{ code: 'stage opened' as const, on: stage.on, side: null, name: stage.name }] : [])
  ];
  return wins.sort((a, b) => (a.on === b.on ? rank.indexOf(a.code) - rank.indexOf(b.code) : a.on < b.on ? 1 : -1));
}

/** The same of left and right on one day is one win, without a side. */
function bothSides(wins: readonly Win[]): Win[] {
  const told = new Map<string, Win>();
  for (const win of wins) {
    const key = JSON.stringify({ ...win, side: '' });
    told.set(key, told.has(key) ? { ...win, side: null } : win);
  }
  return [...told.values()];
}

type Sets = WinsAsk['cleanSets'];

function firstLift(sets: Sets): Win[] {
  const first = sets.find((s) => s.isLift);
  return first ? [{ code: 'first lift', on: first.on, side: first.side, exerciseId: first.exerciseId }] : [];
}

function longestHold(sets: Sets): Win[] {
  const held = sets.filter((s) => s.holdS !== null);
  const longest = held.reduce<Sets[number] | null>((best, s) => (best === null || s.holdS! > best.holdS! ? s : best), null);
  const beforeS = held[0]?.holdS;
  if (!longest || beforeS == null || longest.holdS! < longerBy * beforeS) return [];
  return [
    { code: 'longest hold', on: longest.on, side: longest.side, exerciseId: longest.exerciseId, holdS: longest.holdS!, beforeS }
  ];
}

function lowest(sets: Sets): Win[] {
  const stood = sets.filter((s) => s.heightCm !== null);
  const best = stood.reduce<Sets[number] | null>((low, s) => (low === null || s.heightCm! < low.heightCm! ? s : low), null);
  if (!best || best.heightCm! >= stood[0]!.heightCm!) return [];
  return [{ code: 'first at height', on: best.on, side: best.side, exerciseId: best.exerciseId, heightCm: best.heightCm! }];
}
