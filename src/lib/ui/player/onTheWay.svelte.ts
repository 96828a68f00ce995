import { countedIn, withMore, type Form, type TimelineSet, type Work } from '$lib/core';

export type WorkNow = Pick<Work, 'form' | 'setting' | 'rung' | 'stacks'>;

/** As it is kept in the browser. */
export type Kept = Readonly<{ more: Record<number, number>; eased: readonly number[]; postponed: readonly number[] }>;

/** What is changed by hand while a session runs: more of what is counted, the easier version, the other side first. By the place of a set. */
export class OnTheWay {
  #more = $state.raw<Readonly<Record<number, number>>>({});
  #eased = $state.raw<readonly number[]>([]);
  #postponed = $state.raw<readonly number[]>([]);

  isEased = (set: TimelineSet): boolean => this.#eased.includes(set.index) && set.work.easier !== undefined;
  moreOf = (set: TimelineSet): number => this.#more[set.index] ?? 0;

  /** A set with what was added to it. */
  work(set: TimelineSet, isEased: boolean): WorkNow {
    const now = isEased && set.work.easier ? set.work.easier : set.work;
    const more = this.moreOf(set);
    return more === 0 ? now : { ...now, form: withMore(now.form, more) };
  }

  /** Whether one more of what a form counts is open: the gate said how many at most when the session was composed. */
  mayAdd(set: TimelineSet, form: Form): boolean {
    const planned = countedIn(form)?.planned;
    return planned !== undefined && planned < (set.work.most ?? planned);
  }

  add(set: TimelineSet, more = 1): void {
    this.#more = { ...this.#more, [set.index]: this.moreOf(set) + more };
  }

  /** This set and those after it of the same exercise and side, one step easier. */
  ease(set: TimelineSet, sets: readonly TimelineSet[]): void {
    const same = sets.filter((s) => s.index >= set.index && s.exerciseId === set.exerciseId && s.side === set.side);
    this.#eased = [...new Set([...this.#eased, ...same.map((s) => s.index)])];
  }

  /** A set waits until the one that took its place is over. */
  postpone(set: TimelineSet): void {
    this.#postponed = [...this.#postponed, set.index];
  }
  /** The set that waits longest, off the list. */
  takePostponed(isOpen: (index: number) => boolean): number | null {
    const waiting = this.#postponed.filter(isOpen);
    this.#postponed = waiting.slice(1);
    return waiting[0] ?? null;
  }
  get waiting(): readonly number[] {
    return this.#postponed;
  }

  toKeep = (): Kept => ({ more: { ...this.#more }, eased: this.#eased, postponed: this.#postponed });
  restore(kept: Partial<Kept> | undefined): void {
    this.#more = { ...kept?.more };
    this.#eased = [...(kept?.eased ?? [])];
    this.#postponed = [...(kept?.postponed ?? [])];
  }
}
