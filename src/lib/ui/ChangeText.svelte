<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Change, Measure } from '$lib/core';
  import { changeText, valueText } from './format';
  import Why from './Why.svelte';

  type Props = {
    change: Change | null;
    measure: Pick<Measure, 'unit'>;
    unit: LengthUnit;
    /** When the other measure was taken. */
    since?: string;
  };
  let { change, measure, unit, since = '' }: Props = $props();
  const size = (value: number) => valueText(value, { unit: measure.unit }, unit);
</script>

{#if change}
  <span class="text-ink"
    >{changeText(change.before, change.after, measure, unit)}{since ? ` since ${since}` : ''}:
    <strong>{change.verdict}</strong></span
  >
  <Why about="whether the change is real">
    <p>
      Both occasions have an error; together {size(change.sd)}. A change is real from 1.96 times that, {size(change.mdc95)};
      likely from 1.28 times, {size(change.mdc80)}. Below that it is not shown: it may be there or not.
    </p>
    <p>Only measures taken alike are compared: state, way and support. Source: minimal detectable change, the textbook form.</p>
  </Why>
{:else if !since}
  First measure taken this way in this state.
{/if}
