// Every pair of writers of one client, sent at the same moment: what was confirmed of either is still there afterwards.
import { addDays, longHold, sides, type LinearSolver } from '$lib/core';
import { expect, test } from 'vitest';
import type { Database } from '../db/db';
import { findConsent, upsertConsent } from '../repo/photoRepo';
import { listNoted } from '../repo/judgementRepo';
import { updateBreath } from '../repo/clientRepo';
import { solverFor } from '../solver';
import { goalInput, take, testDay } from '../testing/people';
import { at } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { changeClient } from './changing';
import { clearScreening } from './checking';
import { loadLoggedCase, type LoggedCase } from './clientCase';
import { saveGoal } from './goalSetting';
import { judge } from './judging';
import { changePerson } from './measuring';
import { tellLater } from './pain';
import { makePlan } from './planning';
import { setDial } from './settingDial';
import { addToWeek, chooseSchool, noteExercise, takeFromWeek } from './week';

const store = testDatabase('split plan');
const exerciseId = 'front_hamstring_cycle';
/** The two dials of one exercise are one row; so are the figures of a person, and the whole week. */
const plain = { exerciseId, side: 'left', reason: 'tried beside the mat', sure: true } as const;

/** A writer sends its nth value, and knows whether that is what stands. */
type Writer = Readonly<{
  send: (db: Database, id: number, n: number, c: LoggedCase) => Promise<unknown>;
  stands: (c: LoggedCase, n: number, db: Database) => boolean | Promise<boolean>;
}>;

const dial = (name: 'effortPct' | 'holdS', low: number, high: number): Writer => ({
  send: (db, id, n) => setDial(db, id, { ...plain, dial: name, value: n % 2 ? high : low }, at(testDay)),
  stands: (c, n) => c.settings[exerciseId]?.left[name] === (n % 2 ? high : low)
});

/** A plan is read before it is solved and written after: its worst moment for another writer is between the two. */
let duringSolve = () => Promise.resolve<unknown>(undefined);
const solve: LinearSolver = async (...asked) => {
  const meanwhile = duringSolve;
  duringSolve = () => Promise.resolve();
  await meanwhile().catch(() => undefined);
  return solverFor()(...asked);
};

const writers: Readonly<Record<string, Writer>> = {
  'effort of an exercise': dial('effortPct', 20, 25),
  'seconds of its stretch': dial('holdS', 45, 60),
  measure: {
    send: (db, id, n) => take(db, id, 'front_split_gap', 'left', [20], { on: addDays(testDay, -n), measurer: `M${n}` }),
    stands: (c, n) => c.occasions.some((o) => o.measurer === `M${n}`)
  },
  pain: {
    send: (db, id, n) =>
      tellLater(
        db,
        id,
        { kind: 'too_strong', place: 'shin', side: 'left', feltOn: testDay, exerciseId: null, workSide: null, note: `(${n})` },
        at(testDay)
      ),
    stands: (c, n) => c.pains.some((p) => p.note.includes(`(${n})`))
  },
  person: {
    send: (db, id, n, c) => changePerson(db, id, { ...c.client, notes: `Note ${n}` }),
    stands: (c, n) => c.client.notes === `Note ${n}`
  },
  breath: {
    send: (db, id, n) => changeClient(db, id, (tx) => updateBreath(tx, id, 4 + (n % 2))),
    stands: (c, n) => c.client.breathS === 4 + (n % 2)
  },
  goal: {
    send: (db, id, n, c) => saveGoal(db, id, c.goal.id, goalInput('front_split', { targetReason: `Reason ${n}` }), testDay),
    stands: (c, n) => c.goal.targetReason === `Reason ${n}`
  },
  clearance: {
    send: (db, id, n) => clearScreening(db, id, { clearedBy: 'A. Clinician', clearNote: `Said ${n}` }, testDay),
    stands: (c, n) => c.screening?.clearNote === `Said ${n}`
  },
  consent: {
    send: (db, id, n) => changeClient(db, id, (tx) => upsertConsent(tx, id, { givenBy: `Parent ${n}`, givenOn: testDay })),
    stands: async (c, n, db) => (await findConsent(db, c.client.id))?.givenBy === `Parent ${n}`
  },
  judgement: {
    send: (db, id, n) => judge(db, id, { exerciseId: null, judgement: `Judged ${n}.` }, testDay),
    stands: async (c, n, db) => (await listNoted(db, { clientId: c.client.id, text: `Judged ${n}.` }, 1)).noted.length === 1
  },
  'note of an exercise': {
    send: (db, id, n) => noteExercise(db, id, { exerciseId, effect: 'works', note: `Did ${n}` }, testDay),
    stands: (c, n) => c.notes.some((x) => x.note === `Did ${n}`)
  },
  'exercise of the week': {
    send: (db, id, n) => (n % 2 ? addToWeek : takeFromWeek)(db, id, 'frog', testDay),
    stands: (c, n) => c.choices.some((x) => x.exerciseId === 'frog') === (n % 2 === 1)
  },
  'school of an exercise': {
    send: (db, id, n) => chooseSchool(db, id, { exerciseId, schoolId: n % 2 ? 'contract_relax' : null, policies: {} }, testDay),
    stands: (c, n) => c.choices.find((x) => x.exerciseId === exerciseId)?.schoolId === (n % 2 ? 'contract_relax' : null)
  },
  plan: {
    send: (db, id, _, c) =>
      makePlan(
        db,
        id,
        { schoolId: longHold.id, weeks: 1, sessionsPerWeek: 2, minutes: 30, startOn: testDay, basedOnVersion: c.plan!.version },
        testDay,
        { solve }
      ),
    stands: (c) => c.sessions.filter((s) => s.planId === c.plan?.id && s.status === 'planned').length === 2
  }
};

test('of every two writers at one moment, what was confirmed stands', async () => {
  const { db, splitPlanId: id } = store;
  const load = () => loadLoggedCase(db, id, testDay);
  await addToWeek(db, id, 'frog', testDay);
  const names = Object.keys(writers);
  const before = new Map(names.map((name) => [name, 0]));
  let c = await load();
  for (const [i, one] of names.entries())
    for (const other of names.slice(i + 1)) {
      const pair = [one, other];
      for (const name of pair) before.set(name, before.get(name)! + 1);
      const send = (name: string) => writers[name]!.send(db, id, before.get(name)!, c);
      let first: Promise<unknown> | null = null;
      if (other === 'plan') duringSolve = () => (first = send(one));
      else first = send(one);
      const second = send(other);
      await second.catch(() => undefined);
      const sent = await Promise.allSettled([first!, second]);
      c = await load();
      for (const [k, name] of pair.entries()) {
        const { status } = sent[k]!;
        expect(status, `${name}, beside ${pair[1 - k]}: ${(sent[k] as PromiseRejectedResult).reason}`).toBe('fulfilled');
        expect(await writers[name]!.stands(c, before.get(name)!, db), `${name}, beside ${pair[1 - k]}`).toBe(true);
      }
    }
  // Nothing that stood before was touched by what came after.
  expect(sides.map((side) => c.settings[exerciseId]?.[side].effortPct).every((v) => v !== undefined)).toBe(true);
});
