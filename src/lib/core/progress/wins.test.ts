import { describe, expect, test } from 'vitest';
import { smallWins, type WinsAsk } from '../index';

// Marking first lifts, first heights, longest holds and stages: common practice with goals that take months.
const set = (on: string, more: Partial<WinsAsk['cleanSets'][number]> = {}): WinsAsk['cleanSets'][number] => ({
  on,
  exerciseId: 'front_split_on_stack',
  side: 'left',
  isLift: false,
  holdS: null,
  heightCm: null,
  ...more
});
const ask: WinsAsk = { cleanSets: [], measures: [], target: null, betterIs: 'lower', stage: null };
const codes = (a: Partial<WinsAsk>) => smallWins({ ...ask, ...a }).map((w) => w.code);

describe('smallWins', () => {
  test('a lift is a win the first time; both sides on one day are one', () => {
    const cleanSets = ['01', '02'].flatMap((d) => [
      set(`2026-03-${d}`, { isLift: true }),
      set(`2026-03-${d}`, { isLift: true, side: 'right' })
    ]);
    const wins = smallWins({ ...ask, cleanSets });
    expect(wins.map((w) => [w.code, w.on, w.side])).toEqual([['first lift', '2026-03-01', null]]);
    const later = [...cleanSets.slice(0, 1), set('2026-03-03', { isLift: true, side: 'right' })];
    expect(smallWins({ ...ask, cleanSets: later }).map((w) => w.side)).toEqual(['right', 'left']);
  });

  test('the longest hold counts once it is well over the first, with the day it was first held', () => {
    const holds = (...values: number[]) => values.map((holdS, i) => set(`2026-03-0${i + 1}`, { holdS }));
    expect(codes({ cleanSets: holds(40, 45) })).toEqual([]);
    expect(smallWins({ ...ask, cleanSets: holds(40, 60, 60, 50) })).toMatchObject([
      { code: 'longest hold', on: '2026-03-02', holdS: 60, beforeS: 40 }
    ]);
  });

  test('the lowest height that was come down to; none for who began on it', () => {
    const heights = (...values: number[]) => values.map((heightCm, i) => set(`2026-03-0${i + 1}`, { heightCm }));
    expect(codes({ cleanSets: heights(20, 20, 22.5) })).toEqual([]);
    expect(smallWins({ ...ask, cleanSets: heights(20, 17.5, -2, 10) })).toMatchObject([
      { code: 'first at height', on: '2026-03-03', heightCm: -2 }
    ]);
  });

  test('the goal, whichever way is better, and a stage; newest first', () => {
    const measures = [20, 0, -1].map((value, i) => ({ on: `2026-03-0${i + 1}`, side: null, value }));
    const stage = { on: '2026-03-05', name: 'Half lotus' };
    expect(smallWins({ ...ask, measures, target: 0, stage }).map((w) => [w.code, w.on])).toEqual([
      ['stage opened', '2026-03-05'],
      ['goal reached', '2026-03-02']
    ]);
    expect(codes({ measures, target: 30, betterIs: 'higher' })).toEqual([]);
    expect(codes({ measures, target: 15, betterIs: 'higher' })).toEqual(['goal reached']);
  });
});
