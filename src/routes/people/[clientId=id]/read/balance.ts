import type { Link, PositionReading, Side } from '$lib/core';

/** One row of the balance: a motion with what either side has of it. */
export type BalanceRow = Readonly<{ measure: string; needDeg: number; left: Link | null; right: Link | null; both: Link | null }>;

const best = (a: Link | null, b: Link): Link => (a === null || b.givesDeg > a.givesDeg ? b : a);

/** Links of every reading by motion, what holds back most at the top. */
export function balanceRows(readings: readonly PositionReading[]): BalanceRow[] {
  const rows = new Map<string, { measure: string; needDeg: number; left: Link | null; right: Link | null; both: Link | null }>();
  for (const link of readings.flatMap((r) => r.links)) {
    const row = rows.get(link.measure) ?? { measure: link.measure, needDeg: link.needDeg, left: null, right: null, both: null };
    const place: Side | 'both' = link.side ?? 'both';
    row[place] = best(row[place], link);
    rows.set(link.measure, row);
  }
  const gives = (row: BalanceRow) => Math.max(...[row.left, row.right, row.both].map((l) => l?.givesDeg ?? -1));
  const known = (row: BalanceRow) => [row.left, row.right, row.both].some((l) => l?.passive);
  return [...rows.values()].sort((a, b) => Number(known(b)) - Number(known(a)) || gives(b) - gives(a));
}

/** Bars are drawn as shares of the need; this share fills the width. */
export const fullShare = 1.25;
