// Weeks of a plan, solved: how long, and how near to the best.
import loadHighs from 'highs';

/** The week of thirty exercises and six motions that figures are taken of; `weekFor` builds it as the tests do. */
function largeAsk(core, { weekFor, somebody, most = 30 }) {
  const links = ['HF-KS', 'HE', 'HAB', 'HER90', 'HIR90', 'ADF'];
  const fitting = core.exercises.filter(
    (e) => e.links.some((l) => links.includes(l)) && ['open', 'own', 'position'].includes(core.partOf(e))
  );
  const ids = fitting.filter((_, i) => i % Math.floor(fitting.length / most) === 0).map((e) => e.id).slice(0, most); // prettier-ignore
  return {
    week: weekFor({ ids }),
    level: 'intermediate',
    minutes: 60,
    leadSide: 'left',
    weakerSide: null,
    limiting: links,
    priority: Object.fromEntries(links.map((l, i) => [l, 1 - i / 10])),
    activeWorth: {},
    demands: links,
    wishes: core.noPlanWishes,
    breathS: 8,
    person: somebody(),
    today: '2026-01-05'
  };
}

const seconds = (ms) => `${(ms / 1000).toFixed(2)} s`;

export async function benchPlan(core, { say, load }) {
  const { weekFor } = await load('/src/lib/core/testing/week.ts');
  const { somebody } = await load('/src/lib/core/testing/person.ts');
  const highs = await loadHighs();
  const solver = (more) => async (program, ends) => {
    const { Status, Columns, ObjectiveValue } = highs.solve(program, {
      output_flag: false,
      mip_rel_gap: ends.gap,
      mip_max_nodes: ends.nodes,
      ...more
    });
    const values = Object.fromEntries(Object.entries(Columns).map(([name, c]) => [name, c.Primal ?? 0]));
    return { status: Status, values, objective: ObjectiveValue };
  };
  const clock = async (run) => {
    const began = performance.now();
    const value = await run();
    return [performance.now() - began, value];
  };
  const large = { ...largeAsk(core, { weekFor, somebody }), phase: 'open', minutes: 45 };
  const slots = [0, 1, 3, 5].map((day, i) => core.plainSlot(day, i + 1));
  const worth = [];
  const solve = (more) => async (program, ends) => {
    const solved = await solver(more)(program, ends);
    worth.push(solved.objective);
    return solved;
  };
  await core.planWeek({ ...large, slots }, solve()); // warm
  const [best] = await clock(() => core.planWeek({ ...large, slots }, solve({ mip_rel_gap: 0.0005, time_limit: 60 })));
  const top = worth.at(-1);
  const gap = () => `${(100 * (1 - worth.at(-1) / top)).toFixed(1)} % from the best of a minute`;
  const [oneMs] = await clock(() => core.planWeek({ ...large, slots }, solve()));
  say(`a week of 4 sessions, ${large.week.length} exercises, 6 motions, to a gap of 1 %`, `${seconds(oneMs)}, ${gap()}`);
  await clock(() => core.planWeek({ ...large, slots }, solve({ time_limit: 0.5 })));
  say('the same, ended after half a second of search', gap());
  say('the same, sought for a minute', seconds(best));
  const plan = { ...large, sessionsPerWeek: 4, start: '2026-01-05', target: null, hasBaseline: true };
  const wishes = { ...core.noPlanWishes, pins: [{ exerciseId: large.week[7].exercise.id, session: 1 }] };
  for (const weeks of [12, 52]) {
    const [ms] = await clock(() => core.planProgression({ ...plan, weeks }, solver()));
    say(`${weeks} weeks of them`, seconds(ms));
  }
  // The largest week that can be entered, where it is hardest: a third of what it holds has time.
  const { solverFor, solverPool } = await load('/src/lib/server/solver.ts');
  const largest = largeAsk(core, { weekFor, somebody, most: 24 });
  const everyDay = [0, 1, 2, 3, 4, 5, 6].map((day, i) => core.plainSlot(day, i + 1));
  for (const minutes of [20, 30, 45, 60]) {
    const [ms, { gap }] = await clock(() => core.planWeek({ ...largest, phase: 'open', minutes, slots: everyDay }, solverFor()));
    say(`24 exercises in 7 sessions of ${minutes} minutes`, `${seconds(ms)}, within ${(100 * gap).toFixed(1)} % of the best`);
  }
  await solverPool.stop();
  const [pinMs] = await clock(() => core.planProgression({ ...plan, wishes, weeks: 12, fromWeek: 3 }, solver()));
  say('what comes of 12 weeks again, one exercise pinned', seconds(pinMs));
}
