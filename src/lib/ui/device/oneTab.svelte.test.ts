import { afterEach, expect, test, vi } from 'vitest';
import { OneTab } from './oneTab.svelte';

/** Locks as a browser gives them: one holder of a name, the others wait in their order. */
function locksOfABrowser() {
  const held = new Map<string, Promise<unknown>>();
  type Granted = (lock: object | null) => Promise<void>;
  async function request(
    name: string,
    { ifAvailable, signal }: { ifAvailable?: boolean; signal?: AbortSignal },
    granted: Granted
  ) {
    if (ifAvailable && held.has(name)) return granted(null);
    while (held.has(name)) await held.get(name);
    if (signal?.aborted) throw new DOMException('given up', 'AbortError');
    const holding = granted({ name });
    held.set(
      name,
      holding.finally(() => held.delete(name))
    );
    return holding;
  }
  return { request };
}

afterEach(() => vi.unstubAllGlobals());
const settled = () => new Promise((done) => setTimeout(done, 5));

test('the second tab knows of the first, until that is closed; another session is nobody’s', async () => {
  vi.stubGlobal('navigator', { locks: locksOfABrowser() });
  const [first, second, other] = [new OneTab(), new OneTab(), new OneTab()];
  const leave = first.hold('session 7');
  const leaveSecond = second.hold('session 7');
  other.hold('session 8');
  await settled();
  expect([first, second, other].map((t) => t.isElsewhere)).toEqual([false, true, false]);
  leave();
  await settled();
  expect(second.isElsewhere).toBe(false);
  // Now it is the second that holds it.
  const third = new OneTab();
  third.hold('session 7');
  await settled();
  expect(third.isElsewhere).toBe(true);
  leaveSecond();
});

test('a browser without locks says nothing', () => {
  vi.stubGlobal('navigator', {});
  const tab = new OneTab();
  tab.hold('session 7')();
  expect(tab.isElsewhere).toBe(false);
});
