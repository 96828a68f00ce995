import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  addDays,
  endStopOf,
  exerciseOf,
  exercises,
  gate,
  isHarder,
  measureOf,
  measuringNotes,
  motionIds,
  stageOpening,
  type Limit,
  type SafetyPerson,
  type Side
} from '../index';
import { loadsJoint, movedMotions } from '../exercise/exercise';
import { dosePhase } from '../plan/sessionBlocks';
import { warmUpFlow } from '../plan/warmUp';
import { flatDays, limit, somebody, stopped } from '../testing/person';
import { weekFor } from '../testing/week';

// People with two limits, two stops, several moves, unlike legs and unlike sides. Source of every rule: common practice, the cautious
// side (docs/safety.md, docs/sources.md#safety).
const today = '2026-03-02';
const asked = (id: string, side: Side | null, person: Partial<SafetyPerson>, measured: Record<string, number> = {}) =>
  gate({ exercise: exerciseOf(id), side, setting: exerciseOf(id).start, measured, person: somebody(person), today });
const end = (motion: Limit['motion'], value: number, side?: Side): Limit =>
  limit('joint end stop', { motion, value, ...(side && { side }), from: 'end stop' });

describe('an artificial hip of the other leg', () => {
  const limits = [limit('no end-range work', { joint: 'hip', side: 'left' })];
  test('holds a front split short whichever leg is in front', () => {
    for (const side of ['left', 'right'] as const)
      expect(asked('front_split_on_stack', side, { limits }, { depthCm: 30 }).ends.depthCm, side).toMatchObject({ at: 45 });
  });
  test('bars what goes to the end of it, on either side', () => {
    for (const id of ['split_lowering', 'cow_face_press', 'pigeon_forward'])
      for (const side of ['left', 'right'] as const) expect(asked(id, side, { limits }).verdict, `${id} ${side}`).toBe('barred');
    expect(asked('wrist_palm_wall', 'right', { limits }).verdict).not.toBe('barred');
  });
});

describe('several end stops', () => {
  test('the tightest of a motion counts, wherever it stands in the list', () => {
    const stops = [end('HF-KS', 110), end('HF-KS', 95, 'left'), end('HF-KS', 120)];
    for (const list of [stops, stops.toReversed()]) {
      expect(endStopOf(list, 'HF-KS', 'left')?.value).toBe(95);
      expect(endStopOf(list, 'HF-KS', 'right')?.value).toBe(110);
    }
  });
  test('one with the knee bent binds the straight knee, and one of the leg out to the side the bent hip; not the other way about', () => {
    expect(endStopOf([end('HF-KB', 90)], 'HF-KS', 'left')?.value).toBe(90);
    expect(endStopOf([end('HF-KS', 90)], 'HF-KB', 'left')).toBeNull();
    expect(endStopOf([end('HAB', 40), end('HAB90', 60)], 'HAB90', 'left')?.value).toBe(40);
    expect(endStopOf([end('HAB90', 30), end('HAB', 40)], 'HAB90', 'left')?.value).toBe(30);
    expect(endStopOf([end('HE', 5), end('HE-KF', 100)], 'HE-KF', 'right')?.value).toBe(5);
  });
  test('binds within the error of a measure, and bars what would go past it', () => {
    const at = (deg: number) =>
      asked('pancake_on_seat', null, { limits: [end('HF-KS', 125)], reachedDeg: { 'HF-KS/left': deg, 'HF-KS/right': 90 } });
    expect(at(119).ends.seatCm).toBeUndefined();
    expect(at(123).ends.seatCm).toMatchObject({ why: { code: 'end stop' } });
    expect(at(123).verdict).toBe('allowed within');
    expect(at(131).verdict).toBe('barred');
  });
  test('a knee that may not bend further is not pulled to its thigh, whatever nobody measured', () => {
    const limits = [end('KF', 100, 'left')];
    for (const id of ['towel_heel_pull', 'prone_heel_to_seat'])
      expect([asked(id, 'left', { limits }).verdict, asked(id, 'right', { limits }).verdict], id).toEqual(['barred', 'allowed']);
    expect(asked('towel_heel_pull', 'left', { limits, reachedDeg: { 'KF/left': 97 } }).verdict).toBe('allowed within');
  });
});

test('of several moves of a dial the latest wait counts', () => {
  const moved = (daysAgo: number) =>
    ({ exerciseId: 'front_split_on_stack', side: 'left', dial: 'depthCm', on: addDays(today, -daysAgo), first: false }) as const;
  for (const days of [
    [2, 20],
    [20, 2],
    [6, 2, 30]
  ])
    expect(asked('front_split_on_stack', 'left', { moves: days.map(moved) }).waits.depthCm?.opensOn).toBe(addDays(today, 5));
});

describe('what nobody may be made harder by', () => {
  const week = weekFor({});
  const phases = (person: Partial<SafetyPerson>) =>
    week.map((work) => dosePhase(work, { phase: 'own', person: somebody(person), today }));
  test('sets and rounds stay those of the first weeks while nothing is to be made harder', () => {
    expect(new Set(phases({}))).toEqual(new Set(['own']));
    expect(new Set(phases({ limits: [limit('no deepening')] }))).toEqual(new Set(['settle in']));
    expect(new Set(phases({ stops: [stopped({ joint: 'wrist', side: 'left' })] }))).toEqual(new Set(['settle in']));
  });
  test('a pain that was told holds what bears on it, and is not warmed up through', () => {
    const wrist = { joints: [{ joint: 'wrist', side: 'left' } as const], lines: [] };
    const told = [{ ...wrist, text: 'pain in the joint: left wrist', on: today, exerciseId: null, side: null, again: false }];
    expect(phases({ told })).toEqual(week.map(() => 'own'));
    const done = warmUpFlow({
      person: somebody({ told }),
      today,
      minutes: 45,
      week: [{ id: 'all', links: motionIds, traits: [] }]
    }).steps.map((s) => exerciseOf(s.exerciseId!));
    for (const e of done) expect(loadsJoint(e, null, { joint: 'wrist', side: 'left' }), e.id).toBe(false);
    expect(measuringNotes({ stops: [], told }, measureOf('WE'))).toMatchObject([{ code: 'told pain' }]);
    expect(measuringNotes({ stops: [], told }, measureOf('HF-KS'))).toEqual([]);
    expect(measuringNotes({ stops: [], told }, measureOf('front_split_gap'))).toHaveLength(1);
    const ache = [stopped({ line: 'forearm', side: 'left' })];
    const noted = (id: string) => measuringNotes({ stops: ache, told: [] }, measureOf(id)).length;
    expect([noted('WE'), noted('WF'), noted('HF-KS'), noted('KF')]).toEqual([1, 1, 0, 0]);
  });
  test('a wide and supported stance is no heels together, no hop, and no leg in the air without a wall', () => {
    const limits = [limit('wide support only')];
    for (const id of ['heel_raises', 'star_jumps', 'tall_squat_jumps', 'top_of_foot_standing'])
      expect(asked(id, exerciseOf(id).sides === 'each' ? 'left' : null, { limits }).verdict, id).toBe('barred');
    for (const id of ['leg_swings_forward', 'knee_raise_hold'])
      expect(asked(id, 'left', { limits }).verdict, id).not.toBe('barred');
  });
});

describe('the next stage of the lotus', () => {
  const since = addDays(today, -20);
  const facts = {
    stage: 0,
    since,
    sessionDays: [-18, -15, -11, -8].map((d) => addDays(today, d)),
    kneePainDays: [] as string[],
    outwardTurnDeg: { left: 66, right: 61 }
  };
  test('opens by days, sessions and range together', () => {
    expect(stageOpening(facts, today).isOpen).toBe(true);
    expect(stageOpening(facts, addDays(since, 13)).isOpen).toBe(false);
    expect(stageOpening({ ...facts, sessionDays: facts.sessionDays.slice(1) }, today).isOpen).toBe(false);
    expect(stageOpening({ ...facts, outwardTurnDeg: { left: 66, right: 59 } }, today).isOpen).toBe(false);
    expect(stageOpening({ ...facts, outwardTurnDeg: { left: 66, right: null } }, today).isOpen).toBe(false);
    // The lotus itself takes more.
    expect(stageOpening({ ...facts, stage: 1 }, today).isOpen).toBe(false);
  });
  test('a knee that hurt begins the fortnight anew, and that session is none without pain', () => {
    const opening = stageOpening({ ...facts, kneePainDays: [addDays(today, -8)] }, today);
    expect(opening).toMatchObject({ isOpen: false, opensOn: addDays(today, 6), sessions: { done: 3 } });
  });
});

describe('for anybody with two of everything', () => {
  const side = fc.constantFrom<Side>('left', 'right');
  const stop = fc.record({ motion: fc.constantFrom(...motionIds), value: fc.integer({ min: 10, max: 150 }), side });
  const reached = fc.dictionary(
    fc.tuple(fc.constantFrom(...motionIds), side).map(([m, s]) => `${m}/${s}`),
    fc.integer({ min: 5, max: 160 }),
    { maxKeys: 12 }
  );
  const anybody = fc.record({ stops: fc.tuple(stop, stop), reached, side, exercise: fc.constantFrom(...exercises) });

  test('nothing that opens a joint goes on past the tighter of its end stops', () =>
    fc.assert(
      fc.property(anybody, ({ stops, reached: reachedDeg, side: s, exercise }) => {
        const limits = stops.map((e) => end(e.motion, e.value, e.side));
        const on = exercise.sides === 'each' ? s : null;
        const ask = { exercise, side: on, setting: exercise.start, person: somebody({ limits, reachedDeg }), today };
        const { verdict, ends } = gate(ask);
        if (verdict === 'barred') return;
        const isSplit = exercise.position === 'in the split';
        for (const { motion, side: at } of movedMotions({ moves: exercise.moves.filter((m) => m.role === 'opens') }, on)) {
          const tightest = Math.min(...stops.filter((e) => e.motion === motion && e.side === at).map((e) => e.value));
          const deg = reachedDeg[`${motion}/${at}`];
          if (tightest === Infinity || deg === undefined || isSplit) continue;
          expect(deg, `${exercise.id} ${motion}`).toBeLessThanOrEqual(tightest + 5);
          if (deg < tightest - 5) continue;
          for (const dial of exercise.dials.filter((d) => ['cm', 'level', '°'].includes(d.unit)))
            expect(ends[dial.id], `${exercise.id} ${dial.id}`).toBeDefined();
        }
      }),
      { numRuns: 600 }
    ));

  const ready = (stops: SafetyPerson['stops']) =>
    somebody({ stops, flatHeldOn: { left: flatDays, right: flatDays }, lotusStage: 2 });
  test('a second stop, of whichever side, opens nothing that the first one barred', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...exercises),
        fc.tuple(side, side, side),
        fc.tuple(fc.constantFrom('hip', 'knee', 'wrist', 'shoulder', 'ankle'), fc.constantFrom('hip', 'knee', 'back')),
        (exercise, [on, first, second], [a, b]) => {
          const one = [stopped({ joint: a, side: first })];
          const two = [...one, stopped({ joint: b, side: b === 'back' ? null : second })];
          const at = exercise.sides === 'each' ? on : null;
          const verdicts = [one, two, two.toReversed()].map(
            (stops) => gate({ exercise, side: at, setting: exercise.start, person: ready(stops), today }).verdict
          );
          const bears = [
            loadsJoint(exercise, at, { joint: a, side: first }),
            loadsJoint(exercise, at, { joint: b, side: b === 'back' ? null : second })
          ];
          expect(verdicts[0] === 'barred').toBe(bears[0]);
          expect(verdicts.slice(1)).toEqual(Array(2).fill(bears.some(Boolean) ? 'barred' : verdicts[1]));
          if (!bears.some(Boolean)) expect(verdicts[1]).not.toBe('allowed');
          for (const dial of exercise.dials)
            if (exercise.start[dial.id] !== undefined) {
              const { ends } = gate({ exercise, side: at, setting: exercise.start, person: ready(two), today });
              expect(isHarder(dial, ends[dial.id]!.at, exercise.start[dial.id]!), `${exercise.id} ${dial.id}`).toBe(false);
            }
        }
      ),
      { numRuns: 400 }
    ));
});
