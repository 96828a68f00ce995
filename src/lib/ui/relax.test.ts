import { describe, expect, test } from 'vitest';
import { relaxationsOf } from './relax';

describe('what could be relaxed where nothing fits', () => {
  test('minutes that are too few, by as many as are needed, rounded up', () =>
    expect(relaxationsOf({ problem: { code: 'minutes_too_few', data: { minutes: 10, neededS: 781 } } })).toEqual([
      { label: 'Give each session 14 minutes', field: 'minutes', value: 14 }
    ]));
  test('weeks past the goal, where some are left', () => {
    const past = (weeksLeft: number) => relaxationsOf({ problem: { code: 'weeks_past_target', data: { weeks: 8, weeksLeft } } });
    expect(past(1)).toEqual([{ label: 'Plan 1 week', field: 'weeks', value: 1 }]);
    expect(past(0)).toEqual([]);
  });
  test('what only a person can tell has no button', () => {
    expect(relaxationsOf({ problem: { code: 'everything_locked', data: {} } })).toEqual([]);
    expect(relaxationsOf({ problem: { code: 'invalid_input', fields: {} } })).toEqual([]);
    expect(relaxationsOf(null)).toEqual([]);
  });
});
