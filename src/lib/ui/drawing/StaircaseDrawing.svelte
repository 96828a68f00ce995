<script lang="ts">
  import { addDays, measureOf, type Prop } from '$lib/core';
  import { fromCm, toCm, type LengthUnit } from '$lib/contract/fields';
  import type { Staircase } from '$lib/contract/staircase';
  import { axisOver } from '../axis';
  import { headlineText, shortDate, shownNumber } from '../format';
  import AngleArc from './AngleArc.svelte';
  import StackDrawing from './StackDrawing.svelte';
  import { downward, hasFloor, shownRange } from './staircaseScale';

  type BandWeek = { week: number; p05: number; p25: number; p50: number; p75: number; p95: number };
  type Props = {
    /** The side in view. */
    staircase: Staircase;
    /** The other side, as a thin line. */
    other?: Staircase;
    shelf: readonly (Prop & { material: 'cork' | 'felt' | 'steel' })[];
    unit: LengthUnit;
    /** What was said of the last change, beside today. */
    news?: string;
    /** What is likely, by weeks from today, today at week 0. */
    band?: readonly BandWeek[];
  };
  let { staircase: s, other, shelf, unit, news, band = [] }: Props = $props();

  const width = 900;
  const height = 310;
  const left = 46;
  const topPad = 42;
  const bottomPad = 34;
  const measure = $derived(measureOf(s.measureId));
  const isLength = $derived(measure.unit === 'cm');
  const down = $derived(downward(s.measureId));
  const floor = $derived(hasFloor(s.measureId));
  const shownBand = $derived(band.filter((b) => s.todayWeek + b.week <= s.weeks + 0.01));
  const range = $derived(
    shownRange(s, [...(other?.treads.map((t) => t.value) ?? []), ...shownBand.flatMap((b) => [b.p25, b.p75])])
  );
  const perUnit = $derived((height - topPad - bottomPad) / (range[1] - range[0]));
  const perWeek = $derived((width - left - 12) / s.weeks);
  const x = (week: number) => left + Math.min(week, s.weeks) * perWeek;
  const y = (value: number) => topPad + (down === 1 ? range[1] - value : value - range[0]) * perUnit;
  const yWithin = (value: number) => Math.max(topPad - 26, Math.min(height - bottomPad + 8, y(value)));

  const seen = $derived(s.treads.filter((t) => t.fromWeek < s.weeks));
  const stairs = (treads: readonly { fromWeek: number; toWeek: number; value: number }[]) =>
    treads
      .map((t, i) => `${i === 0 ? `M${x(t.fromWeek)} ${y(t.value)}` : `H${x(t.fromWeek)}V${y(t.value)}`}H${x(t.toWeek)}`)
      .join('');
  /** The area between two quantiles, out along the one and back along the other. */
  const area = (low: keyof BandWeek, high: keyof BandWeek) => {
    const at = (b: BandWeek, key: keyof BandWeek) => `${x(s.todayWeek + b.week)} ${yWithin(b[key])}`;
    return `M${shownBand.map((b) => at(b, high)).join('L')}L${shownBand
      .toReversed()
      .map((b) => at(b, low))
      .join('L')}Z`;
  };
  const now = $derived(s.treads.find((t) => t.now));
  /** Whole steps of the shown unit, so that no mark is a fraction; past flat the same. */
  const marks = $derived(
    axisOver(isLength ? [fromCm(range[0], unit), fromCm(range[1], unit)] : range, 5)
      .marks.map((shown) => ({ shown, value: isLength ? toCm(shown, unit) : shown }))
      .filter(({ value }) => value <= range[1] && value >= range[0])
  );
  const weekStep = $derived(Math.ceil(s.weeks / 9));
  const weekMarks = $derived(Array.from({ length: Math.floor(s.weeks / weekStep) + 1 }, (_, i) => i * weekStep));
  const colourOf = (side: Staircase['side']) =>
    side === 'left' ? 'var(--color-lake)' : side === 'right' ? 'var(--color-ochre)' : 'var(--color-ink-soft)';
  const newsLeft = $derived(x(s.todayWeek) > width * 0.62);
  /** A label every tread would run into the next one where treads are short. */
  const isWide = (t: { fromWeek: number; toWeek: number }) => (Math.min(t.toWeek, s.weeks) - t.fromWeek) * perWeek > 30;
  const numberText = (value: number) => String(shownNumber(value, measure, unit)).replace('-', '−');
  const goalText = $derived(s.target === null ? 'open' : headlineText(s.target, s.measureId, unit));
  const label = $derived(
    `Staircase${s.side ? `, ${s.side} ${measure.sideWords}` : ''}: ${now ? `now on ${headlineText(now.value, s.measureId, unit)}` : 'nothing stood on yet'}, goal ${goalText}. ` +
      `${s.dots.length} measures, the last ${s.dots.length ? headlineText(s.dots.at(-1)!.value, s.measureId, unit) : 'none'}. ` +
      (s.treads.some((t) => t.ahead) ? `Steps ahead are the earliest the rules allow, one a week. ` : '') +
      (shownBand.length > 1
        ? `By ${shortDate(addDays(s.startOn, Math.round((s.todayWeek + shownBand.at(-1)!.week) * 7)))} likely ${headlineText(shownBand.at(-1)!.p25, s.measureId, unit)} to ${headlineText(shownBand.at(-1)!.p75, s.measureId, unit)}.`
        : '')
  );
  /** The line everything comes down to: the floor, else the goal. */
  const ground = $derived(floor ? 0 : s.target);
  const lastY = $derived(down === 1 ? y(range[0]) : y(range[1]));
  const tickY = $derived(floor ? y(0) : lastY);
</script>

<svg viewBox="0 0 {width} {height}" class="w-full min-w-[640px]" role="img" aria-label={label} font-size="15">
  {#each marks as { shown, value } (shown)}
    {#if !(floor && shown === 0) && !(!floor && value === s.target)}
      <path d="M{left} {y(value)}H{width}" stroke="var(--color-line)" />
    {/if}
  {/each}
  {#if floor}<text x={left - 8} y={y(0) - 6} text-anchor="end" fill="var(--color-ink-soft)">floor</text>{/if}

  {#if shownBand.length > 1}
    <path d={area('p05', 'p95')} fill="var(--color-mulberry)" opacity="0.1" />
    <path d={area('p25', 'p75')} fill="var(--color-mulberry)" opacity="0.16" />
    <path
      d="M{shownBand.map((b) => `${x(s.todayWeek + b.week)} ${yWithin(b.p50)}`).join('L')}"
      fill="none"
      stroke="var(--color-mulberry)"
      stroke-width="1.6"
    />
  {/if}

  {#if floor}
    <g transform="translate(0 {y(0)}) scale(1 -1)">
      {#each seen as t, i (i)}
        {#if isWide(t)}
          <StackDrawing
            items={t.items}
            {shelf}
            x={x(t.fromWeek) + Math.min(20, ((t.toWeek - t.fromWeek) * perWeek) / 2)}
            perCm={perUnit}
            acrossPerCm={1.25}
            pale={!t.now}
          />
        {/if}
      {/each}
    </g>
  {:else if measure.unit === '°'}
    {#each seen as t, i (i)}
      {#if isWide(t)}<AngleArc deg={t.value} x={x(t.fromWeek) + 26} y={y(t.value) + 32} radius={22} pale={!t.now} />{/if}
    {/each}
  {/if}

  {#each marks as { shown, value } (shown)}
    {#if !(floor && shown === 0) && !(!floor && value === s.target)}
      <text x={left - 8} y={y(value) + 5} text-anchor="end" fill="var(--color-ink-soft)"
        >{shown < 0 ? `−${-shown}` : shown}{measure.unit === '°' ? '°' : ''}</text
      >
    {/if}
  {/each}
  {#if other}<path
      d={stairs(other.treads.filter((t) => !t.ahead))}
      fill="none"
      stroke={colourOf(other.side)}
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
    {#if isWide(t) && !(floor && t.value === 0)}
      <text
        x={(x(t.fromWeek) + x(t.toWeek)) / 2}
        y={y(t.value) - (t.now ? 8 : 6)}
        text-anchor="middle"
        fill={t.now ? 'var(--color-ink)' : 'var(--color-ink-soft)'}
        font-weight={t.now ? 700 : 400}
        font-size={t.now ? 20 : 14}>{numberText(t.value)}</text
      >
    {/if}
  {/each}

  {#each s.dots as d, i (i)}
    <path d="M{x(d.week)} {y(d.value - d.sd)}V{y(d.value + d.sd)}" stroke={colourOf(s.side)} stroke-width="1.8" />
    <g transform="translate({x(d.week) - 9} {y(d.value) - 9})">
      <path
        d={s.side === 'left'
          ? 'M11 1A8 8 0 0 0 11 17Z'
          : s.side === 'right'
            ? 'M7 1A8 8 0 0 1 7 17Z'
            : 'M9 2A7 7 0 0 0 9 16A7 7 0 0 0 9 2Z'}
        fill="var(--color-chalk)"
        stroke={colourOf(s.side)}
        stroke-width="2.2"
      />
    </g>
  {/each}

  {#if s.target !== null && !(floor && s.target === 0)}
    <path d="M{left} {y(s.target)}H{width}" stroke="var(--color-ink)" stroke-width="1.5" stroke-dasharray="2 4" />
    <text x={width - 4} y={y(s.target) - 6} text-anchor="end" fill="var(--color-ink)">goal {goalText}</text>
  {/if}
  {#if s.landing && s.landing.week <= s.weeks}
    <path d="M{x(s.landing.week)} {topPad - 8}V{lastY}" stroke="var(--color-ink-soft)" stroke-width="1.2" />
    <text x={x(s.landing.week) + 5} y={topPad - 10} fill="var(--color-ink-soft)" font-size="14">{s.landing.name}</text>
  {/if}
  {#if s.targetWeek !== null && s.targetWeek <= s.weeks}
    <path d="M{x(s.targetWeek)} {topPad - 20}V{lastY}" stroke="var(--color-ink)" stroke-width="1.5" stroke-dasharray="2 4" />
  {/if}
  <path d="M{x(s.todayWeek)} 4V{lastY + 6}" stroke="var(--color-mulberry)" stroke-width="2.2" />
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

  {#if ground !== null}<path d="M0 {y(ground)}H{width}" stroke="var(--color-ink)" stroke-width="3" />{/if}
  {#each weekMarks as week (week)}
    <path d="M{x(week)} {tickY}v7" stroke="var(--color-ink)" />
    <text
      x={x(week)}
      y={Math.max(tickY + 22, height - 8)}
      text-anchor={week === 0 ? 'start' : week >= s.weeks - 0.5 ? 'end' : 'middle'}
      fill="var(--color-ink-soft)"
      font-size="14">{shortDate(addDays(s.startOn, week * 7))}</text
    >
  {/each}
</svg>
