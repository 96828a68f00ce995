<script lang="ts">
  import type { Verdict } from '$lib/core';

  type Props = { verdict: Verdict; /** Edge, px. @default 22 */ size?: number };
  let { verdict, size = 22 }: Props = $props();
  /** The goal is the line on the right: a step toward it, level, a step away, barred. Never simply up or down. */
  const paths: Record<Verdict, string> = {
    deepen: 'M2 6H9V12H16M16 12L12.5 8.5M16 12L12.5 15.5',
    stay: 'M3 11H16',
    ease: 'M16 6H10V12H3M3 12L6.5 8.5M3 12L6.5 15.5',
    stop: 'M3 11H16M6 5L14 17'
  };
</script>

<svg
  width={size}
  height={size}
  viewBox="0 0 22 22"
  class="inline-block flex-none {verdict === 'stop' ? 'text-stop' : 'text-ink'}"
  aria-hidden="true"
>
  <path d={paths[verdict]} fill="none" stroke="currentColor" stroke-width="2.4" stroke-linejoin="round" />
  <path d="M20 3V19" stroke="currentColor" stroke-width="2" />
</svg>
