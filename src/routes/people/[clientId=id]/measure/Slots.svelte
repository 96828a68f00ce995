<script lang="ts">
  import type { Measure } from '$lib/core';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { capital } from '$lib/ui/format';
  import type { MeasureState, Slot } from './measureState.svelte';

  /** Where the next number goes, and what is in already. */
  type Props = {
    measure: Measure;
    state: MeasureState;
    slots: readonly Slot[];
    /** @bindable */
    at: number;
  };
  let { measure, state, slots, at = $bindable() }: Props = $props();
  const modeWord = { passive: 'reached', active: 'held' } as const;
  const placeOf = ({ side }: Slot) => (side === null ? 'both together' : `${side} ${measure.sideWords}`);
  const slot = $derived(slots[at] ?? null);
</script>

<div class="flex flex-col gap-2">
  <p class="text-xl leading-tight font-semibold" aria-live="polite">
    {#if slot}
      {#if slot.side}<SideMark side={slot.side} filled={slot.mode === 'active'} />{/if}
      {capital(placeOf(slot))}, {modeWord[slot.mode]}, trial {slot.n}
    {:else}All in. Choose one to take it again.{/if}
  </p>
  <div class="flex flex-wrap gap-1" role="group" aria-label="Which number is taken next">
    {#each slots as s, i (`${s.side}/${s.mode}/${s.n}`)}
      <button
        type="button"
        class="btn min-w-12 px-2 {i === at ? 'border-mulberry text-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]' : ''}"
        aria-pressed={i === at}
        aria-label="{placeOf(s)}, {modeWord[s.mode]}, trial {s.n}: {state.slotText(s) || 'open'}"
        onclick={() => (at = i)}
      >
        {#if s.side}<SideMark side={s.side} size={12} filled={s.mode === 'active'} />{/if}
        {state.slotText(s) || '—'}
      </button>
    {/each}
  </div>
</div>
