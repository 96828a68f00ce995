<script lang="ts">
  import type { Agreement } from '$lib/core';
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
  const reach = $derived(
    Math.max(...points.map((p) => Math.abs(p.y)), Math.abs(agreement.lower), Math.abs(agreement.upper)) * 1.2
  );
</script>

<Chart
  label="Difference of the two measurers against their mean, {pairs.length} pairs"
  height={260}
  options={{
    chart: { type: 'scatter' },
    series: [{ name: 'difference', data: points }],
    colors: ['var(--color-mulberry)'],
    xaxis: { type: 'numeric', title: { text: `mean of both, ${unitWord}` }, tickAmount: 6, decimalsInFloat: 0 },
    yaxis: { min: -reach, max: reach, tickAmount: 4, decimalsInFloat: 1, title: { text: `first less second, ${unitWord}` } },
    annotations: {
      yaxis: [line(agreement.meanDifference, 'mean'), line(agreement.lower, 'lower'), line(agreement.upper, 'upper')]
    }
  }}
/>
