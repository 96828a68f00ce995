<svelte:options namespace="svg" />

<script lang="ts">
  import type { Arrow } from '$lib/core';

  /** The way a movement goes and which way an effort pushes, over a figure, y upward. Straight into the picture is a ring with a cross, out of it one with a dot. */
  type Props = {
    arrows: readonly Arrow[];
    path?: readonly { x: number; y: number }[] | null;
    colour: string;
    /** Thickness, so that an arrow is no thicker on a small figure. @default 1 */
    scale?: number;
  };
  let { arrows, path = null, colour, scale = 1 }: Props = $props();

  const headCm = $derived(6 * scale);
  type Drawn = { shaft: string; head: string };
  /** A shaft through the points that stops inside its head. */
  function drawn(points: readonly { x: number; y: number }[]): Drawn {
    const [before, tip] = points.slice(-2) as [{ x: number; y: number }, { x: number; y: number }];
    const length = Math.hypot(tip.x - before.x, tip.y - before.y) || 1;
    const [ux, uy] = [(tip.x - before.x) / length, (tip.y - before.y) / length];
    const base = { x: tip.x - ux * headCm, y: tip.y - uy * headCm };
    const wing = (k: number) => `${base.x - uy * headCm * 0.55 * k} ${base.y + ux * headCm * 0.55 * k}`;
    const shaft = [...points.slice(0, -1), { x: tip.x - ux * headCm * 0.6, y: tip.y - uy * headCm * 0.6 }];
    return { shaft: `M${shaft.map(({ x, y }) => `${x} ${y}`).join('L')}`, head: `M${tip.x} ${tip.y}L${wing(1)}L${wing(-1)}Z` };
  }
  const all = $derived([...(path ? [drawn(path)] : []), ...arrows.flatMap((a) => ('at' in a ? [] : [drawn([a.from, a.to])]))]);
  const rings = $derived(arrows.flatMap((a) => ('at' in a ? [a] : [])));
</script>

{#each all as { shaft, head }, i (i)}
  <path d={shaft} fill="none" stroke="var(--color-paper)" stroke-width={5.4 * scale} stroke-linecap="round" />
  <path
    d={head}
    fill={colour}
    stroke="var(--color-paper)"
    stroke-width={2.4 * scale}
    stroke-linejoin="round"
    paint-order="stroke"
  />
  <path d={shaft} fill="none" stroke={colour} stroke-width={2.6 * scale} stroke-linecap="round" stroke-linejoin="round" />
{/each}
{#each rings as { at, goes }, i (i)}
  <circle cx={at.x} cy={at.y} r="5.4" fill="var(--color-paper)" stroke={colour} stroke-width="2" />
  {#if goes === 'away'}
    <path
      d="M{at.x - 3} {at.y - 3}L{at.x + 3} {at.y + 3}M{at.x - 3} {at.y + 3}L{at.x + 3} {at.y - 3}"
      stroke={colour}
      stroke-width="2"
    />
  {:else}
    <circle cx={at.x} cy={at.y} r="1.8" fill={colour} />
  {/if}
{/each}
