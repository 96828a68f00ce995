import type { Result } from '$lib/contract/problem';
import { problemText } from '$lib/ui/problemText';
import { stored } from '$lib/ui/stored';

type Letter = Readonly<{ to: string; body: unknown }>;

const retryMs = 4000;

/**
 * What was confirmed and is on its way to the server. It is kept in the browser before it is sent and until it is answered,
 * so that neither a reload nor a lost connection loses a set. Letters go one after the other: a pain before anything else, since a
 * set on which the server faults must not hold it back; the rest in their order, the end of the session last.
 */
export class Outbox {
  readonly #key: string;
  #letters = $state<Letter[]>([]);
  #sending: Promise<void> | null = null;
  /** What the server would not take, in words. */
  refused = $state<string[]>([]);

  constructor(sessionId: number) {
    this.#key = `calm-reach/outbox/${sessionId}`;
    const kept = stored(this.#key);
    this.#letters = Array.isArray(kept) ? (kept as Letter[]) : [];
  }

  get waiting(): number {
    return this.#letters.length;
  }

  /** Sets that are kept here and have not arrived yet. */
  get setIndices(): number[] {
    return this.#letters.filter((l) => l.to === 'sets').map((l) => (l.body as { setIndex: number }).setIndex);
  }

  put(to: 'sets' | 'pain' | 'finish', body: unknown): void {
    this.#letters = [...this.#letters, { to, body }];
    this.#keep();
    void this.send();
  }

  /** Sends what waits, and settles once all of it has arrived or nobody answers. */
  send(): Promise<void> {
    this.#sending ??= this.#sendAll().finally(() => {
      this.#sending = null;
      if (this.#letters.length > 0) setTimeout(() => void this.send(), retryMs);
    });
    return this.#sending;
  }

  async #sendAll(): Promise<void> {
    for (let letter = this.#next(); letter; letter = this.#next()) {
      const sent = letter;
      const answer = await this.#post(sent);
      if (answer === null) break; // no connection, or the server is away: later
      if (answer !== 'taken') this.refused = [...this.refused, answer];
      this.#letters = this.#letters.filter((l) => l !== sent);
      this.#keep();
    }
  }

  #next(): Letter | undefined {
    return this.#letters.find((l) => l.to === 'pain') ?? this.#letters[0];
  }

  /** 'taken', why it was refused, or null where nobody answered and it goes again. */
  async #post({ to, body }: Letter): Promise<string | null> {
    try {
      const response = await fetch(`${location.pathname}/${to}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        keepalive: true, // whoever leaves the page meanwhile does not cut it off
        body: JSON.stringify(body)
      });
      if (response.status >= 500) return null;
      const answer = await (response.json() as Promise<Result<unknown>>).catch(() => null);
      if (answer?.ok) return 'taken';
      if (answer?.problem) return problemText(answer.problem);
      // An answer that is none of ours: sent again it would be the same, so it is told and not repeated for ever.
      return to === 'pain'
        ? 'The pain could not be kept by the server. Write it down, and tell it again on the page “Tell pain”.'
        : 'The server would not take this. Write it down; reload the page before you go on.';
    } catch {
      return null;
    }
  }

  #keep(): void {
    localStorage.setItem(this.#key, JSON.stringify(this.#letters));
  }
}
