import type { Result } from '$lib/contract/problem';
import { newId } from '$lib/ui/newId';
import { problemText } from '$lib/ui/problemText';
import { deleteLetter, holdSessionsOf, listLetters, putLetter, type Letter, type LetterTo } from './deviceStore';

const retryMs = 4000;

/** Whose session a letter is about. */
export type OfSession = Pick<Letter, 'clientId' | 'sessionId' | 'of'>;

/** Not the letter's fault: it is said again until the other session is over. */
const passing: readonly string[] = ['session_already_running'];

type Answer = 'taken' | 'later' | 'away' | Readonly<{ refused: string }>;

/**
 * What was confirmed on this device and is on its way to the studio. A letter is kept before it is sent and until it is answered, so that
 * neither a reload nor a lost connection nor a studio that is gone for the whole session loses a set. Of a session the start goes
 * first, a pain before anything else, since a set on which the studio faults must not hold it back, and the end last. What is
 * refused stays until somebody has seen to it; a start that is refused holds back its sets, never a pain.
 */
export class Outbox {
  #letters = $state<readonly Letter[]>([]);
  /** Letters that only this page has. */
  readonly #unkept = new Set<string>();
  /** Those of them that the browser would not keep; the others are on their way into it. */
  readonly #failed = new Set<string>();
  #sending: Promise<void> | null = null;
  /** The browser keeps nothing more: what waits is only in this page. */
  isFull = $state(false);
  /** What the studio had to say of what it took. */
  told = $state<readonly string[]>([]);

  private constructor(letters: readonly Letter[]) {
    this.#letters = letters;
  }

  static async open(): Promise<Outbox> {
    return new Outbox(await listLetters().catch(() => []));
  }

  readonly letters = $derived.by(() => this.#letters);
  readonly waiting = $derived.by(() => this.#letters.filter((l) => !l.refused));
  readonly refused = $derived.by(() => this.#letters.filter((l) => l.refused));

  /** Settles once it is kept; it is sent from then on. */
  async put(of: OfSession, to: LetterTo, body: unknown): Promise<void> {
    const no = Math.max(Date.now(), (this.#letters.at(-1)?.no ?? 0) + 1);
    const letter: Letter = { id: newId(), no, ...of, to, body };
    this.#letters = [...this.#letters, letter];
    await this.#keep(letter);
    // A pain or a new symptom: what was composed before it starts nowhere any more.
    const isSymptom = to === 'start' && (body as { newSymptom?: unknown }).newSymptom === 'yes';
    if (to === 'pain' || isSymptom) await holdSessionsOf(of.clientId).catch(() => undefined);
    void this.send();
  }

  /** Sends what waits, and settles once all of it is answered or nobody answers. */
  send(): Promise<void> {
    this.#sending ??= this.#alone(() => this.#sendAll()).finally(() => {
      this.#sending = null;
      if (this.waiting.length > 0) setTimeout(() => void this.send(), retryMs);
    });
    return this.#sending;
  }

  /** A refused letter goes once more. */
  async again(id: string): Promise<void> {
    const letter = this.#letters.find((l) => l.id === id);
    if (!letter) return;
    await this.#replace({ ...letter, refused: undefined });
    await this.send();
  }

  /** Nothing more comes of a letter. */
  async letGo(id: string): Promise<void> {
    this.#letters = this.#letters.filter((l) => l.id !== id);
    this.#unkept.delete(id);
    this.#failed.delete(id);
    this.isFull = this.#failed.size > 0;
    await deleteLetter(id).catch(() => undefined);
  }

  /** One page at a time sends, where the browser can tell; what goes twice is taken once anyway. */
  async #alone(run: () => Promise<void>): Promise<void> {
    // There is none on a page that came by plain http.
    const locks = navigator.locks as LockManager | undefined;
    if (!locks) return run();
    await locks.request('calm-reach/outbox', { ifAvailable: true }, (lock) => (lock ? run() : undefined));
  }

  async #sendAll(): Promise<void> {
    await this.#meetOthers();
    const passed = new Set<string>();
    for (let letter = this.#next(passed); letter; letter = this.#next(passed)) {
      const answer = await this.#post(letter);
      if (answer === 'away') return;
      if (answer === 'later') passed.add(letter.id);
      else if (answer === 'taken') await this.letGo(letter.id);
      else await this.#replace({ ...letter, refused: answer.refused });
    }
  }

  /** Another page may have put something in, or sent something, meanwhile. What is kept nowhere else stays. */
  async #meetOthers(): Promise<void> {
    const stored = new Set(this.#letters.filter((l) => !this.#unkept.has(l.id)).map((l) => l.id));
    const kept = await listLetters().catch(() => null);
    if (!kept) return;
    const known = new Set(kept.map((l) => l.id));
    const mine = this.#letters.filter((l) => !known.has(l.id) && !stored.has(l.id));
    this.#letters = [...kept, ...mine].toSorted((a, b) => a.no - b.no);
  }

  /** What goes next: session by session, the start, then a pain, then the rest in its order. */
  #next(passed: ReadonlySet<string>): Letter | undefined {
    for (const sessionId of new Set(this.#letters.map((l) => l.sessionId))) {
      const all = this.#letters.filter((l) => l.sessionId === sessionId);
      const open = all.filter((l) => !l.refused && !passed.has(l.id));
      const start = all.find((l) => l.to === 'start');
      const next = open.find((l) => l.to === 'start') ?? open.find((l) => l.to === 'pain') ?? (start ? undefined : open[0]);
      if (next) return next;
    }
    return undefined;
  }

  async #post({ clientId, sessionId, to, body }: Letter): Promise<Answer> {
    try {
      const response = await fetch(`/people/${clientId}/practise/${sessionId}/${to}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        keepalive: true, // whoever leaves the page meanwhile does not cut it off
        body: JSON.stringify(body)
      });
      if (response.status >= 500) return 'away';
      const answer = await (response.json() as Promise<Result<unknown>>).catch(() => null);
      if (answer?.ok) {
        if (to === 'start' && answer.value === true) this.told = [...this.told, begunTwice];
        return 'taken';
      }
      // With these answers nothing begins, which the device knew as well: the stop they ask for is open now.
      if (to === 'start' && answer?.problem?.code === 'not_ready') return 'taken';
      if (answer?.problem && passing.includes(answer.problem.code)) return 'later';
      if (answer?.problem) return { refused: problemText(answer.problem) };
      // An answer that is none of ours: sent again it would be the same, so it is told and not repeated for ever.
      return {
        refused:
          to === 'pain'
            ? 'The pain could not be kept by the studio. Tell it again on the page “Tell pain”.'
            : 'The studio would not take this. It is kept on this device.'
      };
    } catch {
      return 'away'; // no connection
    }
  }

  async #replace(letter: Letter): Promise<void> {
    this.#letters = this.#letters.map((l) => (l.id === letter.id ? letter : l));
    await this.#keep(letter);
  }

  async #keep(letter: Letter): Promise<void> {
    this.#unkept.add(letter.id);
    try {
      await putLetter($state.snapshot(letter) as Letter);
      this.#unkept.delete(letter.id);
      this.#failed.delete(letter.id);
    } catch {
      // The browser keeps nothing more: it goes from this page. Where it has gone already, nothing is amiss.
      if (this.#unkept.has(letter.id)) this.#failed.add(letter.id);
    }
    this.isFull = this.#failed.size > 0;
  }
}

const begunTwice =
  'This session was begun on another device as well. A set that was written down on both stands once, as it came last.';

/** The letters of one session. */
export class SessionLetters {
  readonly #outbox: Outbox;
  readonly #of: OfSession;
  constructor(outbox: Outbox, of: OfSession) {
    this.#outbox = outbox;
    this.#of = of;
  }

  #mine = (l: Letter): boolean => l.sessionId === this.#of.sessionId;
  readonly waiting = $derived.by(() => this.#outbox.waiting.filter(this.#mine).length);
  readonly notices = $derived.by(() => [
    ...new Set([...this.#outbox.refused.filter(this.#mine).map((l) => l.refused!), ...this.#outbox.told])
  ]);

  get isFull(): boolean {
    return this.#outbox.isFull;
  }

  /** Sets that are kept here and have not arrived yet. */
  get setIndices(): number[] {
    const sets = this.#outbox.letters.filter((l) => this.#mine(l) && l.to === 'sets');
    return sets.map((l) => (l.body as { setIndex: number }).setIndex);
  }

  put(to: LetterTo, body: Readonly<Record<string, unknown>>): void {
    const isMoment = to !== 'sets';
    void this.#outbox.put(this.#of, to, isMoment ? { ...body, at: new Date().toISOString() } : body);
  }

  send = (): Promise<void> => this.#outbox.send();
}

let opened: Promise<Outbox> | null = null;
/** The outbox of this page. */
export const openOutbox = (): Promise<Outbox> => (opened ??= Outbox.open());
