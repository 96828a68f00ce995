import { describe, expect, test } from 'vitest';
import { exercises } from '../exercise/exercises';
import { goals } from '../goal/goals';
import { doseByLink } from '../plan/doseByLink';
import { blockWhyText, isWorked } from '../session/block';
import { judge, planOf, variationsOf } from './judge';
import { modelSessions } from './models';
import { solveHere } from './solver';

const modelOf = (id: string) => modelSessions.find((m) => m.id === id)!;

// Source: reference sessions, common practice.
describe('plans held against reference sessions', () => {
  test('every piece that is named exists, and so does its goal', () => {
    const known = new Set(exercises.map((e) => e.id));
    expect(modelSessions).toHaveLength(21);
    for (const m of modelSessions) {
      expect(
        goals.some((g) => g.id === m.goal),
        m.id
      ).toBe(true);
      const named = [
        ...m.must.flat(),
        ...m.refused,
        ...m.never.flat(),
        ...m.order.flat(),
        ...m.doses.map(([id]) => id),
        ...m.main
      ];
      for (const id of named) expect(known.has(id), `${m.id} ${id}`).toBe(true);
    }
  });

  // All twenty-one, with other minutes and levels, are `npm run judge -- --all`.
  test.each(['S06', 'S10', 'S17', 'S20'])('%s: nothing is missing, nothing refused, all in order', async (id) => {
    const { parts, total, lacks } = judge(modelOf(id), await planOf(modelOf(id), solveHere));
    expect(parts, lacks.join('; ')).toMatchObject({ must: 30, refused: 20, order: 15 });
    expect(total).toBeGreaterThanOrEqual(85);
  });

  test('what is missing, refused or out of order costs points, and what is refused leaves 79 at most', async () => {
    const model = modelOf('S17');
    const plan = await planOf(model, solveHere);
    const [first, second] = model.must.flat() as [string, string];
    expect(judge({ ...model, must: [...model.must, ['frog']] }, plan).parts.must).toBe(22.5);
    expect(judge({ ...model, order: [[second, first]] }, plan).parts.order).toBe(0);
    expect(judge({ ...model, doses: [[first, 'reps', 90, 99]] }, plan).parts.doses).toBe(0);
    expect(judge({ ...model, refused: [first] }, plan).total).toBeLessThanOrEqual(79);
    expect(judge({ ...model, never: [[first, second]] }, plan).parts.refused).toBe(0);
  });

  test('a variation has other minutes or the next level, the rest as it is', () => {
    const variations = variationsOf(modelOf('S05'));
    expect(variations.map((v) => [v.minutes, v.level])).toEqual([
      [15, 'intermediate'],
      [30, 'intermediate'],
      [20, 'advanced']
    ]);
  });

  test('a test comes before the work and once more at the end, trains nothing and is whole in an easy week', async () => {
    const { weeks } = await planOf(modelOf('S13'), solveHere);
    for (const { sessions } of weeks)
      for (const { blocks } of sessions) {
        const worked = blocks.filter(isWorked);
        expect([worked[0]!.exerciseId, worked.at(-1)!.exerciseId]).toEqual(['toe_reach_test', 'toe_reach_test']);
        for (const test of [worked[0]!, worked.at(-1)!]) {
          expect(test.work.map((w) => [w.sets, w.form.kind === 'hold' && w.form.spec.holdS])).toEqual([[1, 20]]);
          expect(test.because.map(blockWhyText)).toEqual(['Shows where it stands today.']);
        }
        expect(doseByLink([worked[0]!])).toEqual([]);
      }
  });
});
