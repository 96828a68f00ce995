<script lang="ts">
  import type { Staircase } from '$lib/contract/staircase';
  import { downward, hasFloor, shownRange } from './staircaseScale';

  let { staircase }: { staircase: Staircase } = $props();
  const width = 84;
  const height = 34;
  const down = $derived(downward(staircase.measureId));
  const range = $derived(shownRange(staircase));
  const x = (week: number) => 2 + ((width - 4) * week) / staircase.weeks;
  const y = (value: number) => {
    const share = (value - range[0]) / (range[1] - range[0] || 1);
    return 3 + (height - 8) * (down === 1 ? 1 - share : share);
  };
  const line = (ahead: boolean) => {
    const treads = staircase.treads.filter((t) => (ahead ? t.ahead || t.now : !t.ahead) && t.fromWeek <= staircase.weeks);
    return treads
      .map((t, i) => `${i === 0 ? 'M' : 'L'}${x(t.fromWeek)} ${y(t.value)}H${x(Math.min(t.toWeek, staircase.weeks))}`)
      .join('');
  };
  const ground = $derived(hasFloor(staircase.measureId) ? 0 : staircase.target);
</script>

<svg {width} {height} viewBox="0 0 {width} {height}" aria-hidden="true" class="flex-none">
  <path d={line(true)} fill="none" stroke="var(--color-edge)" stroke-width="1.6" stroke-dasharray="2 2.5" />
  <path d={line(false)} fill="none" stroke="var(--color-ink)" stroke-width="2.2" />
  {#if ground !== null}<path d="M0 {y(ground)}H{width}" stroke="var(--color-ink)" stroke-width="1.4" />{/if}
  <path d="M{x(staircase.todayWeek)} 1V{height - 1}" stroke="var(--color-mulberry)" stroke-width="2" />
</svg>
