import type { CycleDesk } from '$lib/contract/cycle';
import {
  atBreath,
  compileCycle,
  cornersOf,
  moveCorner,
  overCap,
  sides,
  totals,
  type CornerId,
  type CycleSpec,
  type OverCap,
  type Side
} from '$lib/core';

/** A cycle while it is shaped, on each side; both alike until somebody wants them apart. */
export class CycleDraft {
  readonly #desk: CycleDesk;
  #cycles = $state.raw<Readonly<Record<Side, CycleSpec>>>()!;
  #picked = $state<Side>('left');
  #apart = $state(false);

  constructor(desk: CycleDesk) {
    this.#desk = desk;
    this.#cycles = { left: desk.sides.left.cycle, right: desk.sides.right.cycle };
    this.#apart = JSON.stringify(this.#cycles.left) !== JSON.stringify(this.#cycles.right);
  }

  readonly side: Side = $derived(this.#apart ? this.#picked : 'left');
  readonly value: CycleSpec = $derived.by(() => this.#cycles[this.side]);
  readonly bounds = $derived.by(() => this.#desk.sides[this.side].bounds);
  readonly phases = $derived.by(() => compileCycle(this.value, { effortCapPct: 100 }));
  readonly totals = $derived.by(() => totals(this.phases));
  readonly corners = $derived.by(() => cornersOf(this.value));
  /** What goes past the caps of the person, on either side. */
  readonly over: OverCap | null = $derived.by(
    () => sides.map((s) => overCap(this.#cycles[s], this.#desk.sides[s])).find((o) => o !== null) ?? null
  );
  readonly json = $derived.by(() => JSON.stringify(this.#cycles));

  get apart(): boolean {
    return this.#apart;
  }
  /** Apart or alike; alike again, the other side takes over what is seen. */
  set apart(apart: boolean) {
    const seen = this.value;
    this.#apart = apart;
    if (!apart) this.#cycles = { left: seen, right: seen };
  }

  pick(side: Side): void {
    this.#picked = side;
  }

  set(change: Partial<CycleSpec>): void {
    this.take({ ...this.value, ...change });
  }

  /** Another cycle whole, at the breath of this person. */
  take(cycle: CycleSpec): void {
    const whole = atBreath(cycle, this.#desk.breathS);
    this.#cycles = this.#apart ? { ...this.#cycles, [this.side]: whole } : { left: whole, right: whole };
  }

  /** Moves a corner from where it stood in `from`. */
  move(id: CornerId, by: Readonly<{ s?: number; pct?: number }>, from: CycleSpec = this.value): void {
    this.take(moveCorner(from, id, by, this.bounds));
  }

  /** Pauses counted in breaths or in seconds; what was a breath stays one. */
  countBreaths(isCounted: boolean): void {
    const { breathS } = this.#desk;
    const { breathS: _, ...spec } = this.value;
    const whole = (s: number) => Math.round(s / breathS) * breathS;
    this.take(
      isCounted
        ? { ...spec, breathS, turnS: whole(spec.turnS), settleS: whole(spec.settleS), finalSettleS: whole(spec.finalSettleS) }
        : spec
    );
  }

  setRounds(rounds: number): void {
    const { perRound, mostRounds } = this.value;
    this.set({
      rounds,
      ...(perRound && { perRound: perRound.slice(0, rounds) }),
      ...(mostRounds !== undefined && { mostRounds: Math.max(rounds, mostRounds) })
    });
  }
}
