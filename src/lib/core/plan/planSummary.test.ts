import { describe, expect, test } from 'vitest';
import { leftOutTexts, planProgression, planSummary, type PlanAsk } from '../index';
import { somebody, stopped } from '../testing/person';
import { longWeek, splitPlanAsk } from '../testing/plan';
import { solveHere } from '../testing/solver';

const ask: PlanAsk = { ...splitPlanAsk, weeks: 8 };
const summaryOf = async (more: Partial<PlanAsk> = {}) =>
  planSummary((await planProgression({ ...ask, ...more }, solveHere)).weeks);

describe('planSummary', () => {
  test('tells a usual week, never an easy one', async () => {
    const { weeks } = await planProgression(ask, solveHere);
    const { week } = planSummary(weeks);
    const seconds = weeks.filter((w) => !w.easy).map((w) => w.sessions.reduce((sum, s) => sum + s.durationS, 0));
    expect(seconds).toContain(week.seconds);
    expect(week.sessions).toBe(3);
    expect(week.hardSessions).toBe(3);
  });

  test('more sessions give more minutes and more for each motion; days after hard ones are not hard', async () => {
    const [three, five] = [await summaryOf(), await summaryOf({ sessionsPerWeek: 5 })];
    expect(five.week.seconds).toBeGreaterThan(three.week.seconds);
    expect(five.week.hardSessions).toBeLessThan(5);
    for (const dose of three.week.doses)
      expect(five.week.doses.find((d) => d.link === dose.link && d.side === dose.side)!.stretchS).toBeGreaterThan(dose.stretchS);
  });

  test('short sessions say what is cut', async () => {
    expect((await summaryOf({ minutes: 120 })).cuts).toEqual([]);
    const short = await summaryOf({ week: longWeek, minutes: 20 });
    expect(short.cuts.length).toBeGreaterThan(0);
    expect(short.week.seconds).toBeLessThanOrEqual(3 * 20 * 60);
  });

  test('what the gate bars is told as left out, as in the plan itself', async () => {
    const person = somebody({ stops: [stopped({ joint: 'hip', side: 'left' })] });
    const told = await summaryOf({ person });
    expect(told.leftOut.join(' ')).toContain('Left out');
    const plan = (await planProgression({ ...ask, person }, solveHere)).weeks.flatMap((w) =>
      w.sessions.flatMap((s) => leftOutTexts(s.leftOut))
    );
    expect(plan).toEqual(expect.arrayContaining([...told.leftOut]));
  });
});
