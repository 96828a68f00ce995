import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import { Outbox } from './outbox.svelte';

type Answer = 'kept' | 'refused' | 'away' | 'no words' | 'no connection';
const answers: Record<Exclude<Answer, 'no connection'>, () => Response> = {
  kept: () => Response.json({ ok: true, value: null }),
  refused: () => Response.json({ ok: false, problem: { code: 'session_not_running', data: {} } }, { status: 409 }),
  away: () => new Response('gone', { status: 502 }),
  // An answer that is none of ours: too large, or forbidden by something in between.
  'no words': () => new Response('<html>413</html>', { status: 413 })
};

let next: Answer[] = [];
let sent: { to: string; body: unknown }[] = [];

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  [next, sent] = [[], []];
  vi.stubGlobal('fetch', (to: string, { body }: { body: string }) => {
    sent.push({ to: to.split('/').at(-1)!, body: JSON.parse(body) as unknown });
    const answer = next.shift() ?? 'kept';
    return answer === 'no connection' ? Promise.reject(new TypeError('offline')) : Promise.resolve(answers[answer]());
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const set = (setIndex: number) => ({ id: `id ${setIndex}`, setIndex });
const settled = () => vi.advanceTimersByTimeAsync(0);
const kept = () => JSON.parse(localStorage.getItem('calm-reach/outbox/7')!) as unknown[];

describe('the outbox', () => {
  test('keeps a letter before it is sent, and no longer than until it is answered', async () => {
    const outbox = new Outbox(7);
    outbox.put('sets', set(0));
    expect(kept()).toEqual([{ to: 'sets', body: set(0) }]);
    await settled();
    expect([sent, kept(), outbox.waiting]).toEqual([[{ to: 'sets', body: set(0) }], [], 0]);
  });

  test('whoever waits goes on once everything has arrived, or nobody answers', async () => {
    const outbox = new Outbox(7);
    outbox.put('sets', set(0));
    outbox.put('finish', { status: 'done' });
    await outbox.send();
    expect([sent.map((l) => l.to), outbox.waiting]).toEqual([['sets', 'finish'], 0]);
    next = ['no connection'];
    outbox.put('sets', set(1));
    await outbox.send();
    expect(outbox.waiting).toBe(1);
  });

  test('sends one after the other, in their order', async () => {
    const outbox = new Outbox(7);
    outbox.put('sets', set(0));
    outbox.put('pain', set(1));
    outbox.put('finish', { status: 'stopped' });
    await settled();
    expect(sent.map((l) => l.to)).toEqual(['sets', 'pain', 'finish']);
  });

  test.each(['no connection', 'away'] as const)('waits and tries again: %s', async (trouble) => {
    next = [trouble, trouble, 'kept'];
    const outbox = new Outbox(7);
    outbox.put('sets', set(0));
    outbox.put('finish', { status: 'done' });
    await settled();
    expect(outbox.waiting).toBe(2);
    expect(outbox.setIndices).toEqual([0]);
    await vi.advanceTimersByTimeAsync(30_000);
    expect(outbox.waiting).toBe(0);
    // The first is repeated until it is answered; the second never overtakes it.
    const order = sent.map((l) => l.to);
    expect(order.slice(0, -1).every((to) => to === 'sets')).toBe(true);
    expect(order.at(-1)).toBe('finish');
  });

  test('what the server will not take is told, and does not hold up the rest', async () => {
    next = ['refused', 'kept'];
    const outbox = new Outbox(7);
    outbox.put('sets', set(0));
    outbox.put('sets', set(1));
    await settled();
    expect(outbox.waiting).toBe(0);
    expect(outbox.refused).toHaveLength(1);
    expect(outbox.refused[0]).toMatch(/session/i);
  });

  test('a pain goes first and alone: a set on which the server faults does not hold it back', async () => {
    next = ['away', 'kept', 'away'];
    const outbox = new Outbox(7);
    outbox.put('sets', set(0));
    await settled();
    outbox.put('pain', set(1));
    await settled();
    expect(sent.map((l) => l.to)).toEqual(['sets', 'pain', 'sets']);
    expect(kept()).toEqual([{ to: 'sets', body: set(0) }]);
  });

  test.each(['sets', 'pain'] as const)('an answer that is no answer is told once, and not repeated for ever: %s', async (to) => {
    next = ['no words'];
    const outbox = new Outbox(7);
    outbox.put(to, set(0));
    await vi.advanceTimersByTimeAsync(30_000);
    expect([sent.length, outbox.waiting, outbox.refused.length]).toEqual([1, 0, 1]);
    expect(outbox.refused[0]).toMatch(/Write it down/);
  });

  test('a page that was closed sends on when it is opened again', async () => {
    next = ['no connection'];
    new Outbox(7).put('sets', set(3));
    await settled();
    const again = new Outbox(7);
    expect([again.waiting, again.setIndices]).toEqual([1, [3]]);
    await again.send();
    expect(again.waiting).toBe(0);
    expect(new Outbox(8).waiting).toBe(0);
  });

  test.each(['{', 'null', '{"to":"sets"}', '7'])('what cannot be read is as if nothing was kept: %s', (text) => {
    localStorage.setItem('calm-reach/outbox/7', text);
    expect(new Outbox(7).waiting).toBe(0);
  });
});
