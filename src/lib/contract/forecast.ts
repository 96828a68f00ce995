import type { HeadlineAsk, KeptBands, MannKendall, Plateau, Side, TheilSen } from '$lib/core';

/** What a goal's headline is foretold from, on one side. Null `ask`: it cannot be, and why. */
export type Outlook = Readonly<{
  side: Side | null;
  ask: HeadlineAsk | null;
  why: 'not foretold' | 'no measure' | null;
  /** Day of the first value: weeks count from it. */
  firstOn: string | null;
  /** Conditions all its values share, in words. */
  takenAs: string;
  /** Rate a week, in the unit of the measure as written, and whether there is a trend at all. Null with fewer than three. */
  trend: Readonly<{ rate: TheilSen; kendall: MannKendall; measures: number }> | null;
  plateau: Plateau;
  kept: readonly Readonly<{ madeOn: string; bands: KeptBands }>[];
}>;
