<script lang="ts">
  import 'apexcharts/dist/apexcharts.css';
  import type { ApexOptions } from 'apexcharts';

  /** A chart, drawn in the browser; its words stand beside it for those who do not see it. */
  type Props = {
    options: ApexOptions;
    label: string;
    height: number;
    /** Drawn at once, not when it comes into view: what is printed. @default false */
    eager?: boolean;
  };
  let { options, label, height, eager = false }: Props = $props();
  let holder: HTMLElement;
  let isSeen = $state(false);
  function pending() {
    let resolve!: () => void;
    const promise = new Promise<void>((done) => (resolve = done));
    return { promise, resolve };
  }
  /** Settled by the newest drawing; a change of the options starts another. */
  let drawing = pending();
  /** Returns the drawing as it looks once the browser has drawn the newest options. */
  export async function picture(): Promise<SVGSVGElement> {
    isSeen = true;
    let awaited;
    do await (awaited = drawing).promise;
    while (awaited !== drawing);
    return holder.querySelector<SVGSVGElement>('svg.apexcharts-svg')!;
  }

  /** Once the browser has nothing else to do; gives how to call it off. Not every browser tells. */
  function whenIdle(run: () => void): () => void {
    if (!('requestIdleCallback' in window)) {
      const timer = setTimeout(run, 50);
      return () => clearTimeout(timer);
    }
    const asked = requestIdleCallback(run, { timeout: 500 });
    return () => cancelIdleCallback(asked);
  }

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
    if (eager) {
      isSeen = true;
      return;
    }
    const watch = new IntersectionObserver(
      (seen) => {
        if (seen.some((s) => s.isIntersecting)) isSeen = true;
      },
      { rootMargin: '200px' }
    );
    watch.observe(holder);
    return () => watch.disconnect();
  });

  $effect(() => {
    if (!isSeen) return;
    const drawn = { ...shared, ...options, chart: { ...shared.chart, ...options.chart, height } } as ApexOptions;
    let chart: { destroy: () => void } | undefined;
    let gone = false;
    const superseded = drawing;
    const own = (drawing = pending());
    // Whoever waits for the former drawing goes on to wait for this one.
    superseded.resolve();
    const draw = async () => {
      const { default: ApexCharts } = await import('apexcharts');
      if (gone) return;
      const made = new ApexCharts(holder, drawn);
      chart = made;
      await made.render();
      if (!gone) own.resolve();
    };
    // It takes the browser a tenth of a second: the page can be used first.
    const waiting = eager ? void draw() : whenIdle(() => void draw());
    return () => {
      gone = true;
      waiting?.();
      chart?.destroy();
    };
  });
</script>

<svelte:head>
  <!-- The page's policy forbids a style put in by script. The sheet is imported above; this tells the library that it is there. -->
  <meta id="apexcharts-css" name="chart-styles" content="imported" />
</svelte:head>

<figure bind:this={holder} class="min-w-0" role="img" aria-label={label} style:min-height="{height}px"></figure>
