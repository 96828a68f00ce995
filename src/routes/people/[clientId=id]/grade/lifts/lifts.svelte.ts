import type { LiftsDesk } from '$lib/contract/liftForm';
import {
  compileReps,
  heelHeight,
  insideOf,
  liftsOverCap,
  sides,
  totals,
  type LiftShape,
  type OverCap,
  type RepsSpec,
  type Side
} from '$lib/core';

/** Lifts while they are shaped, on each side; both alike until somebody wants them apart. */
export class LiftsDraft {
  readonly #desk: LiftsDesk;
  #lifts = $state.raw<Readonly<Record<Side, LiftShape>>>()!;
  #picked = $state<Side>('left');
  #apart = $state(false);

  constructor(desk: LiftsDesk) {
    this.#desk = desk;
    this.#lifts = { left: desk.sides.left.lift, right: desk.sides.right.lift };
    this.#apart = JSON.stringify(this.#lifts.left) !== JSON.stringify(this.#lifts.right);
  }

  readonly side: Side = $derived(this.#apart ? this.#picked : 'left');
  readonly value: LiftShape = $derived.by(() => this.#lifts[this.side]);
  readonly phases = $derived.by(() => compileReps({ ...this.value, peakPct: this.of.effortPct }, { effortCapPct: 100 }));
  readonly totals = $derived.by(() => totals(this.phases));
  /** What goes past the caps of the person, on either side. */
  readonly over: OverCap | null = $derived.by(
    () => sides.map((s) => liftsOverCap(this.#lifts[s], this.#desk.sides[s])).find((o) => o !== null) ?? null
  );
  readonly json = $derived.by(() => JSON.stringify(this.#lifts));

  get of(): LiftsDesk['sides'][Side] {
    return this.#desk.sides[this.side];
  }

  /** The angle and the height at which it is held on a side; null where none is wished, or nothing was measured. */
  heldAt(side: Side): Pick<RepsSpec, 'atDeg' | 'atCm'> | null {
    const { insideDeg } = this.#lifts[side];
    const { activeDeg, legCm } = this.#desk.sides[side];
    if (insideDeg === undefined || activeDeg === null) return null;
    return insideOf(insideDeg, { deg: activeDeg, heightCm: heelHeight(this.#desk.exercise, legCm) });
  }

  get apart(): boolean {
    return this.#apart;
  }
  /** Apart or alike; alike again, the other side takes over what is seen. */
  set apart(apart: boolean) {
    const seen = this.value;
    this.#apart = apart;
    if (!apart) this.#lifts = { left: seen, right: seen };
  }

  pick(side: Side): void {
    this.#picked = side;
  }

  set(change: Partial<LiftShape>): void {
    const whole = Object.fromEntries(
      Object.entries({ ...this.value, ...change }).filter(([, v]) => v !== undefined)
    ) as LiftShape;
    this.#lifts = this.#apart ? { ...this.#lifts, [this.side]: whole } : { left: whole, right: whole };
  }

  /** So many, a range, or until it is no longer clean: of those the figure is the most. */
  count(how: 'so many' | 'from to' | 'to tired'): void {
    const { reps, leastReps } = this.value;
    const { min, max } = this.of.bounds.reps;
    const least = Math.min(max, Math.max(min, leastReps ?? reps));
    if (how === 'so many') this.set({ reps: least, leastReps: undefined });
    else if (how === 'from to') this.set({ leastReps: Math.max(min, Math.min(least, reps - 3)) });
    else this.set({ leastReps: min, reps: Math.max(reps, 15) });
  }
}
