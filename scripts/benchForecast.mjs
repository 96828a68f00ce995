// How long a forecast takes, how often its bands hold for made-up people, and how often its chances come true.
const people = 400;
const ahead = 8;

/** A gain that may come to rest, and weeks away, as lives go. */
const mixed = (truth, random) => ({
  ...truth,
  ...(random() < 0.4 && { gainStopsAt: 10 + Math.floor(random() * 40) }),
  ...(random() < 0.5 && { away: { fromWeek: 2 + Math.floor(random() * 16), weeks: 2 + Math.floor(random() * 5) } })
});
const kinds = [
  ['as it expects them', (truth) => truth],
  ['of mixed lives', mixed],
  ['who gain nothing', (truth) => ({ ...truth, gain: 0 })],
  ['whose gain stops at session 24', (truth) => ({ ...truth, gainStopsAt: 24 })],
  ['whose measures err twice as much', (truth) => ({ ...truth, sem: 2 * truth.sem })]
];

const askOf = (life, watched, more) => {
  const sessionWeeks = life.sessionWeeks.filter((week) => week <= watched);
  return {
    observations: life.observations.filter((o) => o.week <= watched),
    sem: 2,
    sessionsPerWeek: 3,
    attended: sessionWeeks.length,
    missed: watched * 3 - sessionWeeks.length,
    weeks: ahead,
    goal: 180,
    sessionWeeks,
    now: { session: sessionWeeks.length, week: watched },
    ...more
  };
};

/** Chances that were stated, in fifths, each with how often it came true. */
function comeTrue(chances) {
  const fifths = [0, 0.2, 0.4, 0.6, 0.8].map((from) => chances.filter(([said]) => said >= from && said < from + 0.2 + 1e-9));
  const mean = (list, of) => (list.reduce((sum, one) => sum + of(one), 0) / list.length).toFixed(2);
  return fifths
    .filter((f) => f.length > 0)
    .map((f) => `${mean(f, ([said]) => said)} was ${mean(f, ([, came]) => Number(came))} (${f.length})`)
    .join(', ');
}

export function benchForecast(core, { say, ms, timed }) {
  const livesOf = (change, watched, i) =>
    core.simulateClient(
      change(core.drawTruth(core.usualPrior, 2, 900 + i), core.seededRandom(5000 + i)),
      { weeks: watched + ahead, sessionsPerWeek: 3, measureEveryWeeks: 2 },
      i
    );
  const [, usual] = kinds[0];
  const ask = askOf(livesOf(usual, 12, 0), 12, { seed: 1, paths: 2000 });
  say('forecast, 8 weeks, 2,000 futures', ms(timed(() => core.forecast(ask), 15)));
  say('forecast, 52 weeks, 2,000 futures', ms(timed(() => core.forecast({ ...ask, weeks: 52 }), 7)));
  for (const watched of [4, 12])
    for (const [kind, change] of kinds) {
      let [wide, narrow, share] = [0, 0, 0];
      const chances = [];
      for (let i = 0; i < people; i++) {
        const life = livesOf(change, watched, i);
        const lastSeen = life.observations.findLast((o) => o.week <= watched).value;
        const goal = lastSeen + 1 + 9 * core.seededRandom(9000 + i)();
        const { weeks, priorShare } = core.forecast(askOf(life, watched, { goal, seed: i, paths: 500 }));
        const { p05, p25, p75, p95, reachedShare } = weeks.at(-1);
        const level = life.levels.at(-1);
        if (level >= p05 && level <= p95) wide++;
        if (level >= p25 && level <= p75) narrow++;
        share += priorShare;
        chances.push([reachedShare, life.levels.slice(watched + 1).some((l) => l >= goal)]);
      }
      const percent = (n) => `${((100 * n) / people).toFixed(0)} %`;
      const held = `${percent(wide)}, ${percent(narrow)} (assumption ${percent(share)})`;
      say(`bands held, ${people} people ${kind}, watched for ${watched} weeks: nine in ten, half`, held);
      say('  chances stated', comeTrue(chances));
    }
}
