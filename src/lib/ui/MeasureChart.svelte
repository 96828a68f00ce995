<script lang="ts">
  import { addDays, type Measure, type MeasureMode, type Side } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import { axisOver } from './axis';
  import Chart from './Chart.svelte';
  import { dateText, headlineText, shortDate, shownNumber } from './format';

  /** A measure against the days it was taken, each side and mode apart, with the goal as a line and what is likely ahead as a band. */
  type Point = {
    takenOn: string;
    value: number;
    margin: number | null;
    side: Side | null;
    mode?: MeasureMode;
    bodyState: string;
  };
  type BandWeek = { week: number; p05: number; p25: number; p50: number; p75: number; p95: number };
  type Props = {
    measure: Measure;
    points: readonly Point[];
    target: number | null;
    unit: LengthUnit;
    /** By weeks from a day. */
    ahead?: { from: string; band: readonly BandWeek[] };
    /** About the first measure: within it no change is shown. */
    unshown?: { from: number; by: number };
    /** Days something was decided or opened. */
    marks?: readonly { on: string; text: string }[];
    height?: number;
    /** As of a chart. @default false */
    eager?: boolean;
  };
  let { measure, points, target, unit, ahead, unshown, marks = [], height = 220, eager }: Props = $props();
  let chart = $state<ReturnType<typeof Chart>>();
  export const picture = (): Promise<SVGSVGElement> => chart!.picture();

  const shown = (value: number) => shownNumber(value, measure, unit);
  const colourOf = (side: Side | null) => `var(--color-${side === 'left' ? 'lake' : side === 'right' ? 'ochre' : 'ink-soft'})`;
  const timeOf = (on: string) => new Date(`${on}T12:00:00`).getTime();
  const keyOf = (p: Point) => `${p.side ?? 'both together'}${p.mode ? ` ${p.mode}` : ''}`;
  const lines = $derived(
    [...new Set(points.map(keyOf))].map((name) => {
      const own = points.filter((p) => keyOf(p) === name);
      return { name, side: own[0]!.side, isHeld: own[0]!.mode === 'active', own };
    })
  );
  /** Nine in ten of the error of each, an upright line through its mark; a gap between one and the next. */
  const errorBars = (own: readonly Point[]) =>
    own.flatMap((p) => {
      const x = timeOf(p.takenOn);
      return p.margin === null
        ? []
        : [
            { x, y: shown(p.value - p.margin) },
            { x, y: shown(p.value + p.margin) },
            { x: x + 1, y: null }
          ];
    });
  const bandOf = (low: keyof BandWeek, high: keyof BandWeek) =>
    (ahead?.band ?? []).map((b) => ({
      x: timeOf(addDays(ahead!.from, b.week * 7)),
      y: [shown(b[low]), shown(b[high])].toSorted((a, b) => a - b)
    }));
  type Series = {
    type: 'line' | 'rangeArea';
    name: string;
    data: object[];
    color: string;
    width: number;
    dash: number;
    size: number;
    square: boolean;
  };
  const plain = { width: 0, dash: 0, size: 0, square: false };
  const series = $derived<Series[]>([
    ...(ahead
      ? [
          {
            ...plain,
            type: 'rangeArea' as const,
            name: 'nine in ten',
            data: bandOf('p05', 'p95'),
            color: 'var(--color-mulberry)'
          },
          {
            ...plain,
            type: 'rangeArea' as const,
            name: 'half',
            data: bandOf('p25', 'p75'),
            color: 'var(--color-mulberry)'
          },
          {
            ...plain,
            type: 'line' as const,
            name: 'middle',
            data: ahead.band.map((b) => ({ x: timeOf(addDays(ahead.from, b.week * 7)), y: shown(b.p50) })),
            color: 'var(--color-mulberry)',
            width: 1.6
          }
        ]
      : []),
    ...lines.map(({ name, side, isHeld, own }) => ({
      ...plain,
      type: 'line' as const,
      name,
      data: own.map((p) => ({ x: timeOf(p.takenOn), y: shown(p.value) })),
      color: colourOf(side),
      width: isHeld ? 1.4 : 2.5,
      dash: side === 'right' ? 6 : 0,
      size: isHeld ? 4 : 6,
      square: side === 'right'
    })),
    ...lines.map(({ side, own }) => ({
      ...plain,
      type: 'line' as const,
      name: 'error',
      data: errorBars(own),
      color: colourOf(side),
      width: 1.2
    }))
  ]);
  const axis = $derived(
    axisOver([
      ...points.flatMap((p) => [p.value - (p.margin ?? 0), p.value + (p.margin ?? 0)].map(shown)),
      ...(ahead?.band.flatMap((b) => [shown(b.p05), shown(b.p95)]) ?? []),
      ...(target === null ? [] : [shown(target)])
    ])
  );
  const likely = $derived(ahead?.band.at(-1));
  /** A line in words: where it began and has come to, and out of how many. */
  const lineText = ({ name, own }: (typeof lines)[number]) => {
    const pointText = (p: Point) => `${headlineText(p.value, measure.id, unit)} on ${dateText(p.takenOn)}`;
    const [first, last] = [own[0]!, own.at(-1)!];
    return own.length === 1
      ? `${name} ${pointText(first)}`
      : `${name} from ${pointText(first)} to ${pointText(last)}, ${own.length} measures`;
  };
  const label = $derived(
    `${measure.name} over time: ${lines.map(lineText).join('; ')}${target === null ? '' : `; the goal is ${headlineText(target, measure.id, unit)}`}` +
      (likely
        ? `; by ${shortDate(addDays(ahead!.from, likely.week * 7))} nine in ten lie between ${headlineText(likely.p05, measure.id, unit)} and ${headlineText(likely.p95, measure.id, unit)}`
        : '')
  );
  const words = (text: string) => ({
    text,
    borderWidth: 0,
    style: { background: 'transparent', color: 'var(--color-ink)', fontSize: '14px' }
  });
  const atLeft = { position: 'left', textAnchor: 'start', offsetX: 4 };
</script>

<Chart
  bind:this={chart}
  {label}
  {height}
  {eager}
  options={{
    chart: { type: ahead ? 'rangeArea' : 'line' },
    series: series.map(({ type, name, data }) => ({ type, name, data })) as ApexAxisChartSeries,
    colors: series.map((s) => s.color),
    fill: { type: 'solid', opacity: 1 },
    stroke: { width: series.map((s) => s.width), curve: 'straight', dashArray: series.map((s) => s.dash) },
    markers: {
      size: series.map((s) => s.size),
      strokeWidth: 0,
      shape: series.map((s) => (s.square ? 'square' : 'circle'))
    },
    xaxis: { type: 'datetime', labels: { datetimeUTC: false } },
    yaxis: {
      min: axis.min,
      max: axis.max,
      reversed: false,
      stepSize: axis.step,
      tickAmount: axis.marks.length - 1,
      decimalsInFloat: axis.step < 1 ? 1 : 0,
      title: { text: measure.unit === 'cm' ? unit : measure.unit }
    },
    annotations: {
      yaxis: [
        ...(unshown
          ? [
              {
                y: shown(unshown.from - unshown.by),
                y2: shown(unshown.from + unshown.by),
                fillColor: 'var(--color-line)',
                opacity: 0.5,
                borderColor: 'transparent'
              }
            ]
          : []),
        ...(target === null
          ? []
          : [
              {
                y: shown(target),
                borderColor: 'var(--color-ink)',
                strokeDashArray: 0,
                label: { ...words(`goal ${headlineText(target, measure.id, unit)}`), ...atLeft }
              }
            ])
      ],
      xaxis: marks.map(({ on, text }) => ({
        x: timeOf(on),
        borderColor: 'var(--color-ink-soft)',
        strokeDashArray: 3,
        label: { ...words(text), orientation: 'horizontal' }
      }))
    }
  }}
/>
