// Five hundred made-up people under three plans, told whatever it shows: verdicts, a plan that stays, and one step a week. docs/benchmarks.md says what is assumed.
const each = 100;
const weeks = 24;
const sessionsPerWeek = 3;
const startCm = 25;

/** What a session gives at best, cm; how much deeper than reached hurts; after how many sessions nothing more comes. */
const kinds = [
  ['usual', { givesCm: 0.2, tolerCm: 3 }],
  ['slow', { givesCm: 0.08, tolerCm: 3 }],
  ['quick', { givesCm: 0.4, tolerCm: 3 }],
  ['gain stops at session 24', { givesCm: 0.2, tolerCm: 3, stopsAt: 24 }],
  ['tender', { givesCm: 0.2, tolerCm: 1.5 }]
];

/** Best at the end of range; well inside it a fifth, far past it nothing. */
const stimulus = (strainCm) => (strainCm <= 0 ? Math.max(0.2, 1 + strainCm / 10) : Math.max(0, 1 - strainCm / 4));

function study(core, { somebody }) {
  const split = core.exerciseOf('front_split_on_stack');
  const book = { id: 'book', name: 'book', quantity: 12, faces: [{ heightCm: 2.5, widthCm: 16, depthCm: 23 }] };
  const rungs = core.ladder({ fromCm: startCm + 5, toCm: 0, shelf: [book], rules: { maxItems: 12 } }).steps;
  const dialsAt = (setting) => core.dialStates(split, setting, { rungs: { depthCm: rungs }, ends: {} });

  /** Each plan says where the stack stands after a session. */
  const plans = {
    'verdicts decide': ({ setting, history, record, on }) => {
      const moves = history.flatMap((r) =>
        r.decision?.verdict === 'deepen' && r.decision.dial === 'depthCm'
          ? [{ exerciseId: split.id, side: 'left', dial: 'depthCm', on: r.on, first: false }]
          : []
      );
      const gated = core.gate({ exercise: split, side: 'left', setting, person: somebody({ moves }), today: on });
      return core.decide({
        prescription: { exercise: split, dials: dialsAt(setting), sensationCap: 4, sessionsPerWeek },
        side: 'left',
        history: [...history, record],
        measures: { lastOn: on, retestEveryDays: 21, deepeningsSince: 0 },
        gated,
        moment: 'review',
        today: on
      });
    },
    'stays where it began': ({ isTwice }) => ({ verdict: isTwice ? 'stop' : 'stay', dial: null, from: null, to: null }),
    'one step a week': ({ setting, n, isTwice }) => {
      const harder = n % sessionsPerWeek === 0 ? dialsAt(setting).find((d) => d.id === 'depthCm').harder : null;
      if (isTwice) return { verdict: 'stop', dial: null, from: null, to: null };
      return harder === null || harder === undefined
        ? { verdict: 'stay', dial: null, from: null, to: null }
        : { verdict: 'deepen', dial: 'depthCm', from: setting.depthCm, to: harder };
    }
  };

  /** One life: the same person and the same days under each plan. */
  function live({ givesCm, tolerCm, stopsAt = Infinity }, decide, seed) {
    const random = core.seededRandom(seed);
    const bestCm = givesCm * Math.exp(0.3 * core.normalDraw(random));
    let setting = { depthCm: startCm, holdS: 30 };
    let reachedCm = startCm - 1;
    let rest = 0;
    let hurtBefore = false;
    const history = [];
    const told = { easings: 0, stops: 0, hurts: 0, rests: 0 };
    for (let n = 1; n <= weeks * sessionsPerWeek; n++) {
      const on = core.addDays('2026-01-05', Math.floor((n * 7) / sessionsPerWeek));
      const [noise, chance] = [(random() - 0.5) * 2, random()];
      // After a stop two weeks of rest, then a new start on the stack they reach: so whoever leads them.
      if (rest > 0) {
        rest--;
        continue;
      }
      const strainCm = reachedCm - setting.depthCm + noise;
      const hurts = strainCm > tolerCm && chance < Math.min(0.6, 0.2 * (strainCm - tolerCm));
      const sensation = Math.max(0, Math.min(10, Math.round(3.2 + strainCm)));
      const set =
        sensation <= 4 && !hurts
          ? { clean: true }
          : { clean: false, sensation, targetMet: !hurts, alignmentKept: true, feltRight: true };
      const record = {
        on,
        plannedSets: 2,
        sets: [set, set],
        pains: hurts ? [{ kind: 'afterwards', place: 'groin', side: 'left' }] : []
      };
      if (n <= stopsAt && !hurts) reachedCm = Math.max(-5, reachedCm - bestCm * stimulus(strainCm));
      const decision = decide({ setting, history, record, on, n, isTwice: hurts && hurtBefore });
      if (hurts) told.hurts++;
      if (decision.verdict === 'ease') told.easings++;
      if (decision.dial) setting = { ...setting, [decision.dial]: decision.to };
      history.push({ ...record, decision });
      hurtBefore = hurts;
      if (decision.verdict !== 'stop') continue;
      told.stops++;
      rest = 2 * sessionsPerWeek;
      history.length = 0;
      hurtBefore = false;
      setting = { ...setting, depthCm: rungs.findLast((r) => r.depthCm >= reachedCm).depthCm };
    }
    return { gainedCm: startCm - 1 - reachedCm, ...told };
  }

  return { plans, live };
}

const meanOf = (values) => values.reduce((a, b) => a + b, 0) / values.length;
function interval(values, digits) {
  const mean = meanOf(values);
  const sd = Math.sqrt(meanOf(values.map((v) => (v - mean) ** 2)) * (values.length / (values.length - 1)));
  const half = (1.96 * sd) / Math.sqrt(values.length);
  return `${mean.toFixed(digits)} (${(mean - half).toFixed(digits)} to ${(mean + half).toFixed(digits)})`;
}

export async function benchStudy(core, { say, load }) {
  const { plans, live } = study(core, await load('/src/lib/core/testing/person.ts'));
  for (const [name, kind] of kinds)
    for (const [plan, decide] of Object.entries(plans)) {
      const lives = Array.from({ length: each }, (_, i) => live(kind, decide, 9000 + i));
      const of = (key) => lives.map((l) => l[key]);
      say(
        `${name}: ${plan}`,
        `${interval(of('gainedCm'), 1)} cm, eased ${interval(of('easings'), 1)}, hurt ${interval(of('hurts'), 1)}, stopped ${interval(of('stops'), 2)}`
      );
    }
}
