<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Measure, Side } from '$lib/core';
  import Chart from '$lib/ui/Chart.svelte';
  import { axisOver } from '$lib/ui/axis';
  import { headlineText, shownNumber } from '$lib/ui/format';

  /** The headline against the days it was taken, each side and state apart, with the goal as a line. */
  type Point = { takenOn: string; value: number; margin: number | null; side: Side | null; bodyState: string };
  type Props = { measure: Measure; points: readonly Point[]; target: number | null; unit: LengthUnit };
  let { measure, points, target, unit }: Props = $props();
  const shown = (value: number) => shownNumber(value, measure, unit);
  const colorOf = (side: Side | null) => `var(--color-${side === 'left' ? 'lake' : side === 'right' ? 'ochre' : 'ink-soft'})`;
  const places = $derived([...new Set(points.map((p) => p.side))]);
  const timeOf = (p: Point) => new Date(`${p.takenOn}T12:00:00`).getTime();
  const ways = $derived(
    places.map((side) => ({
      name: side ?? 'both together',
      data: points.filter((p) => p.side === side).map((p) => ({ x: timeOf(p), y: shown(p.value) }))
    }))
  );
  /** 95 of 100 of the error of each, an upright line through its mark. */
  const bars = $derived(
    points.flatMap((p) =>
      p.margin === null
        ? []
        : [{ side: p.side, data: [p.value - p.margin, p.value + p.margin].map((v) => ({ x: timeOf(p), y: shown(v) })) }]
    )
  );
  const each = <T,>(way: (side: Side | null) => T, bar: T): T[] => [...places.map(way), ...bars.map(() => bar)];
  const axis = $derived(
    axisOver([
      ...points.flatMap((p) => [p.value - (p.margin ?? 0), p.value + (p.margin ?? 0)].map(shown)),
      ...(target === null ? [] : [shown(target)])
    ])
  );
</script>

<Chart
  label="{measure.name} over time: {points
    .map((p) => `${p.takenOn}${p.side ? ` ${p.side}` : ''} ${headlineText(p.value, measure.id, unit)}`)
    .join('; ')}{target === null ? '' : `; the goal is ${headlineText(target, measure.id, unit)}`}"
  height={220}
  options={{
    chart: { type: 'line' },
    series: [...ways, ...bars.map(({ data }) => ({ name: 'error', data }))],
    colors: [...places, ...bars.map((b) => b.side)].map(colorOf),
    stroke: { width: each(() => 2.5, 1.2), curve: 'straight', dashArray: each((side) => (side === 'right' ? 6 : 0), 0) },
    markers: {
      size: each(() => 6, 0),
      strokeWidth: 0,
      shape: each((side) => (side === 'right' ? 'square' : 'circle'), 'circle')
    },
    xaxis: { type: 'datetime', labels: { datetimeUTC: false } },
    yaxis: {
      min: axis.min,
      max: axis.max,
      stepSize: axis.step,
      tickAmount: axis.marks.length - 1,
      decimalsInFloat: axis.step < 1 ? 1 : 0,
      title: { text: measure.unit === 'cm' ? unit : measure.unit }
    },
    annotations:
      target === null
        ? {}
        : {
            yaxis: [
              {
                y: shown(target),
                borderColor: 'var(--color-ink)',
                strokeDashArray: 0,
                label: {
                  text: `goal ${headlineText(target, measure.id, unit)}`,
                  borderWidth: 0,
                  style: { background: 'transparent', color: 'var(--color-ink)', fontSize: '14px' }
                }
              }
            ]
          }
  }}
/>
