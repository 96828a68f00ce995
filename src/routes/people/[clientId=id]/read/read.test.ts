import { describe, expect, test } from 'vitest';
import { activeGap, goalOf, linkKey, otherSide, readPosition, type LinkValue, type PositionReading, type Side } from '$lib/core';
import { balanceRows } from './balance';
import { findingsOf, sentencesOf, unexplainedText } from './findings';

type Known = Readonly<Record<string, readonly [passive: number, active?: number]>>;

const read = (kind: string, known: Known, leadSide: Side | null = null, headline: number | null = null): PositionReading => {
  const goal = goalOf(kind);
  const links = new Map<string, LinkValue>(
    Object.entries(known).map(([key, [passive, active]]) => [
      key,
      {
        passive: { value: passive, sd: 2 },
        active: active === undefined ? null : { value: active, sd: 2 },
        activeGap: active === undefined ? null : activeGap('higher', { value: active, sd: 2 }, { value: passive, sd: 2 })
      }
    ])
  );
  return readPosition({
    goal,
    demands: goal.demands,
    leadSide,
    target: goal.target,
    links,
    headline: headline === null ? null : { value: headline, sd: 2 },
    legs: { lead: { value: 90, sd: 1 }, trail: { value: 90, sd: 1 } }
  });
};
const splitOf = (lead: Side, known: Known, gapCm: number | null = null) => read('front_split', known, lead, gapCm);
const textOf = (readings: PositionReading[]) => sentencesOf(readings).map((s) => s.text);

describe('a goal that is reached', () => {
  test('is held back by nothing: what is short is told as that, and the reading never says both', () => {
    const turned = read('turnout', { 'HER0/left': [52], 'HER0/right': [54] }, null, 124);
    expect(sentencesOf([turned], true)[0]!.text).toBe(
      'The goal is reached. Left outward turn (hip straight) is 8° short of 60°: look at what carries it instead'
    );
    expect(sentencesOf([turned], true)[0]!.text).not.toMatch(/main limit/);
    const carried = read('turnout', { 'HER0/left': [62], 'HER0/right': [64] }, null, 124);
    expect(sentencesOf([carried], true)[0]!.text).toBe(
      'The goal is reached, and none of the joint ranges measured is short of it'
    );
  });

  test('what is short agrees with the two figures beside it', () => {
    const turned = read('turnout', { 'HER0/left': [53.6], 'HER0/right': [60] });
    expect(textOf([turned])[0]).toMatch(/: 6° short of 60°/);
  });
});

describe('the sentence of a reading', () => {
  test('names the link, how short it is, and what is within error of it', () =>
    expect(textOf([read('lotus', { 'HER90/left': [40], 'HER90/right': [42], 'KF/left': [150] })])).toEqual([
      'Left outward turn (hip bent) is the main limit: 40° short of 80°. Right outward turn (hip bent) may limit it as much, within the measuring error'
    ]));

  test('says one thing where both leads agree on the motion', () => {
    const known = { 'HF-KS/left': [138], 'HF-KS/right': [137], 'HE/left': [12], 'HE/right': [22] } as const;
    expect(textOf([splitOf('left', known), splitOf('right', known)])).toEqual([
      'Front of the hip is the main limit: 18° on the right and 28° on the left short of 40°'
    ]);
  });

  test('says each lead apart where they differ', () => {
    const known = { 'HF-KS/left': [100], 'HF-KS/right': [139], 'HE/left': [10], 'HE/right': [39] } as const;
    const said = sentencesOf([splitOf('left', known), splitOf('right', known)]);
    expect(said.map((s) => s.side)).toEqual(['left', 'right']);
    expect(said[0]!.text).toContain('Left hamstring length');
    expect(said[1]!.text).toContain('Left front of the hip');
  });

  test.each([
    ['nothing measured', splitOf('left', {}), 'No joint range is measured yet. The goal’s own measure says how far, not why'],
    ['some measured, none short', splitOf('left', { 'HF-KS/left': [150] }), 'None of the joint ranges measured so far is short'],
    [
      'all there',
      splitOf('left', { 'HF-KS/left': [145], 'HE/right': [40] }),
      'None of these joint ranges is short. What is missing lies elsewhere'
    ],
    ['no links at all', read('desk_ease', {}), 'This goal is measured by its own number alone']
  ])('%s', (_, reading, text) => expect(textOf([reading])).toEqual([text]));

  test('no goal, no sentence', () => expect(sentencesOf([])).toEqual([]));
});

describe('findings', () => {
  const texts = (reading: PositionReading, allowance?: number) => findingsOf(reading, allowance).map((f) => f.text);

  test('what is not explained is told neutrally, either way', () => {
    const known = { 'HF-KS/left': [120], 'HE/right': [20] } as const;
    expect(texts(splitOf('left', known, 15))[0]).toMatch(
      /^Left leading: \d+° of the opening does not come from the joints measured \(often the back or the feet\)\.$/
    );
    const roomy = { 'HF-KS/left': [145], 'HE/right': [34] } as const;
    expect(texts(splitOf('left', roomy, 30))[0]).toMatch(/^Left leading: the joints allow \d+° more than the position shows\.$/);
  });

  test('over time it is told as in the sentence: the difference of the two figures shown', () => {
    const [finding] = findingsOf(
      { ...splitOf('left', { 'HF-KS/left': [108], 'HE/right': [9.6] }, 16), openingDeg: 159.4 },
      undefined
    );
    expect(finding!.text).toContain('41°'); // 159° and 118°, though 41.8° lie between them
    expect(unexplainedText(159.4, 117.6)).toBe('41°');
    expect(unexplainedText(117.6, 159.4)).toBe('−41°');
  });

  // Source: common practice. Turnout that the hips do not explain is made by knees and feet.
  test('past its allowance a turnout says where to look', () => {
    const hips = { 'HER0/left': [45], 'HER0/right': [45] } as const;
    expect(texts(read('turnout', hips, null, 100), 20)[0]).toBe(
      '10° of the opening does not come from the joints measured (often the back or the feet).'
    );
    expect(texts(read('turnout', hips, null, 120), 20)[0]).toContain('That is more than the usual 20°: look at knees and feet');
  });

  test('tells the two widest active gaps, beyond their error, and what was never measured', () => {
    const found = texts(
      read('lotus', { 'HER90/left': [60, 30], 'HER90/right': [60, 40], 'HAB90/left': [60, 45], 'KF/left': [140, 137] })
    );
    expect(found.filter((t) => t.includes('short of the passive reach'))).toEqual([
      'Left outward turn (hip bent): the active hold is 30° short of the passive reach.',
      'Right outward turn (hip bent): the active hold is 20° short of the passive reach.'
    ]);
    expect(found.at(-1)).toContain('Never measured:');
    expect(found.at(-1)).toContain('right knee bend');
  });

  test('held beyond reached asks for the passive one again', () =>
    expect(texts(read('lotus', { 'KF/left': [120, 140] }))).toContainEqual(
      'Left knee bend: the active hold reads 20° further than the passive reach. Measure the passive one again.'
    ));

  test('every finding can be asked why', () => {
    for (const finding of findingsOf(splitOf('left', { 'HF-KS/left': [120, 90], 'HE/right': [20] }, 15), undefined))
      expect(finding.why.length).toBeGreaterThan(40);
  });
});

describe('the balance', () => {
  test('has one row a motion, left and right beside each other, what holds back most on top', () => {
    const known = { 'HF-KS/left': [138], 'HF-KS/right': [137], 'HE/left': [12], 'HE/right': [22] } as const;
    const rows = balanceRows([splitOf('left', known), splitOf('right', known)]);
    expect(rows.map((r) => r.measure)).toEqual(['HE', 'HF-KS']);
    for (const row of rows) {
      expect(row.left?.key).toBe(linkKey(row.measure, 'left'));
      expect(row.right?.key).toBe(linkKey(row.measure, otherSide('left')));
      expect(row.both).toBeNull();
    }
  });

  test('motions never measured stand last; what has no side stands by itself', () => {
    const rows = balanceRows([read('pancake', { 'trunk_fold/both': [88] })]);
    expect(rows[0]).toMatchObject({ measure: 'trunk_fold', left: null, right: null, both: { reserveDeg: -2 } });
    expect(rows.slice(1).every((r) => !r.left?.passive && !r.both?.passive)).toBe(true);
  });
});
