import { describe, expect, test } from 'vitest';
import { exerciseOf, exercises } from '$lib/core';
import { repText, repWordsOf } from './repWords';

// Source: what is called out beside the mat, common practice.
describe('the words of a repetition', () => {
  const moved = exercises.filter((e) => e.phases[0] === 'active end' || e.phases[0] === 'strengthen');

  test('of what is no lift are its own, and say where it comes back', () => {
    expect(moved.length).toBeGreaterThan(30);
    for (const { id, name, setup } of moved) {
      const { there, back } = repWordsOf(id);
      // Where it says "Lift" the exercise itself does.
      if (there === 'Lift') expect(`${name} ${setup.join(' ')}`, id).toMatch(/\b(lift|raise)/i);
      expect(
        [there, back].every((text) => /^[A-Z]/.test(text) && !text.endsWith('.')),
        id
      ).toBe(true);
    }
  });
  test.each([
    ['butterfly_drawn_down', 'Draw the knees down'],
    ['turnout_standing', 'Turn out'],
    ['straddle_good_morning', 'Hinge ahead'],
    ['heels_raised_squat', 'Squat'],
    ['weighted_roll_down', 'Roll down'],
    ['straddle_leg_lifts', 'Lift']
  ])('%s: %s', (id, there) => expect(repWordsOf(exerciseOf(id).id).there).toBe(there));

  test('an own exercise is a lift unless it is said otherwise; a count says how many are clean enough', () => {
    expect(repWordsOf('own_7')).toEqual({ there: 'Lift', back: 'Lower slowly' });
    expect(repText({ at: 2, of: 5 })).toBe('2 of 5');
    expect(repText({ at: 2, of: 8, least: 3 })).toBe('2, from 3 to 8 clean ones');
  });
});
