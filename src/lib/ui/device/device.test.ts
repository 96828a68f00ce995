import { describe, expect, test } from 'vitest';
import type { KeptSession } from '$lib/contract/played';
import { awayPath } from './awayPath';
import { isOfUse, isPlayable } from './deviceStore';

describe('where a page that no server answers for leads', () => {
  test.each([
    ['/people/3/practise/54', '/kept?session=54'],
    ['/people/3/practise', '/kept'],
    ['/people/3/practise/54/finish', '/kept'],
    ['/', '/kept']
  ])('%s to %s', (from, to) => expect(awayPath(from)).toBe(to));
});

describe('what this device holds of a person', () => {
  const today = '2026-03-02';
  const kept = (status: KeptSession['session']['status'], days: readonly string[] = [], keptOn = today) =>
    ({ session: { id: 7, status }, keptOn, days: days.map((on) => ({ on })) }) as unknown as KeptSession;
  test.each([
    ['one that may start today', kept('planned', ['2026-03-01', today]), true],
    ['one whose days are over', kept('planned', ['2026-02-28', '2026-03-01']), false],
    ['one that begins no more', kept('planned'), false],
    ['one that has begun', kept('running'), true],
    ['one that began a week ago', kept('running', [], '2026-02-23'), true],
    ['one that nobody went on with for longer', kept('running', [], '2026-02-22'), false],
    ['one that is over', kept('done'), false],
    ['one that was stopped', kept('stopped'), false]
  ])('%s', (_, session, isHeld) => {
    expect(isOfUse(session, today, [])).toBe(isHeld);
    // Whatever it is: as long as something of it waits.
    expect(isOfUse(session, today, [{ sessionId: 7 }])).toBe(true);
    expect(isOfUse(session, today, [{ sessionId: 8 }])).toBe(isHeld);
  });

  test('an entry of another version, or of no known kind, is passed over', () => {
    const session = { id: 7, week: 1, ordinal: 2, status: 'planned' };
    const block = (kind: string) => ({ work: [{ form: { kind, spec: {} }, side: null }] });
    const entry = (more: object = {}) => ({
      ...{ client: { id: 3, name: 'Nell Harrow' }, session, keptOn: today, days: [{ on: today }], blocks: [block('hold')] },
      ...more
    });
    expect(isPlayable(entry())).toBe(true);
    for (const odd of [{ blocks: [block('spiral')] }, { days: undefined }, { session: { id: 7 } }, { client: null }])
      expect(isPlayable(entry(odd))).toBe(false);
    expect(isPlayable('something else')).toBe(false);
  });
});
