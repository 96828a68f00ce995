import fc from 'fast-check';
import { expect, test } from 'vitest';
import {
  CoreError,
  endValues,
  exerciseOf,
  gate,
  isWithin,
  ladder,
  limitKinds,
  exercises,
  schools,
  sessionWorks,
  noPlanWishes,
  planProgression,
  joints,
  lines,
  totals,
  compileForm,
  capsOf,
  effortsOf,
  takesCycle,
  type CycleSpec,
  type Progression,
  type Prop,
  type Setting,
  type Side,
  type Stop
} from '../index';
import { sampleLimits } from '../safety/limitTable';
import { draws } from '../testing/draws';
import { flatDays, somebody, stopped } from '../testing/person';
import { solveAnyhow } from '../testing/solver';
import { splitWeekIds, weekFor } from '../testing/week';

const shelf: Prop[] = [
  { id: 'book', name: 'book', quantity: 4, faces: [{ heightCm: 2.5, widthCm: 16, depthCm: 23 }] },
  { id: 'block', name: 'block', quantity: 3, faces: [{ heightCm: 10, widthCm: 15, depthCm: 23 }] },
  { id: 'box', name: 'box', quantity: 1, faces: [{ heightCm: 30, widthCm: 45, depthCm: 40 }] }
];
const today = '2026-03-02';
const anySide = fc.constantFrom<Side | null>('left', 'right', null);
const anyStop: fc.Arbitrary<Stop> = fc.oneof(
  fc.record({ joint: fc.constantFrom(...joints), side: anySide }),
  fc.record({ line: fc.constantFrom(...lines), side: anySide }),
  fc.record({ exerciseId: fc.constantFrom('rear_hip_cycle', 'front_split_on_stack'), side: anySide })
);

/** A cycle shaped by hand without a thought for anybody's limits. */
const effort = { rampUpS: 0, holdS: 40, rampDownS: 5, peakPct: 100 };
const bold: CycleSpec = {
  holdS: 300,
  rounds: 3,
  press: effort,
  draw: effort,
  turnS: 5,
  settleS: 30,
  finalSettleS: 200,
  perRound: [{ press: { peakPct: 80, holdS: 90 } }],
  holdPct: 70,
  stepPct: 20,
  brace: true,
  deepening: 'lean'
};

// Source: common practice, the cautious side (docs/safety.md).
test('no plan contains what the gate bars, nor a setting or an easier version past its ends, whoever it is for, whatever is in the week and whatever the solver answers', () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(fc.constantFrom(...limitKinds), { maxLength: 3 }),
      fc.array(anySide, { minLength: 3, maxLength: 3 }),
      fc.array(anyStop, { maxLength: 1 }),
      fc.constantFrom(28, 15, 5, 0, -5),
      fc.integer({ min: 15, max: 60 }),
      fc.boolean(),
      fc.constantFrom(...schools),
      fc.subarray(
        exercises.map((e) => e.id),
        { maxLength: 5 }
      ),
      fc.boolean(),
      fc.nat(),
      fc.record({
        sessions: fc.dictionary(
          fc.constantFrom('1', '2', '3', '4'),
          fc.record(
            {
              atHome: fc.constant<true>(true),
              training: fc.constantFrom('before training' as const, 'after training' as const),
              only: fc.constantFrom(...sessionWorks)
            },
            { requiredKeys: [] }
          )
        ),
        themes: fc.boolean(),
        hardSessions: fc.constantFrom(null, 0, 1)
      }),
      async (kinds, ofSide, stops, depthCm, minutes, held, school, others, shaped, seed, wished) => {
        const limits = kinds.map((kind, i) => {
          const side = ofSide[i];
          return { ...sampleLimits[kind], ...(side && { side }) };
        });
        const person = somebody({
          limits,
          stops: stops.map((s) => stopped(s)),
          ...(held && { flatHeldOn: { left: flatDays, right: flatDays } })
        });
        const setting: Setting = { depthCm, holdS: 90 };
        const strong: Setting = { holdS: 120, effortPct: 60 };
        const both = <T>(s: T) => ({ left: s, right: s });
        const rungs = ladder({ fromCm: Math.max(depthCm + 20, 20), toCm: Math.min(depthCm, 0) - 5, shelf }).steps;
        const settings = {
          front_split_on_stack: both(setting),
          front_hamstring_cycle: both(strong),
          rear_hip_cycle: both(strong),
          front_leg_lift: both({ reps: 8, holdS: 10 })
        };
        const ids = [...new Set([...splitWeekIds, ...others])];
        const week = weekFor({
          ids,
          school,
          settings,
          rungs: { left: rungs, right: rungs },
          measuredCm: { left: depthCm, right: depthCm }
        }).map((w) => (shaped && takesCycle(w.exercise) ? { ...w, cycles: both(bold) } : w));
        const make = () =>
          planProgression(
            {
              week,
              level: 'intermediate',
              leadSide: 'left',
              weakerSide: null,
              tighterSide: null,
              limiting: [],
              breathS: 8,
              person,
              today,
              weeks: 2,
              sessionsPerWeek: 4,
              minutes,
              start: today,
              target: null,
              hasBaseline: true,
              priority: {},
              activeWorth: {},
              demands: [],
              wishes: { ...noPlanWishes, ...wished },
              homeWeek: week.map((w, i) => (i === 1 ? { ...w, lacks: ['pad'] } : w))
            },
            solveAnyhow(seed)
          );
        let plan: Progression;
        try {
          plan = await make();
        } catch (refused) {
          // Nothing that may be done is left, or no time for it: then there is no plan.
          expect(refused).toBeInstanceOf(CoreError);
          return;
        }
        const caps = capsOf(limits);
        const most = caps.contractionS ?? Infinity;
        for (const { sessions } of plan.weeks)
          for (const { blocks, place, allotment } of sessions)
            for (const { exerciseId, work, part, schoolId } of blocks)
              for (const w of work) {
                const exercise = exerciseOf(exerciseId);
                if (w.form.kind === 'flow') {
                  const at = gate({ exercise, side: null, setting: exercise.start, person, today });
                  expect(at.bars, exerciseId).toEqual([]);
                  if (part === 'warm-up') expect(totals(compileForm(w.form)).durationS).toBeGreaterThanOrEqual(caps.warmUpS);
                  continue;
                }
                if (place === 'home') expect(exerciseId).not.toBe(week[1]!.exercise.id);
                expect(schoolId).toBe(school.id);
                if (allotment.some((a) => a.exerciseId === exerciseId && a.stretch)) expect(w.form.kind).not.toBe('cycle');
                const state = week.find((x) => x.exercise.id === exerciseId)!.states[w.side ?? 'left'];
                const gated = gate({
                  exercise,
                  side: w.side,
                  setting: state.setting,
                  measured: state.measured,
                  person,
                  today,
                  session: { backWarm: true }
                });
                expect(gated.bars, exerciseId).toEqual([]);
                const longestS = gated.longestHoldS ?? Infinity;
                for (const { setting: stands, rung, form } of [w, ...(w.easier ? [w.easier] : [])]) {
                  for (const dial of exercise.dials)
                    if (stands[dial.id] !== undefined)
                      expect(isWithin(dial, stands[dial.id]!, endValues(gated)), `${exerciseId} ${dial.id}`).toBe(true);
                  const depth = exercise.dials.find((d) => d.id === 'depthCm');
                  if (rung && depth) expect(isWithin(depth, rung.depthCm, endValues(gated)), `${exerciseId} rung`).toBe(true);
                  const phases = compileForm(form, { effortCapPct: 100 });
                  for (const p of phases) {
                    expect(Math.max(Math.abs(p.fromPct), Math.abs(p.toPct))).toBeLessThanOrEqual(caps.effortPct);
                    if (p.kind === 'hold' && form.kind !== 'reps')
                      expect(p.endS - p.startS, exerciseId).toBeLessThanOrEqual(longestS);
                    if (p.fromPct !== 0 && form.kind === 'breaths')
                      expect(p.endS - p.startS, exerciseId).toBeLessThanOrEqual(most);
                  }
                  if (form.kind === 'cycle') {
                    const { spec } = form;
                    for (const e of [0, 1, 2].flatMap((round) => Object.values(effortsOf(spec, round))))
                      expect(e.rampUpS + e.holdS + e.rampDownS).toBeLessThanOrEqual(most);
                    expect(Math.max(spec.holdS, spec.finalSettleS)).toBeLessThanOrEqual(longestS);
                    if (spec.holdPct) expect(spec.holdS).toBeLessThanOrEqual(most);
                    if (!caps.brace) expect(spec.brace).toBeUndefined();
                    if (gated.noHarder) expect(spec).toMatchObject({ stays: true });
                  }
                  if (form.kind === 'reps')
                    expect(form.spec.liftS + form.spec.holdS + form.spec.lowerS).toBeLessThanOrEqual(most);
                }
              }
      }
    ),
    { numRuns: draws(40) }
  ));
