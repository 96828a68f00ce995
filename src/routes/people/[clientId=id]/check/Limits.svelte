<script lang="ts">
  import { capsOf, fromText, limitOfCap, limitText, setByInstructor, whileTaught, type Screening } from '$lib/core';
  import { dateText } from '$lib/ui/format';

  /** What the answers allow, written out while they are given. */
  type Props = {
    screening: Screening;
    ages: Readonly<{ ageYears: number; oldestYears: number }>;
    birthDate: string | null;
    /** A stop is open on the whole person, or on something of theirs. */
    hasPersonStop: boolean;
    hasStops: boolean;
    relaxed: readonly { kind: string; from: string }[];
    /** Sessions done so far: what is still to be taught caps the effort of the first. */
    sessionsDone: number;
    /** While the conversation goes on nothing is final. */
    soFar: boolean;
  };
  let { screening, ages, birthDate, hasPersonStop, hasStops, relaxed, sessionsDone, soFar }: Props = $props();

  const word = {
    go: 'Go',
    'go with limits': 'Go, with limits',
    'clinician first': 'A clinician first',
    urgent: 'Medical help now'
  } as const;
  const stopped = $derived(hasPersonStop || screening.clearance === 'urgent' || screening.clearance === 'clinician first');
  const inForce = $derived(screening.limits.filter((l) => !relaxed.some((r) => r.kind === l.kind && r.from === l.from)));
  const caps = $derived(capsOf(whileTaught(inForce, sessionsDone)));
  const ofAnswers = $derived(inForce.filter((l) => l.from !== setByInstructor));
  /** What sets each cap, where it is not the instructor's own figure. */
  const setters = $derived({
    effort: limitOfCap(ofAnswers, 'effort', caps.effortPct),
    sensation: limitOfCap(ofAnswers, 'sensation', caps.sensation)
  });
</script>

<aside class="card flex flex-col gap-4 self-start" aria-live="polite" aria-label="What the answers allow">
  <!-- Once it is answered the page's own heading is the one word on it. -->
  {#if soFar}
    <p class="text-xl font-bold {stopped ? 'text-stop' : ''}">
      So far: {stopped || !hasStops ? word[screening.clearance].toLowerCase() : 'go, but for what is stopped'}
    </p>
  {:else}
    <h2>What holds everywhere</h2>
  {/if}
  {#if stopped}
    <p>Planning and playing stay closed until a named person clears it, with a note.</p>
  {/if}
  <div class="flex gap-6">
    <p>
      <span class="block text-3xl font-bold">{caps.effortPct} %</span> effort at most
      {#if setters.effort}<span class="block leading-tight text-ink-soft">{fromText(setters.effort)}</span>{/if}
    </p>
    <p>
      <span class="block text-3xl font-bold">{caps.sensation}/10</span> sensation at most
      {#if setters.sensation}<span class="block leading-tight text-ink-soft">{fromText(setters.sensation)}</span>{/if}
    </p>
  </div>
  {#if soFar}
    <ul class="flex flex-col gap-2">
      {#each ofAnswers as limit, i (i)}
        <li>{limitText(limit)} <span class="text-ink-soft">· {fromText(limit)}</span></li>
      {/each}
    </ul>
  {/if}
  {#each screening.cautions as caution (caution)}<p>{caution}</p>{/each}
  <p class="text-ink-soft">
    {birthDate
      ? `Born on ${dateText(birthDate)}: ${ages.ageYears} years.`
      : `From the year of birth alone: ${ages.ageYears} or ${ages.oldestYears} years. Limits of the young count the younger, those from 60 on the older.`}
    These are cautious defaults, not reviewed by a clinician. Calm Reach does not diagnose; licensed practice, safeguarding and local
    rules come first.
  </p>
</aside>
