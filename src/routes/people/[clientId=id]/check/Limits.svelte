<script lang="ts">
  import { capOf, defaultEffortCapPct, defaultSensationCap, type Limit, type Screening } from '$lib/core';

  /** What the answers allow, written out while they are given. */
  type Props = { screening: Screening; ageYears: number };
  let { screening, ageYears }: Props = $props();

  const text: Record<Limit['kind'], (limit: Limit) => string> = {
    'effort cap': (l) => `Effort at most ${l.value} %`,
    'sensation cap': (l) => `Sensation at most ${l.value} of 10`,
    'warm-up at least': (l) => `Warm-up at least ${Math.round((l.value ?? 0) / 60)} minutes`,
    'no past-flat': () => 'No work past flat',
    'no partner': () => 'No pressing by a partner',
    'no ballistic': () => 'No bouncing'
  };
  const word = {
    go: 'Go',
    'go with limits': 'Go, with limits',
    'clinician first': 'A clinician first',
    urgent: 'Medical help now'
  } as const;
  const stopped = $derived(screening.clearance === 'urgent' || screening.clearance === 'clinician first');
  const effort = $derived(capOf(screening.limits, 'effort cap', defaultEffortCapPct));
  const sensation = $derived(capOf(screening.limits, 'sensation cap', defaultSensationCap));
</script>

<aside class="card flex flex-col gap-4 self-start" aria-live="polite">
  <p class="text-xl font-bold {stopped ? 'text-stop' : ''}">{word[screening.clearance]}</p>
  {#if stopped}
    <p>Planning and playing stay closed until a named person clears it, with a note.</p>
  {/if}
  <div class="flex gap-6">
    <p><span class="block text-3xl font-bold">{effort} %</span> effort cap</p>
    <p><span class="block text-3xl font-bold">{sensation}/10</span> sensation cap</p>
  </div>
  <ul class="flex flex-col gap-2">
    {#each screening.limits.filter((l) => l.reason !== 'set by the instructor') as limit, i (i)}
      <li>{text[limit.kind](limit)} <span class="text-ink-soft">· {limit.reason}</span></li>
    {/each}
  </ul>
  {#each screening.cautions as caution (caution)}<p>{caution}</p>{/each}
  <p class="text-ink-soft">
    Age is read from the year of birth alone: at least {ageYears}. These are cautious defaults, not reviewed by a clinician. Calm
    Reach does not diagnose; licensed practice, safeguarding and local rules come first.
  </p>
</aside>
