import { expect, test } from 'vitest';
import { moveText } from './moveText';

test.each([
  ['a stack gives way', { dial: 'depthCm', from: 12.5, to: 10 }, '12.5 cm to 10 cm'],
  ['down to the floor', { dial: 'depthCm', from: 2.5, to: 0 }, '2.5 cm to flat'],
  ['past it', { dial: 'depthCm', from: 0, to: -2.5 }, 'flat to 2.5 cm past flat'],
  ['a hold', { dial: 'holdS', from: 45, to: 60 }, 'hold 45 s to 60 s'],
  ['an effort', { dial: 'effortPct', from: 40, to: 45 }, 'effort 40 % to 45 %'],
  ['lifts', { dial: 'reps', from: 5, to: 6 }, '5 lifts to 6 lifts'],
  ['a dial without words of its own', { dial: 'rounds', from: 2, to: 3 }, '2 to 3'],
  ['nothing moves', { dial: null, from: null, to: null }, '']
])('%s', (_, move, text) => expect(moveText(move, 'cm')).toBe(text));

test('in the unit of the studio', () => expect(moveText({ dial: 'depthCm', from: 25.4, to: 12.7 }, 'in')).toBe('10 in to 5 in'));
