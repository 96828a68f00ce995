import { describe, expect, test } from 'vitest';
import {
  arrangedSession,
  compileForm,
  doseByLink,
  exerciseOf,
  fittedSession,
  isWorked,
  ladder,
  sessionTemplates,
  timelineOf,
  uncutSession,
  usualArrangement,
  warningsOf,
  type Arrangement,
  type Block,
  type Form,
  sides,
  type CoreError,
  type Policies,
  type Prop
} from '../index';
import { limit, somebody, stopped } from '../testing/person';
import { weekFor } from '../testing/week';

const shelf: Prop[] = [{ id: 'block', name: 'block', quantity: 3, faces: [{ heightCm: 10, widthCm: 15, depthCm: 23 }] }];
const rungs = ladder({ fromCm: 20, toCm: 0, shelf }).steps;
const both = { left: { depthCm: 20, holdS: 30 }, right: { depthCm: 20, holdS: 30 } };
const week = weekFor({
  settings: { front_split_on_stack: both },
  rungs: { left: rungs, right: rungs },
  measuredCm: { left: 20, right: 20 }
});
const ask = {
  week,
  phase: 'open',
  amount: 'whole',
  light: false,
  level: 'intermediate',
  leadSide: 'left',
  weakerSide: null,
  tighterSide: null,
  limiting: [],
  breathS: 8,
  person: somebody(),
  today: '2026-03-02',
  minutes: 38
} as const;
const { blocks } = uncutSession(ask);
const usual: Arrangement = { ...usualArrangement(blocks, 60), fits: false };
const make = (more: Partial<Arrangement> = {}, of: readonly Block[] = blocks) => arrangedSession(of, { ...usual, ...more }, 60);
const idsOf = (of: readonly Block[]) => of.map((b) => b.exerciseId);
const worked = (of: readonly Block[]) => idsOf(of.filter(isWorked));
const part = (exerciseId: string, sets?: number) => ({ exerciseId, ...(sets !== undefined && { sets }) });

describe('arranging', () => {
  test('changes nothing by itself', () => expect(make().blocks).toEqual(blocks));

  test('keeps the order it is given, the warm-up first and the settle last', () => {
    const parts = usual.parts.toReversed();
    expect(idsOf(make({ parts }).blocks)).toEqual(['split_warm_up', ...parts.map((p) => p.exerciseId), 'settle']);
  });

  test('what is taken out is not done, and what came into the week since is', () => {
    const parts = usual.parts.filter((p) => p.exerciseId !== 'rear_hip_cycle' && p.exerciseId !== 'front_leg_lift');
    const given = worked(make({ parts, out: ['rear_hip_cycle'] }).blocks);
    expect(given).not.toContain('rear_hip_cycle');
    expect(given.at(-1)).toBe('front_leg_lift');
  });

  test('sets are those of either side; of two visits each is a block of its own', () => {
    const { blocks: given } = make({
      parts: [part('front_leg_lift', 3), part('front_split_on_stack', 1), part('front_split_on_stack', 1)],
      out: idsOf(blocks).filter((id) => id !== 'front_leg_lift' && id !== 'front_split_on_stack')
    });
    expect(worked(given)).toEqual(['front_leg_lift', 'front_split_on_stack', 'front_split_on_stack']);
    expect(given[1]!.work.map((w) => w.sets)).toEqual([3, 3]);
    expect(new Set(timelineOf({ blocks: given, options: make().options }).sets.map((s) => s.blockIndex)).size).toBe(given.length);
    const oneCut = arrangedSession(
      blocks,
      {
        ...usual,
        parts: [part('front_split_on_stack', 1), part('front_split_on_stack', 1)],
        out: idsOf(blocks).filter((id) => id !== 'front_split_on_stack'),
        fits: true,
        minutes: 10
      },
      60
    );
    expect(worked(oneCut.blocks)).toEqual(['front_split_on_stack']);
  });

  test('of one side alone nothing of the other is done; what both do together is done whole', () => {
    const out = idsOf(blocks).filter((id) => id !== 'front_leg_lift');
    const given = make({ parts: [{ ...part('front_leg_lift', 2), side: 'right' }], out }).blocks.filter(isWorked);
    expect(given.map((b) => b.work.map((w) => [w.side, w.sets]))).toEqual([[['right', 2]]]);
    const together = blocks.map((b) => ({ ...b, work: b.work.slice(0, 1).map((w) => ({ ...w, side: null })) }));
    expect(worked(make({ parts: [{ ...part('front_leg_lift'), side: 'right' }], out }, together).blocks)).toEqual([
      'front_leg_lift'
    ]);
    // Where the gate bars a side there is nothing of it, by hand neither.
    const oneLeft = blocks.map((b) => ({ ...b, work: b.work.filter((w) => w.side !== 'right') }));
    expect(worked(make({ parts: [{ ...part('front_leg_lift'), side: 'right' }], out }, oneLeft).blocks)).toEqual([]);
  });

  test('get-ready and rest are as wished, and counted to the second', () => {
    const spare = timelineOf({ blocks, options: make().options }).sets.length;
    const longer = make({ setupS: usual.setupS + 10, restS: usual.restS + 10 }).durationS - make().durationS;
    expect(longer).toBe(10 * (spare - 1)); // none before the first set
    expect(() => make({ restS: -1 })).toThrow('out_of_range');
    expect(() => make({ parts: [part('front_leg_lift', 0)] })).toThrow('out_of_range');
  });

  test('a day of stretch has no contraction, a day of effort no hold before it', () => {
    const formsOf = (work: Arrangement['work']) =>
      make({ work })
        .blocks.filter(isWorked)
        .flatMap((b) => b.work.map((w) => w.form));
    for (const form of formsOf('stretch only')) for (const p of compileForm(form)) expect([p.fromPct, p.toPct]).toEqual([0, 0]);
    const effort = formsOf('effort only');
    expect(effort.length).toBeGreaterThan(0);
    for (const form of effort) expect(compileForm(form)[0]!.kind).not.toBe('hold');
  });

  // Source: common practice, the cautious side: a line kept from long holds is held 30 s at most.
  test('a day of stretch holds nothing longer than the gate allows at one go', () => {
    const limits = [limit('no long hold of a line', { line: 'hamstring', side: 'left' })];
    const kept = uncutSession({ ...ask, person: somebody({ limits }) });
    const held = make({ work: 'stretch only' }, kept.blocks).blocks.find((b) => b.exerciseId === 'front_hamstring_cycle')!;
    const holdOf = (side: 'left' | 'right') => compileForm(held.work.find((w) => w.side === side)!.form)[0]!.endS;
    expect(holdOf('left')).toBe(30);
    expect(holdOf('right')).toBeGreaterThan(30);
  });

  // What the gate bars is no block, so no arrangement brings it back.
  test('what is barred cannot be put in by hand', () => {
    const locked = uncutSession({ ...ask, person: somebody({ stops: [stopped({ joint: 'hip', side: 'left' })] }) });
    const given = make({ parts: usual.parts }, locked.blocks);
    expect(given.blocks.some((b) => b.exerciseId === 'front_split_on_stack')).toBe(false);
  });

  test('is cut to its own minutes in its own order, or not at all', () => {
    const cut = make({ fits: true, minutes: 20, cutOrder: ['holds', 'extra sets', 'rounds', 'second link', 'blocks'] });
    expect(cut.durationS).toBeLessThanOrEqual(20 * 60);
    expect(cut.cuts[0]!.kind).toBe('holds');
    expect(make({ minutes: 1 }).cuts).toEqual([]);
  });

  test('side by side as well the last active work is never cut, on either side', () => {
    const bySide = usual.parts.flatMap((p) => [
      { ...p, side: 'left' as const },
      { ...p, side: 'right' as const }
    ]);
    for (const minutes of [14, 18, 24]) {
      const given = make({ parts: bySide, fits: true, minutes, cutOrder: ['second link', 'blocks'] }).blocks;
      for (const open of given.filter((b) => b.part === 'open'))
        for (const { side } of open.work)
          for (const link of open.links)
            expect(
              given.some((b) => b.part === 'own' && b.links.includes(link) && b.work.some((w) => w.side === side)),
              `${minutes} min, ${link} ${side}`
            ).toBe(true);
    }
  });

  test('the last active work of a motion that is stretched is never cut', () => {
    for (const minutes of [12, 15, 18, 22, 30]) {
      const given = make({ fits: true, minutes }).blocks;
      for (const link of given.filter((b) => b.part === 'open').flatMap((b) => b.links))
        expect(
          given.some((b) => b.part === 'own' && b.links.includes(link)),
          `${minutes} min, ${link}`
        ).toBe(true);
    }
  });
});

test('a session of a day and a night is refused, with what it comes to', () => {
  const parts = Array.from({ length: 12 }, () => part('front_hamstring_cycle', 20));
  expect(() => make({ parts, out: [] })).toThrow(expect.objectContaining({ code: 'session_too_long' }));
  // 160 sets alone would do, with ten minutes of rest between them they last longer than ten hours.
  const long = Array.from({ length: 4 }, () => part('front_hamstring_cycle', 20));
  expect(() => make({ parts: long, out: [], restS: 600 })).toThrow(expect.objectContaining({ code: 'session_too_long' }));
});

test('what shape, hands and time go by goes into the work, and no hold gets longer by it', () => {
  const held = (rules: Partial<Policies>) =>
    uncutSession({ ...ask, week: week.map((w) => ({ ...w, rules })) })
      .blocks.filter(isWorked)
      .flatMap((b) => b.work);
  const holdOf = ({ form }: Block['work'][number]) => (form.kind === 'hold' || form.kind === 'cycle' ? form.spec.holdS : 0);
  const usualS = held({}).map(holdOf);
  for (const time of ['counts', 'breaths', 'until eased'] as const) {
    const works = held({ time });
    works.forEach((w, i) => expect(holdOf(w)).toBeLessThanOrEqual(usualS[i]!));
    const timed = works.flatMap(({ form }) =>
      form.kind === 'hold' ? [form.spec] : form.kind === 'cycle' ? [form.spec.hold] : []
    );
    expect(timed.length).toBeGreaterThan(2);
    for (const hold of timed) expect(hold).toMatchObject({ goesBy: time });
    if (time === 'breaths') for (const w of works) expect(holdOf(w) % ask.breathS).toBe(0);
  }
  expect(held({}).every((w) => w.rules === undefined)).toBe(true);
  expect(held({ alignment: 'graded', hands: 'none' })[0]!.rules).toEqual({ alignment: 'graded', hands: 'none' });
});

describe('passes that grow', () => {
  const breath: Block = {
    ...blocks.find((b) => b.exerciseId === 'front_hamstring_cycle')!,
    baseSets: 3,
    work: [
      { side: 'left', sets: 3, setting: {}, most: 8, form: { kind: 'breaths', spec: { breaths: 3, breathS: 5, effortPct: 0 } } }
    ]
  };
  const breathsOf = (block: Block) =>
    timelineOf({ blocks: [block] }).sets.map((s) => (s.work.form.kind === 'breaths' ? s.work.form.spec.breaths : 0));

  test('three, six, and no more than the gate lets through; the seconds follow', () => {
    expect(breathsOf({ ...breath, grows: true })).toEqual([3, 6, 8]);
    expect(breathsOf(breath)).toEqual([3, 3, 3]);
    const { sets } = timelineOf({ blocks: [{ ...breath, grows: true }] });
    expect(sets.map((s) => s.endS - s.workStartS)).toEqual([15, 30, 40]);
    expect(doseByLink([{ ...breath, grows: true }]).map((d) => d.stretchS)).toEqual([85]);
  });

  test('what is not counted in breaths stays as it is', () =>
    expect(make({ parts: usual.parts.map((p) => ({ ...p, grows: true as const })) }).durationS).toBe(make().durationS));
});

describe('in turn, without rest', () => {
  const [a, b, c] = ['front_hamstring_cycle', 'rear_hip_cycle', 'front_leg_lift'] as const;
  const inTurn = (exerciseId: string, sets: number) => ({ ...part(exerciseId, sets), joins: true as const });
  const only = (...parts: Arrangement['parts']): Partial<Arrangement> => ({
    parts,
    out: usual.parts.map((p) => p.exerciseId).filter((id) => !parts.some((p) => p.exerciseId === id))
  });
  const setsOf = (more: Partial<Arrangement>) =>
    timelineOf(make(more)).sets.filter((s) => ([a, b, c] as readonly string[]).includes(s.exerciseId));
  const told = (more: Partial<Arrangement>) => setsOf(more).map((s) => `${s.exerciseId} ${s.side} ${s.setNo}`);

  test('the first set of each, then the second of each, one side before the other', () =>
    expect(told(only(part(a, 2), inTurn(b, 2)))).toEqual([
      `${a} left 1`,
      `${b} left 1`,
      `${a} left 2`,
      `${b} left 2`,
      `${a} right 1`,
      `${b} right 1`,
      `${a} right 2`,
      `${b} right 2`
    ]));

  test('or side by side; the one with more sets ends alone', () =>
    expect(told({ ...only(part(a, 2), inTurn(b, 1)), sides: 'alternate' })).toEqual([
      `${a} left 1`,
      `${b} left 1`,
      `${a} right 1`,
      `${b} right 1`,
      `${a} left 2`,
      `${a} right 2`
    ]));

  test('between two of a turn there are five seconds to change, before the next exercise and the other side the usual', () => {
    const ready = setsOf(only(part(a, 1), inTurn(b, 1), part(c, 1))).map((s) => s.workStartS - s.startS);
    // a left after the warm-up, b left; a right, b right; c left, c right.
    expect(ready).toEqual([15, 5, 15, 5, 15, 15]);
  });

  test('what is left of a turn goes by itself, and never in turn with what stood before it', () => {
    const left = make({ parts: [part(c), part(a), inTurn(b, 1)], out: [a] }).blocks.find((x) => x.exerciseId === b)!;
    expect(left.joins).toBeUndefined();
    // Lifts have no stretch: on such a day nothing of them is left.
    const day = make({ parts: [part(a), part(c), inTurn(b, 1)], out: [], work: 'stretch only' }).blocks;
    expect(day.find((x) => x.exerciseId === b)!.joins).toBeUndefined();
    const twice = make({ parts: [part(a), inTurn(a, 1)], out: [] }).blocks.filter((x) => x.exerciseId === a);
    expect(twice.map((x) => x.joins)).toEqual([undefined, undefined]);
  });

  test('cut to the minutes, what took turns with a block that goes is by itself', () => {
    const parts = [part(c, 1), part(a, 3), inTurn(b, 3)];
    for (const minutes of [12, 16, 20, 24]) {
      const made = make({ parts, out: [], fits: true, minutes, cutOrder: ['blocks'] }).blocks;
      const at = made.findIndex((x) => x.exerciseId === b);
      if (at >= 0) expect(made[at]!.joins === true, String(minutes)).toBe(made[at - 1]!.exerciseId === a);
    }
  });
});

const templateOf = (id: string, of: readonly Block[] = blocks) => sessionTemplates.find((t) => t.id === id)!.of(usual, of);

test('every template holds the whole week or says what is out, and says what it does', () => {
  for (const { id, of, words } of sessionTemplates) {
    const arrangement = of(usual, blocks);
    expect(new Set([...arrangement.parts.map((p) => p.exerciseId), ...arrangement.out]), id).toEqual(
      new Set(usual.parts.map((p) => p.exerciseId))
    );
    expect(words.length).toBeGreaterThan(20);
  }
});

test('the second of two visits is deeper: the first is one step easier, and both inside what the gate allows', () => {
  const at = (depthCm: number) => ({ depthCm, holdS: 30 });
  const deep = weekFor({
    settings: { front_split_on_stack: { left: at(10), right: at(10) } },
    rungs: { left: rungs, right: rungs },
    measuredCm: { left: 10, right: 10 }
  });
  const { blocks: ofDeep } = uncutSession({ ...ask, week: deep });
  const visits = make(templateOf('two visits', ofDeep), ofDeep).blocks.filter((b) => b.exerciseId === 'front_split_on_stack');
  expect(visits.map((b) => b.work.map((w) => w.setting.depthCm))).toEqual([
    [20, 20],
    [10, 10]
  ]);
});

test('cut to its minutes, a session in passes gives up a second pass last, before the whole exercise', () => {
  const cutTo = (minutes: number) => make({ ...templateOf('passes'), fits: true, minutes });
  const stretches = blocks.filter((b) => b.part === 'open');
  expect(cutTo(60).blocks.flatMap((b) => (b.part === 'open' ? [b.baseSets] : []))).toEqual(stretches.map(() => 2));
  const { cuts } = cutTo(25);
  const kindsOf = (exerciseId: string) => cuts.filter((c) => c.exerciseId === exerciseId).map((c) => c.kind);
  for (const { exerciseId } of stretches.filter((b) => kindsOf(b.exerciseId).includes('second link')))
    expect(kindsOf(exerciseId).slice(-2)).toEqual(['extra sets', 'second link']);
  expect(cuts.filter((c) => c.kind === 'second link')).not.toEqual([]);
});

test('the short one fits: what is missed most and the active work that holds it', () => {
  const short = templateOf('short day');
  const made = make(short);
  expect(made.durationS).toBeLessThanOrEqual(short.minutes * 60);
  const [most, partner] = made.blocks.filter(isWorked);
  expect(most!.priority).toBe(Math.max(...blocks.filter(isWorked).map((b) => b.priority)));
  if (most!.part === 'open') expect(partner!.part).toBe('own');
  // With the pulse raised and the settle there is nothing in ten minutes, and what it needs is told with work in it.
  const needed = (minutes: number) => {
    try {
      make({ ...short, minutes });
    } catch (error) {
      return (error as CoreError).data.neededS as number;
    }
    return 0;
  };
  expect(needed(8)).toBeGreaterThan(8 * 60);
  expect(make({ ...short, minutes: Math.ceil(needed(8) / 60) }).blocks.some(isWorked)).toBe(true);
});

test('what the plan does on another day is done where it is put in, by the same gate', () => {
  const allotment = week.map(({ exercise }) => ({ exerciseId: exercise.id, sets: exercise.id === 'front_leg_lift' ? 0 : 1 }));
  const ofDay = { ...ask, allotment, minutes: 60 };
  expect(worked(fittedSession(ofDay).blocks)).not.toContain('front_leg_lift');
  const given = (of: Partial<typeof ofDay> = {}) => worked(fittedSession({ ...ofDay, ...of }, usual).blocks);
  expect(given()).toContain('front_leg_lift');
  const stops = sides.map((side) => stopped({ joint: 'hip', side }));
  expect(() => given({ person: somebody({ stops }) })).toThrow('everything_locked');
});

describe('one side through, with what is tested between', () => {
  const arranged = (of: readonly Block[]) => make({ ...templateOf('tests between', of), fits: false }, of);
  const order = (of: readonly Block[]) =>
    timelineOf(arranged(of))
      .sets.filter(
        (s) => s.side !== null && ['open', 'position'].includes(blocks.find((b) => b.exerciseId === s.exerciseId)!.part)
      )
      .map((s) => `${s.side} ${s.exerciseId}`);

  test('all stretches of a side, the position, then the same on the other side; both get the same', () => {
    const given = order(blocks);
    const half = given.length / 2;
    expect(given.slice(0, half).every((s) => s.startsWith('left'))).toBe(true);
    expect(given.slice(half)).toEqual(given.slice(0, half).map((s) => s.replace('left', 'right')));
    expect(given[half - 1]).toBe('left front_split_on_stack');
    expect(warningsOf(arranged(blocks).blocks, blocks, [])).toEqual([]);
  });

  test('a side the gate bars is not in it', () =>
    expect(order(blocks.map((b) => ({ ...b, work: b.work.filter((w) => w.side !== 'right') }))).join()).not.toContain('right'));

  test('what is tested with both sides together is tested after each', () => {
    const together = blocks.map((b) =>
      b.part === 'position' ? { ...b, work: b.work.slice(0, 1).map((w) => ({ ...w, side: null })) } : b
    );
    const parts = templateOf('tests between', together).parts.filter((p) => p.exerciseId === 'front_split_on_stack');
    expect(parts.map((p) => [p.side, p.sets])).toEqual([
      [undefined, 1],
      [undefined, 1]
    ]);
  });
});

test('the ladder goes from the highest stack down, the position after it, kicks last', () => {
  const high: Block = { ...blocks.find((b) => b.part === 'open')!, exerciseId: 'low_lunge' };
  const onStack = { ...high, work: high.work.map((w) => ({ ...w, rung: rungs[0] })) };
  const { parts } = templateOf('ladder, then kicks', [...blocks, onStack]);
  const partAt = parts.map((p) => blocks.find((b) => b.exerciseId === p.exerciseId)?.part ?? 'open');
  expect(parts.find((_, i) => partAt[i] === 'open')!.exerciseId).toBe('low_lunge');
  expect(partAt.filter((p, i) => p !== partAt[i - 1])).toEqual(['open', 'position', 'own']);
});

// Source: common practice (docs/sources.md#planning).
describe('warnings', () => {
  const order = (...ids: string[]) => ids.map((id) => blocks.find((b) => b.exerciseId === id)!);
  const told = (arranged: readonly Block[], hard: Parameters<typeof warningsOf>[2] = []) =>
    warningsOf(arranged, blocks, hard).map((w) => `${w.code}: ${w.exerciseId}`);

  test('a motion that is stretched and not worked actively after it', () => {
    expect(told(order('front_hamstring_cycle', 'front_leg_lift'))).toEqual([]);
    expect(told(order('front_leg_lift', 'front_hamstring_cycle'))).toEqual(['opened, not owned: front_leg_lift']);
    expect(told(order('front_hamstring_cycle'))).toEqual(['opened, not owned: front_leg_lift']);
    // Each side for itself.
    const [cycle, lift] = order('front_hamstring_cycle', 'front_leg_lift') as [Block, Block];
    const leftOnly = { ...lift, work: lift.work.filter((w) => w.side === 'left') };
    expect(warningsOf([cycle, leftOnly], blocks, [])).toContainEqual(
      expect.objectContaining({ code: 'opened, not owned', exerciseId: 'front_leg_lift', side: 'right' })
    );
  });

  test('hard work for what was worked hard the day before', () =>
    expect(told(order('front_hamstring_cycle', 'front_leg_lift'), exerciseOf('front_leg_lift').links)).toEqual([
      'hard again: front_leg_lift'
    ]));

  // The minute: Behm DG et al. (2016) Appl Physiol Nutr Metab 41:1-11, static stretching under 60 s per muscle -1.1 %, longer -4.6 %.
  test('a minute and more under stretch before other training, and active work after it', () => {
    const beside = (training: Parameters<typeof warningsOf>[3], of: readonly Block[] = blocks) =>
      warningsOf(of, blocks, [], training)
        .filter((w) => /training/.test(w.code))
        .map((w) => w.code);
    expect([beside('alone'), beside('before training'), beside('after training')]).toEqual([
      [],
      ['long before training'],
      ['work after training']
    ]);
    // What the mend leaves of the day has none of it.
    const [told] = warningsOf(blocks, blocks, [], 'before training').filter((w) => w.code === 'long before training');
    expect([told!.exerciseId, told!.stretchS >= 60]).toEqual([told!.all[0], true]);
    expect(beside('before training', make({ parts: [], out: told!.all }).blocks)).toEqual([]);
    expect(beside('after training', make({ work: 'stretch only' }).blocks)).toEqual([]);
  });

  // Source: both sides get the same dose (common practice).
  test('a second side that gets a set less or more; the extra set of the side behind is meant', () => {
    const [cycle] = order('front_hamstring_cycle') as [Block];
    const withSets = (left: number, right: number, baseSets = Math.min(left, right)) => ({
      ...cycle,
      baseSets,
      work: cycle.work.map((w) => ({ ...w, sets: w.side === 'left' ? left : right }))
    });
    const less = (arranged: readonly Block[]) => warningsOf(arranged, blocks, []).filter((w) => w.code === 'second side less');
    expect(less([withSets(2, 2)])).toEqual([]);
    expect(less([withSets(3, 2)])).toEqual([]);
    const leftAlone = { ...withSets(2, 2), work: withSets(2, 2).work.filter((w) => w.side === 'left') };
    expect(less([leftAlone])).toMatchObject([{ side: 'right', sets: 2 }]);
    expect(less([withSets(2, 2), leftAlone])).toMatchObject([{ side: 'right', sets: 2 }]);
    // Whoever has one side alone in the week, the other being barred, has no second side.
    expect(warningsOf([leftAlone], [leftAlone], []).map((w) => w.code)).not.toContain('second side less');
  });

  test('the position before anything that opens it', () =>
    expect(told(order('front_split_on_stack', 'front_hamstring_cycle', 'front_leg_lift'))).toEqual([
      'position early: front_split_on_stack'
    ]));

  test('none for active work that comes first for a person’s safety', () => {
    const [cycle, lift] = order('front_hamstring_cycle', 'front_leg_lift') as [Block, Block];
    expect(told([{ ...lift, isFirst: true }, cycle])).toEqual([]);
    expect(told([{ ...order('rear_knee_lift')[0]!, isFirst: true }, cycle])).toEqual(['opened, not owned: front_leg_lift']);
  });

  test('one of a row before what leads to it; a test that comes first is none', () => {
    const [cycle] = order('front_hamstring_cycle') as [Block];
    const [lunge, half] = ['low_lunge', 'half_split_hold'].map((exerciseId) => ({ ...cycle, exerciseId })) as [Block, Block];
    const [split, lift] = order('front_split_on_stack', 'front_leg_lift') as [Block, Block];
    expect(told([lunge, half, lift, split])).toEqual([]);
    expect(warningsOf([half, lunge, lift, split], blocks, [])).toEqual([
      { code: 'out of order', exerciseId: 'half_split_hold', after: 'low_lunge' }
    ]);
    expect(told([{ ...half, isFirst: true }, lunge, lift, split])).toEqual([]);
    const look: Form = { kind: 'hold', spec: { holdS: 20, cue: 'measure' } };
    const tested = { ...split, exerciseId: 'toe_reach_test', work: split.work.map((w) => ({ ...w, form: look })) };
    expect(told([tested, lunge, half, lift, split])).toEqual([]);
  });
});
