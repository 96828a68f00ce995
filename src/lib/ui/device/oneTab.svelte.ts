/** True while another tab of this browser has the same thing open: the first one holds it, this one waits for it. */
export class OneTab {
  isElsewhere = $state(false);

  /** Takes a name, or waits until the tab that has it is closed. Returns how to let it go. Where the browser has no locks nothing is known. */
  hold(name: string): () => void {
    const locks = navigator.locks as LockManager | undefined;
    const leaving = new AbortController();
    const untilLeft = new Promise<void>((left) => leaving.signal.addEventListener('abort', () => left()));
    const { signal } = leaving;
    const taken = () => {
      this.isElsewhere = false;
      return untilLeft;
    };
    void locks?.request(name, { ifAvailable: true }, async (lock) => {
      if (lock) return taken();
      if (signal.aborted) return;
      this.isElsewhere = true;
      void locks.request(name, { signal }, taken).catch(() => undefined); // given up on leaving
    });
    return () => leaving.abort();
  }
}
