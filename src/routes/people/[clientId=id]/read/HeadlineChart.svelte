<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import { fromCm } from '$lib/contract/fields';
  import type { Measure, Side } from '$lib/core';
  import Chart from '$lib/ui/Chart.svelte';
  import { headlineText } from '$lib/ui/format';

  /** The headline against the days it was taken, each side and state apart, with the goal as a line. */
  type Point = { takenOn: string; value: number; side: Side | null; bodyState: string };
  type Props = { measure: Measure; points: readonly Point[]; target: number | null; unit: LengthUnit };
  let { measure, points, target, unit }: Props = $props();
  const shown = (value: number) => Math.round((measure.unit === 'cm' ? fromCm(value, unit) : value) * 10) / 10;
  const colorOf = (side: Side | null) => `var(--color-${side === 'left' ? 'lake' : side === 'right' ? 'ochre' : 'ink-soft'})`;
  const places = $derived([...new Set(points.map((p) => p.side))]);
  const series = $derived(
    places.map((side) => ({
      name: side ?? 'both together',
      data: points
        .filter((p) => p.side === side)
        .map((p) => ({ x: new Date(`${p.takenOn}T12:00:00`).getTime(), y: shown(p.value) }))
    }))
  );
  const values = $derived([...points.map((p) => shown(p.value)), ...(target === null ? [] : [shown(target)])]);
  const margin = $derived(Math.max(2, (Math.max(...values) - Math.min(...values)) * 0.15));
</script>

<Chart
  label="{measure.name} over time: {points
    .map((p) => `${p.takenOn}${p.side ? ` ${p.side}` : ''} ${headlineText(p.value, measure.id, unit)}`)
    .join('; ')}{target === null ? '' : `; the goal is ${headlineText(target, measure.id, unit)}`}"
  height={220}
  options={{
    chart: { type: 'line' },
    series,
    colors: places.map(colorOf),
    stroke: { width: 2.5, curve: 'straight', dashArray: places.map((side) => (side === 'right' ? 6 : 0)) },
    markers: { size: 6, strokeWidth: 0, shape: places.map((side) => (side === 'right' ? 'square' : 'circle')) },
    xaxis: { type: 'datetime', labels: { datetimeUTC: false } },
    yaxis: {
      min: Math.floor(Math.min(...values) - margin),
      max: Math.ceil(Math.max(...values) + margin),
      tickAmount: 4,
      decimalsInFloat: 0,
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
