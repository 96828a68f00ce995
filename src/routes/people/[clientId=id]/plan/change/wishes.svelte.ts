import type { Often, PlanShape, WeekPlace } from '$lib/core';

/** What is wished of one exercise in one session, or in every one. */
export const placeWishes = ['free', 'in', 'out'] as const;
export type PlaceWish = (typeof placeWishes)[number];

type Known = Readonly<{
  wishes: PlanShape['wishes'];
  weekdays: readonly number[];
  /** Weeks that are easy as the plan is. */
  easyWeeks: readonly number[];
}>;

/** What is wished of the weeks to come while somebody changes it; nothing is kept before it is solved. */
export class PlanWishesState {
  readonly #known: Known;
  pins = $state.raw<readonly WeekPlace[]>([]);
  bans = $state.raw<readonly WeekPlace[]>([]);
  often = $state.raw<Readonly<Record<string, Often>>>({});
  weekdays = $state.raw<readonly number[]>([]);
  easyWeeks = $state.raw<readonly number[]>([]);

  constructor(known: Known) {
    this.#known = known;
    this.takeBack();
  }

  /** As the plan is. */
  takeBack(): void {
    const { wishes, weekdays, easyWeeks } = this.#known;
    this.pins = wishes.pins;
    this.bans = wishes.bans;
    this.often = wishes.often;
    this.weekdays = weekdays;
    this.easyWeeks = easyWeeks;
  }

  get isChanged(): boolean {
    const { wishes, weekdays, easyWeeks } = this.#known;
    return this.text !== this.#textOf(wishes, weekdays, easyWeeks);
  }

  /** As it is sent. */
  get text(): string {
    return this.#textOf({ pins: this.pins, bans: this.bans, often: this.often }, this.weekdays, this.easyWeeks);
  }

  #textOf({ pins, bans, often }: PlanShape['wishes'], weekdays: readonly number[], easyWeeks: readonly number[]): string {
    const inOrder = (places: readonly WeekPlace[]) =>
      places.toSorted((a, b) => a.exerciseId.localeCompare(b.exerciseId) || (a.session ?? 0) - (b.session ?? 0));
    const oftens = Object.fromEntries(Object.entries(often).toSorted(([a], [b]) => a.localeCompare(b)));
    return JSON.stringify({ pins: inOrder(pins), bans: inOrder(bans), often: oftens, weekdays, easyWeeks });
  }

  wishOf(exerciseId: string, session: number | null): PlaceWish {
    const is = (p: WeekPlace) => p.exerciseId === exerciseId && p.session === session;
    return this.pins.some(is) ? 'in' : this.bans.some(is) ? 'out' : 'free';
  }

  /** The next wish for a place: free, in, out, and free again. */
  turn(exerciseId: string, session: number | null): void {
    const next = placeWishes[(placeWishes.indexOf(this.wishOf(exerciseId, session)) + 1) % placeWishes.length]!;
    const others = (places: readonly WeekPlace[]) => places.filter((p) => p.exerciseId !== exerciseId || p.session !== session);
    const place = { exerciseId, session };
    this.pins = [...others(this.pins), ...(next === 'in' ? [place] : [])];
    this.bans = [...others(this.bans), ...(next === 'out' ? [place] : [])];
  }

  setOften(exerciseId: string, often: Often): void {
    const { [exerciseId]: _, ...others } = this.often;
    this.often = often === 'as it fits' ? others : { ...others, [exerciseId]: often };
  }

  toggleEasy(week: number): void {
    this.easyWeeks = toggled(this.easyWeeks, week);
  }
}

const toggled = (numbers: readonly number[], one: number): readonly number[] =>
  numbers.includes(one) ? numbers.filter((n) => n !== one) : [...numbers, one].toSorted((a, b) => a - b);
