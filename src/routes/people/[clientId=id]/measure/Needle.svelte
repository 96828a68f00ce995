<script lang="ts">
  import { limbOutline, type InstrumentSpec, type Side } from '$lib/core';

  /** The limb as the instrument sees it: rising from the floor line, or away from the upright. Left looks left, as the figure does. */
  type Props = {
    valueDeg: number | null;
    spec: InstrumentSpec;
    side: Side | null;
    locked: boolean;
    /** The last one taken alike, as a thin line. */
    beforeDeg: number | null;
  };
  let { valueDeg, spec, side, locked, beforeDeg }: Props = $props();
  const length = 92;
  /** Where a value points, in a picture whose up is up; the right side's limb rises from the right. */
  const rayDeg = (value: number) => {
    const fromRight =
      spec.zero === 'up'
        ? 90 - value
        : spec.zero === 'down'
          ? value - 90
          : spec.zero === 'level'
            ? (spec.sign ?? 1) * value
            : value;
    return side === 'left' ? 180 - fromRight : fromRight;
  };
  const end = (value: number, cm = length) => {
    const rad = (rayDeg(value) * Math.PI) / 180;
    return { x: cm * Math.cos(rad), y: cm * Math.sin(rad) };
  };
  const limb = limbOutline({ from: { x: 0, y: 0 }, to: { x: length, y: 0 }, fromRadiusCm: 9, toRadiusCm: 4 });
  /** What hangs or sinks is drawn below its level. */
  const down = $derived(spec.zero === 'down' || spec.sign === -1 ? -1 : 1);
  const ticks = [0, 30, 60, 90, 120, 150, 180];
</script>

<svg viewBox="-112 {down < 0 ? -24 : -108} 224 132" class="w-full" aria-hidden="true">
  <g transform="scale(1 -1)">
    {#each ticks as deg (deg)}
      {@const rad = (down * deg * Math.PI) / 180}
      <line
        x1={98 * Math.cos(rad)}
        y1={98 * Math.sin(rad)}
        x2={106 * Math.cos(rad)}
        y2={106 * Math.sin(rad)}
        stroke="var(--color-edge)"
        stroke-width="1.6"
      />
    {/each}
    <line x1="-110" y1={-9 * down} x2="110" y2={-9 * down} stroke="var(--color-ink)" stroke-width="2.4" />
    {#if spec.zero === 'up' || spec.zero === 'down'}
      <line x1="0" y1="0" x2="0" y2={104 * down} stroke="var(--color-ink)" stroke-width="1" stroke-dasharray="3 4" />
    {/if}
    {#if beforeDeg !== null}
      {@const to = end(beforeDeg, 104)}
      <line x1="0" y1="0" x2={to.x} y2={to.y} stroke="var(--color-ink-soft)" stroke-width="1.6" stroke-dasharray="5 4" />
    {/if}
    {#if valueDeg !== null}
      <path
        d={limb}
        transform="rotate({rayDeg(valueDeg)})"
        fill={side === 'left' ? 'var(--color-lake)' : side === 'right' ? 'var(--color-ochre)' : 'var(--color-ink-soft)'}
        opacity={locked ? 1 : 0.7}
      />
    {/if}
    <circle r="3.4" fill="var(--color-paper)" />
  </g>
</svg>
