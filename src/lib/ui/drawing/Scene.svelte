<script lang="ts">
  import type { Snippet } from 'svelte';

  type Props = {
    /** What is drawn, in centimetres; the floor is y = 0 and up is positive. */
    minX: number;
    maxX: number;
    maxY: number;
    /** Room under the floor line, cm. @default 4 */
    below?: number;
    /** Whether the floor line is seen; from above it is not. @default true */
    floor?: boolean;
    /** Where the drawing stands in a room that is wider than it. @default 'middle' */
    align?: 'middle' | 'right';
    label: string;
    /** Drawn with y upward. */
    children: Snippet;
    /** Drawn with y downward, as SVG has it: text. */
    overlay?: Snippet;
    class?: string;
  };
  let {
    minX,
    maxX,
    maxY,
    below = 4,
    floor = true,
    align = 'middle',
    label,
    children,
    overlay,
    class: className = ''
  }: Props = $props();
</script>

<svg
  viewBox="{minX} {-maxY} {maxX - minX} {maxY + below}"
  class={className}
  preserveAspectRatio={align === 'right' ? 'xMaxYMid' : undefined}
  role="img"
  aria-label={label}
>
  <g transform="scale(1 -1)">{@render children()}</g>
  {#if floor}
    <path d="M{minX} 0H{maxX}" stroke="var(--color-ink)" stroke-width="2.5" vector-effect="non-scaling-stroke" />
  {/if}
  {@render overlay?.()}
</svg>
