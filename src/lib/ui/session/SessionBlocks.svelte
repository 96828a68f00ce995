<script lang="ts">
  import { exercisesIn, isAsked, type Block } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import MiniFigure from '$lib/ui/drawing/MiniFigure.svelte';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import { policiesText } from '$lib/ui/schoolText';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { doseText, heightText } from './doseText';

  /** What a session holds, in its order, with what is asked on each side. */
  let { blocks, unit }: { blocks: readonly Block[]; unit: LengthUnit } = $props();
  const find = $derived(exercisesIn(blocks));
</script>

<ol class="rounded-soft border border-line bg-paper">
  {#each blocks as block, i (i)}
    {@const exercise = find(block.exerciseId)}
    <li class="flex flex-wrap items-start gap-x-4 border-b border-line px-4 py-2 last:border-0">
      <MiniFigure {exercise} />
      <h2 class="w-56 text-base max-sm:w-auto max-sm:grow">{exercise.name}</h2>
      <div class="grow">
        {#each block.work as work (work.side)}
          {#if isAsked(work)}
            <p class="flex items-center gap-2">
              <SideMark side={work.side} size={14} />
              {doseText(work)}{heightText(exercise, work, unit)}{work.variant ? `, ${work.variant}` : ''}
            </p>
          {:else if exercise.why}<p class="text-ink-soft">{exercise.why}</p>{/if}
        {/each}
        {#if block.work.find((w) => w.rules)?.rules}<p class="text-ink-soft">
            {policiesText(block.work.find((w) => w.rules)!.rules!)}
          </p>{/if}
        <GateNotes within={block.work.flatMap((w) => w.notes ?? [])} compact />
      </div>
    </li>
  {/each}
</ol>
