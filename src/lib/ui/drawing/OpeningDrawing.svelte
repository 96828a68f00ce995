<script lang="ts">
  import { limbOutline, type Limb } from '$lib/core';
  import { degText } from '../format';

  /** Two legs or feet at the angle they open to, seen from where the angle lies in the picture; the need as thin lines. */
  type Props = {
    nowDeg: number;
    thenDeg: number;
    needDeg: number | null;
    /** Seen from the front, the feet on the floor. */
    onFloor: boolean;
  };
  let { nowDeg, thenDeg, needDeg, onFloor }: Props = $props();
  const lengthCm = 100;
  const end = (openDeg: number, side: 'left' | 'right') => {
    const half = (Math.min(240, Math.max(0, openDeg)) / 2 / 180) * Math.PI;
    return { x: (side === 'left' ? -1 : 1) * lengthCm * Math.sin(half), y: -lengthCm * Math.cos(half) };
  };
  const legOf = (openDeg: number, side: 'left' | 'right'): Limb => ({
    name: 'leg',
    side,
    near: true,
    from: { x: 0, y: 0 },
    to: end(openDeg, side),
    fromRadiusCm: 8,
    toRadiusCm: 4
  });
  const feetY = $derived(-end(thenDeg, 'left').y + 4);
  /** Lowest and highest point of what is drawn, downward. */
  const top = $derived(Math.min(-14, ...[nowDeg, thenDeg, needDeg ?? 0].map((deg) => -end(deg, 'left').y * 1.14 - 8)));
  const bottom = $derived(Math.max(14, ...[nowDeg, thenDeg, needDeg ?? 180].map((deg) => -end(deg, 'left').y * 1.14 + 8)));
  const isTried = $derived(Math.abs(nowDeg - thenDeg) > 0.05);
</script>

<svg
  viewBox="-122 {top} 244 {bottom - top}"
  class="max-h-44 w-full"
  role="img"
  aria-label="Two legs opened to {degText(thenDeg)}{needDeg === null ? '' : `; the goal is ${degText(needDeg)}`}"
>
  {#if onFloor && thenDeg <= 180}
    <line x1="-120" y1={feetY} x2="120" y2={feetY} stroke="var(--color-ink)" stroke-width="2.4" />
  {/if}
  <g transform="scale(1 -1)">
    {#if needDeg !== null}
      {#each ['left', 'right'] as const as side (side)}
        {@const to = end(needDeg, side)}
        <line x1="0" y1="0" x2={to.x * 1.14} y2={to.y * 1.14} stroke="var(--color-ink)" stroke-width="1.4" />
      {/each}
    {/if}
    {#if isTried}
      {#each ['left', 'right'] as const as side (side)}
        <path d={limbOutline(legOf(nowDeg, side))} fill="var(--color-line)" />
      {/each}
    {/if}
    <path d={limbOutline(legOf(thenDeg, 'left'))} fill="var(--color-lake)" />
    <path d={limbOutline(legOf(thenDeg, 'right'))} fill="var(--color-ochre)" />
    <circle r="9" fill="var(--color-ink-soft)" />
  </g>
</svg>
