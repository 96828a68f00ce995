<script lang="ts">
  import { usualBody, type Exercise } from '$lib/core';
  import { capital } from '$lib/ui/format';
  import ExerciseDrawing from '$lib/ui/drawing/ExerciseDrawing.svelte';

  /** How it is set up and done, and what to look at. */
  let { exercise: e }: { exercise: Exercise } = $props();
</script>

<div class="flex flex-col gap-4">
  {#if e.pose}
    <ExerciseDrawing exercise={e} side="right" setting={e.start} body={usualBody} label={e.name} size="max-h-60" />
    {#if e.path?.length === 2 || e.press || e.draw}
      <p class="text-sm text-ink-soft">
        {[
          e.path?.length === 2 && 'Pale: where it begins.',
          e.press && 'Violet arrow: the press.',
          e.draw && 'Green arrow: the draw.'
        ]
          .filter(Boolean)
          .join(' ')}
      </p>
    {/if}
  {/if}
  {#if e.why}<p class="border-l-4 border-ink pl-3 text-lg">{e.why}</p>{/if}
  <section>
    <h2>Set up</h2>
    <ol class="mt-1 list-decimal pl-6">
      {#each e.setup as line, i (i)}<li>{line}</li>{:else}<li class="list-none text-ink-soft">Not written yet.</li>{/each}
    </ol>
    {#if e.press}<p class="mt-2"><strong>Press:</strong> {e.press}.</p>{/if}
    {#if e.draw}<p><strong>Draw:</strong> {e.draw}.</p>{/if}
  </section>
  {#if e.checks.length > 0}
    <section>
      <h2>Look at</h2>
      <ul class="mt-1 list-disc pl-6">
        {#each e.checks as check, i (i)}<li>{capital(check)}</li>{/each}
      </ul>
      <p class="text-ink-soft">What slips is ticked after a set, and kept with it.</p>
    </section>
  {/if}
  {#if e.mistakes.length > 0}
    <section>
      <h2>What goes wrong</h2>
      <dl class="mt-1">
        {#each e.mistakes as { mistake, fix }, i (i)}
          <dt class="font-semibold">{mistake}</dt>
          <dd class="mb-1 pl-4">{fix}</dd>
        {/each}
      </dl>
    </section>
  {/if}
</div>
