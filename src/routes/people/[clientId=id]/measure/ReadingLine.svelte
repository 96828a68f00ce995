<script lang="ts">
  import type { BodyState, LengthUnit } from '$lib/contract/fields';
  import type { Result } from '$lib/contract/problem';
  import { z95, type Measure, type MeasureResult, type Propagated } from '$lib/core';
  import ChangeText from '$lib/ui/ChangeText.svelte';
  import { changeText, degText, headlineText, shortDate, stateText, valueText } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import Why from '$lib/ui/Why.svelte';
  import type { Before, MeasureState } from './measureState.svelte';

  type Props = {
    measure: Measure;
    result: Result<MeasureResult> | null;
    unit: LengthUnit;
    state: BodyState;
    before: Before | null;
    change: ReturnType<MeasureState['change']>;
    isHeadline: boolean;
    /** The opening of a split. */
    opening: Propagated | null;
    /** The last one, where it was taken otherwise. */
    otherwise: string | null;
    /** Today, in another state. */
    earlierToday: Readonly<{ value: number; state: BodyState }> | null;
  };
  let { measure, result, unit, state, before, change, isHeadline, opening, otherwise, earlierToday }: Props = $props();
  const text = (value: number) => headlineText(value, measure.id, unit);
  const size = (value: number) => valueText(value, { unit: measure.unit }, unit);
  const learntText = (usualShare: number, of: string): string =>
    usualShare > 0.995 ? 'the usual figure' : `${Math.round(100 * usualShare)} % of it the usual figure, the rest from own ${of}`;
</script>

<div aria-live="polite" class="min-h-14">
  {#if !before && otherwise}
    <p class="text-ink-soft">The last one, {otherwise}, was taken otherwise: not comparable.</p>
  {/if}
  {#if result === null}
    <p class="text-ink-soft">
      {#if before}Last, {stateText[state]}: {text(before.value)} on {shortDate(before.takenOn)}{:else if !otherwise}Nothing to
        compare with yet in this state.{/if}
    </p>
  {:else if !result.ok}
    <p class="font-semibold text-stop">{problemText(result.problem)}</p>
  {:else}
    {@const r = result.value}
    <p class="flex flex-wrap items-baseline gap-x-4">
      <span class="text-3xl font-bold">{text(r.value)}</span>
      {#if measure.unit === 'cm' || measure.unit === '°'}
        <span class="text-ink-soft">{r.spread === null ? 'one trial' : `spread ${size(r.spread)}`}</span>
      {/if}
      {#if r.margin !== null}
        <span>
          <span class="text-ink-soft">give or take {size(r.margin)}</span>
          <Why about="the error of this measure">
            <p>
              One occasion: the error of the day, and that of its trials over how many there were. More trials on one day cannot
              take the day's own part away.
            </p>
            {#if r.error}
              <p>
                From day to day {size(r.error.daySd)}, {learntText(r.error.usualShare.day, 'retests')}; from trial to trial
                {size(r.error.trialSd)}, {learntText(r.error.usualShare.trial, 'trials')}. Training is taken out of the retests:
                each is held against the line between the one before and the one after.
              </p>
            {/if}
            <p>
              {#if r.levelSd !== null && r.sd !== null && r.levelSd > r.sd * 1.05}The lengths of the body add to the level, and
                not to a change.{/if}
              “Give or take” is 1.96 times the error: 95 of 100 measures lie within it.
            </p>
          </Why>
        </span>
      {/if}
      {#if opening}
        <span>
          {degText(opening.value)} open <span class="text-ink-soft">give or take {degText(z95 * opening.sd)}</span>
          <Why about="the opening in degrees">
            <p>
              180° less the slope of each leg: arcsine of the gap over the leg length. Flat is 180° by convention (plane
              geometry).
            </p>
            <p>
              The depth and the leg lengths go in with their errors; “give or take” is 1.96 times the result{opening.firstOrder
                ? ''
                : ', found by sampling because an edge is near'}.
            </p>
          </Why>
        </span>
      {/if}
    </p>
    {#if earlierToday}
      <p>
        {changeText(earlierToday.value, r.value, measure, unit)} since today, {stateText[earlierToday.state]}: {text(
          earlierToday.value
        )}. Warmth, not yet change.
      </p>
    {/if}
    {#if r.doubtful}
      <p class="font-semibold">Unusual for this measure. It is kept and marked; look at it once more.</p>
    {/if}
    <p class="text-ink-soft">
      <ChangeText
        {change}
        {measure}
        {unit}
        since={change ? shortDate(change.sinceOn) : before ? shortDate(before.takenOn) : ''}
      />
      {#if change === null && before && r.margin === null}
        Last, {stateText[state]}: {text(before.value)} on {shortDate(before.takenOn)}; no error is known, so no verdict.
      {:else if change && !isHeadline && change.verdict !== 'not shown'}
        It counts once two retests running show it.
      {/if}
    </p>
  {/if}
</div>
