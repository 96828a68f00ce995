import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { addDays, flatHeld } from '$lib/core';
import type { Database } from '../db/db';
import { testDay } from '../testing/people';
import { play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import { caseMemory } from './caseMemory';
import { isPlanned, loadGoalCase, withGoal, withLog, dateOf } from './clientCase';
import { planView } from './composing';
import { acceptProposals } from './deciding';
import { gradeOf } from './gradeExercise';
import { painAlertsOf, tellLater } from './pain';
import { attendanceOf, proposalsOf, verdictsWaiting } from './reviewing';
import { doneAgainstPlan } from './doneAgainstPlan';
import { safetyOf } from './safety';
import { endedSessions, hardYesterday } from './sessionRecords';
import { staircasesOf } from './staircase';
import { stationsOf } from './stations';
import { weekOf } from './week';

const store = testDatabase('split plan');

/** A session: after how many days, how its sets went, whether it was decided on, and what was told the day after. */
const happened = fc.record({
  days: fc.constantFrom(1, 2, 3, 9, 70),
  clean: fc.constantFrom(true, true, false, null),
  isFlat: fc.boolean(),
  isDecided: fc.constantFrom(true, true, false),
  pain: fc.option(fc.constantFrom('joint', 'pinch', 'afterwards', 'too_strong'), { freq: 3, nil: null })
});

type Happened = typeof happened extends fc.Arbitrary<infer T> ? T : never;

async function live(db: Database, id: number, on: string, { clean, isFlat, isDecided, pain }: Happened): Promise<void> {
  await play(
    db,
    id,
    on,
    ({ exerciseId }) => ({
      clean,
      ...(isFlat && exerciseId === 'front_split_on_stack' && { setting: { depthCm: 0 }, actualS: 65 })
    }),
    { sameDay: true, overdueCheck: true }
  );
  if (isDecided) await acceptProposals(db, id, on, 'no stops');
  if (pain === null) return;
  const told = { exerciseId: 'front_hamstring_cycle', workSide: 'left', feltOn: on, note: '' } as const;
  await tellLater(db, id, { ...told, kind: pain, place: 'knee', side: 'left' }, new Date(`${on}T21:00:00`));
}

/** What pages show of a case. */
const shownOf = (c: Awaited<ReturnType<typeof loadGoalCase>>) => ({
  stations: stationsOf(c, c.today),
  pains: painAlertsOf(c),
  safety: safetyOf(c),
  stairs: staircasesOf(c),
  grades: weekOf(c).map((w) => gradeOf(c, w.exercise, 'left')),
  plan: isPlanned(c) ? planView(c).map(({ steps, notes, sessions }) => ({ steps, notes, sessions })) : null,
  attendance: attendanceOf(c),
  last: doneAgainstPlan(c),
  hard: hardYesterday(c)
});

describe('a case without its log', () => {
  test.each(
    fc
      .sample(fc.array(happened, { minLength: 4, maxLength: 6 }), { numRuns: 2, seed: Number(process.env.SEED ?? 16) })
      .map((h) => [h])
  )('shows what the whole log gives, whatever happened: %j', (history) =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const memory = caseMemory(db);
      let on = testDay;
      for (const one of history) {
        on = addDays(on, one.days);
        await live(db, id, on, one);
        for (const day of [on, addDays(on, 1)]) {
          const c = await loadGoalCase(db, id, day);
          const logged = await withLog(db, c);
          const remembered = await memory.caseOf(id, day);
          expect(remembered).toEqual(c);
          expect(await memory.withLog(withGoal(remembered)!)).toEqual(logged);
          // A copy remembers nothing of the case it was made of: all of it is worked out from the whole log.
          expect(shownOf(c)).toEqual(shownOf({ ...logged }));
          expect(verdictsWaiting(c)).toBe(proposalsOf({ ...logged }).length);
          const days = logged.sessions.flatMap((s) => (s.startedAt ? [[s.id, dateOf(s.startedAt)] as const] : []));
          expect(c.sessionDays).toEqual(endedSessions({ ...logged }).map((x) => dateOf(x.startedAt!)));
          const flat = logged.setLogs.filter(
            (l) =>
              l.exerciseId === 'front_split_on_stack' &&
              l.side === 'left' &&
              l.clean &&
              l.setting.depthCm === 0 &&
              l.actualS >= flatHeld.holdS
          );
          expect(new Set(safetyOf(c).flatHeldOn.left)).toEqual(new Set(flat.map((l) => new Map(days).get(l.sessionId))));
        }
      }
    })
  );
});
