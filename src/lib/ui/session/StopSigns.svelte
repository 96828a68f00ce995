<script lang="ts">
  import { exercisesIn, urgentSignsText, type Block } from '$lib/core';

  /** What ends the work at once, told before it begins. */
  let { blocks }: { blocks: readonly Block[] } = $props();
  const find = $derived(exercisesIn(blocks));
  const stops = $derived([...new Set(blocks.flatMap((b) => find(b.exerciseId).stops))]);
</script>

<section class="card border-2 border-stop py-3">
  <h2>Stop signs</h2>
  <ul class="mt-1 grid gap-x-6 gap-y-1 leading-snug sm:grid-cols-2">
    {#each stops as stop (stop)}<li>{stop}</li>{/each}
    <li class="font-semibold">{urgentSignsText}: medical help now.</li>
  </ul>
  <p class="mt-1 text-ink-soft">Licensed practice and local rules come first.</p>
</section>
