<script lang="ts">
  import type { Side } from '$lib/core';

  type Props = {
    /** Null for both together: the whole disc. */
    side: Side | null;
    /** Edge of the square, px. @default 18 */
    size?: number;
    /** Passive is hollow, active filled. @default true */
    filled?: boolean;
  };
  let { side, size = 18, filled = true }: Props = $props();
  /** The left marker is a half-disc with its flat edge on the right; the right one its mirror image. */
  const path = $derived(
    side === null ? 'M9 1A8 8 0 0 0 9 17A8 8 0 0 0 9 1Z' : side === 'left' ? 'M11 1A8 8 0 0 0 11 17Z' : 'M7 1A8 8 0 0 1 7 17Z'
  );
  const colour = $derived(side === null ? 'text-ink-soft' : side === 'left' ? 'text-lake' : 'text-ochre');
</script>

<svg width={size} height={size} viewBox="0 0 18 18" class="inline-block flex-none {colour}" aria-hidden="true">
  <path d={path} fill={filled ? 'currentColor' : 'none'} stroke="currentColor" stroke-width="1.8" />
</svg>
