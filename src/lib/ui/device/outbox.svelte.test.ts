import 'fake-indexeddb/auto';
import { afterEach, beforeEach, describe, expect, test, vi } from 'vitest';
import type { KeptSession } from '$lib/contract/played';
import { deleteLetter, listLetters, listSessions, putSession } from './deviceStore';
import { Outbox, SessionLetters } from './outbox.svelte';

type Answer = 'kept' | 'begun twice' | 'refused' | 'busy' | 'away' | 'no words' | 'no connection';
const refusal = (code: string) => () => Response.json({ ok: false, problem: { code, data: {} } }, { status: 409 });
const answers: Record<Exclude<Answer, 'no connection'>, () => Response> = {
  kept: () => Response.json({ ok: true, value: null }),
  'begun twice': () => Response.json({ ok: true, value: true }),
  refused: refusal('session_not_running'),
  busy: refusal('session_already_running'),
  away: () => new Response('gone', { status: 502 }),
  // An answer that is none of ours: too large, or forbidden by something in between.
  'no words': () => new Response('<html>413</html>', { status: 413 })
};

/** What the studio answers next, whatever is sent; else by what it is about. */
let next: Answer[] = [];
let always: Partial<Record<string, Answer>> = {};
let sent: { to: string; sessionId: number; body: unknown }[] = [];

beforeEach(async () => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  for (const { id } of await listLetters()) await deleteLetter(id);
  [next, always, sent] = [[], {}, []];
  vi.stubGlobal('fetch', (path: string, { body }: { body: string }) => {
    const [, , , , sessionId, to] = path.split('/');
    sent.push({ to: to!, sessionId: Number(sessionId), body: JSON.parse(body) as unknown });
    const answer = next.shift() ?? always[to!] ?? 'kept';
    return answer === 'no connection' ? Promise.reject(new TypeError('offline')) : Promise.resolve(answers[answer]());
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

const of = { clientId: 3, sessionId: 7, of: 'Nell Harrow, week 1, session 2' };
const set = (setIndex: number) => ({ id: `id ${setIndex}`, setIndex });
/** Long enough for the browser's own database and what is sent from it. */
const settled = async () => {
  for (let i = 0; i < 40; i++) await new Promise((done) => setImmediate(done));
};
const later = async (ms: number) => {
  for (let passed = 0; passed < ms; passed += 1000) {
    vi.advanceTimersByTime(1000);
    await settled();
  }
};
const tos = () => sent.map((l) => l.to);

describe('the outbox', () => {
  test('keeps a letter before it is sent, and no longer than until it is answered', async () => {
    const outbox = await Outbox.open();
    await outbox.put(of, 'sets', set(0));
    expect(await listLetters()).toEqual([expect.objectContaining({ ...of, to: 'sets', body: set(0) })]);
    await settled();
    expect([sent, await listLetters(), outbox.waiting]).toEqual([[{ to: 'sets', sessionId: 7, body: set(0) }], [], []]);
  });

  test('sends one after the other: the start, then a pain, then the rest in its order', async () => {
    next = ['no connection'];
    const outbox = await Outbox.open();
    for (const [to, no] of [
      ['start', 0],
      ['sets', 1],
      ['pain', 2],
      ['finish', 3]
    ] as const)
      void outbox.put(of, to, set(no));
    await settled();
    await later(5000);
    expect(tos().slice(1)).toEqual(['start', 'pain', 'sets', 'finish']);
  });

  test.each(['no connection', 'away'] as const)('waits and tries again: %s', async (trouble) => {
    next = [trouble, trouble, 'kept'];
    const outbox = await Outbox.open();
    await outbox.put(of, 'sets', set(0));
    await outbox.put(of, 'finish', { status: 'done' });
    await settled();
    expect(outbox.waiting).toHaveLength(2);
    await later(30_000);
    expect(outbox.waiting).toEqual([]);
    // The first is repeated until it is answered; the second never overtakes it.
    expect(tos()).toEqual(['sets', 'sets', 'sets', 'finish']);
  });

  test('what the studio will not take is told and stays, and does not hold up the rest', async () => {
    next = ['refused', 'kept'];
    const outbox = await Outbox.open();
    await outbox.put(of, 'sets', set(0));
    await outbox.put(of, 'sets', set(1));
    await settled();
    expect([tos(), outbox.waiting]).toEqual([['sets', 'sets'], []]);
    expect(outbox.refused).toEqual([
      expect.objectContaining({ body: set(0), refused: expect.stringMatching(/session/i) as string })
    ]);
    // Another page, another day: it is still there, goes once more by hand, and is gone when it is taken.
    const again = await Outbox.open();
    await again.again(again.refused[0]!.id);
    await settled();
    expect([sent.length, again.letters, await listLetters()]).toEqual([3, [], []]);
  });

  test('of a session whose start is refused the sets wait, the pain does not', async () => {
    always = { start: 'refused' };
    const outbox = await Outbox.open();
    for (const to of ['start', 'sets', 'pain', 'finish'] as const) await outbox.put(of, to, set(0));
    await settled();
    expect(tos()).toEqual(['start', 'pain']);
    expect([outbox.refused.length, outbox.waiting.map((l) => l.to)]).toEqual([1, ['sets', 'finish']]);
    await outbox.letGo(outbox.refused[0]!.id);
    await later(5000);
    expect(tos().slice(2)).toEqual(['sets', 'finish']);
  });

  test('a start that meets another session waits for its end; the sessions of others go on', async () => {
    always = { start: 'busy' };
    const outbox = await Outbox.open();
    await outbox.put(of, 'start', set(0));
    await outbox.put(of, 'sets', set(0));
    await outbox.put({ ...of, sessionId: 8, of: 'Cob Fenn' }, 'sets', set(5));
    await settled();
    expect(outbox.waiting.map((l) => [l.sessionId, l.to])).toEqual([
      [7, 'start'],
      [7, 'sets']
    ]);
    expect(sent.some((l) => l.sessionId === 8)).toBe(true);
    always = {};
    await later(5000);
    expect(outbox.letters).toEqual([]);
  });

  test('a pain goes before everything but a start: a set on which the studio faults does not hold it back', async () => {
    next = ['away', 'kept', 'away'];
    const outbox = await Outbox.open();
    await outbox.put(of, 'sets', set(0));
    await settled();
    await outbox.put(of, 'pain', set(1));
    await settled();
    expect(tos()).toEqual(['sets', 'pain', 'sets']);
    expect(outbox.waiting.map((l) => l.to)).toEqual(['sets']);
  });

  test.each(['sets', 'pain'] as const)('an answer that is no answer is told once, and not repeated for ever: %s', async (to) => {
    next = ['no words'];
    const outbox = await Outbox.open();
    await outbox.put(of, to, set(0));
    await later(30_000);
    expect([sent.length, outbox.waiting.length, outbox.refused.length]).toEqual([1, 0, 1]);
  });

  test('a page that was closed sends on when any page is opened again', async () => {
    next = ['no connection'];
    await (await Outbox.open()).put(of, 'sets', set(3));
    await settled();
    const again = await Outbox.open();
    const mine = new SessionLetters(again, of);
    expect([mine.waiting, mine.setIndices]).toEqual([1, [3]]);
    expect(new SessionLetters(again, { ...of, sessionId: 8 }).waiting).toBe(0);
    await again.send();
    expect([again.letters, await listLetters()]).toEqual([[], []]);
  });

  test('two pages of one device: what the other put in goes as well, and what it sent is not sent again', async () => {
    next = ['no connection'];
    const one = await Outbox.open();
    await one.put(of, 'sets', set(0));
    await settled();
    const other = await Outbox.open();
    await other.put(of, 'sets', set(1));
    await settled();
    expect(tos()).toEqual(['sets', 'sets', 'sets']);
    await one.send();
    expect([sent.length, one.letters]).toEqual([3, []]);
  });

  test('a browser that has no room left: it is told, and what was said goes from this page', async () => {
    next = ['no connection'];
    vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    const outbox = await Outbox.open();
    await outbox.put(of, 'sets', set(0));
    await outbox.put(of, 'finish', { status: 'done' });
    await settled();
    expect([outbox.isFull, outbox.waiting.length]).toEqual([true, 2]);
    await later(5000);
    expect([outbox.isFull, tos()]).toEqual([false, ['sets', 'sets', 'finish']]);
  });

  test.each([
    ['a pain', 'pain', {}, 0],
    ['a new symptom', 'start', { newSymptom: 'yes' }, 0],
    ['nothing new', 'start', { newSymptom: 'no' }, 1],
    ['a set', 'sets', set(0), 1]
  ] as const)(
    '%s told on this device: what was kept of the person before it starts there, or does not',
    async (_, to, body, days) => {
      const kept = (id: number, clientId: number) =>
        ({
          session: { id, week: 1, ordinal: 1, status: 'planned' },
          client: { id: clientId, name: 'Nell Harrow' },
          keptOn: '2026-03-02',
          days: [{ on: '2026-03-02' }],
          blocks: []
        }) as unknown as KeptSession;
      await putSession(kept(7, of.clientId));
      await putSession(kept(9, of.clientId + 1));
      await (await Outbox.open()).put(of, to, body);
      expect((await listSessions()).map((s) => s.days.length)).toEqual([days, 1]);
    }
  );

  test('several put in at once: one that is not kept yet is no lack of room', async () => {
    const outbox = await Outbox.open();
    const puts = [0, 1, 2].map((no) => outbox.put(of, 'sets', set(no)));
    const seen = await Promise.all(puts.map((put) => put.then(() => outbox.isFull)));
    expect(seen).toEqual([false, false, false]);
  });

  test('a clock that was set back does not change the order', async () => {
    next = ['no connection', 'no connection'];
    const outbox = await Outbox.open();
    await outbox.put(of, 'sets', set(0));
    vi.spyOn(Date, 'now').mockReturnValue(0);
    await outbox.put(of, 'sets', set(1));
    expect((await listLetters()).map((l) => l.body)).toEqual([set(0), set(1)]);
  });
});

describe('the letters of one session', () => {
  test('say when a pain was felt and the session ended; what the studio tells is told', async () => {
    always = { start: 'begun twice' };
    const outbox = await Outbox.open();
    const letters = new SessionLetters(outbox, of);
    letters.put('start', {});
    letters.put('pain', { kind: 'sharp' });
    letters.put('sets', set(0));
    await settled();
    const moment = { at: expect.stringMatching(/^\d{4}-.*Z$/) as string };
    expect(sent.map((l) => l.body)).toEqual([moment, { kind: 'sharp', ...moment }, set(0)]);
    expect(letters.notices).toEqual([expect.stringMatching(/begun on another device/)]);
  });
});
