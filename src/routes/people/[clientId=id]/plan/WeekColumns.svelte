<script lang="ts">
  import { planPhaseWords } from '$lib/ui/glossary';
  import Sideways from '$lib/ui/Sideways.svelte';
  import Check from '@lucide/svelte/icons/check';
  import House from '@lucide/svelte/icons/house';
  import OctagonX from '@lucide/svelte/icons/octagon-x';
  import Play from '@lucide/svelte/icons/play';
  import type { SessionBrief, WeekView } from '$lib/contract/plan';
  import EffortStrokes from '$lib/ui/drawing/EffortStrokes.svelte';
  import { capital, clockText, shortDate } from '$lib/ui/format';

  type Week = Pick<WeekView, 'week' | 'phase' | 'easy' | 'retest'> & { sessions: readonly SessionBrief[] };
  type Props = { weeks: readonly Week[]; chosenId?: number; onChoose: (id: number) => void };
  let { weeks, chosenId, onChoose }: Props = $props();
  /** As large as one is drawn. */
  const [width, height] = [80, 30];
  // A year has a hundred sessions: whatever is drawn alike is drawn once.
  /** Sessions of one kind have one curve: it is drawn once, and shown wherever it belongs. */
  const curves = $derived([...new Set(weeks.flatMap((w) => w.sessions.map((s) => s.curve)))]);
  const at = $derived(new Map(curves.map((curve, i) => [curve, i])));
  const word = { planned: 'planned', running: 'running', done: 'done', stopped: 'stopped', superseded: '' } as const;
</script>

<svg class="absolute size-0" aria-hidden="true">
  <g id="week-done"><Check size={14} /></g>
  <g id="week-stopped"><OctagonX size={14} /></g>
  <g id="week-running"><Play size={14} /></g>
  {#each curves as phases, i (i)}<g id="curve-{i}"><EffortStrokes {phases} {width} {height} scalePct={70} /></g>{/each}
</svg>
<Sideways label="The weeks">
  <ol class="flex gap-1">
    {#each weeks as week (week.week)}
      <li
        class="flex min-w-16 flex-1 flex-col [contain-intrinsic-size:4rem_14rem] [content-visibility:auto] gap-1.5 rounded-soft p-0.5 {week.easy
          ? 'bg-line/60'
          : ''}"
      >
        <p class="text-center leading-tight">
          <span class="font-semibold">week {week.week}</span><br />
          <span class="text-ink-soft">{week.easy ? 'easy' : planPhaseWords[week.phase]}</span>
        </p>
        {#each week.sessions as session (session.id)}
          <button
            class="relative flex min-h-16 flex-col items-center justify-center rounded-soft border bg-paper px-0.5 py-1 {session.id ===
            chosenId
              ? 'border-mulberry shadow-[inset_0_0_0_1.5px_var(--color-mulberry)]'
              : 'border-line hover:border-ink'}"
            aria-pressed={session.id === chosenId}
            aria-label="Week {week.week}, session {session.ordinal}, {word[session.status]}, {session.place === 'home'
              ? 'at home, '
              : ''}{clockText(session.durationS)}"
            onclick={() => onChoose(session.id)}
          >
            <span class="w-full {session.status === 'done' ? 'opacity-55' : ''}"
              ><svg viewBox="0 0 {width} {height}" width="100%" aria-hidden="true"
                ><use href="#curve-{at.get(session.curve)}" /></svg
              ></span
            >
            <span class="leading-none whitespace-nowrap text-ink-soft"
              >{session.light ? 'light' : shortDate(session.on)}{#if session.place === 'home'}<House
                  size={12}
                  class="ml-0.5 inline align-[-1px]"
                  aria-hidden="true"
                />{/if}</span
            >
            <span class="absolute top-0.5 right-0.5">
              {#if session.status !== 'planned'}
                <svg width="14" height="14" class={session.status === 'stopped' ? 'text-stop' : ''} aria-hidden="true"
                  ><use href="#week-{session.status}" /></svg
                >
              {/if}
            </span>
          </button>
        {/each}
        {#if week.retest}<p class="text-center text-ink-soft"><span aria-hidden="true">◖◗</span> {capital('measure')}</p>{/if}
      </li>
    {/each}
  </ol>
</Sideways>
