<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import { enhance } from '$app/forms';
  import Pencil from '@lucide/svelte/icons/pencil';
  import Trash from '@lucide/svelte/icons/trash-2';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Taken } from '$lib/contract/taken';
  import { wayOf, type Measure } from '$lib/core';
  import { changeText, dateText, headlineText, plural, stateText } from '$lib/ui/format';
  import { undoable } from '$lib/ui/sending';
  import TakenOut from '$lib/ui/TakenOut.svelte';
  import SideMark from '$lib/ui/SideMark.svelte';

  type Props = {
    measure: Measure;
    taken: readonly Taken[];
    /** Days that were taken out and can still be put back. */
    removed: readonly { id: number; takenOn: string; removedAt: string; measures: readonly string[] }[];
    unit: LengthUnit;
    base: string;
  };
  let { measure, taken, removed, unit, base }: Props = $props();
  const shownRows = 16;
  const rows = $derived(taken.slice(-shownRows).toReversed());
  const isFirst = (row: Taken, i: number) => rows[i - 1]?.occasionId !== row.occasionId;
</script>

<TakenOut
  items={removed.map(({ measures, takenOn, ...r }) => ({
    ...r,
    text: `${dateText(takenOn)}, ${plural(measures.length, 'measure')}`
  }))}
  field="occasionId"
  action="?/restore"
/>
{#if rows.length > 0}
  <details class="card mt-5">
    <summary class="font-semibold">Earlier measures</summary>
    <Sideways label="Taken before">
      <table class="mt-3 w-full text-left">
        <thead class="text-ink-soft">
          <tr>
            <th scope="col" class="font-normal">Day, state</th><th scope="col" class="font-normal">Side, mode</th><th
              scope="col"
              class="font-normal">Value</th
            ><th scope="col" class="font-normal">Way, support</th><th scope="col" class="font-normal">Change</th><th scope="col"
              ><span class="sr-only">Remove</span></th
            >
          </tr>
        </thead>
        <tbody>
          {#each rows as row, i (`${row.occasionId}/${row.side}/${row.mode}/${row.way}/${row.support}`)}
            <tr class={isFirst(row, i) ? 'border-t border-line' : ''}>
              <td>{isFirst(row, i) ? `${dateText(row.takenOn)}, ${stateText[row.bodyState]}` : ''}</td>
              <td>
                {#if row.side}<SideMark side={row.side} size={14} filled={row.mode === 'active'} />{/if}
                {row.side ?? 'both'}, {row.mode}
              </td>
              <td>
                {headlineText(row.value, measure.id, unit)}
                <span class="text-ink-soft">of {row.trials}</span>{#if row.doubtful}, <strong>unusual</strong>{/if}
              </td>
              <td class="text-ink-soft">{wayOf(row.way).label}{row.support ? `, ${row.support}` : ''}</td>
              <td class="text-ink-soft"
                >{row.change
                  ? `${changeText(row.change.before, row.change.after, measure, unit)}, ${row.change.verdict}${row.isShownTwice ? ', twice running' : ''}`
                  : ''}</td
              >
              <td class="text-right">
                {#if isFirst(row, i)}
                  <a
                    class="btn btn-quiet"
                    href="{base}/numbers?occasion={row.occasionId}&m={measure.id}"
                    aria-label="Correct the numbers of {dateText(row.takenOn)}"><Pencil size={16} /></a
                  >
                  <form
                    method="POST"
                    class="inline"
                    action="?/remove"
                    use:enhance={undoable(() => ({
                      told: `The measures of ${dateText(row.takenOn)} are taken out`,
                      action: '?/restore',
                      fields: { occasionId: row.occasionId }
                    }))}
                  >
                    <input type="hidden" name="occasionId" value={row.occasionId} />
                    <button class="btn btn-quiet" aria-label="Remove the measures of {dateText(row.takenOn)}"
                      ><Trash size={16} /></button
                    >
                  </form>
                {/if}
              </td>
            </tr>
          {/each}
        </tbody>
      </table>
    </Sideways>
  </details>
{/if}
