<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import OctagonX from '@lucide/svelte/icons/octagon-x';
  import Play from '@lucide/svelte/icons/play';
  import { compileSession } from '$lib/core';
  import type { SessionView, WeekView } from '$lib/server/service/planning';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { capital, clockText, shortDate } from '$lib/ui/format';

  type Props = { weeks: readonly WeekView[]; chosenId?: number; onChoose: (id: number) => void };
  let { weeks, chosenId, onChoose }: Props = $props();
  const phasesOf = (s: SessionView) => compileSession(s.blocks, { effortCapPct: 100 }).phases;
  const word = { planned: 'planned', running: 'running', done: 'done', stopped: 'stopped', superseded: '' } as const;
</script>

<div class="overflow-x-auto">
  <ol class="flex gap-2">
    {#each weeks as week (week.week)}
      <li class="flex min-w-22 flex-1 flex-col gap-2 rounded-soft p-1 {week.easy ? 'bg-line/60' : ''}">
        <p class="text-center leading-tight">
          <span class="font-semibold">week {week.week}</span><br />
          <span class="text-ink-soft">{week.easy ? 'easy' : week.phase}</span>
        </p>
        {#each week.sessions as session (session.id)}
          <button
            class="flex min-h-16 flex-col items-center justify-center rounded-soft border bg-paper px-1 py-1 {session.id ===
            chosenId
              ? 'border-mulberry shadow-[inset_0_0_0_1.5px_var(--color-mulberry)]'
              : 'border-line hover:border-ink'}"
            aria-pressed={session.id === chosenId}
            aria-label="Week {week.week}, session {session.ordinal}, {word[session.status]}, {clockText(session.durationS)}"
            onclick={() => onChoose(session.id)}
          >
            <span class="w-full {session.status === 'done' ? 'opacity-55' : ''}"
              ><EffortCurve phases={phasesOf(session)} width={80} height={30} scalePct={70} fluid /></span
            >
            <span class="flex items-center gap-1 leading-none text-ink-soft">
              {#if session.status === 'done'}<Check size={16} />
              {:else if session.status === 'stopped'}<OctagonX size={16} class="text-stop" />
              {:else if session.status === 'running'}<Play size={16} />
              {/if}
              {session.light ? 'light' : shortDate(session.on)}
            </span>
          </button>
        {/each}
        {#if week.retest}<p class="text-center text-ink-soft"><span aria-hidden="true">◖◗</span> {capital('measure')}</p>{/if}
      </li>
    {/each}
  </ol>
</div>
