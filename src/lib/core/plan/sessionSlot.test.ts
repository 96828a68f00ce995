import { lacking } from '../props/equipment';
import { describe, expect, test } from 'vitest';
import {
  type Block,
  blockWhyText,
  exerciseOf,
  hardLinks,
  isAsked,
  leftOutTexts,
  noPlanWishes,
  phasesJoined,
  planPhases,
  planProgression,
  standInRung,
  weekFlags,
  weekNoteText,
  type PlanAsk,
  type PlanWishes
} from '../index';
import { limit, somebody, stopped } from '../testing/person';
import { splitPlanAsk, splitWeekAsk } from '../testing/plan';
import { solveHere } from '../testing/solver';
import { weekFor } from '../testing/week';
import { isHard } from './hardWork';
import { themesOf } from './sessionSlot';

const planWith = async (wishes: Partial<PlanWishes>, more: Partial<PlanAsk> = {}) => {
  const { weeks } = await planProgression({ ...splitPlanAsk, ...more, wishes: { ...noPlanWishes, ...wishes } }, solveHere);
  return weeks.flatMap((w) => w.sessions);
};
const idsIn = (s: Awaited<ReturnType<typeof planWith>>[number]) =>
  s.blocks.filter((b) => b.work.some(isAsked)).map((b) => b.exerciseId);

describe('a session at home', () => {
  const studio = weekFor(splitWeekAsk);
  const homeWeek = studio.map((w) => (w.exercise.id === 'rear_hip_cycle' ? { ...w, lacks: ['pad' as const] } : w));

  test('has nothing for which a thing is missing there, and says what is missing; in the studio it is done', async () => {
    const sessions = await planWith({ sessions: { 2: { atHome: true, beginsAt: '07:30' } } }, { homeWeek });
    for (const s of sessions) {
      const isHome = s.ordinal === 2;
      expect([s.place, s.beginsAt]).toEqual(isHome ? ['home', '07:30'] : ['studio', null]);
      expect(idsIn(s).includes('rear_hip_cycle')).toBe(!isHome);
      if (isHome) expect(leftOutTexts(s.leftOut)).toContain('There is no knee pad there. Left out: rear hip, half kneeling.');
    }
  });
  test('what stands in there is done there alone, says for what, and asks the gate', async () => {
    const { id } = studio[2]!.exercise;
    const [lunge] = weekFor({ ids: ['low_lunge'] });
    const there = [...homeWeek, { ...lunge!, standsFor: id }];
    const wishes = { sessions: { 2: { atHome: true } } } as const;
    const sessions = await planWith(wishes, { homeWeek: there });
    for (const s of sessions) expect(idsIn(s).includes('low_lunge')).toBe(s.place === 'home');
    const because = sessions.find((s) => s.place === 'home')!.blocks.find((b) => b.exerciseId === 'low_lunge')!.because;
    expect(because.map(blockWhyText)).toContain(
      'Stands in at home for “Rear hip, half kneeling”, which needs what is not there.'
    );
    const kept = await planWith({ ...wishes, bans: [{ exerciseId: id, session: null }] }, { homeWeek: there });
    expect(kept.flatMap(idsIn), 'what is kept out has no stand-in').not.toContain('low_lunge');
    const locked = await planWith(wishes, {
      homeWeek: there,
      person: somebody({ stops: [stopped({ exerciseId: 'low_lunge', side: null })] })
    });
    expect(locked.flatMap(idsIn)).not.toContain('low_lunge');
  });
  test('an exercise of the studio’s own that is left out is told by its name, which no catalogue knows', async () => {
    const own = { ...studio[1]!, isOwn: true, exercise: { ...studio[1]!.exercise, id: 'own_7', name: 'Sill lunge' } };
    const week = [studio[0]!, own];
    const atHome = [studio[0]!, { ...own, lacks: ['chair' as const] }];
    const sessions = await planWith({ sessions: { 1: { atHome: true } } }, { week, homeWeek: atHome });
    expect(leftOutTexts(sessions[0]!.leftOut)).toContain('There is no chair there. Left out: sill lunge.');
  });
  test('a stack stands in for another only where it is no harder, and not so much easier that it is another exercise', () => {
    const rungs = [20, 15, 9, 0].map((depthCm) => ({ depthCm, heightCm: depthCm, items: [] }) as never);
    expect(standInRung(rungs, 12)).toMatchObject({ depthCm: 15 });
    expect(standInRung(rungs, 15)).toMatchObject({ depthCm: 15 });
    expect(standInRung(rungs, 21)).toBeUndefined();
    expect(standInRung(rungs, 2.5)).toBeUndefined();
  });
  test('a wall and one’s own clothes are everywhere, what does in its place counts, and a partner is nowhere', () => {
    expect(lacking(['wall', 'rail', 'towel', 'shoes'], new Set())).toEqual([]);
    expect(lacking(['block'], new Set(['book']))).toEqual([]);
    expect(lacking(['block', 'partner'], new Set(['cushion']))).toEqual(['block', 'partner']);
    // A strap does for a band, and a towel for a strap: a towel is no band.
    expect(lacking(['strap', 'band'], new Set())).toEqual(['band']);
  });
});

describe('a session that is given to something', () => {
  // Source: common practice: nothing hard right before other training.
  test('before other training nothing is hard', async () => {
    for (const s of await planWith({ sessions: { 1: { training: 'before training' } } }))
      if (s.ordinal === 1) expect([...hardLinks(s.blocks)]).toEqual([]);
  });
  // Source: common practice: tired muscles hold the range less well, so active work is not put after other training.
  test('after other training there is no active work, and the others hold it', async () => {
    const sessions = await planWith({ sessions: { 1: { training: 'after training' } } });
    const owns = (s: (typeof sessions)[number]) => s.blocks.some((b) => b.part === 'own');
    expect(sessions.filter((s) => s.ordinal === 1).some(owns)).toBe(false);
    expect(sessions.filter((s) => s.ordinal !== 1).some(owns)).toBe(true);
  });
  test('stretch alone has no effort and no lifts; own strength alone nothing that is only held', async () => {
    const sessions = await planWith({ sessions: { 1: { only: 'stretch' }, 2: { only: 'own strength' } } });
    for (const s of sessions) {
      const parts = s.blocks.filter((b) => b.work.some(isAsked)).map((b) => b.part);
      if (s.ordinal === 1) {
        expect(parts).not.toContain('own');
        for (const b of s.blocks) for (const w of b.work.filter(isAsked)) expect(w.form.kind).toBe('hold');
      }
      if (s.ordinal === 2) {
        expect(parts.length).toBeGreaterThan(0);
        expect(parts).not.toContain('position');
      }
    }
  });
  test('where every session is of stretch alone, lifts are in none of them: not as usual either', async () => {
    const stretch = { only: 'stretch' } as const;
    const sessions = await planWith({ sessions: { 1: stretch, 2: stretch, 3: stretch } });
    for (const s of sessions) expect(s.blocks.map((b) => b.part)).not.toContain('own');
  });
  test('wishes that leave nothing for any session make no plan, and minutes are asked for by what can be used', async () => {
    const lifts = weekFor({ ...splitWeekAsk, ids: ['front_leg_lift'] });
    await expect(planWith({ hardSessions: 0 }, { week: lifts })).rejects.toMatchObject({ code: 'not_solved' });
    const week = weekFor({ ...splitWeekAsk, ids: ['front_leg_lift', 'front_hamstring_cycle'] });
    const short = planWith(
      { sessions: { 1: { only: 'stretch' }, 2: { only: 'stretch' }, 3: { only: 'stretch' } } },
      { week, minutes: 9, person: somebody({ limits: [limit('warm-up at least', { value: 480 })] }) }
    );
    await expect(short).rejects.toMatchObject({ code: 'minutes_too_few' });
  });
  test('at most so many sessions a week are hard', async () => {
    const sessions = await planWith({ hardSessions: 1 });
    for (const week of [1, 2, 3, 4])
      expect(sessions.filter((s) => s.week === week && hardLinks(s.blocks).size > 0).length).toBeLessThanOrEqual(1);
  });
});

describe('themes', () => {
  test('are what the week opens and works actively, the limit first', () => {
    const week = ['front_split_on_stack', 'rear_hip_cycle', 'front_hamstring_cycle', 'front_leg_lift'].map(exerciseOf);
    expect(themesOf(week, ['HF-KS', 'HE'])).toEqual(['HF-KS', 'HE']);
  });
  test('take turns over the weeks, the position is in each, and a pin is kept whatever the theme', async () => {
    const sessions = await planWith({ themes: true, pins: [{ exerciseId: 'rear_knee_lift', session: 1 }] });
    expect(sessions.slice(0, 4).map((s) => s.theme)).toEqual(['HE', 'HF-KS', 'HE', 'HF-KS']);
    for (const s of sessions) {
      for (const b of s.blocks.filter((b) => b.part === 'open' || b.part === 'own'))
        expect(b.links.includes(s.theme!) || (b.exerciseId === 'rear_knee_lift' && s.ordinal === 1), b.exerciseId).toBe(true);
      expect(idsIn(s)).toContain('front_split_on_stack');
    }
  });
});

describe('what is caught up', () => {
  const often = { rear_hip_cycle: 'once a week' } as const;
  const holds = (s: Awaited<ReturnType<typeof planWith>>[number] | undefined) => idsIn(s!).includes('rear_hip_cycle');
  test('is in the next session of the first week alone, and where it is kept out it stays out', async () => {
    const catchUp = { after: 1, exerciseIds: ['rear_hip_cycle'] };
    const sessions = await planWith({ often }, { catchUp, fromWeek: 2 });
    const inWeek = (week: number) => sessions.filter((s) => s.week === week);
    expect(holds(inWeek(2)[1])).toBe(true);
    const usual = await planWith({ often });
    expect(inWeek(3).map(holds)).toEqual(usual.filter((s) => s.week === 3).map(holds));
    const bans = [{ exerciseId: 'rear_hip_cycle', session: 2 }];
    expect(holds((await planWith({ often, bans }, { catchUp, fromWeek: 2 })).find((s) => s.week === 2 && s.ordinal === 2))).toBe(
      false
    );
  });
});

describe('who joins in step', () => {
  test('settles in first, and goes on with the others then', () => {
    expect(phasesJoined(10, null, [])).toEqual(planPhases(10));
    expect(phasesJoined(10, 4, []).slice(3)).toEqual(['settle in', ...planPhases(10).slice(4)]);
    // Three weeks are left room to settle in, two are not.
    expect(phasesJoined(10, 8, [])[7]).toBe('settle in');
    expect(phasesJoined(10, 9, [])).toEqual(planPhases(10));
  });

  test('no phase begins with an easy week: that is still of the one before', () => {
    const at = planPhases(12).indexOf('own');
    expect(phasesJoined(12, null, [at + 1])[at]).toBe('open');
    expect(phasesJoined(12, null, [at + 1])[at + 1]).toBe('own');
  });
});

test('hard is an effort from 60 % on, drawn as well as pressed, and every lift', () => {
  const block = (peakPct: number, effort: 'press' | 'draw', part: Block['part'] = 'open'): Block => ({
    ...{ exerciseId: 'rear_hip_cycle', part, links: ['HE'], baseSets: 1, leastHoldS: 30, priority: 1, props: [], because: [] },
    work: [
      {
        ...{ side: 'left', sets: 1, setting: {} },
        form: {
          kind: 'cycle',
          spec: {
            ...{ holdS: 30, rounds: 1, turnS: 0, settleS: 10, finalSettleS: 10 },
            [effort]: { rampUpS: 2, holdS: 5, rampDownS: 2, peakPct }
          }
        }
      }
    ]
  });
  for (const effort of ['press', 'draw'] as const)
    expect([59, 60].map((pct) => isHard(block(pct, effort)))).toEqual([false, true]);
  expect(isHard(block(20, 'press', 'own'))).toBe(true);
});

describe('what a week leans on', () => {
  const flagsOf = async (ids: readonly string[], more: Partial<PlanAsk> = {}) => {
    const week = weekFor({ ...splitWeekAsk, ids });
    return weekFlags(await planWith({}, { week, weeks: 1, ...more }));
  };
  test('a week of the usual has nothing to say', async () => expect(weekFlags(await planWith({}))).toEqual([]));
  test('nothing but stretch is told', async () => {
    expect(await flagsOf(['front_split_on_stack'])).toContainEqual({ code: 'all passive' });
  });
  test('one side that is stopped, and one exercise that takes most of it, are told with their figures', async () => {
    const person = somebody({ stops: [stopped({ exerciseId: 'front_hamstring_cycle', side: 'left' })] });
    expect(await flagsOf(['front_hamstring_cycle'], { person })).toContainEqual({
      code: 'one sided',
      link: 'HF-KS',
      side: 'right'
    });
    const long = weekFor({
      ...splitWeekAsk,
      ids: ['front_split_on_stack', 'front_leg_lift', 'rear_knee_lift'],
      settings: { front_split_on_stack: { left: { depthCm: 15, holdS: 300 }, right: { depthCm: 15, holdS: 300 } } }
    });
    const leaning = weekFlags(await planWith({}, { week: long, weeks: 1, minutes: 120 })).find((f) => f.code === 'leans on');
    expect(leaning).toMatchObject({ exerciseId: 'front_split_on_stack' });
    expect(weekNoteText(leaning!)).toMatch(/^Front split on its stack takes \d\d % of the week’s work\./);
  });
});
