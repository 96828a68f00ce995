<script lang="ts">
  import type { FigurePose } from '$lib/core';

  /** Where the tape, the instrument or the landmarks go. */
  type Props = { figure: FigurePose; mark: 'tape' | 'inclinometer' | 'landmarks' };
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

{#if mark === 'tape' && marks.point}
  {@const { x, y } = marks.point}
  <path
    d="M{x} {figure.zeroY}V{y}M{x - 4} {y}H{x + 4}"
    stroke="var(--color-ink)"
    stroke-width="2.4"
    fill="none"
    vector-effect="non-scaling-stroke"
  />
{:else if mark === 'inclinometer' && bar}
  <path
    d="M{bar.from.x} {bar.from.y}L{bar.to.x} {bar.to.y}"
    stroke="var(--color-paper)"
    stroke-width="6"
    stroke-linecap="round"
  />
  <path
    d="M{bar.from.x} {bar.from.y}L{bar.to.x} {bar.to.y}"
    stroke="var(--color-ink)"
    stroke-width="3.6"
    stroke-linecap="round"
  />
{:else}
  {#each shown as [name, p] (name)}
    <circle cx={p.x} cy={p.y} r="2.6" fill="var(--color-paper)" stroke="var(--color-ink)" stroke-width="1.2" />
  {/each}
{/if}
