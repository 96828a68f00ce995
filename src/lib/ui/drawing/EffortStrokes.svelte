<svelte:options namespace="svg" />

<script lang="ts">
  import type { DrawnPhase } from '$lib/core';
  import { effortScale } from './effortScale';

  /** The strokes of an effort curve, for whatever drawing they stand in. */
  type Props = { phases: readonly DrawnPhase[]; width: number; height: number; scalePct: number };
  let { phases, width, height, scalePct }: Props = $props();

  const { x, y } = $derived(effortScale(phases, width, height, scalePct));

  const isStill = (p: DrawnPhase) => p.fromPct === 0 && p.toPct === 0;
  const area = (sign: 1 | -1) =>
    phases
      .filter((p) => !isStill(p) && Math.sign(p.fromPct + p.toPct) === sign)
      .map((p) => `M${x(p.startS)} ${y(0)}V${y(p.fromPct)}L${x(p.endS)} ${y(p.toPct)}V${y(0)}Z`)
      .join('');
  const edge = (sign: 1 | -1) =>
    phases
      .filter((p) => !isStill(p) && Math.sign(p.fromPct + p.toPct) === sign)
      .map((p) => `M${x(p.startS)} ${y(p.fromPct)}L${x(p.endS)} ${y(p.toPct)}`)
      .join('');
  const held = $derived(
    phases
      .filter((p) => p.kind === 'hold' || p.kind === 'settle')
      .map((p) => `M${x(p.startS)} ${y(0)}H${x(p.endS)}`)
      .join('')
  );
</script>

<path d="M0 {y(0)}H{width}" stroke="var(--color-line)" stroke-width="1.5" />
<path d={area(1)} fill="var(--color-iris)" opacity="0.24" />
<path d={area(-1)} fill="var(--color-fern)" opacity="0.26" />
<path d={edge(1)} fill="none" stroke="var(--color-iris)" stroke-width={height > 60 ? 2.4 : 1.4} />
<path d={edge(-1)} fill="none" stroke="var(--color-fern)" stroke-width={height > 60 ? 2.4 : 1.4} />
<path d={held} stroke="var(--color-ink)" stroke-width={height > 60 ? 5 : 3} />
