import { describe, expect, test } from 'vitest';
import { noPlanWishes, type PlanWishes } from '$lib/core';
import { PlanWishesState } from './wishes.svelte';

const state = (more: Partial<PlanWishes> = {}) => new PlanWishesState({ ...noPlanWishes, ...more }, [4, 8]);

describe('what is wished of the weeks to come', () => {
  test('a place turns from free to kept in, kept out, and free again', () => {
    const wishes = state();
    const seen = Array.from({ length: 3 }, () => {
      wishes.turn('pigeon', 2);
      return wishes.wishOf('pigeon', 2);
    });
    expect(seen).toEqual(['in', 'out', 'free']);
    expect(wishes.isChanged).toBe(false);
  });
  test('one session and every session are two places', () => {
    const wishes = state();
    wishes.turn('pigeon', null);
    expect([wishes.wishOf('pigeon', null), wishes.wishOf('pigeon', 1)]).toEqual(['in', 'free']);
    expect(JSON.parse(wishes.text)).toMatchObject({ pins: [{ exerciseId: 'pigeon', session: null }], bans: [] });
  });
  test('the same wishes in another order are no change, and all of them can be taken back', () => {
    const pins = [
      { exerciseId: 'b', session: 1 },
      { exerciseId: 'a', session: 1 }
    ];
    const wishes = state({ pins });
    wishes.turn('c', 1);
    wishes.setOften('a', 'once a week');
    wishes.toggleEasy(3);
    wishes.busyOn = ['2026-03-04'];
    wishes.beginsAt = '18:00';
    expect(wishes.isChanged).toBe(true);
    wishes.takeBack();
    expect(wishes.isChanged).toBe(false);
    expect([wishes.easyWeeks, wishes.busyOn, wishes.beginsAt]).toEqual([[4, 8], [], null]);
  });
  test('as it fits is no wish', () => {
    const wishes = state();
    wishes.setOften('a', 'each session');
    wishes.setOften('a', 'as it fits');
    expect(JSON.parse(wishes.text).often).toEqual({});
  });
});
