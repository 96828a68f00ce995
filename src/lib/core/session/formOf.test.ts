import { describe, expect, test } from 'vitest';
import {
  compileForm,
  countAt,
  effortAtPct,
  exerciseOf,
  exercises,
  formOf,
  gate,
  heelHeight,
  insideOf,
  liftsAskMore,
  liftsOverCap,
  schoolOf,
  schools,
  takesCycle,
  totals,
  type CycleSpec,
  type Exercise,
  type LiftShape,
  type OverCap,
  type SafetyPerson,
  type SchoolId,
  type Setting
} from '../index';
import { limit, somebody } from '../testing/person';

type Ask = Partial<Parameters<typeof formOf>[0]> & { person?: SafetyPerson };

/** An exercise by a school, for somebody with nothing wrong unless told otherwise. */
function made(id: string, school: SchoolId, setting: Setting, { person = somebody(), ...more }: Ask = {}) {
  const exercise = exerciseOf(id);
  const side = exercise.sides === 'each' ? 'left' : null;
  const gated = gate({ exercise, side, setting, person, today: '2026-03-02' });
  const base = { level: 'intermediate', moreRounds: false, capPct: gated.caps.effortPct, breathS: 8 } as const;
  return formOf({ ...base, exercise, setting, school: schoolOf(school), gated, ...more });
}
function secondsOf(...ask: Parameters<typeof made>) {
  const form = made(...ask);
  return { ...totals(compileForm(form.form, { effortCapPct: 100 })), sets: form.sets };
}

// Source of every figure: common practice (docs/sources.md#schools), added up by hand.
describe('worked doses', () => {
  test('long hold: 60 + (12 + 10 + 8) + 3 + (12 + 12 + 6) + 20 + 30 s, 60 s of it contraction', () =>
    expect(secondsOf('front_hamstring_cycle', 'long_hold', { holdS: 60, effortPct: 40 })).toMatchObject({
      durationS: 173,
      stretchS: 173,
      contractionS: 60
    }));

  test('a second round is 83 s more, and the first is lighter: 70 % of the peak', () => {
    expect(secondsOf('front_hamstring_cycle', 'long_hold', { holdS: 60, effortPct: 40 }, { moreRounds: true }).durationS).toBe(
      256
    );
    const form = made('front_hamstring_cycle', 'long_hold', { holdS: 60, effortPct: 40 }, { moreRounds: true });
    expect(form).toMatchObject({
      form: {
        spec: { press: { peakPct: 40 }, draw: { peakPct: 35 }, perRound: [{ press: { peakPct: 30 }, draw: { peakPct: 25 } }] }
      }
    });
  });

  test('short contract-relax: 5 + 3 × (1 + 5 + 1 + 5) + 10 s, no draw', () => {
    expect(secondsOf('lying_contract_relax', 'contract_relax', { effortPct: 50, rounds: 3 })).toMatchObject({
      durationS: 51,
      contractionS: 21
    });
    expect(made('lying_contract_relax', 'contract_relax', { effortPct: 50, rounds: 3 })).not.toHaveProperty('form.spec.draw');
  });

  test('breath-counted: three breaths of 8 s, lightly at work; two passes where range is opened', () => {
    expect(secondsOf('low_lunge', 'breath_counted', { holdS: 60 })).toMatchObject({ durationS: 24, effortPctS: 24 * 15 });
    expect(secondsOf('low_lunge', 'breath_counted', { holdS: 60 }, { moreRounds: true }).durationS).toBe(48);
    expect(secondsOf('low_lunge', 'breath_counted', {}, { breathS: 5 }).durationS).toBe(15);
  });

  test('short-hold repeats: eight of a breath with a second of help', () =>
    expect(secondsOf('strap_reps_middle', 'short_holds', {})).toMatchObject({ durationS: 8 * (3 + 1 + 3), sets: 1 }));

  test('drills: three holds of 20 s with 5 s to let go between', () =>
    expect(secondsOf('low_lunge', 'drills', { holdS: 20 })).toMatchObject({ durationS: 70, stretchS: 60, contractionS: 0 }));

  test('kicks: five of 2.4 s without a stop, ten of 1.4 s once they are quicker', () => {
    expect(secondsOf('prone_kicks', 'drills', { reps: 5 }).durationS).toBe(12);
    expect(secondsOf('prone_kicks', 'long_hold', { reps: 10, tempoS: 1.4 }).durationS).toBeCloseTo(14);
  });

  test('circles go as often the other way round', () => {
    expect(secondsOf('supine_leg_circles', 'long_hold', { reps: 5 }).durationS).toBe(20);
    expect(made('supine_leg_circles', 'long_hold', { reps: 5 })).toMatchObject({ form: { spec: { pulses: 5, bothWays: true } } });
  });

  test('what is counted in breaths alone is so in every school', () => {
    for (const { id } of schools)
      expect(made('leg_drawn_in', id, { breaths: 6 }), id).toMatchObject({ form: { kind: 'breaths', spec: { breaths: 6 } } });
  });
});

describe('an exercise stays what it is in every school', () => {
  const eachWay = exercises.flatMap((e) => schools.map((s) => [e, s.id] as const));
  const kindsIn = (id: string, school: SchoolId) =>
    new Set(compileForm(made(id, school, exerciseOf(id).start).form).map((p) => p.kind));

  test('a press is pressed: it has an effort, and is neither lifted nor pulsed', () => {
    for (const [e, school] of eachWay.filter(([x]) => x.phases[0] === 'contract-relax')) {
      const kinds = kindsIn(e.id, school);
      // Some press through so many breaths.
      const { form } = made(e.id, school, e.start);
      const works = form.kind === 'breaths' ? form.spec.effortPct > 0 : kinds.has('press');
      expect(works, `${e.id} ${school}`).toBe(true);
      if (e.tempo?.kind !== 'lowered')
        expect(
          [...kinds].filter((k) => ['lift', 'lower', 'work', 'move'].includes(k)),
          `${e.id} ${school}`
        ).toEqual([]);
    }
  });

  test('a hold is held: nothing is lifted that nobody lifts, and nothing bounced that is still', () => {
    const still = eachWay.filter(([e]) => e.phases[0] === 'hold' && e.kinds.every((k) => k === 'passive'));
    expect(still.length).toBeGreaterThan(100);
    for (const [e, school] of still)
      expect(
        [...kindsIn(e.id, school)].filter((k) => ['lift', 'lower', 'work', 'move'].includes(k)),
        `${e.id} ${school}`
      ).toEqual([]);
  });

  test('a movement takes the time of one, whoever does it', () => {
    const beats = (id: string) => schools.map((s) => compileForm(made(id, s.id, exerciseOf(id).start).form)[0]!.beatS);
    for (const e of exercises.filter((x) => x.tempo?.kind === 'flowing' && x.dials.some((d) => d.id === 'reps')))
      expect(new Set(beats(e.id)).size, e.id).toBe(1);
  });
});

// Source: reference sessions read off the running clock (docs/sources.md#tempo), common practice. Seconds of one repetition at its start.
describe('the tempo of a repetition', () => {
  test.each<[what: string, ids: readonly string[], fromS: number, toS: number]>([
    ['pulses', ['lunge_bounces_knee_down', 'half_split_pulses', 'lunge_bounces_straight', 'split_stance_pulses'], 1, 1.3],
    ['presses by hand', ['butterfly_one_knee', 'half_butterfly_press'], 1, 1.5],
    ['small circles', ['half_butterfly_circles', 'knee_circles_sitting', 'ankle_circles'], 1, 1.5],
    ['hip circles lying', ['supine_leg_circles'], 1.9, 2],
    ['circles of the straight leg, of the feet in the frog', ['half_90_circles', 'prone_frog_circles'], 1.5, 2],
    ['swings, standing', ['leg_swings_forward', 'leg_swings_across'], 1.5, 1.7],
    ['kicks', ['supine_kicks', 'side_kicks', 'prone_kicks', 'standing_split_kicks'], 1.4, 2.4],
    ['at the wall', ['wall_split_lift_off', 'wall_split_pulses'], 1.2, 1.5],
    ['heel raises', ['heel_raises'], 1.8, 2],
    ['rocks', ['frog_slides', 'rock_back_tucked', 'rock_back_pointed'], 2, 4],
    ['90/90 knee lifts', ['trailing_knee_lift'], 4, 6],
    ['sweeps', ['sweep_fold', 'thread_switch'], 7, 8.5],
    ['half sweeps', ['partial_sweep'], 5.5, 6],
    ['switches', ['switch_90_90'], 3, 4],
    ['two taps', ['front_leg_double_tap'], 7, 7.5],
    ['heel lifts of 5 s', ['prone_heel_lift'], 5.5, 6.5],
    ['last degrees of the knee', ['lying_knee_straightener'], 4, 5],
    ['with a strap', ['strap_reps_middle', 'strap_reps_inside', 'strap_reps_outside'], 6, 10],
    ['frog lifts of 2 s', ['one_leg_frog_lift'], 4, 8],
    ['straighten and bend', ['one_leg_frog_tilted'], 2.5, 3],
    ['lean in the split', ['split_lean'], 2, 3],
    ['lean-back', ['leaning_back_kneel'], 20, 25],
    ['roll-down with a load', ['weighted_roll_down'], 40, 50],
    ['cat and cow', ['cat_and_cow'], 4, 4]
  ])('%s', (_, ids, fromS, toS) => {
    for (const id of ids) {
      const phases = compileForm(made(id, 'drills', exerciseOf(id).start).form);
      const reps = phases.filter((p) => p.kind === 'lift').length;
      const endS = phases.at(-1)!.endS;
      const oneS = phases[0]!.beatS ?? endS / reps;
      expect(oneS, id).toBeGreaterThanOrEqual(fromS - 0.01);
      // The rest after a repetition is told apart from it.
      expect(oneS - (reps > 1 ? totals(phases.filter((p) => p.kind === 'rest')).durationS / reps : 0), id).toBeLessThanOrEqual(
        toS + 0.01
      );
    }
  });
});

describe('figures of one school', () => {
  test('a hold that nobody set begins at the school’s own figure, for a beginner at the shorter one', () => {
    expect(secondsOf('pancake_floor', 'long_hold', {}).durationS).toBe(60);
    expect(secondsOf('pancake_floor', 'long_hold', {}, { level: 'beginner' }).durationS).toBe(30);
  });

  test('a school without a figure takes none of another: it begins with ours, by the level', () => {
    // The low lunge has 20 to 30 s by the drills: no other school may have them.
    expect(made('low_lunge', 'contract_relax', {}, { level: 'beginner' })).toMatchObject({ form: { spec: { holdS: 30 } } });
    expect(made('low_lunge', 'contract_relax', {}, { level: 'advanced' })).toMatchObject({ form: { spec: { holdS: 60 } } });
    const lifts = made('side_lying_abduction', 'long_hold', {}, { level: 'beginner' });
    expect(lifts).toMatchObject({ form: { spec: { reps: 5, holdS: 2 } }, uses: ['reps', 'holdS'] });
    expect(made('side_lying_abduction', 'long_hold', { reps: 4, holdS: 3 })).toMatchObject({ uses: ['reps', 'holdS'] });
  });

  test('rounds grow by one where range is opened, from what was set, and fall to 60 % in an easy week', () => {
    const roundsOf = (more: Ask, setting: Setting = { rounds: 2, effortPct: 40 }) => {
      const { form } = made('pancake_press_draw', 'long_hold', setting, more);
      return form.kind === 'cycle' ? form.spec.rounds : null;
    };
    expect([roundsOf({}), roundsOf({ moreRounds: true })]).toEqual([2, 3]);
    // No more than the dial has.
    expect(roundsOf({ moreRounds: true }, { rounds: 3, effortPct: 40 })).toBe(3);
  });

  test('only the dials a form is made from are used', () => {
    expect(made('low_lunge', 'breath_counted', { holdS: 60 })).toMatchObject({ uses: [] });
    expect(made('low_lunge', 'long_hold', { holdS: 60 })).toMatchObject({ uses: ['holdS'] });
    expect(made('front_hamstring_cycle', 'contract_relax', { holdS: 60, effortPct: 40 })).toMatchObject({ uses: ['effortPct'] });
  });
});

describe('a circuit', () => {
  test('stays so many breaths in each of its places, in their order', () => {
    const circuit = made('standing_leg_circuit', 'breath_counted', { breaths: 3 });
    if ('asks' in circuit) throw new Error('asks');
    const phases = compileForm(circuit.form);
    const { places } = exerciseOf('standing_leg_circuit');
    const passes = circuit.form.kind === 'breaths' ? (circuit.form.spec.passes ?? 1) : 0;
    expect(phases.map((p) => p.how)).toEqual(Array.from({ length: passes }, () => places).flat());
    for (const p of phases) expect(countAt(p, p.startS)).toEqual({ at: 1, of: 3 });
  });

  // A leg is carried all the way round: its places are one contraction.
  test('where contractions are kept short it is efforts with rests, though each place alone were short enough', () => {
    const person = somebody({ limits: [limit('contraction at most', { value: 40 })] });
    expect(made('standing_leg_circuit', 'breath_counted', { breaths: 3 }, { person })).toMatchObject({
      form: { kind: 'reps', spec: { reps: 3, peakPct: 15 } }
    });
  });
});

describe('the gate', () => {
  // Source: common practice with controlled high blood pressure: contractions up to 6 seconds.
  test('where contractions are short, nothing works throughout a stretch and no breath is held at work', () => {
    const person = somebody({ limits: [limit('contraction at most', { value: 6 })] });
    expect(made('low_lunge', 'breath_counted', {}, { person })).toMatchObject({ form: { spec: { effortPct: 0 } } });
    expect(made('standing_leg_circuit', 'breath_counted', { breaths: 3 }, { person })).toMatchObject({
      form: { kind: 'reps', spec: { reps: 3, liftS: 1, holdS: 4, lowerS: 1 } }
    });
  });

  test('a line kept from long holds is held short by every school, whether or not a dial says how long', () => {
    const person = somebody({ limits: [limit('no long hold of a line', { line: 'hamstring', side: 'left' })] });
    for (const { id } of schools) {
      const form = made('half_split_hold', id, { holdS: 90 }, { person });
      const held = compileForm(form.form, { effortCapPct: 100 }).filter((p) => p.kind === 'hold');
      for (const p of held) expect(p.endS - p.startS, id).toBeLessThanOrEqual(30);
    }
  });
});

describe('any exercise by any school', () => {
  const all = exercises.flatMap((e) => schools.map((s) => [e.id, s.id] as const));

  test('becomes phases, each beginning where the one before it ends', () => {
    for (const [id, school] of all) {
      const form = made(id, school, exerciseOf(id).start);
      const phases = compileForm(form.form);
      expect(phases.length, `${id} ${school}`).toBeGreaterThan(0);
      phases.slice(1).forEach((p, i) => expect(p.startS).toBe(phases[i]!.endS));
    }
  });

  // Effort·time is exact: held against the midpoints of 20 pieces of every phase, which a straight line crosses at its mean.
  test('has the effort that its curve has', () => {
    for (const [id, school] of all) {
      const form = made(id, school, exerciseOf(id).start);
      if ('asks' in form) continue;
      const phases = compileForm(form.form);
      const summed = phases.reduce((sum, { startS, endS }) => {
        const piece = (endS - startS) / 20;
        return (
          sum +
          Array.from({ length: 20 }, (_, i) => Math.abs(effortAtPct(phases, startS + (i + 0.5) * piece)) * piece).reduce(
            (a, b) => a + b
          )
        );
      }, 0);
      expect(totals(phases).effortPctS, `${id} ${school}`).toBeCloseTo(summed, 5);
    }
  });
});

describe('a cycle shaped by hand', () => {
  const press = { rampUpS: 5, holdS: 10, rampDownS: 5, peakPct: 50 };
  const cycle = { holdS: 40, rounds: 2, press, turnS: 0, settleS: 10, finalSettleS: 20, perRound: [{ press: { peakPct: 25 } }] };
  function shaped(setting: Setting, more: Ask = {}): CycleSpec {
    const form = made('front_hamstring_cycle', 'breath_counted', setting, { cycle, ...more });
    if ('asks' in form || form.form.kind !== 'cycle') throw new Error('no cycle');
    return form.form.spec;
  }

  test('stands in place of the school’s way, figure by figure', () =>
    expect(shaped({})).toMatchObject({ holdS: 40, rounds: 2, press, perRound: [{ press: { peakPct: 25 } }] }));

  test('a dial that was moved since moves its figure, and the other efforts by the same share', () => {
    const spec = shaped({ holdS: 60, effortPct: 40 });
    expect([spec.holdS, spec.press?.peakPct, spec.perRound?.[0]?.press?.peakPct]).toEqual([60, 40, 20]);
  });

  test('the gate keeps efforts, contractions, bracing and deepening within its own', () => {
    const person = somebody({
      limits: [
        limit('effort cap', { value: 30 }),
        limit('contraction at most', { value: 6 }),
        limit('no bracing'),
        limit('no deepening')
      ]
    });
    const perRound = [{ press: { peakPct: 25 } }, { press: { holdS: 60 }, deepening: 'tilt the pelvis' as const }];
    const spec = shaped({}, { person, cycle: { ...cycle, perRound, brace: true, deepening: 'lean', holdPct: 40 } });
    expect(spec.press).toEqual({ rampUpS: 1, holdS: 3, rampDownS: 1, peakPct: 30 });
    // A round of its own too.
    const ownRound = Object.values(spec.perRound![1]!.press!).reduce((sum, n) => sum + n, 0);
    expect(ownRound).toBe(6 + 30);
    expect(spec.perRound![1]).not.toHaveProperty('deepening');
    expect(spec).not.toHaveProperty('brace');
    expect(spec).not.toHaveProperty('deepening');
    expect(spec).not.toHaveProperty('holdPct');
    expect(spec).toMatchObject({ stays: true });
  });

  test('what is lifted or moved through takes none', () => {
    expect(takesCycle(exerciseOf('front_hamstring_cycle'))).toBe(true);
    for (const e of exercises.filter((x) => ['warm-up', 'active end', 'settle'].includes(x.phases[0]!)))
      expect(takesCycle(e)).toBe(false);
  });
});

describe('lifts shaped by hand', () => {
  const gateOf = (person = somebody()) =>
    gate({ exercise: exerciseOf('front_leg_lift'), side: 'left', setting: {}, person, today: '2026-03-02' });
  const own: LiftShape = { reps: 8, leastReps: 5, liftS: 3, holdS: 4, lowerS: 3, restS: 6, lastHoldS: 12 };
  const lifted = (lifts: LiftShape, setting: Setting = {}, more: Ask = {}) => {
    const form = made('front_leg_lift', 'drills', setting, { lifts, ...more });
    if ('asks' in form || form.form.kind !== 'reps') throw new Error('no lifts');
    return form.form.spec;
  };

  test('are done so at the effort of the exercise; a dial moved since moves the least, and the most with it', () => {
    expect(lifted(own)).toMatchObject({ ...own, peakPct: 50 });
    expect(lifted(own, { reps: 7 })).toMatchObject({ leastReps: 7, reps: 10 });
  });

  test('so many degrees inside: the angle from the measure, the height of the heel on its circle around the hip', () => {
    // By hand: 90 cm × sin(60° − 10°) = 68.9 cm lying; 90 × (1 − cos 50°) = 32.1 cm standing.
    const reach = (position: Exercise['position']) => heelHeight({ position, links: ['HF-KS'] }, 90);
    const at = (position: Exercise['position']) => insideOf(10, { deg: 60, heightCm: reach(position) });
    expect(at('lying on the back')).toEqual({ atDeg: 50, atCm: expect.closeTo(68.94, 2) as number });
    expect(at('standing')).toEqual({ atDeg: 50, atCm: expect.closeTo(32.15, 2) as number });
    expect(at('sitting')).toEqual({ atDeg: 50 });
    expect(lifted({ ...own, insideDeg: 10 }, {}, { active: { deg: 60, heightCm: null } })).toMatchObject({ atDeg: 50 });
    expect(lifted({ ...own, insideDeg: 10 }).atDeg).toBeUndefined();
    expect(insideOf(10, { deg: 4, heightCm: null })).toEqual({ atDeg: 0 });
  });

  test('stay inside the gate: contraction with its lift and lowering, effort, and no more than before where nothing gets harder', () => {
    const person = somebody({ limits: [limit('contraction at most', { value: 8 })] });
    const kept = lifted({ ...own, deepest: { holdS: 20, peakPct: 90 } }, {}, { person });
    expect(liftsOverCap(kept, gateOf(person))).toBeNull();
    expect([kept.holdS, kept.lastHoldS, kept.deepest]).toEqual([2, 2, { holdS: 8, peakPct: 60 }]);
  });

  test('of a contraction kept very short the lift and the lowering give way before the hold is gone past', () => {
    const person = somebody({ limits: [limit('contraction at most', { value: 5 })] });
    const kept = lifted({ ...own, liftS: 4, lowerS: 4 }, {}, { person });
    expect([kept.liftS, kept.holdS, kept.lowerS]).toEqual([2, 1, 2]);
    expect(liftsOverCap(kept, gateOf(person))).toBeNull();
  });

  test.each<[string, LiftShape, OverCap | null]>([
    ['as it is', own, null],
    ['an effort past the cap', { ...own, deepest: { holdS: 2, peakPct: 70 } }, { what: 'effort', asked: 70, most: 60 }],
    ['a contraction too long', { ...own, lastHoldS: 30 }, { what: 'contraction', asked: 36, most: 20 }],
    ['an effort too long', { ...own, deepest: { holdS: 25, peakPct: 20 } }, { what: 'contraction', asked: 25, most: 20 }]
  ])('%s is told by what it goes past', (_, shape, over) => {
    const caps = {
      ...gateOf().caps,
      contractionS: 20
    };
    expect(liftsOverCap(shape, { caps, longestHoldS: null })).toEqual(over);
  });

  test('a hold past the longest is told', () =>
    expect(
      liftsOverCap(own, {
        caps: gateOf().caps,
        longestHoldS: 10
      })
    ).toMatchObject({ what: 'hold', asked: 12, most: 10 }));

  test('letting go asks for more than lifting, and so does one more', () => {
    expect(liftsAskMore({ ...own, letGo: true }, own)).toBe(true);
    expect(liftsAskMore({ ...own, reps: 9 }, own)).toBe(true);
    expect(liftsAskMore({ ...own, restS: 9 }, own)).toBe(false);
  });
});
