import { beforeAll, describe, expect, test } from 'vitest';
import { planProgression, type Progression } from './planProgression';
import { isWorked } from '../session/block';
import { workSeconds } from '../session/reducedBlock';
import { splitPlanAsk } from '../testing/plan';
import { solveHere } from '../testing/solver';
import { shareOf, weekAmount } from './phases';
import { weekStepTexts, type WeekOutline } from './weekSteps';

const ask = { ...splitPlanAsk, weeks: 12, sessionsPerWeek: 3, minutes: 45 };

describe('a week that holds less', () => {
  test('is the easy one, and the first of those who settle in; a beginner begins with less', () => {
    const amountOf = (week: number, joined: number | null, more: object = {}) =>
      weekAmount({ week, phase: 'settle in', easy: false, ...more }, joined);
    expect([amountOf(1, null), amountOf(2, null)]).toEqual(['first week', 'whole']);
    expect([amountOf(1, 5), amountOf(5, 5)]).toEqual(['whole', 'first week']);
    expect([amountOf(1, null, { phase: 'open' }), amountOf(1, null, { easy: true })]).toEqual(['whole', 'easy week']);
    expect([shareOf('easy week', 'beginner'), shareOf('first week', 'advanced'), shareOf('first week', 'beginner')]).toEqual([
      0.65, 0.8, 0.7
    ]);
  });
});

describe('weeks of a plan in words', () => {
  let plan: Progression;
  let outlines: WeekOutline[];
  beforeAll(async () => {
    plan = await planProgression(ask, solveHere);
    outlines = plan.weeks.map((w) => ({
      ...w,
      share: shareOf(weekAmount(w, null), ask.level)
    }));
  });
  const workOf = (week: number) =>
    plan.weeks[week - 1]!.sessions.flatMap((s) => s.blocks)
      .filter(isWorked)
      .reduce((sum, b) => sum + b.work.reduce((all, w) => all + workSeconds(b, w), 0), 0);
  const textsOf = (week: number) => weekStepTexts(outlines.slice(0, week - 1), outlines[week - 1]!);

  // Source: common practice, an easy week carries 60 to 70 % of the work.
  test('an easy week carries 60 to 70 % of the seconds of the one before it, and says how much', () => {
    for (const easy of [4, 8, 12]) {
      const share = workOf(easy) / workOf(easy - 1);
      expect(share).toBeGreaterThanOrEqual(0.6);
      expect(share).toBeLessThanOrEqual(0.7);
      expect(textsOf(easy)).toEqual([
        `Easy week: ${Math.round(100 * share)} % of the work of week ${easy - 1}, at the same settings.`
      ]);
    }
  });

  test('the first week says how much it holds and why', () =>
    expect(textsOf(1)).toEqual(['First week: 80 % of the usual work, which leaves time to show each exercise.']));

  test('what changes is read off the weeks: minutes, where they go, and the figures of exercises', () => {
    const texts = textsOf(3);
    expect(plan.weeks[2]!.phase).toBe('open');
    expect(texts[0]).toBe('The weeks of opening begin.');
    const [from, to] = [2, 3].map((week) => Math.round(workOf(week) / 60));
    expect(texts[1]).toMatch(new RegExp(`^${to} min of work in place of ${from}: .*opening \\+\\d+`));
    expect(texts.slice(2).join()).toMatch(/(sets a week|rounds) in place of \d/);
  });

  test('two weeks that are alike say so, and why; after an easy one it is held against the last whole one', () => {
    expect(textsOf(6)).toEqual(['Same as week 5. Nothing changes by date; settings go up once sessions are logged clean.']);
    expect(textsOf(5)).toEqual(['Back to the full work after the easy week.']);
  });

  test('a week that is over is told by the sets it was allotted, and nothing where there was none', () => {
    const over = outlines.map((w) => ({ ...w, sessions: w.sessions.map((s) => ({ ...s, blocks: [] })) }));
    expect(weekStepTexts(over.slice(0, 2), over[2]!).slice(1).join()).toMatch(/\d sets? a week in place of \d/);
    expect(weekStepTexts(over.slice(0, 3), over[3]!)).toEqual(['Easy week: less of each exercise, at the same settings.']);
    expect(weekStepTexts([{ ...outlines[0]!, sessions: [] }], outlines[1]!)).toEqual([]);
  });

  test('more than four exercises that move are counted', () => {
    const [, before, after] = outlines as [WeekOutline, WeekOutline, WeekOutline];
    const copies = (n: number) =>
      after.sessions.map((s) => ({
        ...s,
        blocks: Array.from({ length: n }, (_, i) => ({ ...s.blocks.find(isWorked)!, exerciseId: `copy_${i}` }))
      }));
    const texts = weekStepTexts([before], { ...after, sessions: copies(6) }, (id) => ({ name: id }));
    expect(texts.at(-1)).toMatch(/^And \d+ more exercises\.$/);
    expect(texts.filter((t) => /^(New|Out)/.test(t))).toHaveLength(4);
  });
});
