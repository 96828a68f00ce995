<script lang="ts">
  import { dayWorks, sideOrders, trainings, type DayWork, type SideOrder } from '$lib/core';
  import type { ArrangementState } from './arrangement.svelte';
  import { trainingText } from '$lib/ui/format';
  import NumberRow from './NumberRow.svelte';

  /** What is worked that day, what training stands beside it, how the sides follow each other, and the seconds between. */
  let { hand }: { hand: ArrangementState } = $props();
  const dayText: Readonly<Record<DayWork, string>> = {
    both: 'Stretch and effort',
    'stretch only': 'Stretch only',
    'effort only': 'Effort only'
  };
  const sidesText: Readonly<Record<SideOrder, string>> = {
    'one side first': 'All sets of one side, then the other',
    alternate: 'In turn, set by set',
    'inside a set': 'Both in every set, without rest between'
  };
</script>

<section class="card flex flex-col gap-3">
  <label class="flex flex-col gap-1">
    <span class="font-semibold">What is worked</span>
    <select
      class="input"
      value={hand.value.work}
      onchange={(e) => hand.set({ work: dayWorks.find((d) => d === e.currentTarget.value) ?? 'both' })}
    >
      {#each dayWorks as day (day)}<option value={day}>{dayText[day]}</option>{/each}
    </select>
  </label>
  <label class="flex flex-col gap-1">
    <span class="font-semibold">Other training</span>
    <select
      class="input"
      value={hand.value.training ?? 'alone'}
      onchange={(e) => hand.set({ training: trainings.find((t) => t === e.currentTarget.value) })}
    >
      {#each trainings as at (at)}<option value={at}>{trainingText[at]}</option>{/each}
    </select>
  </label>
  <label class="flex flex-col gap-1">
    <span class="font-semibold">Sides</span>
    <select
      class="input"
      value={hand.value.sides}
      onchange={(e) => hand.set({ sides: sideOrders.find((o) => o === e.currentTarget.value) })}
    >
      {#each sideOrders as order (order)}<option value={order}>{sidesText[order]}</option>{/each}
    </select>
  </label>
  <NumberRow {hand} of="setupS" label="Seconds to get ready" />
  <NumberRow {hand} of="restS" label="Seconds of rest between sets" />
</section>
