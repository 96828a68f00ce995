import { expect, test } from 'vitest';
import { exerciseOf } from '$lib/core';
import { moveText } from './moveText';

const split = exerciseOf('front_split_on_stack').dials;
const cycle = exerciseOf('front_hamstring_cycle').dials;
const lifts = exerciseOf('front_leg_lift').dials;
const seat = exerciseOf('half_lotus').dials;
const levels = exerciseOf('figure_four_lying').dials;

test.each([
  ['a stack gives way', split, { dial: 'depthCm', from: 12.5, to: 10 }, '12.5 cm to 10 cm'],
  ['down to the floor', split, { dial: 'depthCm', from: 2.5, to: 0 }, '2.5 cm to flat'],
  ['past it', split, { dial: 'depthCm', from: 0, to: -2.5 }, 'flat to 2.5 cm past flat'],
  ['a hold', cycle, { dial: 'holdS', from: 45, to: 60 }, 'hold 45 s to 60 s'],
  ['an effort', cycle, { dial: 'effortPct', from: 40, to: 45 }, 'effort 40 % to 45 %'],
  ['lifts', lifts, { dial: 'reps', from: 5, to: 6 }, '5 × to 6 ×'],
  ['a seat', seat, { dial: 'seatCm', from: 12.5, to: 10 }, 'seat 12.5 cm to 10 cm'],
  [
    'a level',
    levels,
    { dial: 'near', from: 0, to: 1 },
    `${levels[0]!.name} ${levels[0]!.levels![0]} to ${levels[0]!.levels![1]}`
  ],
  ['a dial that is gone', cycle, { dial: 'other', from: 1, to: 2 }, ''],
  ['nothing moves', cycle, { dial: null, from: null, to: null }, '']
])('%s', (_, dials, move, text) => expect(moveText(move, dials, 'cm')).toBe(text));

test('in the unit of the studio', () =>
  expect(moveText({ dial: 'depthCm', from: 25.4, to: 12.7 }, split, 'in')).toBe('10 in to 5 in'));
