import { compute } from '$lib/contract/door';
import type { BodyState, LengthUnit } from '$lib/contract/fields';
import { measureModes, parseTrial, pastFlatField, trialField, trialsPerSide, type MeasureMode } from '$lib/contract/forms';
import type { Result } from '$lib/contract/problem';
import {
  activeGap,
  occasionReading,
  otherSide,
  sideDifference,
  sides,
  type Difference,
  type MeasuringError,
  type Occasion,
  type Reading,
  type Side,
  type Uncertain
} from '$lib/core';

type Source = () => Readonly<{
  unit: LengthUnit;
  error: MeasuringError;
  legs: Readonly<Record<Side, Uncertain>>;
  shorterLegCm: number;
  before: Readonly<Record<string, Occasion>>;
}>;

const usualTrials = 2;
const key = (side: Side, mode: MeasureMode) => `${side}/${mode}`;

/** What is typed on the measuring page, and what it says at once. */
export class MeasureState {
  #source: Source;
  bodyState = $state<BodyState>('cold');
  typed = $state<Record<string, string>>({});
  past = $state<Record<string, boolean>>({});
  shown = $state<Record<string, number>>({});

  constructor(source: Source, bodyState: BodyState, typed: Readonly<Record<string, string | string[]>> = {}) {
    this.#source = source;
    this.bodyState = bodyState;
    for (const side of sides)
      for (const mode of measureModes) {
        this.past[pastFlatField(side, mode)] = typed[pastFlatField(side, mode)] === 'on';
        let last = usualTrials;
        for (let n = 1; n <= trialsPerSide; n++) {
          const value = typed[trialField(side, mode, n)];
          this.typed[trialField(side, mode, n)] = typeof value === 'string' ? value : '';
          if (value) last = Math.max(last, n);
        }
        this.shown[key(side, mode)] = last;
      }
  }

  trialNames(side: Side, mode: MeasureMode): string[] {
    return Array.from({ length: this.shown[key(side, mode)] ?? usualTrials }, (_, i) => trialField(side, mode, i + 1));
  }
  canAdd = (side: Side, mode: MeasureMode): boolean => (this.shown[key(side, mode)] ?? 0) < trialsPerSide;
  addTrial(side: Side, mode: MeasureMode): void {
    this.shown[key(side, mode)] = Math.min(trialsPerSide, (this.shown[key(side, mode)] ?? usualTrials) + 1);
  }

  /** The reading of what is typed so far; null while nothing readable is. */
  reading(side: Side, mode: MeasureMode): Result<Reading> | null {
    const { unit, error, legs, shorterLegCm, before } = this.#source();
    const past = this.past[pastFlatField(side, mode)] ?? false;
    const depthsCm = this.trialNames(side, mode).flatMap((name) => {
      const cm = parseTrial(this.typed[name], { unit, maxCm: past ? 40 : shorterLegCm - 1, past });
      return typeof cm === 'number' ? [past ? -cm : cm] : [];
    });
    if (depthsCm.length === 0) return null;
    return compute(() =>
      occasionReading({
        depthsCm,
        leadLegCm: legs[side],
        trailLegCm: legs[otherSide(side)],
        error,
        before: before[`${side}/${mode}/${this.bodyState}`] ?? null
      })
    );
  }

  #occasion(side: Side, mode: MeasureMode): Occasion | null {
    const reading = this.reading(side, mode);
    return reading?.ok ? { value: reading.value.depthCm, trials: reading.value.trials } : null;
  }

  sideDifference(): Difference | null {
    const [left, right] = [this.#occasion('left', 'passive'), this.#occasion('right', 'passive')];
    return left && right && sideDifference(left, right, this.#source().error);
  }

  activeGap(side: Side): Difference | null {
    const [active, passive] = [this.#occasion(side, 'active'), this.#occasion(side, 'passive')];
    return active && passive && activeGap(active, passive, this.#source().error);
  }
}
