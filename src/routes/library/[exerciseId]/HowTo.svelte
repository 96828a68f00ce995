<script lang="ts">
  import { poseFigure, type Exercise } from '$lib/core';
  import Figure from '$lib/ui/drawing/Figure.svelte';
  import Furniture from '$lib/ui/drawing/Furniture.svelte';
  import Scene from '$lib/ui/drawing/Scene.svelte';

  /** How it is set up and done, and what to look at. */
  let { exercise: e }: { exercise: Exercise } = $props();
  const pose = $derived(e.pose ? poseFigure(e.pose, { side: 'right' }, { statureCm: 170, leftLegCm: 89, rightLegCm: 89 }) : null);
</script>

<div class="flex flex-col gap-4">
  {#if pose}
    <Scene
      minX={pose.box.minX - 6}
      maxX={pose.box.maxX + 6}
      maxY={pose.box.maxY + 2}
      floor={pose.view !== 'top' && pose.view !== 'facing down on'}
      label={e.name}
      class="max-h-52 w-full"><Furniture boxes={pose.furniture} /><Figure {pose} /></Scene
    >
  {/if}
  <p class="border-l-4 border-ink pl-3 text-lg">{e.why}</p>
  <section>
    <h2>Set up</h2>
    <ol class="mt-1 list-decimal pl-6">
      {#each e.setup as line, i (i)}<li>{line}</li>{/each}
    </ol>
    {#if e.press}<p class="mt-2"><strong>Press:</strong> {e.press}.</p>{/if}
    {#if e.draw}<p><strong>Draw:</strong> {e.draw}.</p>{/if}
  </section>
  {#if e.checks.length > 0}
    <section>
      <h2>Look at</h2>
      <ul class="mt-1 flex flex-col">
        {#each e.checks as check, i (i)}
          <li><label class="choice"><input type="checkbox" /> {check}</label></li>
        {/each}
      </ul>
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
