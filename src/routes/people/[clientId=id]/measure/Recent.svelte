<script lang="ts">
  import { enhance } from '$app/forms';
  import Trash from '@lucide/svelte/icons/trash-2';
  import { toast } from 'svelte-sonner';
  import type { BodyState, LengthUnit } from '$lib/contract/fields';
  import type { Change, Side } from '$lib/core';
  import { degText, depthText, dateText, signedLength, stateText } from '$lib/ui/format';
  import { postAction } from '$lib/ui/postAction';
  import SideMark from '$lib/ui/SideMark.svelte';

  type Row = {
    occasionId: number;
    takenOn: string;
    bodyState: BodyState;
    side: Side;
    mode: 'passive' | 'active';
    depthCm: number;
    sdCm: number;
    openingDeg: number;
    trials: number;
    change: Change | null;
  };
  let { readings, unit }: { readings: readonly Row[]; unit: LengthUnit } = $props();
  const isFirst = (row: Row, i: number) => readings[i - 1]?.occasionId !== row.occasionId;
</script>

{#if readings.length > 0}
  <details class="card mt-5">
    <summary class="font-semibold">Earlier measures</summary>
    <table class="mt-3 w-full text-left">
      <thead class="text-ink-soft">
        <tr>
          <th scope="col" class="font-normal">Day, state</th><th scope="col" class="font-normal">Leading</th><th
            scope="col"
            class="font-normal">Gap</th
          ><th scope="col" class="font-normal">Opening</th><th scope="col" class="font-normal">Change</th><th scope="col"
            ><span class="sr-only">Remove</span></th
          >
        </tr>
      </thead>
      <tbody>
        {#each readings as row, i (`${row.occasionId}/${row.side}/${row.mode}`)}
          <tr class={isFirst(row, i) ? 'border-t border-line' : ''}>
            <td>{isFirst(row, i) ? `${dateText(row.takenOn)}, ${stateText[row.bodyState]}` : ''}</td>
            <td><SideMark side={row.side} size={14} filled={row.mode === 'active'} /> {row.side}, {row.mode}</td>
            <td>{depthText(row.depthCm, unit)} <span class="text-ink-soft">of {row.trials}</span></td>
            <td>{degText(row.openingDeg)}</td>
            <td class="text-ink-soft"
              >{row.change ? `${signedLength(row.change.difference, unit)}, ${row.change.verdict}` : 'first'}</td
            >
            <td class="text-right">
              {#if isFirst(row, i)}
                <form
                  method="POST"
                  action="?/remove"
                  use:enhance={() =>
                    async ({ update }) => {
                      await update({ reset: false });
                      const undo = () => void postAction('?/restore', { occasionId: row.occasionId });
                      toast(`The measure of ${dateText(row.takenOn)} is taken out`, { action: { label: 'Undo', onClick: undo } });
                    }}
                >
                  <input type="hidden" name="occasionId" value={row.occasionId} />
                  <button class="btn btn-quiet" aria-label="Remove the measure of {dateText(row.takenOn)}"
                    ><Trash size={16} /></button
                  >
                </form>
              {/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  </details>
{/if}
