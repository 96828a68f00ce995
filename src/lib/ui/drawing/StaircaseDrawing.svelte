<script lang="ts">
  import { addDays, type Prop } from '$lib/core';
  import { fromCm, toCm, type LengthUnit } from '$lib/contract/fields';
  import type { Staircase } from '$lib/contract/staircase';
  import { axisOver } from '../axis';
  import { depthText, lengthNumber, shortDate } from '../format';
  import StackDrawing from './StackDrawing.svelte';

  type Props = {
    /** The side in view. */
    staircase: Staircase;
    /** The other leading leg, as a thin line. */
    other?: Staircase;
    shelf: readonly (Prop & { material: 'cork' | 'felt' | 'steel' })[];
    unit: LengthUnit;
    /** What was said of the last change, beside today. */
    news?: string;
  };
  let { staircase: s, other, shelf, unit, news }: Props = $props();

  const width = 900;
  const height = 310;
  const left = 46;
  const topPad = 42;
  const bottomPad = 34;
  const depths = $derived([...s.treads, ...(other?.treads ?? [])].map((t) => t.depthCm));
  const dotTops = $derived(s.dots.map((d) => d.depthCm + d.sdCm));
  const topCm = $derived(Math.max(12, ...depths, ...dotTops, ...s.treads.map((t) => Math.abs(t.depthCm))));
  const bottomCm = $derived(Math.min(0, s.targetDepthCm, ...depths, ...s.dots.map((d) => d.depthCm - d.sdCm)));
  const perCm = $derived((height - topPad - bottomPad) / (topCm - bottomCm));
  const perWeek = $derived((width - left - 12) / s.weeks);
  const x = (week: number) => left + Math.min(week, s.weeks) * perWeek;
  const y = (cm: number) => topPad + (topCm - cm) * perCm;

  const seen = $derived(s.treads.filter((t) => t.fromWeek < s.weeks));
  const stairs = (treads: readonly { fromWeek: number; toWeek: number; depthCm: number }[]) =>
    treads
      .map((t, i) => `${i === 0 ? `M${x(t.fromWeek)} ${y(t.depthCm)}` : `H${x(t.fromWeek)}V${y(t.depthCm)}`}H${x(t.toWeek)}`)
      .join('');
  const now = $derived(s.treads.find((t) => t.now));
  /** Whole steps of the shown unit, so that no mark is a fraction; past flat the same. */
  const marks = $derived(
    axisOver([fromCm(bottomCm, unit), fromCm(topCm, unit)], 5).marks.map((shown) => ({ shown, cm: toCm(shown, unit) }))
  );
  const weekStep = $derived(Math.ceil(s.weeks / 12));
  const weekMarks = $derived(Array.from({ length: Math.floor(s.weeks / weekStep) + 1 }, (_, i) => i * weekStep));
  const sideColour = $derived(s.side === 'left' ? 'var(--color-lake)' : 'var(--color-ochre)');
  const otherColour = $derived(s.side === 'left' ? 'var(--color-ochre)' : 'var(--color-lake)');
  const newsLeft = $derived(x(s.todayWeek) > width * 0.62);
  /** A label every tread would run into the next one where treads are short. */
  const isWide = (t: { fromWeek: number; toWeek: number }) => (Math.min(t.toWeek, s.weeks) - t.fromWeek) * perWeek > 30;
  const label = $derived(
    `Staircase, ${s.side} leg in front: ${now ? `now on ${depthText(now.depthCm, unit)}` : 'no stack yet'}, goal ${depthText(s.targetDepthCm, unit)}. ` +
      `${s.dots.length} measures, the last ${s.dots.length ? depthText(s.dots.at(-1)!.depthCm, unit) : 'none'}. ` +
      `Treads ahead are the earliest the rules allow, one a week.`
  );
</script>

<svg viewBox="0 0 {width} {height}" class="w-full min-w-[640px]" role="img" aria-label={label} font-size="15">
  {#each marks as { shown, cm } (shown)}
    {#if shown !== 0 && cm <= topCm && cm >= bottomCm}
      <path d="M{left} {y(cm)}H{width}" stroke="var(--color-line)" />
      <text x={left - 8} y={y(cm) + 5} text-anchor="end" fill="var(--color-ink-soft)">{shown < 0 ? `−${-shown}` : shown}</text>
    {/if}
  {/each}
  <text x={left - 8} y={y(0) - 6} text-anchor="end" fill="var(--color-ink-soft)">floor</text>

  <g transform="translate(0 {y(0)}) scale(1 -1)">
    {#each seen as t, i (i)}
      {#if isWide(t)}
        <StackDrawing
          items={t.items}
          {shelf}
          x={x(t.fromWeek) + Math.min(20, ((t.toWeek - t.fromWeek) * perWeek) / 2)}
          {perCm}
          acrossPerCm={1.25}
          pale={!t.now}
        />
      {/if}
    {/each}
  </g>

  {#if other}<path
      d={stairs(other.treads.filter((t) => !t.ahead))}
      fill="none"
      stroke={otherColour}
      stroke-width="1.8"
      opacity="0.75"
    />{/if}
  <path
    d={stairs(seen.filter((t) => t.ahead || t.now))}
    fill="none"
    stroke="var(--color-edge)"
    stroke-width="2"
    stroke-dasharray="5 5"
  />
  <path d={stairs(seen.filter((t) => !t.ahead))} fill="none" stroke="var(--color-ink)" stroke-width="2.6" />
  {#each seen as t, i (i)}
    {#if isWide(t) && t.depthCm !== 0}
      <text
        x={(x(t.fromWeek) + x(t.toWeek)) / 2}
        y={y(t.depthCm) - (t.now ? 8 : 6)}
        text-anchor="middle"
        fill={t.now ? 'var(--color-ink)' : 'var(--color-ink-soft)'}
        font-weight={t.now ? 700 : 400}
        font-size={t.now ? 20 : 14}>{t.depthCm < 0 ? '−' : ''}{lengthNumber(Math.abs(t.depthCm), unit)}</text
      >
    {/if}
  {/each}

  {#each s.dots as d, i (i)}
    <path d="M{x(d.week)} {y(d.depthCm - d.sdCm)}V{y(d.depthCm + d.sdCm)}" stroke={sideColour} stroke-width="1.8" />
    <g transform="translate({x(d.week) - 9} {y(d.depthCm) - 9})">
      <path
        d={s.side === 'left' ? 'M11 1A8 8 0 0 0 11 17Z' : 'M7 1A8 8 0 0 1 7 17Z'}
        fill="var(--color-chalk)"
        stroke={sideColour}
        stroke-width="2.2"
      />
    </g>
  {/each}

  {#if s.targetDepthCm !== 0}
    <path d="M{left} {y(s.targetDepthCm)}H{width}" stroke="var(--color-ink)" stroke-width="1.5" stroke-dasharray="2 4" />
    <text x={width - 4} y={y(s.targetDepthCm) - 6} text-anchor="end" fill="var(--color-ink)"
      >goal {depthText(s.targetDepthCm, unit)}</text
    >
  {/if}
  {#if s.targetWeek !== null && s.targetWeek <= s.weeks}
    <path d="M{x(s.targetWeek)} {topPad - 20}V{y(0)}" stroke="var(--color-ink)" stroke-width="1.5" stroke-dasharray="2 4" />
  {/if}
  <path d="M{x(s.todayWeek)} 4V{y(bottomCm) + 6}" stroke="var(--color-mulberry)" stroke-width="2.2" />
  <text
    x={x(s.todayWeek) + (newsLeft ? -8 : 8)}
    y="16"
    text-anchor={newsLeft ? 'end' : 'start'}
    fill="var(--color-mulberry)"
    font-weight="700">today</text
  >
  {#if news}
    <text x={x(s.todayWeek) + (newsLeft ? -8 : 8)} y="34" text-anchor={newsLeft ? 'end' : 'start'} fill="var(--color-ink-soft)"
      >{news}</text
    >
  {/if}

  <path d="M0 {y(0)}H{width}" stroke="var(--color-ink)" stroke-width="3" />
  {#each weekMarks as week (week)}
    <path d="M{x(week)} {y(0)}v7" stroke="var(--color-ink)" />
    <text
      x={x(week)}
      y={Math.max(y(0) + 22, height - 8)}
      text-anchor={week === 0 ? 'start' : week >= s.weeks - 0.5 ? 'end' : 'middle'}
      fill="var(--color-ink-soft)"
      font-size="14">{shortDate(addDays(s.startOn, week * 7))}</text
    >
  {/each}
</svg>
