<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { TakenSplit } from '$lib/contract/taken';
  import { wayOf } from '$lib/core';
  import { changeText, dateText, degText, depthText, lengthText, stateText } from '$lib/ui/format';

  let { readings, unit }: { readings: readonly TakenSplit[]; unit: LengthUnit } = $props();
</script>

<div class="overflow-x-auto">
  <table class="w-full text-left">
    <caption class="sr-only">Passive measures of this side, newest first</caption>
    <thead class="text-ink-soft">
      <tr>
        <th scope="col" class="font-normal">Day</th>
        <th scope="col" class="font-normal">State, way</th>
        <th scope="col" class="font-normal">Gap, with 95 % of its error</th>
        <th scope="col" class="font-normal">Opening</th>
        <th scope="col" class="font-normal">Since the last in this state</th>
      </tr>
    </thead>
    <tbody>
      {#each readings.toReversed() as r (`${r.occasionId}/${r.way}/${r.support}`)}
        <tr class="border-t border-line">
          <td class="py-1">{dateText(r.takenOn)}</td>
          <td>{stateText[r.bodyState]}, {wayOf(r.way).label.toLowerCase()}</td>
          <td
            ><strong>{depthText(r.depthCm, unit)}</strong>
            <span class="text-ink-soft">± {lengthText(r.marginCm, unit)}</span></td
          >
          <td>{degText(r.openingDeg)} <span class="text-ink-soft">± {degText(r.openingMarginDeg)}</span></td>
          <td
            >{r.change
              ? `${changeText(r.change.before, r.change.after, { unit: 'cm' }, unit)}, ${r.change.verdict}`
              : 'first'}</td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</div>
