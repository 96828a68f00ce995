<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { TakenRow } from '$lib/contract/taken';
  import { measureOf, wayOf } from '$lib/core';
  import { apartText, changeText, dateText, headlineText, modeText, stateText } from '$lib/ui/format';

  type Props = { readings: readonly TakenRow[]; headline: string; unit: LengthUnit };
  let { readings, headline, unit }: Props = $props();
  const measure = $derived(measureOf(headline));
</script>

<Sideways label="Measures, newest first">
  <table class="w-full text-left">
    <caption class="sr-only">Measures, newest first</caption>
    <thead class="text-ink-soft">
      <tr>
        <th scope="col" class="font-normal">Day</th>
        <th scope="col" class="font-normal">State, way</th>
        {#if measure.modes.length > 1}<th scope="col" class="font-normal">Reach or hold</th>{/if}
        <th scope="col" class="font-normal">Value, with 95 % of its error</th>
        <th scope="col" class="font-normal">Since the last taken alike</th>
      </tr>
    </thead>
    <tbody>
      {#each readings.toReversed() as r (`${r.occasionId}/${r.way}/${r.support}/${r.mode}/${r.side}`)}
        <tr class="border-t border-line">
          <td class="py-1 whitespace-nowrap">{dateText(r.takenOn)}</td>
          <td>{stateText[r.bodyState]}, {wayOf(r.way).label.toLowerCase()}{r.support ? `, ${r.support}` : ''}</td>
          {#if measure.modes.length > 1}<td>{modeText[r.mode].toLowerCase()}</td>{/if}
          <td
            ><strong>{headlineText(r.value, headline, unit)}</strong>
            {#if r.margin !== null}<span class="text-ink-soft">give or take {apartText(0, r.margin, measure, unit)}</span
              >{/if}</td
          >
          <td>{r.change ? `${changeText(r.change.before, r.change.after, measure, unit)}, ${r.change.verdict}` : 'first'}</td>
        </tr>
      {/each}
    </tbody>
  </table>
</Sideways>
