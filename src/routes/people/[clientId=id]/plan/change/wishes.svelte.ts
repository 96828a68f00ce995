import type { AlsoServed, Often, PlanWishes, SessionWish, WeekPlace } from '$lib/core';

/** What is wished of one exercise in one session, or in every one. */
export const placeWishes = ['free', 'in', 'out'] as const;
export type PlaceWish = (typeof placeWishes)[number];

/** In which week somebody joined is a fact of the plan, and no wish of the page. */
type PageWishes = Omit<PlanWishes, 'joinedInWeek'>;

/** What is wished of the weeks to come while somebody changes it; nothing is kept before it is solved. */
export class PlanWishesState {
  readonly #known: PageWishes;
  pins = $state.raw<readonly WeekPlace[]>([]);
  bans = $state.raw<readonly WeekPlace[]>([]);
  often = $state.raw<Readonly<Record<string, Often>>>({});
  weekdays = $state.raw<readonly number[]>([]);
  easyWeeks = $state.raw<readonly number[] | null>([]);
  busyOn = $state.raw<readonly string[]>([]);
  beginsAt = $state.raw<string | null>(null);
  sessions = $state.raw<PlanWishes['sessions']>({});
  hardSessions = $state.raw<number | null>(null);
  stretchMin = $state.raw<number | null>(null);
  themes = $state.raw(false);
  also = $state.raw<readonly AlsoServed[]>([]);

  /** `easyWeeks`: those that are easy as the plan is. */
  constructor({ joinedInWeek: _, ...wishes }: PlanWishes, easyWeeks: readonly number[]) {
    this.#known = { ...wishes, easyWeeks };
    this.takeBack();
  }

  /** As the plan is. */
  takeBack(): void {
    Object.assign(this, this.#known);
  }

  get isChanged(): boolean {
    return this.text !== textOf(this.#known);
  }

  /** As it is sent. */
  get text(): string {
    return textOf(this);
  }

  wishOf(exerciseId: string, session: number | null): PlaceWish {
    const is = (p: WeekPlace) => p.exerciseId === exerciseId && p.session === session;
    return this.pins.some(is) ? 'in' : this.bans.some(is) ? 'out' : 'free';
  }

  /** The next wish for a place: free, in, out, and free again. */
  turn(exerciseId: string, session: number | null): void {
    const next = placeWishes[(placeWishes.indexOf(this.wishOf(exerciseId, session)) + 1) % placeWishes.length]!;
    this.set(exerciseId, session, next);
  }

  set(exerciseId: string, session: number | null, wish: PlaceWish): void {
    const others = (places: readonly WeekPlace[]) => places.filter((p) => p.exerciseId !== exerciseId || p.session !== session);
    const place = { exerciseId, session };
    this.pins = [...others(this.pins), ...(wish === 'in' ? [place] : [])];
    this.bans = [...others(this.bans), ...(wish === 'out' ? [place] : [])];
  }

  setOften(exerciseId: string, often: Often): void {
    const { [exerciseId]: _, ...others } = this.often;
    this.often = often === 'as it fits' ? others : { ...others, [exerciseId]: often };
  }

  toggleEasy(week: number): void {
    this.easyWeeks = toggled(this.easyWeeks ?? [], week);
  }

  /** What is wished of one session; what is not wished of it any more is undefined. */
  setSession(number: number, more: { [K in keyof SessionWish]: SessionWish[K] | undefined }): void {
    const wish = Object.fromEntries(
      Object.entries({ ...this.sessions[number], ...more }).filter(([, value]) => value !== undefined)
    );
    const { [number]: _, ...others } = this.sessions;
    this.sessions = Object.keys(wish).length === 0 ? others : { ...others, [number]: wish };
  }

  /** Whether the plan serves a goal too, and how much its minutes count; null: it does not. */
  setServed(goalId: number, weight: AlsoServed['weight'] | null): void {
    const others = this.also.filter((a) => a.goalId !== goalId);
    this.also = weight === null ? others : [...others, { goalId, weight }];
  }
}

/** The same wishes are the same text, in whatever order they were made. */
function textOf({
  pins,
  bans,
  often,
  weekdays,
  easyWeeks,
  busyOn,
  beginsAt,
  sessions,
  hardSessions,
  stretchMin,
  themes,
  also
}: PageWishes): string {
  const inOrder = (places: readonly WeekPlace[]) =>
    places.toSorted((a, b) => a.exerciseId.localeCompare(b.exerciseId) || (a.session ?? 0) - (b.session ?? 0));
  const byKey = <T>(of: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(of).toSorted(([a], [b]) => a.localeCompare(b)));
  return JSON.stringify({
    pins: inOrder(pins),
    bans: inOrder(bans),
    often: byKey(often),
    weekdays,
    easyWeeks,
    busyOn,
    beginsAt,
    sessions: byKey(Object.fromEntries(Object.entries(sessions).map(([n, wish]) => [n, byKey(wish)]))),
    hardSessions,
    stretchMin,
    themes,
    also: also.toSorted((a, b) => a.goalId - b.goalId)
  });
}

const toggled = (numbers: readonly number[], one: number): readonly number[] =>
  numbers.includes(one) ? numbers.filter((n) => n !== one) : [...numbers, one].toSorted((a, b) => a - b);
