// Made-up people with years behind them: filled by the services once, then multiplied by one statement a table. Nothing in it is left to chance but ids.
import { randomUUID } from 'node:crypto';

/** What a year of training of each goal looks like: the headline on the first day, and what it moves in a week. */
const courses = {
  front_split: { from: 28, perWeek: -0.15 },
  pancake: { from: 30, perWeek: -0.12 },
  lotus: { from: 24, perWeek: -0.08 },
  turnout: { from: 92, perWeek: 0.12 }
};
export const courseKinds = Object.keys(courses);
const weeksOfPlan = 52;

const services = async (load) => ({
  ...(await load('/src/lib/server/testing/people.ts')),
  ...(await load('/src/lib/server/service/goalSetting.ts')),
  ...(await load('/src/lib/server/service/planning.ts')),
  ...(await load('/src/lib/server/service/clientCase.ts')),
  ...(await load('/src/lib/server/service/composing.ts')),
  ...(await load('/src/lib/server/repo/propRepo.ts')),
  ...(await load('/src/lib/server/repo/sessionRepo.ts')),
  ...(await load('/src/lib/server/repo/logRepo.ts')),
  ...(await load('/src/lib/server/repo/decisionRepo.ts')),
  ...(await load('/src/lib/server/demo/lanternHall.ts'))
});

/** The shelf of the demo in an empty studio. */
export async function fillShelf(db, load) {
  const { insertProp, lanternHallShelf } = await services(load);
  for (const prop of lanternHallShelf) await insertProp(db, prop);
}

/**
 * One person who did every session of plans of a year, one after the other, to this day, with a measure every second week; with `decides` every
 * exercise was decided on after each session. Gives the person and the counts.
 */
export async function fillYears(core, load, db, { kind, weeksPast, sessionsPerWeek, decides = false }) {
  const s = await services(load);
  const today = new Date().toLocaleDateString('sv');
  const start = core.addDays(today, -7 * weeksPast);
  const id = await s.newPerson(db);
  await s.saveGoal(db, id, null, s.goalInput(kind), start);
  await s.passCheck(db, id, start);
  const { id: measureId, sides, modes, ways } = core.measureOf(core.goalOf(kind).headline);
  for (let week = 0; week < weeksPast; week += 2)
    for (const side of sides === 'each' ? core.sides : [null]) {
      const value = courses[kind].from + week * courses[kind].perWeek;
      const how = { on: core.addDays(start, week * 7), way: ways[0], mode: modes[0] };
      await s.take(db, id, measureId, side, [value, value + 0.5], how);
    }
  const counts = { sessions: 0, sets: 0, decisions: 0 };
  for (let begun = 0, version = 0; begun < weeksPast; begun += weeksOfPlan, version++) {
    const startOn = core.addDays(start, begun * 7);
    const plan = { schoolId: 'long_hold', weeks: weeksOfPlan, sessionsPerWeek, minutes: 45, startOn, basedOnVersion: version };
    await s.makePlan(db, id, plan, startOn);
    const c = await s.loadGoalCase(db, id, startOn);
    const prepared = new Map();
    for (const session of c.sessions.filter((x) => x.status === 'planned' && x.plannedOn < today)) {
      const key = JSON.stringify([session.phase, session.easy, session.allotment]);
      if (!prepared.has(key)) prepared.set(key, s.prepareSession(c, session));
      const { blocks, cuts, leftOut } = prepared.get(key);
      await db.transaction(async (tx) => {
        await s.updateStarted(
          tx,
          session.id,
          { blocks, cuts, leftOut },
          { easier: false, limits: [] },
          `${session.plannedOn}T17:00:00Z`
        );
        const asked = core.timelineOf({ blocks }).sets.filter((x) => core.isAsked(x.work));
        for (const set of asked) {
          const plannedS = Math.round(set.endS - set.workStartS);
          const said = { clean: true, sensation: null, felt: null, slipped: null };
          const of = { setIndex: set.index, exerciseId: set.exerciseId, side: set.side, setting: set.work.setting };
          await s.upsertSetLog(tx, session.id, 'long_hold', { id: randomUUID(), plannedS, actualS: plannedS, ...of, ...said });
        }
        const places = new Map(asked.map((set) => [`${set.exerciseId}/${set.side}`, set]));
        for (const { exerciseId, side } of decides ? places.values() : []) {
          const stays = {
            proposedVerdict: 'stay',
            because: [{ code: 'not met yet' }],
            verdict: 'stay',
            dial: null,
            from: null,
            to: null
          };
          const made = { exerciseId, side, moment: 'review', overruledBecause: null, decidedOn: session.plannedOn };
          await s.insertDecision(tx, c.goal.id, { sessionId: session.id, ...made, ...stays });
          counts.decisions++;
        }
        await s.updateEnded(tx, session.id, 'done', `${session.plannedOn}T17:45:00Z`);
        counts.sets += asked.length;
      });
      counts.sessions++;
    }
  }
  return { id, ...counts };
}

/** Tables of a person, each after those it stands on. */
const tables = [
  ...['client', 'goal', 'screening', 'occasion', 'trial', 'plan', 'session', 'exercise_setting', 'exercise_choice', 'set_log'],
  ...['pain_event', 'body_lock', 'decision', 'setting_change', 'exercise_note', 'judgement', 'kept_forecast', 'forecast_score']
];
/** Ids of a copy lie so far from those of the person it was made of. */
const apart = 1_000_000;

/** Everybody of the studio, so many times more, by one statement a table. */
export async function multiply(db, times) {
  const { rows } = await db.query(
    `select table_name, column_name, data_type from information_schema.columns
      where table_schema = 'public' and table_name = any ($1::text[]) order by ordinal_position`,
    [tables]
  );
  const valueOf = ({ column_name: name, data_type: type }) => {
    const isId = name === 'id' || name.endsWith('_id');
    if (name === 'current_goal_id') return 'null';
    if (isId && type === 'integer') return `${name} + k * ${apart}`;
    if (isId && type === 'uuid') return `md5(${name}::text || k)::uuid`;
    return name === 'name' ? `name || ' ' || k` : name;
  };
  await db.transaction(async (tx) => {
    for (const table of tables) {
      const columns = rows.filter((r) => r.table_name === table);
      const names = columns.map((c) => c.column_name).join(', ');
      const values = columns.map(valueOf).join(', ');
      await tx.query(
        `insert into ${table} (${names}) overriding system value
         select ${values} from ${table}, generate_series(1, ${times}) as k order by k`
      );
      if (columns.some((c) => c.column_name === 'id' && c.data_type === 'integer'))
        await tx.query(`select setval(pg_get_serial_sequence('${table}', 'id'), (select max(id) from ${table}))`);
    }
    await tx.query(
      `update client c set current_goal_id = o.current_goal_id + (c.id - o.id) from client o
        where c.current_goal_id is null and o.id = c.id % ${apart} and o.id <> c.id`
    );
  });
  await db.query('analyze');
}
