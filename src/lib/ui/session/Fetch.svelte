<script lang="ts">
  import { exercisesIn, type Block, type Material, type Prop } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { stackLine } from '$lib/ui/stackText';

  /** What is brought to the mat before a session: its things, and every stack once, with the side it is for where the sides differ. */
  type Props = { blocks: readonly Block[]; shelf: readonly (Prop & { material: Material })[]; unit: LengthUnit };
  let { blocks, shelf, unit }: Props = $props();
  const find = $derived(exercisesIn(blocks));
  const things = $derived([...new Set(blocks.flatMap((b) => b.props))]);
  const stacks = $derived.by(() => {
    const lines = blocks.flatMap((b) =>
      b.work.flatMap(({ side, stacks: stands = [] }) =>
        stands.filter((s) => s.rung.items.length > 0).map((s) => ({ side, line: stackLine(find(b.exerciseId), s, shelf, unit) }))
      )
    );
    return [...new Set(lines.map((l) => l.line))].map((line) => {
      const of = new Set(lines.filter((l) => l.line === line).map((l) => l.side));
      return { line, side: of.size === 1 ? [...of][0]! : null };
    });
  });
</script>

{#if things.length + stacks.length > 0}
  <section class="card">
    <h2>You need</h2>
    <ul class="mt-1">
      {#each things as thing (thing)}<li>{thing}</li>{/each}
      {#each stacks as { side, line } (line)}
        <li class="flex items-start gap-2"><span class="pt-1"><SideMark {side} size={14} /></span> {line}</li>
      {/each}
    </ul>
  </section>
{/if}
