<script lang="ts">
  import { effortAtPct, type DrawnPhase } from '$lib/core';
  import EffortStrokes from './EffortStrokes.svelte';
  import { effortScale } from './effortScale';

  type Props = {
    phases: readonly DrawnPhase[];
    width: number;
    height: number;
    /** Percent at the upper and lower edge. @default 80 */
    scalePct?: number;
    /** Where the playhead stands, seconds; none when absent. */
    atS?: number;
    label?: string;
    /** Stretch to the width of what is around it. @default false */
    fluid?: boolean;
  };
  let { phases, width, height, scalePct = 80, atS, label, fluid = false }: Props = $props();

  const { x, y } = $derived(effortScale(phases, width, height, scalePct));
</script>

<svg
  viewBox="0 0 {width} {height}"
  width={fluid ? '100%' : width}
  height={fluid ? undefined : height}
  role={label ? 'img' : undefined}
  aria-label={label}
  aria-hidden={label ? undefined : 'true'}
>
  <EffortStrokes {phases} {width} {height} {scalePct} />
  {#if atS !== undefined}
    <path d="M{x(atS)} 0V{height}" stroke="var(--color-ink)" stroke-width="2.5" />
    <circle cx={x(atS)} cy={y(effortAtPct(phases, atS))} r="8" fill="var(--color-ink)" />
  {/if}
</svg>
