<script lang="ts">
  import { sides, type Side } from '$lib/core';
  import SideMark from './SideMark.svelte';

  type Props = { side: Side; onSideChange: (side: Side) => void; label: string };
  let { side, onSideChange, label }: Props = $props();
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
      {s === 'left' ? 'Left leads' : 'Right leads'}
    </button>
  {/each}
</div>
