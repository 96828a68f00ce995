<script lang="ts">
  import type { Agreement } from '$lib/core';
  import { axisOver } from '$lib/ui/axis';
  import Chart from '$lib/ui/Chart.svelte';

  /** Difference against mean, with the mean difference and its limits. */
  type Props = { pairs: readonly { first: number; second: number }[]; agreement: Agreement; unitWord: string };
  let { pairs, agreement, unitWord }: Props = $props();
  const round = (v: number) => Math.round(v * 10) / 10;
  const points = $derived(pairs.map((p) => ({ x: round((p.first + p.second) / 2), y: round(p.first - p.second) })));
  const line = (y: number, text: string) => ({
    y: round(y),
    borderColor: 'var(--color-ink)',
    label: { text: `${text} ${round(y)} ${unitWord}`, style: { background: 'var(--color-paper)', color: 'var(--color-ink)' } }
  });
  const down = $derived(axisOver([...points.map((p) => p.y), agreement.lower, agreement.upper]));
  const across = $derived(axisOver(points.map((p) => p.x)));
</script>

<Chart
  label="Difference of the two measurers against their mean, {pairs.length} pairs"
  height={260}
  options={{
    chart: { type: 'scatter' },
    series: [{ name: 'difference', data: points }],
    colors: ['var(--color-mulberry)'],
    xaxis: {
      type: 'numeric',
      title: { text: `mean of both, ${unitWord}` },
      min: across.min,
      max: across.max,
      tickAmount: across.marks.length - 1,
      decimalsInFloat: across.step < 1 ? 1 : 0
    },
    yaxis: {
      min: down.min,
      max: down.max,
      tickAmount: down.marks.length - 1,
      decimalsInFloat: down.step < 1 ? 1 : 0,
      title: { text: `first less second, ${unitWord}` }
    },
    annotations: {
      yaxis: [line(agreement.meanDifference, 'mean'), line(agreement.lower, 'lower'), line(agreement.upper, 'upper')]
    }
  }}
/>
