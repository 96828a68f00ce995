/** How a gain builds up and fades: the curve that the forecast assumes and the simulated client lives by. */

/** Up to this long a break takes nothing away, weeks; from then on this share of what was gained goes each week (assumption). */
export const breakRule = { freeWeeks: 2, lostPerWeek: 0.06 } as const;

/** What is left of a gain after so many weeks without a session, of 1. */
export const leftAfterBreak = (weeks: number): number => (1 - breakRule.lostPerWeek) ** Math.max(0, weeks - breakRule.freeWeeks);

/** Share of the whole gain after some more sessions: each takes the same share of what is still to come. */
export const gainedAfter = (share: number, rate: number, sessions: number): number =>
  1 - (1 - share) * Math.exp(-rate * sessions);

/**
 * Share of the whole gain at each of several moments, of 1.
 *
 * Model:  after `restAfter` sessions nothing more comes; null: it goes on.
 * Units:  weeks for `sessionWeeks` (when each session was done) and the moments; `rate` a session.
 */
export function gainedShares(
  rate: number,
  sessionWeeks: readonly number[],
  moments: readonly Readonly<{ session: number; week: number }>[],
  restAfter: number | null = null
): number[] {
  const after = [0];
  for (const [i, week] of sessionWeeks.entries()) {
    const before = sessionWeeks[i - 1] ?? week;
    const left = after[i]! * leftAfterBreak(week - before);
    after.push(restAfter !== null && i >= restAfter ? left : gainedAfter(left, rate, 1));
  }
  return moments.map(({ session, week }) => {
    const last = sessionWeeks[session - 1];
    return last === undefined ? 0 : after[session]! * leftAfterBreak(week - last);
  });
}
