import { expect, test } from 'vitest';
import { exercises, formOf, gate, schools, sides, takesCycle, takesLifts, type LiftShape } from '$lib/core';
import { somebody } from '$lib/core/testing/person';
import { keepLiftsForm } from './liftForm';

test('whatever is lifted goes through the form as the desk shows it, circles and roll-downs too', () => {
  const all = exercises.filter(takesLifts);
  expect(all.map((e) => e.id)).toEqual(expect.arrayContaining(['half_90_circles', 'weighted_roll_down', 'leaning_back_kneel']));
  for (const exercise of all) {
    const gated = gate({ exercise, side: null, setting: exercise.start, person: somebody(), today: '2026-03-02' });
    const ask = { exercise, setting: exercise.start, gated, level: 'intermediate', moreRounds: false, easy: false } as const;
    for (const school of schools) {
      const { form } = formOf({ ...ask, school, capPct: 60, breathS: 8 });
      if (form.kind !== 'reps') throw new Error(`${exercise.id} makes no lifts`);
      const { peakPct: _, assisted: __, ...shape } = form.spec;
      const typed = { exerciseId: exercise.id, lifts: JSON.stringify(Object.fromEntries(sides.map((s) => [s, shape]))) };
      const read: LiftShape | undefined = keepLiftsForm.parse(typed).lifts?.left;
      expect(read, exercise.id).toEqual(shape);
      // Kept so, it is done so.
      const kept = formOf({ ...ask, school, capPct: 60, breathS: 8, lifts: read });
      expect(kept.form, exercise.id).toMatchObject({ kind: 'reps', spec: shape });
      expect(takesCycle(exercise), exercise.id).toBe(false);
    }
  }
});
