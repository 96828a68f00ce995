<script lang="ts">
  import type { Staircase } from '$lib/contract/staircase';

  let { staircase }: { staircase: Staircase } = $props();
  const width = 84;
  const height = 34;
  const top = $derived(Math.max(5, ...staircase.treads.map((t) => t.depthCm)));
  const bottom = $derived(Math.min(0, staircase.targetDepthCm, ...staircase.treads.map((t) => t.depthCm)));
  const x = (week: number) => 2 + ((width - 4) * week) / staircase.weeks;
  const y = (depthCm: number) => 3 + ((height - 8) * (top - depthCm)) / (top - bottom || 1);
  const line = (ahead: boolean) => {
    const treads = staircase.treads.filter((t) => (ahead ? t.ahead || t.now : !t.ahead) && t.fromWeek <= staircase.weeks);
    return treads
      .map((t, i) => `${i === 0 ? 'M' : 'L'}${x(t.fromWeek)} ${y(t.depthCm)}H${x(Math.min(t.toWeek, staircase.weeks))}`)
      .join('');
  };
</script>

<svg {width} {height} viewBox="0 0 {width} {height}" aria-hidden="true" class="flex-none">
  <path d={line(true)} fill="none" stroke="var(--color-edge)" stroke-width="1.6" stroke-dasharray="2 2.5" />
  <path d={line(false)} fill="none" stroke="var(--color-ink)" stroke-width="2.2" />
  <path d="M0 {y(0)}H{width}" stroke="var(--color-ink)" stroke-width="1.4" />
  <path d="M{x(staircase.todayWeek)} 1V{height - 1}" stroke="var(--color-mulberry)" stroke-width="2" />
</svg>
