import { expect, test } from 'vitest';
import { nothingText } from './outlookText';

test('what is not foretold has a likely range of its next measure, once there are enough', () => {
  const none = 'Minutes have no known error, so a gain cannot be told from chance and nothing is foretold.';
  expect(nothingText({ why: 'not foretold', next: null }, 'easy_seat_minutes', 'cm')).toBe(none);
  expect(nothingText({ why: 'not foretold', next: { weeks: 3, low: 8.24, high: 12 } }, 'easy_seat_minutes', 'cm')).toBe(
    `${none} If it goes on as it went, eight in ten measures 3 weeks from now lie between 8.2 min and 12 min.`
  );
  // A stage is whole: both ends may be the same.
  expect(nothingText({ why: 'not foretold', next: { weeks: 3, low: 0.6, high: 1.3 } }, 'lotus_stage', 'cm')).toMatch(
    /3 weeks from now come to half lotus\.$/
  );
});
