import type { Result } from '$lib/contract/problem';
import { problemText } from '$lib/ui/problemText';
import { stored } from '$lib/ui/stored';

type Letter = Readonly<{ to: string; body: unknown }>;

const retryMs = 4000;

/**
 * What was confirmed and is on its way to the server. It is kept in the browser before it is sent and until it is answered,
 * so that neither a reload nor a lost connection loses a set. Letters go one after the other, in their order.
 */
export class Outbox {
  readonly #key: string;
  #letters = $state<Letter[]>([]);
  #sending = false;
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

  async send(): Promise<void> {
    if (this.#sending) return;
    this.#sending = true;
    try {
      for (let letter = this.#letters[0]; letter; letter = this.#letters[0]) {
        const answer = await this.#post(letter);
        if (answer === null) break; // no connection, or the server is away: later
        if (!answer.ok) this.refused = [...this.refused, problemText(answer.problem)];
        this.#letters = this.#letters.slice(1);
        this.#keep();
      }
    } finally {
      this.#sending = false;
    }
    if (this.#letters.length > 0) setTimeout(() => void this.send(), retryMs);
  }

  async #post({ to, body }: Letter): Promise<Result<unknown> | null> {
    try {
      const response = await fetch(`${location.pathname}/${to}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body)
      });
      return response.status >= 500 ? null : ((await response.json()) as Result<unknown>);
    } catch {
      return null;
    }
  }

  #keep(): void {
    localStorage.setItem(this.#key, JSON.stringify(this.#letters));
  }
}
