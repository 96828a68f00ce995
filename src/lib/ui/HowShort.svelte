<script lang="ts">
  import type { Exercise } from '$lib/core';
  import { capital } from '$lib/ui/format';

  /** Beside the figure: how it is set up, what to look at, and where it is felt. */
  let { exercise }: { exercise: Exercise } = $props();
</script>

<div class="grid gap-x-6 gap-y-3 sm:grid-cols-2">
  <section>
    <h2 class="text-base">Set up</h2>
    <ol class="list-decimal pl-5">
      {#each exercise.setup as line, i (i)}<li>{line}</li>{:else}<li class="list-none text-ink-soft">Not written yet.</li>{/each}
    </ol>
    {#if exercise.press}<p class="mt-1"><strong class="text-iris">Press:</strong> {exercise.press}.</p>{/if}
    {#if exercise.draw}<p><strong class="text-fern">Draw:</strong> {exercise.draw}.</p>{/if}
  </section>
  <section>
    {#if exercise.checks.length > 0}
      <h2 class="text-base">Look at</h2>
      <ul class="list-disc pl-5">
        {#each exercise.checks as check, i (i)}<li>{capital(check)}</li>{/each}
      </ul>
    {/if}
    <p class="mt-1"><strong>Felt:</strong> {exercise.felt}. <span class="text-ink-soft">Not: {exercise.notFelt}.</span></p>
  </section>
</div>
