<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Measure } from '$lib/core';
  import { apartText, capital, valueText } from '$lib/ui/format';
  import Why from '$lib/ui/Why.svelte';
  import type { MeasureState } from './measureState.svelte';

  /** Left against right of what is typed, and whether the two were swapped. */
  type Props = { measure: Measure; state: MeasureState; unit: LengthUnit };
  let { measure, state, unit }: Props = $props();
  const differences = $derived(
    measure.sides === 'each' ? measure.modes.map((mode) => ({ mode, difference: state.sideDifference(mode) })) : []
  );
</script>

{#each differences as { mode, difference } (mode)}
  {#if state.looksSwapped(mode)}
    <p class="font-semibold text-stop" role="alert">
      Left and right look swapped: the other way round both fit the last measure.
      <button type="button" class="btn ml-2" onclick={() => state.swapSides(mode)}>Swap them</button>
    </p>
  {/if}
  {#if difference}
    <p class="text-lg">
      {#if difference.trails}
        <strong
          >{capital(difference.trails)} trails by {apartText(...difference.of, measure, unit)}{measure.modes.length > 1
            ? `, ${mode}`
            : ''}.</strong
        >
        More than the error.
      {:else}
        Left and right differ by {apartText(...difference.of, measure, unit)}{measure.modes.length > 1 ? `, ${mode}` : ''}: within
        the error of {valueText(difference.margin, { unit: measure.unit }, unit)}.
      {/if}
      <Why about="left against right, {mode}">
        <p>Left less right, the same way and state. It counts from 1.96 times the error of both together.</p>
      </Why>
    </p>
  {/if}
{:else}
  <p class="text-ink-soft">Both sides together: one figure.</p>
{/each}
{#if measure.sides === 'each' && differences.every((d) => d.difference === null)}
  <p class="text-ink-soft">Left against right appears when both are in.</p>
{/if}
