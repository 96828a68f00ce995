// How long a forecast takes, and how often its band of nine in ten holds for made-up people, whatever it shows.
const people = 400;
const watched = 12;
const ahead = 8;

const kinds = [
  ['as it expects them', (truth) => truth],
  ['who gain nothing', (truth) => ({ ...truth, gain: 0 })],
  ['whose gain stops at session 24', (truth) => ({ ...truth, gainStopsAt: 24 })],
  ['away for a month ahead', (truth) => ({ ...truth, away: { fromWeek: watched + 1, weeks: 4 } })],
  ['away for a month while watched', (truth) => ({ ...truth, away: { fromWeek: 6, weeks: 4 } })]
];

const askOf = (life, seed, paths) => {
  const sessionWeeks = life.sessionWeeks.filter((week) => week <= watched);
  return {
    observations: life.observations.filter((o) => o.week <= watched),
    sem: 2,
    sessionsPerWeek: 3,
    attended: sessionWeeks.length,
    missed: watched * 3 - sessionWeeks.length,
    weeks: ahead,
    goal: 180,
    seed,
    paths,
    sessionWeeks,
    now: { session: sessionWeeks.length, week: watched }
  };
};

export function benchForecast(core, { say, ms, timed }) {
  const livesOf = (change, i) =>
    core.simulateClient(
      change(core.drawTruth(core.usualPrior, 2, 5000 + i)),
      { weeks: watched + ahead, sessionsPerWeek: 3, measureEveryWeeks: 2 },
      i
    );
  const ask = askOf(
    livesOf((truth) => truth, 0),
    1,
    2000
  );
  say('forecast, 8 weeks, 2,000 futures', ms(timed(() => core.forecast(ask), 15)));
  say('forecast, 52 weeks, 2,000 futures', ms(timed(() => core.forecast({ ...ask, weeks: 52 }), 7)));
  for (const [kind, change] of kinds) {
    let [wide, narrow, share] = [0, 0, 0];
    for (let i = 0; i < people; i++) {
      const life = livesOf(change, i);
      const { weeks, priorShare } = core.forecast(askOf(life, i, 500));
      const { p05, p25, p75, p95 } = weeks.at(-1);
      const level = life.levels.at(-1);
      if (level >= p05 && level <= p95) wide++;
      if (level >= p25 && level <= p75) narrow++;
      share += priorShare;
    }
    const percent = (n) => `${((100 * n) / people).toFixed(0)} %`;
    say(
      `bands held, ${people} people ${kind}: nine in ten, half`,
      `${percent(wide)}, ${percent(narrow)} (assumption ${percent(share)})`
    );
  }
}
