<script lang="ts">
  import { RadioGroup } from 'bits-ui';
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
  <RadioGroup.Root
    bind:value={() => String(at), (v) => (at = Number(v))}
    orientation="horizontal"
    aria-label="Which number is taken next"
    class="flex flex-wrap gap-1"
  >
    {#each slots as s, i (`${s.side}/${s.mode}/${s.n}`)}
      <RadioGroup.Item
        value={String(i)}
        class="btn min-w-12 px-2"
        aria-label="{placeOf(s)}, {modeWord[s.mode]}, trial {s.n}: {state.slotText(s) || 'open'}"
      >
        {#if s.side}<SideMark side={s.side} size={12} filled={s.mode === 'active'} />{/if}
        {state.slotText(s) || '—'}
      </RadioGroup.Item>
    {/each}
  </RadioGroup.Root>
</div>
