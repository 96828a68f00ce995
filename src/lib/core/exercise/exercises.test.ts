import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { exerciseSchema } from '$lib/contract/exerciseForms';
import {
  chainOf,
  chainsOf,
  easier,
  exerciseOf,
  exercises,
  findExercises,
  goalExercises,
  goalFamilies,
  goalOf,
  goals,
  harder,
  harderOfTwo,
  measures,
  motionIds,
  motionOfDemand,
  neighboursOf,
  partOf,
  ringThrough,
  type DialRange,
  type Exercise,
  type ExerciseQuery,
  type Joint,
  type Line
} from '../index';

const ids = new Set(exercises.map((e) => e.id));
const free: DialRange = { rungs: {}, ends: { effortPct: 60 } };

describe('the catalogue', () => {
  test('holds at least 110 exercises, each with an id, a name and words of its own', () => {
    expect(exercises.length).toBeGreaterThanOrEqual(110);
    expect(ids.size).toBe(exercises.length);
    expect(new Set(exercises.map((e) => e.name)).size).toBe(exercises.length);
    expect(new Set(exercises.map((e) => e.setup.join(' '))).size).toBe(exercises.length);
    for (const e of exercises) expect([e.setup[0], e.why].every(Boolean), e.id).toBe(true);
  });

  test('each says what commonly goes wrong and what mends it, in whole sentences', () => {
    for (const e of exercises) {
      expect(e.mistakes.length, e.id).toBeGreaterThan(0);
      for (const { mistake, fix } of e.mistakes) for (const text of [mistake, fix]) expect(text, e.id).toMatch(/^[A-Z].*[.]$/);
    }
  });

  test('variants are several, and told apart', () => {
    for (const { id, variants } of exercises) expect(variants.length === 0 || new Set(variants).size > 1, id).toBe(true);
    expect(exercises.filter((e) => e.variants.length > 0).length).toBeGreaterThan(3);
  });

  test('every reference resolves', () => {
    for (const e of exercises) {
      for (const id of [...e.harder, ...e.harderInferred, ...e.then, ...(e.mirrors ? [e.mirrors] : [])])
        expect(ids.has(id), `${e.id} -> ${id}`).toBe(true);
      for (const link of e.links) expect(motionIds, e.id).toContain(link);
      for (const goal of e.positionOf)
        expect(
          goals.map((g) => g.id),
          e.id
        ).toContain(goal);
      for (const { stack } of e.dials)
        if (stack?.startFrom)
          expect(
            measures.map((m) => m.id),
            e.id
          ).toContain(stack.startFrom.measure);
    }
  });

  test('no chain has a ring, and no exercise is its own neighbour', () => {
    for (const e of exercises) expect(ringThrough(e, exercises), e.id).toBeNull();
  });

  test('a set-up turned the other way is linked both ways', () => {
    for (const e of exercises) if (e.mirrors) expect([e.id, 'stick_leg_turns'], e.id).toContain(exerciseOf(e.mirrors).mirrors);
  });

  test.each(['front_split', 'side_split', 'pancake', 'lotus', 'turnout'])(
    'every demand of %s has a passive and an active exercise',
    (goal) => {
      // The sum of a straddle is abduction of both legs; the fold of a pancake is hip flexion with the knees straight.
      const as: Record<string, string> = { straddle: 'HAB', trunk_fold: 'HF-KS' };
      for (const demand of goalOf(goal).demands) {
        const motion = as[demand.measure] ?? demand.measure;
        const on = exercises.filter((e) => e.links.some((l) => l === motion) && e.phases[0] !== 'warm-up');
        expect(
          on.some((e) => e.kinds.includes('passive')),
          `${goal} ${motion} passive`
        ).toBe(true);
        expect(
          on.some((e) => e.kinds.includes('active')),
          `${goal} ${motion} active`
        ).toBe(true);
      }
    }
  );

  // Source: common practice; the places where no figure is usual are left for the instructor.
  test('no figure fills a gap: what is asked for is neither started at nor dosed', () => {
    for (const e of exercises)
      for (const dial of e.asks) {
        expect(
          e.dials.some((d) => d.id === dial),
          `${e.id} asks ${dial}`
        ).toBe(true);
        expect(e.start[dial], `${e.id} ${dial}`).toBeUndefined();
      }
    const gaps: [string, 'holdS' | 'reps' | 'effortPct' | 'contractionS'][] = [
      ['leaning_back_kneel', 'holdS'],
      ['leaning_back_kneel', 'effortPct'],
      ['half_kneeling_heel_press', 'contractionS'],
      ['rear_knee_press', 'contractionS'],
      ['pancake_on_seat', 'holdS'],
      ['pancake_floor', 'holdS'],
      ['wide_standing_fold', 'holdS'],
      ['stacked_shins_press', 'holdS'],
      ['cow_face_press', 'holdS'],
      ['prone_frog_swings', 'reps'],
      ['side_split_sit_in', 'holdS'],
      ['stick_inward', 'holdS']
    ];
    for (const [id, figure] of gaps) {
      const e = exerciseOf(id);
      expect(e.start[figure], id).toBeUndefined();
      expect(
        e.doses.every((d) => d[figure] === undefined),
        id
      ).toBe(true);
    }
  });

  // Source: common practice; new users start under 8 kg.
  test('a load starts under 8 kg', () => {
    const loaded = exercises.filter((e) => e.dials.some((d) => d.id === 'loadKg'));
    expect(loaded.length).toBeGreaterThan(2);
    for (const e of loaded) expect(e.start.loadKg ?? 0, e.id).toBeLessThan(8);
  });

  test('what is normal is kept apart from what stops', () => {
    for (const e of exercises) for (const normal of e.normal) expect(e.stops.join(' '), e.id).not.toContain(normal);
    expect(exerciseOf('one_leg_frog_lift').normal).toContain('a cramp in the working muscle');
  });

  test('work with a partner says who controls it', () => {
    for (const e of exercises.filter((x) => x.traits.includes('partner')))
      expect(e.cautions.join(' '), e.id).toMatch(/says stop/);
  });

  test('exercises that follow the same bone or joint carry its stop sign', () => {
    for (const e of exercises.filter((x) => x.loads.some((l) => l.joint === 'knee')))
      expect(e.stops.join(' '), e.id).toMatch(/knee/);
  });
});

// Source: common practice; what a position bears on and lengthens.
describe('what follows from what an exercise trains', () => {
  const joints = (id: string) => exerciseOf(id).loads.map((l) => `${l.on === 'other' ? 'other ' : ''}${l.joint}`);
  const lines = (id: string) => exerciseOf(id).lines.map((l) => `${l.on === 'other' ? 'other ' : ''}${l.line}`);

  test.each([
    'pigeon_forward',
    'front_hip_90_90',
    'figure_four_chair',
    'figure_four_lying',
    'stacked_shins',
    'cow_face_press',
    'butterfly_seat',
    'butterfly_elbow_pressure',
    'easy_seat',
    'heel_sit',
    'turnout_standing',
    'frog'
  ])('%s loads the knee', (id) => expect(joints(id)).toContain('knee'));

  test('every turn of a hip loads a knee, unless the record says why not', () => {
    const turns = exercises.filter((e) => e.links.some((l) => /^H[EI]R/.test(l)));
    expect(turns.length).toBeGreaterThan(50);
    for (const e of turns)
      expect(
        e.loads.some((l) => l.joint === 'knee'),
        e.id
      ).toBe(true);
  });

  test.each([
    ['rear_knee_lift', ['hip', 'other hip', 'knee', 'other knee']],
    ['low_lunge', ['hip', 'other hip', 'knee', 'other knee']],
    ['front_split_on_stack', ['hip', 'other hip', 'knee', 'other knee', 'back']],
    ['leg_swings_forward', ['hip', 'other hip', 'other knee', 'other ankle']],
    ['wrist_floor', ['wrist', 'elbow', 'shoulder']],
    ['neck_turns', ['neck']]
  ] as [string, Joint[]][])('%s loads %j', (id, wanted) => expect(joints(id)).toEqual(expect.arrayContaining(wanted)));

  test.each([
    ['front_split_on_stack', ['hamstring', 'other hip flexor']],
    ['frog', ['inner thigh']],
    ['side_split_on_stack', ['inner thigh']],
    ['butterfly_seat', ['inner thigh', 'outer hip']],
    ['pancake_on_seat', ['hamstring', 'inner thigh']],
    ['standing_calf', ['calf']],
    ['wrist_lean', ['forearm']],
    ['pigeon_forward', ['outer hip', 'other hip flexor']],
    ['half_split_pulses', ['hamstring']],
    ['heel_sit', ['hip flexor']]
  ] as [string, Line[]][])('%s stretches %j', (id, wanted) => expect(lines(id)).toEqual(expect.arrayContaining(wanted)));

  test('what its own muscles move in the middle of a range stretches nothing; at its end, or under load, it does', () => {
    expect(lines('heel_raises')).toEqual([]);
    expect(lines('supine_kicks')).toEqual(['hamstring']); // momentum takes it there
    expect(lines('lying_leg_raise')).toEqual([]);
    expect(lines('front_leg_lift')).toEqual(['hamstring']);
    expect(lines('straddle_good_morning')).toEqual(expect.arrayContaining(['hamstring', 'inner thigh']));
    expect(lines('straddle_leg_lifts')).toEqual(expect.arrayContaining(['hamstring', 'other hamstring', 'inner thigh']));
  });

  test('every passive or assisted exercise of a hip extension, an abduction or a straight-leg fold rests with its line', () => {
    const rests: Record<string, Line> = {
      HE: 'hip flexor',
      'HE-KF': 'hip flexor',
      HAB: 'inner thigh',
      HAB90: 'inner thigh',
      'HF-KS': 'hamstring'
    };
    const passive = exercises.filter((e) => e.kinds.includes('passive') || e.kinds.includes('assisted'));
    for (const e of passive)
      for (const link of e.links)
        if (rests[link])
          expect(
            e.lines.map((l) => l.line),
            `${e.id} ${link}`
          ).toContain(rests[link]);
  });

  test('every passive or pressing hip exercise, and every wrist press, has the rule of the closing side', () => {
    const ofHip = exercises.filter((e) => e.links.some((l) => l.startsWith('H')) && !e.kinds.every((k) => k === 'active'));
    expect(ofHip.length).toBeGreaterThan(80);
    for (const e of ofHip) expect(e.stops.join(' '), e.id).toMatch(/pinch/i);
    for (const e of exercises.filter((x) => x.links.some((l) => l === 'WF' || l === 'WE')))
      expect(e.stops.join(' '), e.id).toMatch(/pinch/i);
  });

  test('every link is moved by one leg or the other', () => {
    for (const e of exercises)
      for (const link of e.links)
        expect(
          e.moves.map((m) => m.motion),
          e.id
        ).toContain(link);
  });
});

describe('neighbours', () => {
  // Source: common practice; the rungs of the knee from a towel to the floor.
  test('the knee ladder runs from the towel to the squat', () =>
    expect(chainOf(exerciseOf('lower_step_drive'), exercises)).toEqual([
      'towel_heel_pull',
      'rock_back_tucked',
      'rock_back_pointed',
      'one_leg_rock_bench',
      'stair_knee_drive',
      'stair_knee_drive_turned',
      'lower_step_drive',
      'heels_raised_squat',
      'deep_squat_check'
    ]));
  test.each([
    ['easy_seat', ['easy_seat', 'half_lotus', 'lotus']],
    ['half_split_hold', ['low_lunge', 'half_split_hold', 'slide_to_split', 'front_split_on_stack', 'raised_split']],
    ['wrist_floor', ['wrist_own_hand', 'wrist_floor', 'wrist_lean']]
  ])('the row of %s', (id, row) => expect(chainOf(exerciseOf(id), exercises)).toEqual(row));

  test('rows stand once, run from easier to harder, and leave out nothing that has a neighbour', () => {
    const rows = chainsOf(exercises);
    expect(new Set(rows.map((r) => r.join())).size).toBe(rows.length);
    for (const row of rows)
      for (const [i, id] of row.slice(1).entries())
        expect(neighboursOf(exerciseOf(row[i]!), exercises).harder.map((n) => n.id)).toContain(id);
    const inRows = new Set(rows.flat());
    for (const e of exercises) if (neighboursOf(e, exercises).harder.length > 0) expect(inRows.has(e.id), e.id).toBe(true);
  });

  test('every goal is looked through in one family, and in one only', () => {
    const inFamilies = goalFamilies.flatMap((f) => f.goals.map((g) => g.id));
    expect(inFamilies.toSorted()).toEqual(goals.map((g) => g.id).toSorted());
  });

  test('of two in a row the harder one is told with its steps, whichever comes first; of strangers nothing', () => {
    for (const row of chainsOf(exercises)) {
      const [first, second, third] = row;
      expect(harderOfTwo(exercises, first!, second!)).toEqual({ id: second, steps: 1 });
      expect(harderOfTwo(exercises, second!, first!)).toEqual({ id: second, steps: 1 });
      if (third) expect(harderOfTwo(exercises, first!, third)?.id).toBe(third);
    }
    expect(harderOfTwo(exercises, 'wrist_lean', 'front_split_on_stack')).toBeNull();
    const loop = [
      { id: 'a', harder: ['b'], harderInferred: [] },
      { id: 'b', harder: ['a'], harderInferred: [] }
    ];
    expect(harderOfTwo(loop, 'a', 'a')).toBeNull();
  });

  test('easier is harder read backwards', () => {
    for (const e of exercises)
      for (const n of neighboursOf(e, exercises).harder)
        expect(neighboursOf(exerciseOf(n.id), exercises).easier).toContainEqual({ id: e.id, inferred: n.inferred });
  });

  test('a ring is found however long it is', () => {
    const ring = (id: string, next: string): Exercise => ({ ...exerciseOf('settle'), id, harder: [next] });
    expect(ringThrough(ring('a', 'a'), [])).toEqual(['a', 'a']);
    expect(ringThrough(ring('a', 'b'), [ring('b', 'c'), ring('c', 'a')])).toEqual(['a', 'b', 'c', 'a']);
    expect(ringThrough(ring('a', 'b'), [ring('b', 'c')])).toBeNull();
  });
});

describe('harder and easier', () => {
  const pick = fc.constantFrom(...exercises.filter((e) => e.dials.length > 0));

  test('one dial at a time, in the order they are moved', () => {
    const exercise = exerciseOf('front_hamstring_cycle');
    const first = harder({ exercise, setting: { holdS: 60, effortPct: 40 }, range: free, catalogue: exercises });
    expect(first).toMatchObject({ kind: 'dial', dial: 'holdS', from: 60, to: 75, setting: { holdS: 75, effortPct: 40 } });
    const second = harder({ exercise, setting: { holdS: 120, effortPct: 40 }, range: free, catalogue: exercises });
    expect(second).toMatchObject({ kind: 'dial', dial: 'effortPct', to: 45 });
  });

  test('at the end it names the harder neighbours', () =>
    expect(
      harder({
        exercise: exerciseOf('front_hamstring_cycle'),
        setting: { holdS: 120, effortPct: 60 },
        range: free,
        catalogue: exercises
      })
    ).toMatchObject({ kind: 'neighbour', ids: ['slide_to_split'] }));

  test('easing reverts the dial that was moved last', () => {
    const ask = {
      exercise: exerciseOf('front_hamstring_cycle'),
      setting: { holdS: 90, effortPct: 45 },
      range: free,
      catalogue: exercises
    };
    expect(easier({ ...ask, movedLast: 'holdS' })).toMatchObject({ dial: 'holdS', to: 75 });
    expect(easier({ ...ask, movedLast: 'effortPct' })).toMatchObject({ dial: 'effortPct', to: 40 });
    expect(() => easier({ ...ask, movedLast: 'footCm' })).toThrow('unknown_dial');
  });

  test('a step up and the same dial back is where it began, and never leaves its dial', () =>
    fc.assert(
      fc.property(pick, fc.array(fc.boolean(), { maxLength: 25 }), (exercise, ways) => {
        let setting = exercise.start;
        for (const up of ways) {
          const step = (up ? harder : easier)({ exercise, setting, range: free, catalogue: exercises });
          if (step.kind === 'neighbour') continue;
          const back = (up ? easier : harder)({
            exercise: { ...exercise, dials: exercise.dials.filter((d) => d.id === step.dial) },
            setting: step.setting,
            range: free,
            catalogue: exercises
          });
          expect(back).toMatchObject({ kind: 'dial', to: step.from });
          const dial = exercise.dials.find((d) => d.id === step.dial)!;
          expect(step.to).toBeGreaterThanOrEqual(dial.min);
          expect(step.to).toBeLessThanOrEqual(dial.max);
          setting = step.setting;
        }
      })
    ));

  test('effort never passes the client’s cap', () => {
    const capped = { ...free, ends: { effortPct: 40 } };
    const step = harder({
      exercise: exerciseOf('frog_press_draw'),
      setting: { effortPct: 40, rounds: 3 },
      range: capped,
      catalogue: exercises
    });
    expect(step.kind).toBe('neighbour');
  });
});

describe('partOf', () => {
  test('the goal’s own position is the position, whatever it is used for', () => {
    expect(partOf(exerciseOf('front_split_on_stack'))).toBe('position');
    expect(partOf(exerciseOf('front_hamstring_cycle'))).toBe('open');
    expect(partOf(exerciseOf('front_leg_lift'))).toBe('own');
    expect(partOf(exerciseOf('childs_pose'))).toBe('settle');
    expect(partOf(exerciseOf('leg_swings_forward'))).toBe('warm-up');
  });
});

describe('findExercises', () => {
  const found = (query: ExerciseQuery) => findExercises(exercises, query).map((e) => e.id);

  test.each([
    ['pigeon', 'pigeon_forward'],
    ['pigoen', 'pigeon_forward'],
    ['hanumanasana', 'front_split_on_stack'],
    ['hanumansana', 'front_split_on_stack'],
    ['fire log', 'stacked_shins'],
    ['tailor seat', 'easy_seat'],
    ['upavistha', 'pancake_on_seat'],
    ['oversplit', 'raised_split']
  ])('"%s" finds %s first, or nearly', (text, id) => expect(found({ text }).slice(0, 4)).toContain(id));

  test('by motion, position and phase at once', () => {
    const list = findExercises(exercises, { link: 'HIR90', position: 'sitting', phase: 'active end' });
    expect(list.length).toBeGreaterThan(0);
    for (const e of list) {
      expect(e.links).toContain('HIR90');
      expect(e.phases).toContain('active end');
    }
  });
  test('by what is at hand: a needed prop that is missing rules out', () => {
    const none = found({ atHand: new Set() });
    expect(none).not.toContain('stick_leg_turns');
    expect(none).toContain('frog');
    expect(found({ atHand: new Set(['chair', 'stick']) })).toContain('stick_leg_turns');
  });
  test('a goal finds its position and what trains its motions', () => {
    const lotus = found({ goal: goalOf('lotus') });
    expect(lotus).toContain('half_lotus');
    expect(lotus).toContain('heel_sit');
    expect(lotus).not.toContain('wrist_floor');
  });
  test('what is for private places can be left out', () => expect(found({ publicOnly: true })).not.toContain('supine_frog'));
  test('nothing that exists is found by nonsense', () => expect(found({ text: 'xqzzkv' })).toEqual([]));
});

describe('goalExercises', () => {
  test.each(['front_split', 'side_split', 'pancake', 'lotus', 'turnout'])(
    '%s: its position, and one to open and one to own each motion',
    (id) => {
      const goal = goalOf(id);
      const list = goalExercises(goal, exercises);
      expect(list[0]!.positionOf).toContain(id);
      for (const { measure } of goal.demands) {
        const on = list.filter((e) => e.links.some((l) => l === motionOfDemand(measure)));
        const phases = on.flatMap((e) => e.phases).join();
        expect(phases, measure).toMatch(/active end|strengthen/);
        expect(phases, measure).toMatch(/hold|contract-relax/);
      }
      expect(new Set(list).size).toBe(list.length);
    }
  );

  test('each stage of a goal that has positions for them begins with its own', () => {
    const staged = goals.filter((g) => g.stagePositions);
    expect(staged.map((g) => g.id)).toContain('lotus');
    for (const goal of staged) {
      expect(goal.stagePositions).toHaveLength(goal.stages.length);
      goal.stagePositions!.forEach((id, stage) => expect(goalExercises({ ...goal, stage }, exercises)[0]!.id).toBe(id));
    }
  });
});

describe('the exercise schema', () => {
  test('every exercise that ships passes it', () => {
    for (const e of exercises) expect(exerciseSchema.safeParse(e).error?.issues ?? [], e.id).toEqual([]);
  });
  test('and one with a dial that has no step does not', () => {
    const [dial] = exerciseOf('frog').dials;
    expect(exerciseSchema.safeParse({ ...exerciseOf('frog'), dials: [{ ...dial, step: 0 }] }).success).toBe(false);
  });
});
