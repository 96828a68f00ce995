<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import type { FindExercise } from '$lib/core';
  import { cutKindText, cutText } from '../../plan/cutText';
  import type { ArrangementState } from './arrangement.svelte';
  import NumberRow from './NumberRow.svelte';

  /** Whether a session is cut to its minutes, in which order, and what that takes out. */
  let { hand, find }: { hand: ArrangementState; find: FindExercise } = $props();
</script>

<section class="card flex flex-col gap-3">
  <label class="choice"
    ><input type="checkbox" checked={hand.value.fits} onchange={(e) => hand.set({ fits: e.currentTarget.checked })} /> Cut it to the
    minutes</label
  >
  {#if hand.value.fits}
    <NumberRow {hand} of="minutes" label="Minutes" min={5} max={240} />
    <div>
      <h3>Cut in this order</h3>
      <ol class="mt-1">
        {#each hand.value.cutOrder as kind, i (kind)}
          <li class="flex items-center gap-1 border-t border-line py-0.5 leading-tight">
            <span class="grow">{cutKindText[kind]}</span>
            <button
              class="btn btn-quiet min-w-11"
              type="button"
              disabled={i === 0}
              aria-label="Cut sooner: {cutKindText[kind]}"
              onclick={() => hand.moveCut(kind, -1)}><ArrowUp size={18} /></button
            >
            <button
              class="btn btn-quiet min-w-11"
              type="button"
              disabled={i === hand.value.cutOrder.length - 1}
              aria-label="Cut later: {cutKindText[kind]}"
              onclick={() => hand.moveCut(kind, 1)}><ArrowDown size={18} /></button
            >
          </li>
        {/each}
      </ol>
      <p class="text-ink-soft">The last active work of a motion that is stretched is never cut.</p>
    </div>
    {#if hand.made.ok && hand.made.value.cuts.length > 0}
      <div class="rounded-soft bg-chalk p-3">
        <h3>What is cut</h3>
        <ul>
          {#each hand.made.value.cuts as cut, i (i)}<li>{cutText(cut, find)}</li>{/each}
        </ul>
      </div>
    {/if}
  {/if}
</section>
