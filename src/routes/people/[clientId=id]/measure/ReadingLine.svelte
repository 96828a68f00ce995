<script lang="ts">
  import type { BodyState, LengthUnit } from '$lib/contract/fields';
  import type { Result } from '$lib/contract/problem';
  import type { Occasion, Reading } from '$lib/core';
  import ChangeText from '$lib/ui/ChangeText.svelte';
  import { degText, depthText, lengthText, numberText, shortDate, stateText } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import Why from '$lib/ui/Why.svelte';

  type Props = {
    result: Result<Reading> | null;
    unit: LengthUnit;
    state: BodyState;
    before: (Occasion & { takenOn: string }) | null;
  };
  let { result, unit, state, before }: Props = $props();
</script>

<div aria-live="polite" class="min-h-14">
  {#if result === null}
    <p class="text-ink-soft">
      {#if before}Last, {stateText[state]}: {depthText(before.value, unit)} on {shortDate(before.takenOn)}{:else}Nothing to
        compare with yet in this state.{/if}
    </p>
  {:else if !result.ok}
    <p class="font-semibold text-stop">{problemText(result.problem)}</p>
  {:else}
    {@const r = result.value}
    <p class="flex flex-wrap items-baseline gap-x-4">
      <span class="text-3xl font-bold">{depthText(r.depthCm, unit)}</span>
      <span class="text-ink-soft">{r.spreadCm === null ? 'one trial' : `spread ${lengthText(r.spreadCm, unit)}`}</span>
      <span
        >{degText(r.openingDeg)} open <span class="text-ink-soft">± {degText(r.openingMarginDeg)}</span>
        <Why about="the opening in degrees">
          <p>
            180° less the slope of each leg: arcsine of the gap over the leg length. Flat is 180° by convention (plane geometry).
          </p>
          <p>
            Depth {numberText(r.depthCm, 1)} cm with an error of {numberText(r.sdCm, 1)} cm, and the leg lengths with theirs, carried
            through the formula; ± is 1.96 times the result{r.firstOrder ? '' : ', found by sampling because an edge is near'}.
          </p>
        </Why>
      </span>
    </p>
    <p class="text-ink-soft"><ChangeText change={r.change} {unit} since={before ? shortDate(before.takenOn) : ''} /></p>
  {/if}
</div>
