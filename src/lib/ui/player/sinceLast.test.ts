import { describe, expect, test } from 'vitest';
import type { LastTime } from '$lib/contract/review';
import { compileSession, exerciseOf, partOf, type Block, type Setting } from '$lib/core';
import { sinceLast } from './sinceLast';

const split = exerciseOf('front_split_on_stack');
const block = (setting: Setting): Block => ({
  exerciseId: split.id,
  part: partOf(split),
  links: split.links,
  props: [],
  baseSets: 1,
  leastHoldS: 20,
  priority: 1,
  because: [],
  work: (['left', 'right'] as const).map((side) => ({ side, sets: 2, form: { kind: 'hold', spec: { holdS: 60 } }, setting }))
});
const before = (setting?: Setting): LastTime => ({
  ...{ on: '2026-03-02', clean: true, sensation: null, slipped: null, actualS: 60, figures: {} },
  setting
});
const { sets } = compileSession([block({ depthCm: 20, holdS: 60 })]);
const ask = (
  done: readonly number[],
  last: Readonly<Record<string, LastTime>>,
  settingOf = (s: (typeof sets)[number]) => s.work.setting
) => sinceLast({ sets, done: new Set(done), settingOf, lastTimes: last, find: exerciseOf, units: { length: 'cm', mass: 'kg' } });

describe('the end of a session', () => {
  test('tells what was lower and what was shorter than the last time, each side by itself', () => {
    const work = ask([0, 1, 2, 3], {
      [`${split.id}/left`]: before({ depthCm: 22.5, holdS: 60 }),
      [`${split.id}/right`]: before({ depthCm: 20, holdS: 75 })
    });
    expect(work.map((w) => [w.side, w.done, w.planned, w.lastOn])).toEqual([
      ['left', 2, 2, '2026-03-02'],
      ['right', 2, 2, '2026-03-02']
    ]);
    // A lower pelvis is further, a shorter hold is not (common practice).
    expect(work[0]!.changes).toEqual([{ text: 'depth: 20 cm, last time 22.5 cm', further: true }]);
    expect(work[1]!.changes).toEqual([{ text: 'hold: 60 s, last time 75 s', further: false }]);
  });

  test('compares nothing that was not done, done for the first time, or kept without its setting', () => {
    expect(ask([], { [`${split.id}/left`]: before({ depthCm: 22.5 }) }).map((w) => [w.done, w.changes])).toEqual([
      [0, []],
      [0, []]
    ]);
    expect(ask([0, 1], { [`${split.id}/left`]: before() }).flatMap((w) => w.changes)).toEqual([]);
    expect(ask([0, 1], {}).map((w) => w.lastOn)).toEqual([null, null]);
  });

  test('takes a set that was made easier as it was done', () => {
    const eased = ask([0, 1, 2, 3], { [`${split.id}/left`]: before({ depthCm: 20, holdS: 60 }) }, () => ({
      depthCm: 25,
      holdS: 60
    }));
    expect(eased[0]!.changes).toEqual([{ text: 'depth: 25 cm, last time 20 cm', further: false }]);
  });
});
