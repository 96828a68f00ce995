import { describe, expect, test } from 'vitest';
import type { PlanPhase } from '$lib/core';
import { isGoalReached } from '$lib/ui/goalReached';
import { planHead, type HeadAsk } from './planHead';

const week = (n: number, phase: PlanPhase, easy = false, status = 'planned') => ({
  week: n,
  phase,
  easy,
  retest: n % 2 === 0,
  sessions: [{ on: `2026-03-0${n}`, status }]
});
const ask: HeadAsk = {
  readings: [],
  isReached: false,
  weeks: [week(1, 'settle in', false, 'done'), week(2, 'settle in', false, 'done'), week(3, 'open'), week(4, 'open', true)],
  doses: [
    { link: 'HE', side: 'left', stretchS: 300, contractionS: 90, activeS: 60 },
    { link: 'HE', side: 'right', stretchS: 200, contractionS: 90, activeS: 0 },
    { link: 'HF-KS', side: 'left', stretchS: 120, contractionS: 0, activeS: 0 }
  ],
  headline: 'front_split_gap',
  today: '2026-03-03'
};
const textAbout = (about: string, more: Partial<HeadAsk> = {}) =>
  planHead({ ...ask, ...more }).find((h) => h.about === about)!.text;

describe('the head of a plan', () => {
  test('says what limits, what the weeks do, when it is tested and what would change it', () => {
    expect(planHead(ask).map((h) => h.about)).toEqual(['Limit', 'Weeks', 'Tests', 'Changes']);
    expect(textAbout('Limit')).toBe('No single joint limits this goal: every part has its turn.');
    expect(textAbout('Weeks')).toBe(
      'Weeks 1 to 2 settling in, weeks 3 to 4 gaining range; week 4 easy. A usual week gives front of the hip 6 min a side, hamstring length 2.'
    );
    expect(textAbout('Tests')).toMatch(/next around 4 Mar\w* 2026\.$/);
    expect(textAbout('Tests', { today: '2026-03-09' })).toMatch(/due since 4 Mar/);
    expect(textAbout('Changes')).toMatch(/^2 clean sessions in a row/);
  });
  test('who joined late has a phase twice, each with its own weeks', () => {
    const joined = [week(1, 'open'), week(2, 'settle in'), week(3, 'open'), week(4, 'open')];
    expect(textAbout('Weeks', { weeks: joined })).toMatch(
      /^Week 1 gaining range, week 2 settling in, weeks 3 to 4 gaining range/
    );
  });
  test('a plan that is over names no next test, and one without work no minutes', () => {
    expect(textAbout('Tests', { weeks: [week(2, 'open', false, 'done')] })).not.toContain('next');
    expect(textAbout('Weeks', { doses: [] })).not.toContain('usual week');
  });
});

describe('a goal that is reached', () => {
  const at = (left: number | null, right: number | null) => [
    { side: 'left' as const, value: left, takenOn: '2026-03-01' },
    { side: 'right' as const, value: right, takenOn: '2026-03-01' }
  ];
  const goal = { headline: 'front_split_gap', target: 5 };
  test('is at its target on every side it is taken on, as it is shown', () => {
    expect(isGoalReached(goal, at(5.04, 3), 'cm')).toBe(true);
    expect(isGoalReached(goal, at(5.06, 3), 'cm')).toBe(false);
    expect(isGoalReached(goal, at(3, null), 'cm')).toBe(false);
    expect(isGoalReached({ ...goal, target: null }, at(3, 3), 'cm')).toBe(false);
    expect(isGoalReached(goal, [], 'cm')).toBe(false);
  });
});
