<script lang="ts">
  import type { FigurePose } from '$lib/core';
  import type { Mark } from './mark';

  /** Where the tape begins and ends, where the instrument lies, or the landmarks: in the colour of what is done. */
  type Props = { figure: FigurePose; mark: Mark };
  let { figure, mark }: Props = $props();
  const marks = $derived(figure.landmarks);
  const shown = $derived(Object.entries(marks));
  /** The instrument lies along the limb, over its middle. */
  const bar = $derived.by(() => {
    const { vertex, along } = marks;
    if (!vertex || !along) return null;
    const at = (share: number) => ({ x: vertex.x + (along.x - vertex.x) * share, y: vertex.y + (along.y - vertex.y) * share });
    return { from: at(0.4), to: at(0.65) };
  });
</script>

{#snippet line(d: string, width: number)}
  <path {d} stroke="var(--color-paper)" stroke-width={width + 2.4} stroke-linecap="round" fill="none" />
  <path {d} stroke="var(--color-mulberry)" stroke-width={width} stroke-linecap="round" fill="none" />
{/snippet}

{#if mark === 'tape' && marks.point}
  {@const { x, y } = marks.point}
  {@render line(`M${x} ${figure.zeroY}V${y}M${x - 4} ${y}H${x + 4}M${x - 4} ${figure.zeroY}H${x + 4}`, 1.8)}
{:else if mark === 'inclinometer' && bar}
  {@render line(`M${bar.from.x} ${bar.from.y}L${bar.to.x} ${bar.to.y}`, 3.6)}
{:else}
  {#if mark === 'goniometer' && marks.vertex}
    {#each [marks.along, marks.other].filter((p) => p !== undefined) as arm, i (i)}
      {@render line(`M${marks.vertex.x} ${marks.vertex.y}L${arm.x} ${arm.y}`, 1.8)}
    {/each}
  {/if}
  {#each shown as [name, p] (name)}
    <circle cx={p.x} cy={p.y} r="2.8" fill="var(--color-paper)" stroke="var(--color-mulberry)" stroke-width="1.6" />
  {/each}
{/if}
