<script lang="ts">
  import { exercisesIn, leftOutTexts, type Block, type LeftOut } from '$lib/core';

  /** What is not in a session that could be, and why. */
  let { without, blocks }: { without: readonly (LeftOut | string)[]; blocks: readonly Block[] } = $props();
  const texts = $derived(leftOutTexts(without, exercisesIn(blocks)));
</script>

{#if texts.length > 0}
  <section class="rounded-soft border-2 border-stop px-4 py-2" aria-label="Left out today">
    <h2 class="text-stop">Left out today</h2>
    <ul class="list-disc pl-5 leading-snug">
      {#each texts as text (text)}<li>{text}</li>{/each}
    </ul>
  </section>
{/if}
