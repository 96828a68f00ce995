<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Change } from '$lib/core';
  import { lengthText, signedLength } from './format';
  import Why from './Why.svelte';

  type Props = { change: Change | null; unit: LengthUnit; /** When the other measure was taken. */ since?: string };
  let { change, unit, since = '' }: Props = $props();
</script>

{#if change}
  <span class="text-ink"
    >{signedLength(change.difference, unit)}{since ? ` since ${since}` : ''}: <strong>{change.verdict}</strong></span
  >
  <Why about="whether the change is real">
    <p>
      Both occasions have an error; together {lengthText(change.sd, unit)}. A change is real from 1.96 times that, {lengthText(
        change.mdc95,
        unit
      )}; likely from 1.28 times, {lengthText(change.mdc80, unit)}. Below that it is not shown: it may be there or not.
    </p>
    <p>Only measures in the same state are compared. Source: minimal detectable change, the textbook form.</p>
  </Why>
{:else}
  First measure in this state.
{/if}
