<script lang="ts">
  import SolvingNote from './SolvingNote.svelte';
  import type { Solving } from './solving.svelte';

  /** The button that has a plan solved; while it is, how far it is stands in its place. */
  type Props = { solving: Solving; label: string; look?: string };
  let { solving, label, look = 'btn btn-primary' }: Props = $props();
</script>

<div class="flex flex-wrap items-center gap-3" aria-live="polite">
  {#if solving.isRunning}
    <SolvingNote {solving} />
  {:else}
    <button class={look}>{label}</button>
  {/if}
</div>
