import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { solveHere } from '../testing/solver';
import type { Allotment } from './allotment';
import { doseSteps, followingSessions, solveWeek, wishWorth, type Way, type WeekItem, type WeekModel } from './weekProgram';

const way = (more: Partial<Way> = {}): Way => ({
  light: false,
  short: false,
  hard: [],
  fixedS: 30,
  setS: 120,
  doseMin: { 'HF-KS': 1 },
  ...more
});
const item = (exerciseId: string, more: Partial<WeekItem> = {}): WeekItem => ({
  exerciseId,
  ways: [way()],
  mostSets: 2,
  extraS: null,
  opens: ['HF-KS'],
  owns: [],
  props: 0,
  often: 'as it fits',
  pinned: [],
  banned: [],
  ...more
});
const week = (items: readonly WeekItem[], more: Partial<WeekModel> = {}): WeekModel => ({
  items,
  sessions: [
    { day: 0, seconds: 600 },
    { day: 3, seconds: 600 }
  ],
  priority: { 'HF-KS': 1, HE: 0.5 },
  demands: [],
  ...more
});
const setsOf = (week: readonly Allotment[], exerciseId: string) =>
  week.map((s) => s.find((a) => a.exerciseId === exerciseId)!.sets);

describe('against every choice', () => {
  /** A choice for one item in one session: no way, or a way with its sets and the extra set. */
  type Chosen = Readonly<{ way: Way; sets: number; extra: boolean }> | null;
  const choicesOf = (of: WeekItem, s: number): Chosen[] => [
    null,
    ...(of.banned.includes(s) ? [] : of.ways.filter((w) => !w.not?.includes(s))).flatMap((w) =>
      Array.from({ length: w.short ? 1 : of.mostSets }, (_, n) => n + 1).flatMap((sets) =>
        (of.extraS === null ? [false] : [false, true]).map((extra) => ({ way: w, sets, extra }))
      )
    )
  ];
  const concave = (min: number, steps: readonly Readonly<{ toMin: number; share: number }>[]) =>
    steps.reduce((sum, { toMin, share }, k) => sum + share * Math.max(0, Math.min(min, toMin) - (steps[k - 1]?.toMin ?? 0)), 0);

  /** What a week is worth by the words of the model, reckoned without a program; null where it breaks what is firm. */
  function worthOf(model: WeekModel, chosen: readonly (readonly Chosen[])[]): number | null {
    const { items, sessions } = model;
    const following = followingSessions(sessions.map((s) => s.day));
    const hardIn = chosen.map((c) => new Set(c.flatMap((x) => x?.way.hard ?? [])));
    if (model.hardSessions != null && hardIn.filter((links) => links.size > 0).length > model.hardSessions) return null;
    const isMore = chosen.some((c, s) =>
      (model.rungs ?? []).some((ladder) => {
        const done = items.filter((of, i) => c[i] && ladder.includes(of.exerciseId));
        const put = items.filter((of) => of.pinned.includes(s) && ladder.includes(of.exerciseId));
        return done.filter((of) => !put.includes(of)).length > (put.length > 0 ? 0 : 1);
      })
    );
    if (isMore) return null;
    if (following.some(([s, t]) => [...hardIn[s]!].some((link) => hardIn[t]!.has(link)))) return null;
    for (const [s, { seconds }] of sessions.entries()) {
      const used = chosen[s]!.reduce(
        (sum, x, i) => sum + (x ? x.way.fixedS + x.way.setS * x.sets + (x.extra ? items[i]!.extraS! : 0) : 0),
        0
      );
      if (used > seconds) return null;
    }
    let worth = 0;
    for (const [link, priority] of Object.entries(model.priority)) {
      const inSessions = chosen.map((c) => {
        const min = c.reduce((sum, x) => sum + (x ? (x.way.doseMin[link as 'HE'] ?? 0) * x.sets : 0), 0);
        return concave(min, doseSteps.session);
      });
      worth += priority * concave(inSessions.reduce((a, b) => a + b, 0), doseSteps.week); // prettier-ignore
    }
    for (const [i, of] of items.entries()) {
      const times = chosen.map((c) => c[i]!);
      worth += times.reduce((sum, x, s) => sum + (x ? wishWorth.session - 0.03 - 0.02 * of.props - 0.001 * s : 0), 0);
      worth += times.filter((x) => x?.extra).length * wishWorth.extra;
      if (times.every((x) => x === null)) worth -= wishWorth.item;
      for (const s of of.pinned) if (!of.banned.includes(s) && !times[s]) worth -= wishWorth.pin;
    }
    for (const [s, c] of chosen.entries())
      if (items.some((of) => choicesOf(of, s).length > 1) && c.every((x) => x === null)) worth -= wishWorth.anything;
    const isDone = (of: (x: WeekItem) => boolean) => chosen.some((c) => c.some((x, i) => x && of(items[i]!)));
    for (const link of model.demands)
      if (items.some((x) => x.opens.includes(link) || x.owns.includes(link)))
        if (!isDone((x) => x.opens.includes(link) || x.owns.includes(link))) worth -= wishWorth.demand;
    for (const link of new Set(items.flatMap((x) => x.opens)))
      if (items.some((x) => x.owns.includes(link)))
        if (isDone((x) => x.opens.includes(link) && !x.owns.includes(link)) && !isDone((x) => x.owns.includes(link)))
          worth -= wishWorth.pairing;
    return worth;
  }

  function bestOf(model: WeekModel): number {
    let best = -Infinity;
    const places = model.sessions.flatMap((_, s) => model.items.map((of, i) => ({ s, i, choices: choicesOf(of, s) })));
    const chosen: Chosen[][] = model.sessions.map(() => []);
    const go = (n: number) => {
      if (n === places.length) {
        best = Math.max(best, worthOf(model, chosen) ?? -Infinity);
        return;
      }
      const { s, i, choices } = places[n]!;
      for (const x of choices) {
        chosen[s]![i] = x;
        go(n + 1);
      }
    };
    go(0);
    return best;
  }

  const anyWay = fc.record({
    light: fc.constant(false),
    short: fc.constant(false),
    hard: fc.constantFrom<readonly 'HE'[]>([], ['HE']),
    fixedS: fc.constantFrom(15, 45),
    setS: fc.constantFrom(60, 130, 240),
    doseMin: fc.record({ 'HF-KS': fc.constantFrom(0, 1, 2.5), HE: fc.constantFrom(0, 1.5) }),
    not: fc.constantFrom<readonly number[]>([], [], [1])
  });
  const anyItem = fc.record({
    exerciseId: fc.uuid(),
    // The first is whole, and worth no less than a short one.
    ways: fc
      .array(anyWay, { minLength: 1, maxLength: 2 })
      .map(([whole, short]) => [
        whole!,
        ...(short
          ? [{ ...short, short: true, doseMin: { 'HF-KS': whole!.doseMin['HF-KS'] / 2, HE: whole!.doseMin.HE / 2 } }]
          : [])
      ]),
    mostSets: fc.constantFrom(1, 2),
    extraS: fc.constantFrom(null, 70),
    opens: fc.constantFrom<readonly ('HF-KS' | 'HE')[]>([], ['HF-KS'], ['HE']),
    owns: fc.constantFrom<readonly ('HF-KS' | 'HE')[]>([], ['HE']),
    props: fc.constantFrom(0, 2),
    often: fc.constant('as it fits' as const),
    pinned: fc.constantFrom<readonly number[]>([], [0]),
    banned: fc.constantFrom<readonly number[]>([], [1])
  });

  // Source: every combination of ways, sets and extra sets, tried one by one.
  test('no week is worth more than the one that is found, within the gap, and what is firm is kept', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(anyItem, { minLength: 1, maxLength: 3 }),
        fc.constantFrom(150, 420, 2000),
        fc.constantFrom(1, 3),
        fc.constantFrom(null, null, 0, 1),
        fc.boolean(),
        async (items, seconds, day, hardSessions, areRungs) => {
          const model = week(items, {
            sessions: [
              { day: 0, seconds },
              { day, seconds }
            ],
            demands: ['HE'],
            hardSessions,
            ...(areRungs && { rungs: [items.map((i) => i.exerciseId)] })
          });
          const { sessions: found } = await solveWeek(model, solveHere);
          const chosen = found.map((allotment) =>
            allotment.map((a, i): Chosen => {
              if (a.sets === 0) return null;
              return { way: items[i]!.ways.find((w) => w.short === (a.short === true))!, sets: a.sets, extra: a.extra === true };
            })
          );
          const best = bestOf(model);
          const worth = worthOf(model, chosen);
          expect(worth).not.toBeNull();
          expect(worth!).toBeGreaterThanOrEqual(best - 0.01 * Math.max(1, Math.abs(best)) - 1e-6);
        }
      ),
      { numRuns: 60 }
    ));
});

describe('what is given up first', () => {
  const lift = item('lift', { opens: [], owns: ['HF-KS'], ways: [way({ hard: ['HF-KS'] })] });

  test('everything is done where there is time, without a search', async () => {
    const never = () => Promise.reject(new Error('nothing to solve'));
    expect(setsOf((await solveWeek(week([item('a'), item('b')]), never)).sessions, 'b')).toEqual([2, 2]);
  });
  test('hard work for one motion is never on following days, also over the end of the week', async () => {
    for (const days of [
      [0, 1],
      [0, 6]
    ]) {
      const { sessions: found } = await solveWeek(
        week([lift], { sessions: days.map((day) => ({ day, seconds: 900 })) }),
        solveHere
      );
      expect(setsOf(found, 'lift').filter((n) => n > 0)).toHaveLength(1);
    }
  });
  test('a pin comes before benefit, and a ban before everything', async () => {
    const poor = item('poor', { ways: [way({ doseMin: {} })], opens: [], pinned: [0, 1], banned: [1] });
    const { sessions: found } = await solveWeek(week([item('rich'), poor], { sessions: [{ day: 0, seconds: 200 }, { day: 3, seconds: 200 }] }), solveHere); // prettier-ignore
    expect(setsOf(found, 'poor')).toEqual([1, 0]);
    expect(setsOf(found, 'rich')).toEqual([0, 1]);
  });
  test('active work for what is opened is kept before more stretching', async () => {
    const { sessions: found } = await solveWeek(week([item('open'), lift], { sessions: [{ day: 0, seconds: 330 }] }), solveHere);
    expect(setsOf(found, 'open').concat(setsOf(found, 'lift'))).toEqual([1, 1]);
  });
  test('a short session holds something, though what is opened in it is not worked actively', async () => {
    const sessions = [{ day: 0, seconds: 160 }];
    const long = item('long', { opens: [], owns: ['HF-KS'], ways: [way({ setS: 900 })] });
    expect(setsOf((await solveWeek(week([item('open'), long], { sessions }), solveHere)).sessions, 'open')).toEqual([1]);
  });
  test('no more sessions with hard work than are wished, and no way where it cannot be done', async () => {
    const sessions = [0, 2, 4].map((day) => ({ day, seconds: 3000 }));
    const { sessions: found } = await solveWeek(
      week([lift, item('there', { ways: [way({ not: [1] })] })], { sessions, hardSessions: 1 }),
      solveHere
    );
    expect(setsOf(found, 'lift').filter((n) => n > 0)).toHaveLength(1);
    expect(setsOf(found, 'there')).toEqual([2, 0, 2]);
  });
  test('of two that are alike the one in favour is done, though it costs props to fetch, and done more often', async () => {
    const days = (count: number) => ({ sessions: [0, 2, 4].slice(0, count).map((day) => ({ day, seconds: 160 })) });
    for (const favoured of ['a', 'b']) {
      const alike = (more: Partial<WeekItem>) =>
        ['a', 'b'].map((id) => item(id, { mostSets: 1, ...(id === favoured && { favour: 2, ...more }) }));
      const once = await solveWeek(week(alike({ props: 35 }), days(1)), solveHere);
      expect(setsOf(once.sessions, favoured), favoured).toEqual([1]);
      const thrice = await solveWeek(week(alike({}), days(3)), solveHere);
      expect(
        setsOf(thrice.sessions, favoured).filter((n) => n > 0),
        favoured
      ).toHaveLength(2);
    }
  });
  test('no motion is stretched for longer than is let, in a session and in the week; one long set is done all the same', async () => {
    const sessions = [0, 2, 4].map((day) => ({ day, seconds: 9000 }));
    const stretch = (min: number, id: string) => item(id, { mostSets: 9, ways: [way({ stretchMin: { 'HF-KS': min } })] });
    const minutes = async (items: readonly WeekItem[], weekMin = 20) => {
      const { sessions: found } = await solveWeek(
        week(items, { sessions, mostOf: () => ({ sessionMin: 8, weekMin }) }),
        solveHere
      );
      return found.map((s) => s.reduce((all, a) => all + a.sets * (a.exerciseId === 'a' ? 2 : 3), 0));
    };
    const usual = await minutes([stretch(2, 'a'), stretch(3, 'b')]);
    expect(Math.max(...usual)).toBeLessThanOrEqual(8);
    expect(usual.reduce((a, b) => a + b)).toBeLessThanOrEqual(20);
    const growing = await minutes([stretch(2, 'a'), stretch(3, 'b')], 12);
    expect(growing.reduce((a, b) => a + b)).toBeLessThanOrEqual(12);
    const long = await solveWeek(week([stretch(10, 'long')], { sessions }), solveHere);
    expect(setsOf(long.sessions, 'long').filter((n) => n > 0)).toEqual([1, 1]);
  });
  test('once a week and every other day are kept', async () => {
    const sessions = [0, 1, 2].map((day) => ({ day, seconds: 3000 }));
    const { sessions: found } = await solveWeek(
      week([item('once', { often: 'once a week' }), item('other', { often: 'every other day' })], { sessions }),
      solveHere
    );
    expect(setsOf(found, 'once').filter((n) => n > 0)).toHaveLength(1);
    expect(setsOf(found, 'other').map((n) => n > 0)).toEqual([true, false, true]);
  });
  test('no time at all gives empty sessions, and nothing in the week none', async () => {
    const { sessions: found } = await solveWeek(week([item('a')], { sessions: [{ day: 0, seconds: 10 }] }), solveHere);
    expect(setsOf(found, 'a')).toEqual([0]);
    expect((await solveWeek(week([]), solveHere)).sessions).toEqual([[], []]);
  });
});

describe('two rungs of a ladder', () => {
  const two = [item('wrist_floor'), item('wrist_lean')];
  const rungs = [['wrist_floor', 'wrist_lean']];
  const doneIn = (sessions: readonly Allotment[]) => sessions.map((s) => s.filter((a) => a.sets > 0).map((a) => a.exerciseId));

  test('take turns: none is done beside the other, and neither falls out of the week', async () => {
    const { sessions } = await solveWeek(week(two, { rungs }), solveHere);
    expect(doneIn(sessions).flat().toSorted()).toEqual(['wrist_floor', 'wrist_lean']);
    expect(doneIn(sessions).map((s) => s.length)).toEqual([1, 1]);
  });

  test('are both done where somebody put them in', async () => {
    const put = two.map((i) => ({ ...i, pinned: [1] }));
    const { sessions } = await solveWeek(week(put, { rungs }), solveHere);
    expect(doneIn(sessions)[1]).toEqual(['wrist_floor', 'wrist_lean']);
    expect(doneIn(sessions)[0]!.length).toBeLessThan(2);
  });
});
