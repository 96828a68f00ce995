/** What is assumed of a person before anything is known: docs/sources.md#forecast. */
export type ForecastPrior = Readonly<{
  /** Whole gain there is to be had, in the unit of the values: log-normal. */
  gain: Readonly<{ median: number; logSd: number }>;
  /** Share of what is still to come that one session takes: log-normal. */
  rate: Readonly<{ median: number; logSd: number }>;
  /** Share of people who gain nothing. */
  noGainShare: number;
  /** How far the level wanders by itself in a week, one sd, in the unit of the values. */
  wanderPerWeek: number;
  /** Chance, each week, that nothing more comes from then on: of the weeks that are over as of those ahead. */
  comesToRestPerWeek: number;
  /** Chance, each week ahead, that somebody is away, hurt or ill from then on, and for how many weeks. */
  away: Readonly<{ perWeek: number; weeks: readonly [least: number, most: number] }>;
  /** How large the error of a measure may be against what is known of it, with the chance of each. */
  errors: readonly Readonly<{ scale: number; chance: number }>[];
  /** Sessions attended and missed that the assumption about attendance is worth. */
  attendance: Readonly<{ attended: number; missed: number }>;
}>;

/** For degrees. */
export const usualPrior: ForecastPrior = {
  gain: { median: 25, logSd: 0.5 },
  rate: { median: 0.03, logSd: 0.6 },
  noGainShare: 0.1,
  wanderPerWeek: 0.5,
  comesToRestPerWeek: 0.025,
  away: { perWeek: 0.02, weeks: [2, 5] },
  errors: [
    { scale: 0.7, chance: 0.2 },
    { scale: 1, chance: 0.45 },
    { scale: 1.4, chance: 0.2 },
    { scale: 2, chance: 0.15 }
  ],
  attendance: { attended: 3, missed: 1 }
};

/** The same where a degree is worth something else: a height above the floor, seconds of a hold. */
export const scaledPrior = (perDegree: number, prior: ForecastPrior = usualPrior): ForecastPrior => ({
  ...prior,
  gain: { ...prior.gain, median: prior.gain.median * perDegree },
  wanderPerWeek: prior.wanderPerWeek * perDegree
});
