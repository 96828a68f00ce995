<script lang="ts">
  import { effortAtPct, type DrawnPhase } from '$lib/core';

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

  const startS = $derived(phases[0]?.startS ?? 0);
  const endS = $derived(phases.at(-1)?.endS ?? 1);
  const x = (s: number) => Math.round(((s - startS) / (endS - startS || 1)) * width * 10) / 10;
  const y = (pct: number) => Math.round((height / 2 - (pct / scalePct) * (height / 2 - 3)) * 10) / 10;

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

<svg
  viewBox="0 0 {width} {height}"
  width={fluid ? '100%' : width}
  height={fluid ? undefined : height}
  role={label ? 'img' : undefined}
  aria-label={label}
  aria-hidden={label ? undefined : 'true'}
>
  <path d="M0 {y(0)}H{width}" stroke="var(--color-line)" stroke-width="1.5" />
  <path d={area(1)} fill="var(--color-ember)" opacity="0.24" />
  <path d={area(-1)} fill="var(--color-fern)" opacity="0.26" />
  <path d={edge(1)} fill="none" stroke="var(--color-ember)" stroke-width={height > 60 ? 2.4 : 1.4} />
  <path d={edge(-1)} fill="none" stroke="var(--color-fern)" stroke-width={height > 60 ? 2.4 : 1.4} />
  <path d={held} stroke="var(--color-ink)" stroke-width={height > 60 ? 5 : 3} />
  {#if atS !== undefined}
    <path d="M{x(atS)} 0V{height}" stroke="var(--color-ink)" stroke-width="2.5" />
    <circle cx={x(atS)} cy={y(effortAtPct(phases, atS))} r="8" fill="var(--color-ink)" />
  {/if}
</svg>
