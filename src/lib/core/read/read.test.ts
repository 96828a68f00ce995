import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import turnout from '../fixtures/turnout.json';
import {
  activeGap,
  goalOf,
  linkKey,
  measureSet,
  openingFromDepthDeg,
  splitOpening,
  readPosition,
  turnoutUnexplainedDeg,
  whatIf,
  type Demand,
  type Goal,
  type LinkValue
} from '../index';

const leg = { value: 90, sd: 1 };
const legs = { lead: leg, trail: leg };
const sure = (value: number) => ({ value, sd: 2 });

/** A position read with these passive ranges, by key of the link. */
function read(goal: Goal, passive: Record<string, number>, more: Partial<Parameters<typeof readPosition>[0]> = {}) {
  const links = new Map<string, LinkValue>(
    Object.entries(passive).map(([key, deg]) => [key, { passive: sure(deg), active: null, activeGap: null }])
  );
  return readPosition({
    goal,
    demands: goal.demands,
    leadSide: goal.leads ? 'left' : null,
    target: goal.target,
    links,
    headline: null,
    legs,
    ...more
  });
}

const split = goalOf('front_split');

describe('a front split read down to its links', () => {
  // Source: geometry. Lead flexion and trail extension together make the opening.
  test('names the link that gives most, the next within error, and what is not explained', () => {
    const reading = read(split, { 'HF-KS/left': 126, 'HE/right': 20 }, { headline: { value: 15, sd: 2 } });
    expect(reading.openingFromLinksDeg).toBe(146);
    expect(reading.openingDeg).toBeCloseTo(openingFromDepthDeg({ depthCm: 15, leadLegCm: 90, trailLegCm: 90 }), 9);
    expect(reading.links.map((l) => [l.key, l.givesDeg])).toEqual([
      ['HE/right', 20],
      ['HF-KS/left', 14]
    ]);
    expect(reading.limiting.map((l) => l.key)).toEqual(['HE/right']);
    expect(reading.unexplainedDeg!.value).toBeCloseTo(reading.openingDeg! - 146, 9);
    expect(reading.unexplainedDeg!.sd).toBeGreaterThanOrEqual(10);
  });

  test('a link gives no more than the sum still misses: the other has it to spare', () => {
    const reading = read(split, { 'HF-KS/left': 155, 'HE/right': 20 });
    expect(reading.links.map((l) => l.givesDeg)).toEqual([5, 0]);
    expect(reading.links.find((l) => l.measure === 'HF-KS')!.reserveDeg).toBe(15);
  });

  test('what is alike within error is named together', () =>
    expect(read(split, { 'HF-KS/left': 128, 'HE/right': 27 }).limiting).toHaveLength(2));

  // Source: geometry. Past flat the sum is 180 + asin(raise / leg); a higher target asks for less.
  test('the need follows the target, in proportion to the shares', () => {
    const past = read(split, { 'HF-KS/left': 140, 'HE/right': 40 }, { target: -15 });
    expect(past.needSumDeg).toBeCloseTo(180 + (Math.asin(15 / 90) * 180) / Math.PI, 6);
    expect(past.links.reduce((s, l) => s + l.needDeg, 0)).toBeCloseTo(past.needSumDeg!, 9);
    expect(read(split, { 'HF-KS/left': 140, 'HE/right': 40 }, { target: 25 }).limiting).toEqual([]);
  });

  test('a link never measured is told, stands last, and nothing is added up', () => {
    const reading = read(split, { 'HF-KS/left': 100 }, { headline: { value: 30, sd: 2 } });
    expect(reading.neverMeasured.map((l) => l.key)).toEqual(['HE/right']);
    expect(reading.links.at(-1)!.key).toBe('HE/right');
    expect([reading.openingFromLinksDeg, reading.unexplainedDeg]).toEqual([null, null]);
    expect(() => whatIf(reading, {})).toThrow(expect.objectContaining({ code: 'nothing_adds_up' }));
  });

  test('what is held is told beside what is reached', () => {
    const gap = activeGap('higher', sure(110), sure(120));
    const link = { passive: sure(120), active: sure(110), activeGap: gap };
    expect(read(split, {}, { links: new Map([['HF-KS/left', link]]) }).links.find((l) => l.key === 'HF-KS/left')!.activeGap).toBe(
      gap
    );
  });

  // By hand: 15 cm under legs of 90 cm: dα/dgap = 2 · 57.296 / (90 · cos 9.594°) = 1.2914°/cm, dα/dleg = 0.1076°/cm each.
  test('what is not explained carries the errors of model, links and the position itself', () => {
    const reading = read(split, { 'HF-KS/left': 126, 'HE/right': 20 }, { headline: { value: 15, sd: 4 } });
    const openingSd = Math.hypot(1.2914 * 4, 0.1076, 0.1076);
    expect(reading.unexplainedDeg!.sd).toBeCloseTo(Math.hypot(10, openingSd, 2, 2), 2);
    const turned = read(goalOf('turnout'), { 'HER0/left': 50, 'HER0/right': 50 }, { headline: { value: 130, sd: 5 } });
    expect(turned.unexplainedDeg!.sd).toBeCloseTo(Math.hypot(10, 5, 2, 2), 9);
  });

  test('a goal set before a leg was measured shorter is read all the same', () =>
    expect(read(split, {}, { target: 85, legs: { lead: leg, trail: { value: 80, sd: 1 } } }).needSumDeg).toBeLessThan(40));

  test('wants to know which leg leads', () =>
    expect(() => read(split, {}, { leadSide: null })).toThrow(expect.objectContaining({ code: 'lead_side_missing' })));
});

describe('other models', () => {
  // Source: definition of compensated turnout (recalled with high confidence); worked examples are arithmetic.
  test.each(turnout.worked_examples)('turnout of $functional_turnout_deg', (example) => {
    const { functional_turnout_deg: shown, passive_hip_er_left_deg: left, passive_hip_er_right_deg: right } = example;
    expect(turnoutUnexplainedDeg({ functionalDeg: shown, leftErDeg: left, rightErDeg: right })).toBeCloseTo(
      example.compensated_turnout_deg,
      9
    );
    const reading = read(goalOf('turnout'), { 'HER0/left': left, 'HER0/right': right }, { headline: { value: shown, sd: 3 } });
    expect(reading.unexplainedDeg!.value).toBeCloseTo(example.compensated_turnout_deg, 9);
  });

  test('a side split adds both abductions; rotation is a gate of its own', () => {
    const reading = read(
      goalOf('side_split'),
      { 'HAB/left': 70, 'HAB/right': 60, 'HER0/left': 50, 'HER0/right': 30 },
      { headline: { value: 30, sd: 2 } }
    );
    expect(reading.openingFromLinksDeg).toBe(130);
    expect(reading.links[0]).toMatchObject({ key: 'HAB/right', givesDeg: 30, coupled: true });
    expect(reading.links.find((l) => l.key === 'HER0/right')).toMatchObject({ coupled: false, givesDeg: 15 });
  });

  test('a lotus adds nothing up: each link is a gate', () => {
    const reading = read(goalOf('lotus'), { 'HER90/left': 40, 'KF/left': 150 });
    expect(reading.openingDeg).toBeNull();
    expect(reading.limiting[0]!.key).toBe('HER90/left');
    expect(reading.links.find((l) => l.key === 'KF/left')!.givesDeg).toBe(0);
  });
});

describe('whatIf', () => {
  const ranges = fc.record({ flexion: fc.integer({ min: 80, max: 150 }), extension: fc.integer({ min: 5, max: 35 }) });

  test('degree for degree, and back again', () =>
    fc.assert(
      fc.property(ranges, fc.integer({ min: 3, max: 60 }), fc.integer({ min: -10, max: 20 }), (r, gap, more) => {
        const reading = read(split, { 'HF-KS/left': r.flexion, 'HE/right': r.extension }, { headline: { value: gap, sd: 2 } });
        const changed = whatIf(reading, { 'HE/right': r.extension + more });
        expect(changed.openingDeg).toBeCloseTo(reading.openingDeg! + more, 9);
        expect(whatIf(reading, {}).depthCm).toBeCloseTo(gap, 6);
        // The depth that is said has the opening that is said, also past flat.
        expect(openingFromDepthDeg({ depthCm: changed.depthCm!, leadLegCm: 90, trailLegCm: 90 })).toBeCloseTo(
          changed.openingDeg,
          5
        );
        if (more > 0) expect(changed.depthCm!).toBeLessThan(gap);
      })
    ));

  // Source: geometry, by hand. Near flat with 90 cm legs one degree is about 0.79 cm: half of it on either leg.
  test('tells what one degree is worth', () => {
    const near = read(split, { 'HF-KS/left': 130, 'HE/right': 30 }, { headline: { value: 5, sd: 1 } });
    expect(whatIf(near, {}).cmPerDeg).toBeCloseTo(90 * Math.sin((0.5 * Math.PI) / 180), 1);
  });

  test('legs of 95 and 80 cm: no opening is out of reach, and what is no number is refused', () => {
    const unlike = { lead: { value: 95, sd: 1 }, trail: { value: 80, sd: 1 } };
    const near = read(split, { 'HF-KS/left': 60, 'HE/right': 5 }, { headline: { value: 70, sd: 1 }, legs: unlike });
    expect(whatIf(near, { 'HF-KS/left': 0, 'HE/right': -40 }).depthCm).toBeCloseTo(80, 3);
    expect(whatIf(near, { 'HF-KS/left': 170, 'HE/right': 120 }).depthCm).toBeLessThan(-60);
    expect(() => whatIf(near, { 'HE/right': Number.NaN })).toThrow(expect.objectContaining({ code: 'value_not_a_number' }));
  });

  test('a link outside the sum changes nothing', () => {
    const reading = read(goalOf('side_split'), { 'HAB/left': 70, 'HAB/right': 60, 'HER0/left': 30 }, { headline: sure(40) });
    expect(whatIf(reading, { 'HER0/left': 60 })).toEqual(whatIf(reading, {}));
  });
});

describe('splitOpening', () => {
  // Source: worked case U2 of the geometry: partial derivatives −1.306°/cm of the gap and 0.29°/cm of the legs together.
  test('carries the error of depth and legs', () => {
    const opening = splitOpening({ value: 20, sd: 1.9 }, { value: 90, sd: 1 }, { value: 90, sd: 1 });
    expect(opening.value).toBeCloseTo(154.320823, 5);
    expect(opening.sd).toBeCloseTo(Math.hypot(1.30589201 * 1.9, 0.14509911, 0.14509911), 3);
  });
  test('goes on past flat, and refuses a gap longer than the leg', () => {
    const leg = { value: 90, sd: 0 };
    expect(splitOpening({ value: -15, sd: 0.1 }, leg, leg).value).toBeCloseTo(189.594068, 5);
    expect(() => splitOpening({ value: 95, sd: 1 }, leg, leg)).toThrow(expect.objectContaining({ code: 'gap_exceeds_leg' }));
  });
});

describe('measureSet', () => {
  test('short is the headline and what holds back, full is everything', () => {
    const reading = read(split, { 'HF-KS/left': 139, 'HE/right': 10 });
    expect(measureSet(split, split.demands, [reading], 'short')).toEqual(['front_split_gap', 'HE']);
    expect(measureSet(split, split.demands, [], 'short')).toEqual(['front_split_gap']);
    expect(measureSet(goalOf('lotus'), goalOf('lotus').demands, [], 'full')).toEqual([
      'lotus_knee_height',
      'lotus_stage',
      'cross_seat_height',
      'HER90',
      'HAB90',
      'KF',
      'APF'
    ]);
  });
});

test('a need is of its side: keys tell the two apart', () => {
  const demand: Demand = { measure: 'HE', on: 'trail', needDeg: 40, basis: 'assumption' };
  const reading = read(split, { 'HE/right': 30, 'HE/left': 10 }, { demands: [demand] });
  expect(reading.links.map((l) => l.key)).toEqual([linkKey('HE', 'right')]);
});
