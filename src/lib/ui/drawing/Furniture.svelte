<script lang="ts">
  import type { FigurePose } from '$lib/core';

  /** What the body sits on, stands on or reaches for. */
  type Props = { boxes: FigurePose['furniture'] };
  let { boxes }: Props = $props();
</script>

{#each boxes as { minX, maxX, minY, maxY }, i (i)}
  <rect
    x={minX}
    y={minY}
    width={maxX - minX}
    height={maxY - minY}
    rx="0.8"
    fill="var(--color-steel)"
    fill-opacity="0.35"
    stroke="var(--color-steel-edge)"
    stroke-width="1.2"
    vector-effect="non-scaling-stroke"
  />
{/each}
