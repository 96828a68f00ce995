import { describe, expect, test } from 'vitest';
import { exerciseOf } from '$lib/core';
import { dialText, doseText, settingText } from './dialText';

const dialOf = (exercise: string, dial: string) => exerciseOf(exercise).dials.find((d) => d.id === dial)!;

describe('dialText', () => {
  test.each([
    ['front_split_on_stack', 'depthCm', 12.5, 'cm', '12.5 cm'],
    ['front_split_on_stack', 'depthCm', -10, 'cm', '10 cm past flat'],
    ['front_split_on_stack', 'depthCm', 0, 'cm', 'flat'],
    ['pancake_on_seat', 'seatCm', 0, 'cm', 'the floor'],
    ['pancake_on_seat', 'seatCm', 12.7, 'in', '5 in'],
    ['pancake_on_seat', 'holdS', 90, 'cm', '90 s'],
    ['rear_hip_cycle', 'effortPct', 45, 'cm', '45 %'],
    ['knee_drops', 'hands', 1, 'cm', 'one behind'],
    ['leg_drawn_in', 'breaths', 1, 'cm', '1 breath'],
    ['pigeon_turned', 'turnDeg', 45, 'cm', '45°']
  ] as const)('%s, %s at %d in %s is %s', (exercise, dial, at, unit, text) =>
    expect(dialText(dialOf(exercise, dial), at, unit)).toBe(text)
  );
});

test('a setting names what its stacks stand under, and leaves out what is not set', () =>
  expect(settingText(exerciseOf('pancake_on_seat').dials, { seatCm: 10, holdS: 90 }, 'cm')).toBe('seat 10 cm, 90 s'));

test('a dose says its figures and its note, and never invents one', () => {
  expect(doseText({ school: 'drills', holdS: [20, 30], sets: 3 })).toBe('hold 20 to 30 s, 3 sets');
  expect(doseText({ school: 'drills', note: 'until it is comfortable' })).toBe('until it is comfortable');
  expect(doseText({ school: 'drills' })).toBe('no standard value');
});
