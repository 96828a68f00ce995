<script lang="ts">
  import { sides, type Side } from '$lib/core';
  import SideMark from './SideMark.svelte';

  /** `words`: which limb the side means; a leg in front leads. */
  type Props = { side: Side; onSideChange: (side: Side) => void; label: string; words?: string };
  let { side, onSideChange, label, words = 'leg in front' }: Props = $props();
  const isLead = $derived(words === 'leg in front');
</script>

<div role="group" aria-label={label} class="flex gap-2">
  {#each sides as s (s)}
    <button
      type="button"
      class="btn {s === side ? 'border-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]' : ''}"
      aria-pressed={s === side}
      onclick={() => onSideChange(s)}
    >
      <SideMark side={s} />
      {s === 'left' ? 'Left' : 'Right'}{isLead ? ' leads' : ` ${words}`}
    </button>
  {/each}
</div>
