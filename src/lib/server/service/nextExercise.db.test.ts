import { describe, expect, test } from 'vitest';
import { addDays, sides, type Exercise, type Side } from '$lib/core';
import { testDay } from '../testing/people';
import { play } from '../testing/sessions';
import { testDatabase } from '../testing/testDatabase';
import type { Database } from '../db/db';
import { upsertSettings } from '../repo/planRepo';
import { insertLock } from '../repo/lockRepo';
import { alertsOf } from './alerts';
import { changeClient } from './changing';
import { loadGoalCase, loadLoggedCase, type GoalCase, type PlannedCase } from './clientCase';
import { planView } from './composing';
import { acceptProposals } from './deciding';
import { gradeOf } from './gradeExercise';
import { nextExercise } from './nextExercise';
import { proposalsOf } from './reviewing';
import { weekOf } from './week';

const store = testDatabase('split plan');
const day = (n: number) => addDays(testDay, n);

/** Every dial of an exercise as hard as the gate lets it be, on the sides that are named. */
async function atItsEnd(db: Database, id: number, exercise: Exercise, of: readonly Side[]): Promise<void> {
  await changeClient(db, id, async (tx) => {
    for (let n = 0; n < 60; n++) {
      const c = await loadGoalCase(tx, id, testDay);
      const moves = of.flatMap((side) => {
        const grade = gradeOf(c, exercise, side);
        const moved = grade.dials.filter((d) => d.harder !== null).map((d) => [d.dial.id, d.harder!] as const);
        const at = grade.dials.flatMap((d) => (d.at === null ? [] : [[d.dial.id, d.at] as const]));
        return moved.length > 0
          ? [{ exerciseId: exercise.id, side, setting: { ...Object.fromEntries(at), ...Object.fromEntries(moved) } }]
          : [];
      });
      if (moves.length === 0) return;
      await upsertSettings(tx, c.goal.id, moves);
    }
  });
}
const inWeek = (c: GoalCase, exerciseId: string) => weekOf(c).find((w) => w.exercise.id === exerciseId)!.exercise;

describe('the next exercise of a progression', () => {
  test('is told once every side is at its end: in Review, and in the week until it is exchanged', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const exercise = inWeek(await loadGoalCase(db, id, testDay), 'front_leg_lift');
      await atItsEnd(db, id, exercise, ['left']);
      expect(nextExercise(await loadGoalCase(db, id, testDay), exercise)).toBeNull();
      await atItsEnd(db, id, exercise, sides);
      const next = nextExercise(await loadGoalCase(db, id, testDay), exercise)!;
      expect(weekOf(await loadGoalCase(db, id, testDay)).some((w) => w.exercise.id === next.id)).toBe(false);
      for (const n of [0, 2]) {
        await play(db, id, day(n));
        if (n === 0) await acceptProposals(db, id, day(n));
      }
      const proposals = proposalsOf(await loadLoggedCase(db, id, day(2))).filter((p) => p.exerciseId === exercise.id);
      expect(proposals.map((p) => p.next)).toEqual([next, next]);
      const notes = async () =>
        planView((await loadGoalCase(db, id, day(2))) as PlannedCase)
          .flatMap((w) => w.notes)
          .filter((n) => n.mend?.code === 'swap');
      expect(await notes()).toEqual([]);
      await acceptProposals(db, id, day(2));
      expect((await notes())[0]).toEqual({
        text: `${exercise.name} is at its hardest setting; the next step up is ${next.name}.`,
        mend: { code: 'swap', exerciseId: exercise.id }
      });
    }));

  test('is none where the gate bars it', () =>
    store.rolledBack(async (db) => {
      const id = store.splitPlanId;
      const exercise = inWeek(await loadGoalCase(db, id, testDay), 'front_leg_lift');
      await atItsEnd(db, id, exercise, sides);
      const before = nextExercise(await loadGoalCase(db, id, testDay), exercise)!;
      await changeClient(db, id, (tx) =>
        insertLock(tx, id, {
          stop: { exerciseId: before.id, side: null },
          reason: 'A sharp pain.',
          openedOn: testDay,
          painEventId: null
        })
      );
      expect(nextExercise(await loadGoalCase(db, id, testDay), exercise)?.id).not.toBe(before.id);
    }));
});

test('a stack that was taken further than the tape shows is told', () =>
  store.rolledBack(async (db) => {
    const id = store.splitPlanId;
    const pastOf = async () => alertsOf(await loadLoggedCase(db, id, testDay), []).filter((a) => a.code === 'past the tape');
    expect(await pastOf()).toEqual([]);
    const c = await loadGoalCase(db, id, testDay);
    await changeClient(db, id, (tx) =>
      upsertSettings(tx, c.goal.id, [{ exerciseId: 'front_split_on_stack', side: 'left', setting: { depthCm: 0 } }])
    );
    expect(await pastOf()).toMatchObject([{ exerciseId: 'front_split_on_stack', side: 'left', at: 0 }]);
  }));
