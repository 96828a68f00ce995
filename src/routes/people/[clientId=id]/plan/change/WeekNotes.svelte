<script lang="ts">
  import type { WeekNoteTold } from '$lib/contract/plan';
  import type { Mend } from '$lib/core';
  import { minutesAfter } from './minutesAfter';

  /** What a week goes without or leans on, each with the wish that would mend it. */
  type Props = { notes: readonly WeekNoteTold[]; minutes: number; base: string; onMend: (mend: Mend) => void };
  let { notes, minutes, base, onMend }: Props = $props();
  const words = (mend: Mend): string =>
    mend.code === 'keep'
      ? 'Keep it in'
      : mend.code === 'free'
        ? 'Let go of the place'
        : `Make it ${minutesAfter(minutes, mend)} minutes`;
</script>

<ul class="mt-2 flex flex-col" aria-label="What this week goes without">
  {#each notes as { text, mend } (text)}
    <li class="flex min-h-11 flex-wrap items-center gap-x-3 border-t border-line">
      <span class="grow py-1">{text}</span>
      {#if mend?.code === 'grade'}
        <a class="btn btn-quiet" href="{base}/grade">To Grade</a>
      {:else if mend?.code === 'swap'}
        <a class="btn btn-quiet" href="{base}/plan/change?swap={mend.exerciseId}">Exchange it</a>
      {:else if mend}
        <button type="button" class="btn btn-quiet" onclick={() => onMend(mend)}>{words(mend)}</button>
      {/if}
    </li>
  {/each}
</ul>
