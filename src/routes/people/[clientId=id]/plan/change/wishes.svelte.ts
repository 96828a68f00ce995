import type { Often, PlanWishes, WeekPlace } from '$lib/core';

/** What is wished of one exercise in one session, or in every one. */
export const placeWishes = ['free', 'in', 'out'] as const;
export type PlaceWish = (typeof placeWishes)[number];

/** What is wished of the weeks to come while somebody changes it; nothing is kept before it is solved. */
export class PlanWishesState {
  readonly #known: PlanWishes;
  pins = $state.raw<readonly WeekPlace[]>([]);
  bans = $state.raw<readonly WeekPlace[]>([]);
  often = $state.raw<Readonly<Record<string, Often>>>({});
  weekdays = $state.raw<readonly number[]>([]);
  easyWeeks = $state.raw<readonly number[]>([]);
  busyOn = $state.raw<readonly string[]>([]);
  beginsAt = $state.raw<string | null>(null);

  /** `easyWeeks`: those that are easy as the plan is. */
  constructor(wishes: PlanWishes, easyWeeks: readonly number[]) {
    this.#known = { ...wishes, easyWeeks };
    this.takeBack();
  }

  /** As the plan is. */
  takeBack(): void {
    const { easyWeeks, ...known } = this.#known;
    Object.assign(this, known, { easyWeeks: easyWeeks ?? [] });
  }

  get isChanged(): boolean {
    return this.text !== textOf(this.#known);
  }

  /** As it is sent. */
  get text(): string {
    const { pins, bans, often, weekdays, easyWeeks, busyOn, beginsAt } = this;
    return textOf({ pins, bans, often, weekdays, easyWeeks, busyOn, beginsAt });
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

/** The same wishes are the same text, in whatever order they were made. */
function textOf({ pins, bans, often, weekdays, easyWeeks, busyOn, beginsAt }: PlanWishes): string {
  const inOrder = (places: readonly WeekPlace[]) =>
    places.toSorted((a, b) => a.exerciseId.localeCompare(b.exerciseId) || (a.session ?? 0) - (b.session ?? 0));
  const oftens = Object.fromEntries(Object.entries(often).toSorted(([a], [b]) => a.localeCompare(b)));
  return JSON.stringify({ pins: inOrder(pins), bans: inOrder(bans), often: oftens, weekdays, easyWeeks, busyOn, beginsAt });
}

const toggled = (numbers: readonly number[], one: number): readonly number[] =>
  numbers.includes(one) ? numbers.filter((n) => n !== one) : [...numbers, one].toSorted((a, b) => a - b);
