import { existsSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, test, vi } from 'vitest';
import { z } from 'zod';
import { fromText, type CueCode } from '$lib/core';
import { cueSentence } from '$lib/words/cueWords';
import { findScreening } from '../repo/screeningRepo';
import { newPerson, personWithGoal } from '../testing/people';
import { testDatabase } from '../testing/testDatabase';
import { inPlainWords, lockDataDir } from './dataDirLock';
import type { Database, Db } from './db';
import { migrate, migrations, statementsOf } from './migrate';
import { instant, rowsAtOnce } from './rows';
import { sqlProblem } from './sqlState';

const store = testDatabase();

describe('the database', () => {
  test('gives dates as text, counts and numerics as numbers', async () => {
    const { rows } = await store.db.query(`select date '2026-02-03' as d, count(*) as n, 12.50::numeric as x from studio`);
    expect(rows).toEqual([{ d: '2026-02-03', n: 1, x: 12.5 }]);
  });

  test('gives many rows at once as it gives them one by one', async () => {
    const sql = `select n as id, date '2026-02-03' + n as day, n * 1.25::numeric as x, case when n > 1 then 'ö "' || n end as name,
                        jsonb_build_object('a', n) as more, timestamptz '2026-02-03 12:00:00.123456+02' as at
                   from generate_series(1, $1::int) as n order by n desc`;
    const row = z.object({
      id: z.int(),
      day: z.iso.date(),
      x: z.number(),
      name: z.string().nullable(),
      more: z.object({ a: z.int() }),
      at: instant
    });
    const { rows } = await store.db.query(sql, [3]);
    expect(await rowsAtOnce(store.db, row, sql, [3])).toEqual(rows);
    expect(await rowsAtOnce(store.db, row, sql, [0])).toEqual([]);
  });

  test('refuses a parameter that is undefined', () =>
    expect(store.db.query('select $1::int', [undefined])).rejects.toThrow(/\$1 is undefined/));

  test('leaves nothing of a transaction that failed', async () => {
    await expect(
      store.db.transaction(async (tx) => {
        await tx.query(`update studio set length_unit = 'in'`);
        throw new Error('on purpose');
      })
    ).rejects.toThrow('on purpose');
    expect((await store.db.query('select length_unit from studio')).rows).toEqual([{ length_unit: 'cm' }]);
  });

  test('goes on after a query it cannot answer', async () => {
    const id = (value: unknown) => store.db.query('select id from client where id = $1', [value]);
    const bad: readonly [why: string, run: () => Promise<unknown>][] = [
      ['no such table', () => store.db.query('select 1 from nowhere')],
      ['a number the type cannot hold', () => id(9999999999)],
      ['a text that is no number', () => id('one')],
      ['a character no text has', () => store.db.query('select $1::text', ['\0'])],
      ['a rule broken', () => store.db.query(`update studio set length_unit = 'ell'`)],
      ['too few parameters', () => store.db.query('select $1::int, $2::int', [1])]
    ];
    for (const [why, run] of bad) {
      const answers = await Promise.allSettled([
        run(),
        store.db.query('select 1 as one'),
        run(),
        store.db.query('select 2 as two')
      ]);
      expect(
        answers.map((a) => a.status),
        why
      ).toEqual(['rejected', 'fulfilled', 'rejected', 'fulfilled']);
      expect((await store.db.query('select 3 as three')).rows, why).toEqual([{ three: 3 }]);
    }
  });

  test('names a broken rule by its SQLSTATE', async () => {
    const broken = await store.db.query(`update studio set length_unit = 'ell'`).catch((e: unknown) => e);
    expect(sqlProblem(broken)).toBe('out_of_range');
    expect(sqlProblem(new Error('other'))).toBeNull();
  });
});

describe('migrate', () => {
  test('has nothing to do the second time', async () => expect(await migrate(store.db)).toEqual([]));
  test('stops at an applied file that was changed', () =>
    expect(migrate(store.db, [{ ...migrations[0]!, sql: 'select 1' }, ...migrations.slice(1)])).rejects.toThrow(/was changed/));
  test('stops at an applied file that is gone, or out of order', async () => {
    await expect(migrate(store.db, migrations.slice(1))).rejects.toThrow(/do not match/);
    await expect(migrate(store.db, [{ name: '0000_early.sql', sql: 'select 1' }, ...migrations])).rejects.toThrow(/do not match/);
  });
});

describe('what was kept as a sentence', () => {
  const codeReasons = migrations.find((m) => m.name === '0012_code_reasons.sql')!;
  const personWith = async (tx: Db, limits: object[], relaxed: object[]) => {
    const id = await newPerson(tx as Database);
    await tx.query(
      `insert into screening (client_id, taken_on, version, flags, effort_cap_pct, sensation_cap, clearance, limits, relaxed)
       values ($1, '2026-03-01', '1', '[]', 60, 4, 'go with limits', $2, $3)`,
      [id, JSON.stringify(limits), JSON.stringify(relaxed)]
    );
    return id;
  };

  test('becomes the code it was made from, and what is not known is carried along; once more changes nothing', () =>
    store.rolledBack(async (db) => {
      const id = await personWith(
        db,
        [
          { kind: 'no loaded roll-down', reason: 'back pain in the past, settled' },
          { kind: 'joint end stop', motion: 'KF', value: 120, side: 'left', reason: 'end stop of knee flexion, left' },
          { kind: 'effort cap', value: 50, reason: '60 and over' },
          { kind: 'effort cap', value: 60, reason: 'set by the instructor' },
          { kind: 'no head-down', reason: 'a row that was reworded since' }
        ],
        [{ kind: 'no loaded roll-down', reason: 'back pain in the past, settled', by: 'M. Ash', on: '2026-03-01', note: '' }]
      );
      for (let time = 1; time <= 2; time++) {
        for (const statement of statementsOf(codeReasons.sql)) await db.query(statement);
        const kept = (await findScreening(db, id))!;
        expect(kept.limits.map((l) => l.from)).toEqual([
          'row/back_history',
          'end stop',
          '60 and over',
          'instructor',
          'kept/a row that was reworded since'
        ]);
        expect(kept.limits[1]).toEqual({ kind: 'joint end stop', motion: 'KF', value: 120, side: 'left', from: 'end stop' });
        expect(kept.relaxed).toEqual([
          { kind: 'no loaded roll-down', from: 'row/back_history', by: 'M. Ash', on: '2026-03-01', note: '' }
        ]);
        expect(kept.limits.map(fromText)).toContain('a row that was reworded since');
      }
    }));
});

describe('the cues of sessions', () => {
  const codeCues = migrations.find((m) => m.name === '0036_code_cues.sql')!;
  const flow = (cues: readonly string[]) => [
    { exerciseId: 'own_1', work: [{ form: { kind: 'flow', spec: { steps: cues.map((cue) => ({ cue, durationS: 60 })) } } }] }
  ];

  /** A session of a plan, as rows alone. */
  async function bareSession(db: Database): Promise<number> {
    await personWithGoal(db, 'front_split');
    const { rows } = await db.query(
      `with p as (insert into plan (goal_id, version, school_id, weeks, sessions_per_week, minutes, start_on)
                  select max(id), 1, 'joint_control', 4, 3, 45, '2026-03-02' from goal returning id)
       insert into session (plan_id, week, ordinal, phase, easy, light, retest, planned_on)
       select id, 1, 1, 'open', false, false, false, '2026-03-02' from p returning id`
    );
    return z.object({ id: z.int() }).parse(rows[0]).id;
  }

  test('become codes, in sessions and in the copies of devices; a sentence nobody knows stays; once more changes nothing', () =>
    store.rolledBack(async (db) => {
      const sessionId = await bareSession(db as Database);
      const before = flow(['Leg swings, left. A hand on the wall.', 'Stand on one leg.', 'Lie still. Breathe slowly.']);
      await db.query('update session set prescribed = $2 where id = $1', [sessionId, JSON.stringify(before)]);
      await db.query('insert into kept_session (session_id, copy, prescribed) values ($1, $2, $3)', [
        sessionId,
        'a'.repeat(64),
        JSON.stringify(before)
      ]);
      for (let time = 1; time <= 2; time++) {
        for (const statement of statementsOf(codeCues.sql)) await db.query(statement);
        for (const table of ['session where id', 'kept_session where session_id']) {
          const { rows } = await db.query(`select prescribed from ${table} = $1`, [sessionId]);
          expect(rows).toEqual([{ prescribed: flow(['leg swings', 'Stand on one leg.', 'lie still']) }]);
        }
      }
    }));

  // Every sentence has a code that the words know; none is lost on the way.
  test('every code the sentences become has words', () => {
    const codes = [...codeCues.sql.matchAll(/', '([a-z -]+)'\]/g)].map(([, code]) => code as CueCode);
    expect(codes.length).toBeGreaterThan(20);
    for (const code of codes) expect(cueSentence({ cue: { code } }), code).not.toBe(`${code}.`);
  });
});

describe('lockDataDir', () => {
  const inTemp = async (run: (dir: string, path: string) => Promise<void>) => {
    const dir = mkdtempSync(join(tmpdir(), 'calm-reach-'));
    await run(dir, join(dir, 'calm-reach.lock')).finally(() => rmSync(dir, { recursive: true }));
  };
  const holder = (path: string): Record<string, unknown> => JSON.parse(readFileSync(path, 'utf8')) as Record<string, unknown>;
  /** The lock as another would have written it. */
  const asHeldBy = async (dir: string, path: string, change: object) => {
    const { free } = await lockDataDir(dir);
    const mine = holder(path);
    free();
    writeFileSync(path, JSON.stringify({ ...mine, token: 'other', ...change }));
  };
  const silentMs = 250;

  test('of eight that open at once one holds it; given free the next one may', () =>
    inTemp(async (dir, path) => {
      const all = await Promise.allSettled(Array.from({ length: 8 }, () => lockDataDir(dir)));
      const [held, ...more] = all.flatMap((r) => (r.status === 'fulfilled' ? [r.value] : []));
      expect(more).toEqual([]);
      await expect(lockDataDir(dir)).rejects.toThrow(
        /in use by another Calm Reach: process \d+ on .+, since .+ Stop that one first/
      );
      held!.free();
      expect(existsSync(path)).toBe(false);
      (await lockDataDir(dir)).free();
    }));

  test.each([
    ['whose process is gone', { pid: 999_999_999 }],
    ['whose process number belongs to another program now', { pid: process.ppid, began: '1' }]
  ])('one %s is taken over at once', (_, change) =>
    inTemp(async (dir, path) => {
      await asHeldBy(dir, path, change);
      const { free } = await lockDataDir(dir);
      expect(holder(path).pid).toBe(process.pid);
      free();
    })
  );

  test('half a lock, cut off by a kill, is none', () =>
    inTemp(async (dir, path) => {
      writeFileSync(path, '{"token":');
      (await lockDataDir(dir)).free();
    }));

  test('one in another container holds while it is touched, and no longer once it is silent', () =>
    inTemp(async (dir, path) => {
      await asHeldBy(dir, path, { place: 'another container', pid: 1 });
      const touching = setInterval(() => utimesSync(path, new Date(), new Date()), silentMs / 5);
      await expect(lockDataDir(dir, { silentMs })).rejects.toThrow(/process 1 on/);
      clearInterval(touching);
      (await lockDataDir(dir, { silentMs })).free();
    }));

  test('one whose clock is ahead holds while it is touched, and is waited for with a word', () =>
    inTemp(async (dir, path) => {
      await asHeldBy(dir, path, { place: 'another container', pid: 1 });
      const ahead = () => new Date(Date.now() + 3_600_000);
      const touching = setInterval(() => utimesSync(path, ahead(), ahead()), silentMs / 5);
      await expect(lockDataDir(dir, { silentMs })).rejects.toThrow(/process 1 on/);
      clearInterval(touching);
      const told: string[] = [];
      (await lockDataDir(dir, { silentMs, say: (text) => told.push(text) })).free();
      expect(told.join()).toMatch(/^The data in .+ are held from .+ shows whether that one still runs\.$/);
    }));

  test('who stood still while another took it has it no more, and hears of it', () =>
    inTemp(async (dir, path) => {
      const lost = vi.fn();
      const { isHeld } = await lockDataDir(dir, { silentMs, lost });
      expect(isHeld()).toBe(true);
      const taken = JSON.stringify({ ...holder(path), token: 'other' });
      const wakeAt = Date.now() + silentMs;
      while (Date.now() < wakeAt); // frozen: nothing of it runs
      writeFileSync(path, taken);
      expect(isHeld()).toBe(false);
      await vi.waitFor(() => expect(lost).toHaveBeenCalledOnce());
      expect(readFileSync(path, 'utf8')).toBe(taken);
    }));

  test.each([
    ['ENOSPC', 'the disk is full'],
    ['EROFS', 'it lies on a disk that can only be read'],
    ['EACCES', 'this user may not write there']
  ])('where the disk refuses it with %s, that is said in a sentence', (code, said) => {
    const refuse = () => {
      throw Object.assign(new Error(code), { code });
    };
    expect(() => inPlainWords('there', refuse)).toThrow(`The data in there cannot be written: ${said}. Nothing was changed.`);
  });

  test('who lost it to another does not give that one free', () =>
    inTemp(async (dir, path) => {
      const { free } = await lockDataDir(dir);
      writeFileSync(path, JSON.stringify({ ...holder(path), token: 'other' }));
      free();
      expect(existsSync(path)).toBe(true);
    }));
});
