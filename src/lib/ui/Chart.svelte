<script lang="ts">
  import 'apexcharts/dist/apexcharts.css';
  import type { ApexOptions } from 'apexcharts';

  /** A chart, drawn in the browser; its words stand beside it for those who do not see it. */
  type Props = { options: ApexOptions; label: string; height: number };
  let { options, label, height }: Props = $props();
  let holder: HTMLElement;
  /** The drawing itself, to be saved. */
  export const picture = (): SVGSVGElement | null => holder.querySelector('svg.apexcharts-svg');

  const shared: ApexOptions = {
    chart: {
      animations: { enabled: false },
      toolbar: { show: false },
      zoom: { enabled: false },
      fontFamily: 'inherit',
      foreColor: 'var(--color-ink-soft)',
      background: 'transparent'
    },
    dataLabels: { enabled: false },
    legend: { show: false },
    grid: { borderColor: 'var(--color-line)' },
    tooltip: { enabled: false }
  };

  $effect(() => {
    const drawn = { ...shared, ...options, chart: { ...shared.chart, ...options.chart, height } } as ApexOptions;
    let chart: { destroy: () => void } | undefined;
    let gone = false;
    void import('apexcharts').then(({ default: ApexCharts }) => {
      if (gone) return;
      const made = new ApexCharts(holder, drawn);
      chart = made;
      void made.render();
    });
    return () => {
      gone = true;
      chart?.destroy();
    };
  });
</script>

<svelte:head>
  <!-- The page's policy forbids a style put in by script. The sheet is imported above; this tells the library that it is there. -->
  <meta id="apexcharts-css" name="chart-styles" content="imported" />
</svelte:head>

<figure bind:this={holder} class="min-w-0" role="img" aria-label={label} style:min-height="{height}px"></figure>
