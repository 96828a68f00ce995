import fc from 'fast-check';
import { isActionFailure, isHttpError, isRedirect } from '@sveltejs/kit';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { z } from 'zod';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { exercises, goals, measures, painKinds, schools, ways } from '$lib/core';
import type { Typed } from '$lib/contract/problem';
import type { OwnExerciseInput } from '$lib/contract/ownExercise';
import type { Database, Db } from '$lib/server/db/db';
import { lanternHallShelf } from '$lib/server/demo/lanternHall';
import { photoFiles } from '$lib/server/photos/photoFiles';
import { updateArchived } from '$lib/server/repo/clientRepo';
import { orNotFound } from '$lib/server/orNotFound';
import { insertProp, listProps } from '$lib/server/repo/propRepo';
import { caseMemory } from '$lib/server/service/caseMemory';
import { loadCase } from '$lib/server/service/clientCase';
import { addExercise } from '$lib/server/service/library';
import { tellLater } from '$lib/server/service/pain';
import { makePlan } from '$lib/server/service/planning';
import type { FormFailure } from '$lib/server/runForm';
import { newPerson, passCheck, personWithGoal, take } from '$lib/server/testing/people';
import { changeClient } from '$lib/server/service/changing';
import { testDatabase } from '$lib/server/testing/testDatabase';

// Every form and every address of the application, with what a hurried or hostile hand puts there: nothing may end in a fault,
// nothing that was refused may be half-written, and what was typed comes back.

type Event = Readonly<{ request: Request; params: object; url: URL; locals: App.Locals }>;
type Page = Readonly<{
  load?: (event: Event & { parent: () => unknown; depends: () => void }) => unknown;
  actions?: Readonly<Record<string, (event: Event & { cookies: { set: () => void } }) => unknown>>;
}>;

const pages = import.meta.glob<Page>('./**/+{page,layout}.server.ts', { eager: true });
type Handler = (event: Event) => Promise<Response>;
const endpoints = import.meta.glob<Readonly<Partial<Record<'GET' | 'POST' | 'PUT', Handler>>>>('./**/+server.ts', {
  eager: true
});

const store = testDatabase();
const dataDir = mkdtempSync(join(tmpdir(), 'calm-reach-doors-'));
const files = photoFiles(dataDir, '00000000-0000-4000-8000-000000000001');
afterAll(() => rmSync(dataDir, { recursive: true }));

const now = new Date('2026-03-02T17:00:00');
const today = '2026-03-02';

const planFields = {
  schoolId: 'drills',
  weeks: '4',
  sessionsPerWeek: '3',
  minutes: '45',
  startOn: today,
  basedOnVersion: '1'
};

const ownExercise: OwnExerciseInput = {
  name: 'Wall hang',
  aliases: [],
  position: 'standing',
  phases: ['hold'],
  kinds: ['passive'],
  links: ['HE'],
  also: [],
  sides: 'each',
  sideWords: 'hip',
  setup: ['Stand beside the wall.'],
  checks: [],
  felt: 'front of the hip',
  notFelt: '',
  why: 'It lengthens the front of the hip.',
  cautions: [],
  mistakes: [],
  padding: [],
  props: [],
  traits: [],
  privatePlace: false,
  clothing: '',
  harder: [],
  easier: [],
  press: '',
  draw: '',
  variants: [],
  stops: [],
  loads: [],
  otherLoads: [],
  pose: '',
  doses: [],
  dials: []
};

type World = Readonly<{
  clientId: number;
  archivedId: number;
  goalId: number;
  propId: number;
  occasionId: number;
  trialId: number;
  painId: string;
  sessionId: number;
  exerciseId: string;
}>;
/** Names the doors before anybody is there to go through them. */
const nobody: World = {
  clientId: 0,
  archivedId: 0,
  goalId: 0,
  propId: 0,
  occasionId: 0,
  trialId: 0,
  painId: '',
  sessionId: 0,
  exerciseId: ''
};
let world: World;
let asItWas: string;

beforeAll(async () => {
  const { db } = store;
  for (const prop of lanternHallShelf) await insertProp(db, prop);
  const clientId = await personWithGoal(db, 'front_split');
  await passCheck(db, clientId, today);
  const occasionId = await take(db, clientId, 'front_split_gap', 'left', [20, 21], { on: today });
  await take(db, clientId, 'front_split_gap', 'right', [24, 24], { on: today });
  await makePlan(
    db,
    clientId,
    { schoolId: 'long_hold', weeks: 4, sessionsPerWeek: 3, minutes: 45, startOn: today, basedOnVersion: 0 },
    today
  );
  await tellLater(
    db,
    clientId,
    { ...{ kind: 'afterwards', place: 'shin', side: 'left', feltOn: today }, ...{ exerciseId: null, workSide: null, note: '' } },
    now
  );
  const { goal, sessions, occasions, pains } = await loadCase(db, clientId, today);
  const exerciseId = await addExercise(db, ownExercise, null);
  const [prop] = await listProps(db);
  const archivedId = await newPerson(db, 'Long Gone');
  await changeClient(db, archivedId, (tx) => updateArchived(tx, archivedId, now.toISOString()));
  world = {
    clientId,
    archivedId,
    goalId: goal!.id,
    propId: Number(prop!.id),
    occasionId,
    trialId: occasions.find((o) => o.id === occasionId)!.trials[0]!.id,
    painId: pains[0]!.id,
    sessionId: sessions[0]!.id,
    exerciseId
  };
  asItWas = await everything(db);
});

/** Every row of every table, to tell whether anything changed; a mark says only that something was written, be it the same. */
async function everything(db: Db): Promise<string> {
  const tables = await db.query(
    "select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' and table_name <> 'case_mark' order by 1"
  );
  const parts = z
    .array(z.object({ table_name: z.string() }))
    .parse(tables.rows)
    .map(({ table_name: t }) => `select '${t}' as t, r::text as r from "${t}" r`);
  const { rows } = await db.query(`${parts.join(' union all ')} order by 1, 2`);
  return JSON.stringify(rows);
}

/**
 * True when no row is another than at the start. A transaction that has no number yet has written nothing, which is quickly asked; only
 * where it has one, every row is compared.
 */
async function isAsItWas(db: Db): Promise<boolean> {
  const { rows } = await db.query('select pg_current_xact_id_if_assigned() is null as nothing');
  const { nothing } = z.object({ nothing: z.boolean() }).parse(rows[0]);
  return nothing || (await everything(db)) === asItWas;
}

const localsOf = (db: Database, memory = caseMemory(db)): App.Locals => ({
  studio: { restored: null, restoredRead: async () => undefined },
  db,
  photoFiles: files,
  demoProgress: () => null,
  now,
  today,
  theme: 'system',
  hintsLeft: [],
  caseOf: (id) => memory.caseOf(id, today),
  memory
});

/** What came of it: a fault is what a page or a form must never end in. */
type Outcome = Readonly<{ end: 'done' | 'away' | 'no page' | 'refused' | 'fault'; value?: unknown; fault?: string }>;

async function outcomeOf(run: () => unknown): Promise<Outcome> {
  try {
    const value = await run();
    return isActionFailure(value) ? { end: 'refused', value: value.data } : { end: 'done', value };
  } catch (thrown) {
    if (isRedirect(thrown)) return { end: 'away', value: thrown.location };
    if (isHttpError(thrown, 404)) return { end: 'no page' };
    return { end: 'fault', fault: thrown instanceof Error ? thrown.message.slice(0, 300) : JSON.stringify(thrown) };
  }
}

const fileOf = (route: string): string => `.${route}/+page.server.ts`;
const urlOf = (query: Readonly<Record<string, string>> = {}): URL =>
  new URL(`http://localhost/?${new URLSearchParams(query).toString()}`);

function bodyOf(typed: Typed): FormData {
  const data = new FormData();
  for (const [name, value] of Object.entries(typed)) for (const one of [value].flat()) data.append(name, one);
  return data;
}

type Door = Readonly<{
  route: string;
  action: string;
  params?: object;
  query?: Readonly<Record<string, string>>;
  typed: Typed;
}>;

const post = (db: Database, { route, action, params = {}, query }: Door, typed: Typed): Promise<Outcome> => {
  const url = urlOf(query);
  const request = new Request(url, { method: 'POST', body: bodyOf(typed) });
  const cookies = { set: () => undefined };
  return outcomeOf(() => pages[fileOf(route)]!.actions![action]!({ request, params, url, cookies, locals: localsOf(db) }));
};

/** A form as a careful person fills it in, by route and action. */
const doors = ({ clientId, archivedId, goalId, propId, occasionId, trialId, painId, sessionId, exerciseId }: World): Door[] => {
  const client = '/people/[clientId=id]';
  const params = { clientId: String(clientId) };
  const ofClient = (page: string, action: string, typed: Typed, query = {}): Door => ({
    route: `${client}/${page}`,
    action,
    params,
    query,
    typed
  });
  const person: Typed = {
    name: 'Odd Quarrel',
    birthDate: '',
    birthYear: '1988',
    level: 'beginner',
    contact: '',
    statureCm: '171,5',
    leftLegCm: '90',
    rightLegCm: '',
    lowerLegCm: '',
    hipToBreastboneCm: '',
    bodyMassKg: '62',
    sessionsPerWeek: '3',
    minutesPerSession: '45',
    notes: 'Comes by bicycle.'
  };
  const own: Typed = {
    ...Object.fromEntries(Object.entries(ownExercise).filter(([, v]) => typeof v === 'string')),
    name: 'Door hang',
    aliases: 'hang\nhanging',
    phases: ['hold'],
    kinds: ['passive'],
    links: ['HE'],
    also: 'front of the shin',
    props: ['strap'],
    traits: [],
    setup: 'Stand in the door.\nHold its frame.',
    checks: 'Hips face ahead',
    cautions: '',
    padding: '',
    mistakes: 'The back arches: draw the ribs down',
    stops: 'Stop when the hands go numb.',
    variants: 'facing the door\nfacing away',
    loads: ['shoulder'],
    otherLoads: [],
    pose: 'arm overhead',
    dose_drills_holdS: '10 to 30',
    harder: exerciseId,
    easier: '',
    dial0_kind: 'hold',
    dial0_name: '',
    dial0_min: '20',
    dial0_max: '90',
    dial0_step: '5',
    dial0_harder: 'up',
    dial1_kind: 'levels',
    dial1_name: 'lean',
    dial1_levels: 'upright\na little\nfar, both hands',
    dial2_kind: 'height',
    dial2_min: '0',
    dial2_max: '40',
    dial2_step: '2.5',
    dial2_under: 'hands'
  };
  const block: Typed = {
    kind: 'block',
    name: 'Cork block',
    quantity: '4',
    length0: '10',
    length1: '15',
    length2: '23',
    turns: 'on',
    softPct: '0'
  };
  const press = { rampUpS: 5, holdS: 5, rampDownS: 5, peakPct: 30 };
  const cycle = { holdS: 60, rounds: 2, press, turnS: 0, settleS: 10, finalSettleS: 20, perRound: [{ press: { peakPct: 20 } }] };
  const lift = { reps: 8, leastReps: 5, liftS: 2, holdS: 3, lowerS: 2, restS: 4, insideDeg: 10 };
  const cleared: Typed = { clearedBy: 'M. Ash, physiotherapist', clearNote: 'May go on.' };
  return [
    { route: '/people', action: 'archive', typed: { clientId: String(clientId) } },
    { route: '/people', action: 'restore', typed: { clientId: String(clientId) } },
    { route: '/people', action: 'delete', typed: { clientId: String(archivedId) } },
    { route: '/people/new', action: 'default', typed: person },
    ofClient('edit', 'default', person),
    ofClient('goal', 'save', {
      kind: 'pancake',
      title: '',
      target: '',
      targetReason: '',
      targetOn: '2026-09-01',
      eventName: 'Summer show',
      stage: '1'
    }),
    ofClient('goal', 'work', { goalId: String(goalId) }),
    ofClient('goal', 'close', { goalId: String(goalId) }),
    ofClient('goal', 'reopen', { goalId: String(goalId) }),
    ofClient('check', 'topic', {
      topic: 'stops',
      flags: [],
      beighton: [],
      weekHolds: ['desk'],
      homeProps: 'two books',
      none: 'on',
      stop_0_motion: 'HF-KS',
      stop_0_side: 'left',
      stop_0_deg: '110',
      effortCapPct: '60',
      sensationCap: '4'
    }),
    ofClient('check', 'clear', cleared),
    ofClient('check', 'relax', { ...cleared, kind: 'effort cap', from: 'row/pregnancy' }),
    ofClient('check', 'clearLock', { ...cleared, lockId: '1' }),
    ofClient(
      'measure',
      'save',
      {
        takenOn: today,
        bodyState: 'warm',
        dayTime: 'evening',
        training: '',
        measurer: 'Wren',
        note: '',
        way: 'tape',
        support: '',
        left_passive_1_heightCm: '20',
        right_passive_1_heightCm: '22.5'
      },
      { m: 'front_split_gap', set: 'short' }
    ),
    ofClient('measure', 'remove', { occasionId: String(occasionId) }),
    ofClient('measure', 'restore', { occasionId: String(occasionId) }),
    ...(['correct', 'takeOut', 'putBack'] as const).map((action) =>
      ofClient(
        'measure/numbers',
        action,
        { trialId: String(trialId), ...(action === 'correct' && { heightCm: '22' }) },
        { occasion: String(occasionId), m: 'front_split_gap' }
      )
    ),
    ofClient('photos', 'consent', { givenBy: 'Nell Harrow' }),
    ofClient('photos', 'revoke', {}),
    ofClient('photos', 'remove', { photoId: '5a0e8a2e-3b2c-4f4e-9a51-0d1f2f3a4b5c' }),
    ofClient('grade', 'dial', {
      exerciseId: 'front_split_on_stack',
      side: 'left',
      dial: 'depthCm',
      value: '20',
      sure: 'on',
      reason: ''
    }),
    ofClient('grade', 'add', { exerciseId }),
    ofClient('grade', 'take', { exerciseId: 'front_hamstring_cycle' }),
    ofClient('grade', 'school', {
      exerciseId: 'front_split_on_stack',
      schoolId: 'long_hold',
      alignment: 'strict',
      hands: 'none',
      time: 'breaths'
    }),
    ofClient('grade', 'variant', { exerciseId: 'side_split_on_stack', variant: 'kneecaps facing up' }),
    ofClient('grade/cycle', 'keep', {
      exerciseId: 'front_hamstring_cycle',
      cycles: JSON.stringify({ left: cycle, right: cycle })
    }),
    ofClient('grade/cycle', 'name', { name: 'Twice lightly', cycle: JSON.stringify(cycle) }),
    ofClient('grade/cycle', 'forget', { id: '1' }),
    ofClient('grade/lifts', 'keep', {
      exerciseId: 'front_leg_lift',
      lifts: JSON.stringify({ left: lift, right: lift })
    }),
    ofClient('grade', 'note', { exerciseId: 'front_split_on_stack', effect: 'works', note: 'Since the strap.' }),
    ofClient('plan', 'make', planFields),
    ofClient('plan', 'copy', { fromClientId: '2', basedOnVersion: '1' }),
    ofClient('plan/compare', 'take', planFields),
    ofClient('plan/change', 'revise', {
      basedOnVersion: '1',
      schoolId: 'drills',
      sessionsPerWeek: '3',
      minutes: '45',
      missed: 'keep',
      wishes: JSON.stringify({
        often: { front_leg_lift: 'once a week' },
        pins: [{ exerciseId: 'front_split_on_stack', session: null }],
        bans: [{ exerciseId: 'rear_hip_cycle', session: 2 }],
        weekdays: [1, 3, 6],
        easyWeeks: [2],
        busyOn: ['2026-03-04'],
        beginsAt: '18:00',
        sessions: { 2: { atHome: true, beginsAt: '07:30', training: 'after training', only: 'stretch' } },
        hardSessions: 2,
        stretchMin: 25,
        themes: true,
        also: []
      })
    }),
    ofClient('plan/change', 'restore', { basedOnVersion: '1', version: '1' }),
    ofClient('plan/change', 'name', { version: '1', name: 'As agreed' }),
    ofClient(
      'practise/arrange',
      'keep',
      {
        arrangement: JSON.stringify({
          parts: [{ exerciseId: 'front_split_on_stack', sets: 2 }, { exerciseId: 'front_hamstring_cycle' }],
          out: ['rear_hip_cycle'],
          sides: 'alternate',
          setupS: 20,
          restS: 10,
          work: 'both',
          minutes: 40,
          fits: true,
          cutOrder: ['holds', 'rounds']
        }),
        all: 'on'
      },
      { session: String(sessionId) }
    ),
    ofClient('practise/arrange', 'add', { exerciseId }, { session: String(sessionId) }),
    ofClient('practise', 'start', {
      sessionId: String(sessionId),
      answer: 'accept',
      reason: '',
      newSymptom: 'no',
      soreness: '2',
      overdueCheck: 'on',
      sameDay: 'on',
      today: ['poor sleep']
    }),
    ofClient('practise', 'breath', { breathS: '6.5' }),
    ofClient('practise', 'write', {
      sessionId: String(sessionId),
      answer: 'accept',
      newSymptom: 'no',
      soreness: '1',
      today: [],
      doneOn: today,
      written: JSON.stringify([{ exerciseId: 'front_split_on_stack', side: 'left', was: 'not quite' }])
    }),
    ofClient('review', 'acceptAll', {}),
    ofClient('review', 'judge', { judgement: 'The left hip leads.', exerciseId: 'front_split_on_stack' }),
    ofClient('review', 'unjudge', { id: '1' }),
    ofClient('review', 'rejudge', { id: '1' }),
    ofClient('plan/change', 'swap', { basedOnVersion: '1', exerciseId: 'front_leg_lift', by: 'straddle_leg_lifts' }),
    ofClient('review', 'undo', { exerciseId: 'front_split_on_stack', side: 'left' }),
    ofClient('review', 'decide', {
      exerciseId: 'front_split_on_stack',
      side: 'left',
      verdict: 'stay',
      overruledBecause: 'A show on Friday.'
    }),
    ofClient('pain', 'tell', {
      place: 'groin',
      side: 'left',
      kind: 'afterwards',
      feltOn: today,
      exerciseId: 'front_split_on_stack',
      workSide: 'left',
      note: 'On the stairs.'
    }),
    ofClient('pain', 'withdraw', { painId, by: 'M. Ash', why: 'It was the other knee.' }),
    { route: '/props', action: 'add', typed: block },
    { route: '/props', action: 'edit', typed: { ...block, propId: String(propId) } },
    { route: '/props', action: 'quantity', typed: { propId: String(propId), quantity: '3' } },
    { route: '/props', action: 'remove', typed: { propId: String(propId) } },
    { route: '/props', action: 'restore', typed: { propId: String(propId) } },
    { route: '/library/new', action: 'default', typed: own },
    { route: '/library/new', action: 'default', query: { copy: 'front_split_on_stack' }, typed: own },
    { route: '/library/[exerciseId]/edit', action: 'default', params: { exerciseId }, typed: { ...own, harder: '' } },
    { route: '/library/[exerciseId]', action: 'remove', params: { exerciseId }, typed: { exerciseId } },
    { route: '/library/[exerciseId]', action: 'restore', params: { exerciseId }, typed: { exerciseId } },
    { route: '/preferences', action: 'default', typed: { length: 'in', mass: 'lb', theme: 'dark', back: '/people' } }
  ];
};

/** What a field may take, and what shows it might not stand. */
const oddButAllowed = ['-1', '0.0001', '__proto__', 'b'.repeat(450), ':', `a\r\n${'b'.repeat(450)}`, `a${':b'.repeat(199)}`];

/** What no field may be brought down by. */
const nasty = [
  '',
  ...oddButAllowed,
  '9999999999',
  '99999999999999999999',
  'nul\u0000byte',
  "Robert'); drop table client; --",
  '2026-02-30',
  'a'.repeat(5000)
];

const load = (db: Database, file: string, params: object, query: Readonly<Record<string, string>> = {}): Promise<Outcome> => {
  const url = urlOf(query);
  const request = new Request(url);
  const event = { request, url, params, locals: localsOf(db), depends: () => undefined };
  const layout = pages['./library/+layout.server.ts']!.load!;
  const parent = () => layout({ ...event, parent: () => ({}) });
  return outcomeOf(async () => {
    const data = await pages[file]!.load?.({ ...event, parent });
    // What is streamed after the page counts as well.
    await Promise.all(Object.values((data ?? {}) as object));
    return data;
  });
};

/** Doors whose thing is not there in this world: one who is open has no limit and no stop, who practised nothing no proposal and no decision; nobody else has a plan. */
const nothingThere = [
  'plan copy',
  'review undo',
  'review unjudge',
  'review rejudge',
  'check relax',
  'check clearLock',
  'review decide',
  'review afterwards'
];

describe('forms', () => {
  test('every form of the application is tried here', () => {
    const there = Object.entries(pages).flatMap(([file, page]) => Object.keys(page.actions ?? {}).map((a) => `${file} ${a}`));
    const tried = doors(world).map((d) => `${fileOf(d.route)} ${d.action}`);
    expect([...new Set(tried)].sort()).toEqual(there.sort());
  });

  test('filled in with care each is taken', async () => {
    const refused: string[] = [];
    for (const door of doors(world))
      await store.rolledBack(async (db) => {
        const memory = caseMemory(db);
        await memory.caseOf(world.clientId, today);
        await memory.people('active');
        const { end, value, fault } = await post(db, door, door.typed);
        // Whatever it changed, what was remembered of the person is not what is shown.
        expect(await memory.caseOf(world.clientId, today), door.action).toEqual(await loadCase(db, world.clientId, today));
        expect(await memory.people('active'), door.action).toEqual(await caseMemory(db).people('active'));
        const absent = nothingThere.some((name) => `${door.route} ${door.action}`.endsWith(`/${name}`));
        if (absent ? end !== 'no page' : end !== 'done' && end !== 'away')
          refused.push(`${door.route} ${door.action}: ${end} ${fault ?? String(JSON.stringify(value)).slice(0, 300)}`);
      });
    expect(refused).toEqual([]);
  });

  test('what makes something new makes it once, however often one filling-in of it comes', async () => {
    const once = '7b1de4a0-59cf-4a11-8f0e-2f6a1c3b9d10';
    const makes = [
      '/people/new default',
      'goal save',
      'measure save',
      'pain tell',
      'review judge',
      '/props add',
      '/library/new default'
    ];
    const tried = doors(world).filter((d) => makes.some((name) => `${d.route} ${d.action}`.endsWith(name)));
    expect(tried).toHaveLength(makes.length + 1); // an own exercise, and a copy of one
    for (const door of tried)
      await store.rolledBack(async (db) => {
        const at = `${door.route} ${door.action}`;
        const first = await post(db, door, { ...door.typed, once });
        const after = await everything(db);
        expect(after, at).not.toBe(asItWas);
        expect(await post(db, door, { ...door.typed, once }), at).toEqual(first);
        expect(await everything(db), at).toBe(after);
        // Another filling-in of the same is another one.
        await post(db, door, { ...door.typed, once: once.replace('7', '8') });
        expect(await everything(db), at).not.toBe(after);
      });
  });

  test('a correction under the same filling-in is refused, never taken for a copy of the first', () =>
    store.rolledBack(async (db) => {
      const once = '7b1de4a0-59cf-4a11-8f0e-2f6a1c3b9d11';
      const door = doors(world).find((d) => d.route.endsWith('/measure') && d.action === 'save')!;
      expect((await post(db, door, { ...door.typed, once })).end).toBe('away');
      const after = await everything(db);
      const corrected = await post(db, door, { ...door.typed, left_passive_1_heightCm: '13', once });
      expect(corrected).toMatchObject({ end: 'refused', value: { problem: { code: 'sent_otherwise' } } });
      expect(await everything(db)).toBe(after);
      expect((await post(db, door, { ...door.typed, once })).end).toBe('away');
    }));

  test('what was refused leaves no note: put right, it is kept', () =>
    store.rolledBack(async (db) => {
      const once = '7b1de4a0-59cf-4a11-8f0e-2f6a1c3b9d11';
      const door = doors(world).find((d) => d.route === '/people/new')!;
      expect((await post(db, door, { ...door.typed, name: '', once })).end).toBe('refused');
      expect((await post(db, door, { ...door.typed, once })).end).toBe('away');
    }));

  const named = doors(nobody);
  test.each(named.map((d, i) => ({ name: `${d.route} ${d.action}`, i })))(
    '$name is not brought down by a field',
    async ({ i }) => {
      const door = doors(world)[i]!;
      const wrong: string[] = [];
      for (const field of Object.keys(door.typed))
        for (const value of [null, ...nasty])
          await store.rolledBack(async (db) => {
            const { [field]: _gone, ...others } = door.typed;
            const typed = value === null ? others : { ...others, [field]: value };
            const at = `${field} = ${value === null ? 'left out' : JSON.stringify(value.slice(0, 40))}`;
            const outcome = await post(db, door, typed);
            if (outcome.end === 'fault') return void wrong.push(`${at}: ${outcome.fault}`);
            if (outcome.end === 'refused') {
              const { problem, typed: back } = outcome.value as FormFailure;
              if (value !== null && String(back[field]) !== String(bodyOf({ [field]: value }).get(field)))
                wrong.push(`${at}: was typed and is lost`);
              if (problem.code === 'invalid_input' && Object.keys(problem.fields).length === 0)
                wrong.push(`${at}: nothing is told`);
              if (problem.code !== 'invalid_input' && !(await isAsItWas(db))) wrong.push(`${at}: half-written`);
            } else if (value === null || oddButAllowed.includes(value)) {
              // It was taken: then the page it is typed on must be able to show it, and the person still open.
              const shown = await load(db, fileOf(door.route), door.params ?? {}, door.query);
              if (shown.end === 'fault') wrong.push(`${at}: taken, then its page: ${shown.fault}`);
              const opened = await outcomeOf(() => orNotFound(loadCase(db, world.clientId, today)));
              if (opened.end === 'fault') wrong.push(`${at}: taken, then the person: ${opened.fault}`);
            }
          });
      expect(wrong).toEqual([]);
    }
  );
});

describe('forms filled in by chance', () => {
  /** Cases a form: the trial of the doors draws a thousand of each. */
  const cases = Number(process.env.DOOR_CASES ?? 15);
  /** Words that mean something, only not here. */
  const elsewhere = [exercises, goals, measures, painKinds, schools, ways].flatMap((list) => list.slice(0, 4).map((o) => o.id));
  const names = ['__proto__', 'constructor', 'toString', 'hasOwnProperty'];
  const numbers = ['1e300', '-1e-300', 'Infinity', 'NaN', '0x10', '١٢', '1,5', '-0', '2147483648', '1.7976931348623157e308'];

  const oddFor = (good: string | string[]) => {
    const ids = Object.values(world).map(String);
    const one = fc.oneof(
      fc.constantFrom(...elsewhere),
      fc.constantFrom(...names),
      fc.constantFrom(...numbers),
      fc.constantFrom(...ids),
      fc.constantFrom(...nasty),
      fc.constantFrom(...[good].flat().map((g) => g.toUpperCase()), ''),
      fc.string({ unit: 'binary', maxLength: 40 })
    );
    return fc.oneof({ weight: 4, arbitrary: one }, { weight: 1, arbitrary: fc.array(one, { maxLength: 4 }) });
  };
  /** Most fields as they should be: else nothing gets past the first check. */
  const filledIn = (typed: Typed): fc.Arbitrary<Typed> =>
    fc
      .record(
        Object.fromEntries(
          Object.entries(typed).map(([field, good]) => [
            field,
            fc.oneof(
              { weight: 5, arbitrary: fc.constant(good) },
              { weight: 1, arbitrary: oddFor(good) },
              { weight: 1, arbitrary: fc.constant(undefined) }
            )
          ])
        )
      )
      .chain((fields) =>
        fc.dictionary(fc.constantFrom(...names, 'id', 'clientId', 'once'), oddFor(''), { maxKeys: 2 }).map((more) => {
          const there = Object.entries({ ...fields, ...more }).filter(([, value]) => value !== undefined);
          return Object.fromEntries(there) as Typed;
        })
      );

  const named = doors(nobody);
  test.each(named.map((d, i) => ({ name: `${d.route} ${d.action}`, i })))('$name', async ({ i }) => {
    const door = doors(world)[i]!;
    const whose = fc.constantFrom(door.params, { ...door.params, clientId: String(world.archivedId), exerciseId: '__proto__' });
    await fc.assert(
      fc.asyncProperty(filledIn(door.typed), whose, (typed, params) =>
        store.rolledBack(async (db) => {
          const { end, value, fault } = await post(db, { ...door, params }, typed);
          expect(fault).toBeUndefined();
          if (end === 'refused') expect((value as FormFailure).problem).toBeDefined();
          if (end === 'refused' || end === 'no page') return expect(await isAsItWas(db)).toBe(true);
          // It was taken: the page it is typed on must be able to show it.
          expect((await load(db, fileOf(door.route), params ?? {}, door.query)).fault).toBeUndefined();
        })
      ),
      { seed: 20261128, numRuns: cases, endOnFailure: true }
    );
  });
});

describe('addresses', () => {
  /** What an address may say, page by page; the first of each is one that means something. */
  const asks = ({ goalId, exerciseId, sessionId }: World): Readonly<Record<string, Readonly<Record<string, string>>>> => ({
    library: {
      q: 'lunge',
      link: 'HE',
      position: 'standing',
      phase: 'hold',
      goal: 'lotus',
      hand: 'on',
      public: 'on',
      view: 'rows',
      client: '1'
    },
    'library/[exerciseId]': { client: '1' },
    'library/new': { copy: exerciseId },
    'library/compare': { a: 'low_lunge', b: exerciseId },
    'library/schools': { exercise: 'low_lunge' },
    people: { show: 'archived' },
    'people/[clientId=id]/goal': { goal: String(goalId) },
    'people/[clientId=id]/check': { topic: 'stops' },
    'people/[clientId=id]/measure': { m: 'front_split_gap', set: 'full' },
    'people/[clientId=id]/measure/agreement': { m: 'front_split_gap', a: 'Wren', b: 'Ash' },
    'people/[clientId=id]/photos': { of: 'front_split_gap/left/passive', before: 'x', after: 'y' },
    'people/[clientId=id]/grade': { exercise: exerciseId, shelf: 'home' },
    'people/[clientId=id]/practise': { session: String(sessionId) },
    props: { home: '1' }
  });
  const ids = (w: World) => ({ clientId: String(w.clientId), sessionId: String(w.sessionId), exerciseId: w.exerciseId });

  test('every page opens', async () => {
    for (const file of Object.keys(pages)) {
      const opened = await load(store.db, file, ids(world));
      expect(opened.end, `${file}: ${opened.fault}`).toMatch(/^(done|away)$/);
    }
  });

  test.each(Object.keys(asks(nobody)))('%s is not brought down by what its address asks for', async (page) => {
    const wrong: string[] = [];
    const usual = asks(world)[page]!;
    const tried = Object.keys(usual).flatMap((name) => nasty.map((value) => ({ [name]: value })));
    for (const query of [usual, ...tried]) {
      const opened = await load(store.db, fileOf(`/${page}`), ids(world), query);
      if (opened.end === 'fault') wrong.push(`${JSON.stringify(query)}: ${opened.fault}`);
    }
    expect(wrong).toEqual([]);
  });

  test('no page and no form is brought down by whom or what it is of', async () => {
    const wrong: string[] = [];
    for (const file of Object.keys(pages))
      for (const [name, value] of [
        ['clientId', '999999999'],
        ['sessionId', '999999999'],
        ...nasty.map((v) => ['exerciseId', v] as const)
      ] as const) {
        if (!file.includes(`[${name}`)) continue;
        const params = { ...ids(world), [name]: value };
        const opened = await load(store.db, file, params);
        if (opened.end === 'fault') wrong.push(`${file} of ${name} ${value}: ${opened.fault}`);
        for (const door of doors(world).filter((d) => fileOf(d.route) === file)) {
          const outcome = await post(store.db, { ...door, params }, door.typed);
          if (outcome.end === 'fault') wrong.push(`${file} ${door.action} of ${name} ${value}: ${outcome.fault}`);
        }
      }
    expect(wrong).toEqual([]);
    expect(await everything(store.db)).toBe(asItWas);
  });
});

describe('endpoints', () => {
  const player = './people/[clientId=id]/practise/[sessionId=id]';
  const uuid = '5a0e8a2e-3b2c-4f4e-9a51-0d1f2f3a4b5c';
  const set = { setIndex: 0, exerciseId: 'front_split_on_stack' };
  const bodies: Readonly<Record<string, Readonly<Record<string, unknown>>>> = {
    [`${player}/sets/+server.ts`]: {
      ...set,
      id: uuid,
      side: 'left',
      plannedS: 60,
      actualS: 60,
      clean: true,
      sensation: null,
      felt: null,
      slipped: null,
      setting: { holdS: 60 }
    },
    [`${player}/pain/+server.ts`]: { ...set, id: uuid, workSide: 'left', place: 'groin', side: 'left', kind: 'too_strong' },
    [`${player}/finish/+server.ts`]: { status: 'stopped' },
    [`${player}/start/+server.ts`]: { newSymptom: 'no', soreness: '2', copy: '0'.repeat(64), at: now.toISOString() }
  };
  const odd = [undefined, null, '', 'x', -1, 1.5, 1e300, true, [], {}, 'nul\u0000byte', '__proto__'];
  const ask = (
    db: Database,
    file: string,
    method: 'GET' | 'POST' | 'PUT',
    url: URL,
    body?: string | FormData,
    params: object = {}
  ) => {
    const all = { clientId: String(world.clientId), sessionId: String(world.sessionId), photoId: uuid, ...params };
    const request = new Request(url, { method, body });
    return outcomeOf(async () => (await endpoints[file]![method]!({ request, params: all, url, locals: localsOf(db) })).status);
  };

  test('what the player sends is refused with a reason, or kept, never half', async () => {
    const wrong: string[] = [];
    for (const [file, body] of Object.entries(bodies))
      for (const field of Object.keys(body))
        for (const value of odd)
          await store.rolledBack(async (db) => {
            const raw = JSON.stringify({ ...body, [field]: value });
            const outcome = await ask(db, file, 'POST', urlOf(), raw);
            // The session of this world does not run: even a good body is refused, but of a pain, which waits for nothing.
            const isTaken = outcome.value === 200 && file === `${player}/pain/+server.ts`;
            if (outcome.end !== 'done' || !(isTaken || [400, 404, 409].includes(outcome.value as number)))
              wrong.push(`${file} ${raw}: ${outcome.fault ?? String(outcome.value)}`);
            if (!isTaken && !(await isAsItWas(db))) wrong.push(`${file} ${raw}: half-written`);
          });
    // Whole bodies get through to the session, which does not run, and of which no device keeps this copy.
    const answers: Readonly<Record<string, number>> = { sets: 409, finish: 409, start: 404, pain: 200 };
    for (const [file, body] of Object.entries(bodies)) {
      const to = file.split('/').at(-2)!;
      await store.rolledBack(async (db) => {
        const { value } = await ask(db, file, 'POST', urlOf(), JSON.stringify(body));
        expect(value, file).toBe(answers[to]);
      });
    }
    expect(await everything(store.db)).toBe(asItWas);
    for (const raw of ['', '{', 'null', '[]', '"x"'])
      for (const file of Object.keys(bodies)) {
        const { value } = await ask(store.db, file, 'POST', urlOf(), raw);
        expect(value, `${file} ${raw}`).toBe(400);
      }
    expect(wrong).toEqual([]);
  });

  test('a session is given to a device once it is asked for rightly, and to nobody else', async () => {
    const file = `${player}/keep/+server.ts`;
    for (const raw of ['', 'null', '[]', '{"more":1}'])
      expect((await ask(store.db, file, 'POST', urlOf(), raw)).value, raw).toBe(400);
    const none = await ask(store.db, file, 'POST', urlOf(), '{}', { sessionId: '999999' });
    const others = await ask(store.db, file, 'POST', urlOf(), '{}', { clientId: String(world.archivedId) });
    expect([none.value, others.value]).toEqual([404, 404]);
    await store.rolledBack(async (db) => expect((await ask(db, file, 'POST', urlOf(), '{}')).value).toBe(200));
    expect(await everything(store.db)).toBe(asItWas);
  });

  test('a picture without consent, without a file or with points that are none is refused', async () => {
    const file = './people/[clientId=id]/photos/[photoId]/+server.ts';
    const fields = { measureId: 'front_split_gap', side: 'left', mode: 'passive', takenOn: today, points: '{"landmarks":{}}' };
    for (const [name, value] of Object.entries({ ...fields, points: '{', takenOn: '2026-02-30', measureId: 'none', mode: '' })) {
      const { value: status } = await ask(store.db, file, 'PUT', urlOf(), bodyOf({ ...fields, [name]: value }));
      expect([400, 409], name).toContain(status);
    }
    for (const photoId of ['x', '', uuid, '../../secret'])
      expect((await ask(store.db, file, 'GET', urlOf(), undefined, { photoId })).end).toBe('no page');
    expect(await everything(store.db)).toBe(asItWas);
  });

  test('a stand-in of something that is not measured is none', async () => {
    for (const kind of ['instrument', 'picture'])
      for (const value of nasty) {
        const file = `./people/[clientId=id]/measure/stand-in/${kind}/+server.ts`;
        const event = { request: new Request(urlOf()), params: { clientId: String(world.clientId) }, locals: localsOf(store.db) };
        const thrown: unknown = await endpoints[file]!.GET!({ ...event, url: urlOf({ measure: value }) }).catch(
          (e: unknown) => e
        );
        expect(isHttpError(thrown, 400), `${kind} ${value}`).toBe(true);
      }
  });
});
