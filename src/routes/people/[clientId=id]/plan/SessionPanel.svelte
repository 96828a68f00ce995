<script lang="ts">
  import { planPhaseWords } from '$lib/ui/glossary';
  import type { ChosenSession } from '$lib/contract/plan';
  import { blockWhyText, exercisesIn, isAsked, leftOutTexts, motionOf, timelineOf } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import MiniFigure from '$lib/ui/drawing/MiniFigure.svelte';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { clockText, weekdayDate } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import Why from '$lib/ui/Why.svelte';
  import { cutText } from './cutText';
  import { doseText, heightText } from '$lib/ui/session/doseText';
  import LinkMinutes from './LinkMinutes.svelte';

  type Props = ChosenSession & { minutes: number; base: string; unit: LengthUnit };
  let { session, week, doses, minutes, base, unit }: Props = $props();
  const find = $derived(exercisesIn(session.blocks));

  const timeline = $derived(timelineOf(session));
  const secondsOf = (index: number) =>
    timeline.sets.filter((s) => s.blockIndex === index).reduce((sum, s) => sum + s.endS - s.startS, 0);

  const canPlay = $derived(session.status === 'planned' || session.status === 'running');
</script>

<aside class="flex flex-col gap-3 border-line bg-paper p-5 max-lg:border-t lg:border-l" aria-label="The chosen session">
  <div>
    <h2>Week {session.week}, session {session.ordinal}</h2>
    <p class="text-ink-soft">
      {weekdayDate(session.on)} · {week.easy ? 'easy week' : planPhaseWords[week.phase]}{session.light
        ? ', light'
        : ''}{session.beginsAt ? ` · ${session.beginsAt}` : ''}{session.place === 'home' ? ' · at home' : ''}
    </p>
    {#if session.theme}<p>Its theme: {motionOf(session.theme).name}.</p>{/if}
    <p>
      <strong>{clockText(session.durationS)}</strong> of {minutes}:00 minutes{session.cuts.length === 0
        ? ' · everything fits'
        : ''}
    </p>
  </div>
  {#if canPlay}<p>
      <a class="btn btn-primary w-full" href="{base}/practise?session={session.id}"
        >{session.status === 'running' ? 'Go on with it' : 'Play it'}</a
      >
    </p>{/if}
  <EffortCurve
    phases={timeline.phases}
    width={340}
    height={74}
    scalePct={70}
    fluid
    label="Effort over the session: press above the line, draw below it"
  />
  {#if session.cuts.length > 0}
    <div class="rounded-soft bg-chalk p-3">
      <p class="font-semibold">Cut to fit {minutes} minutes</p>
      <ul>
        {#each session.cuts as cut, i (i)}<li>{cutText(cut, find)}</li>{/each}
      </ul>
    </div>
  {/if}
  {#each leftOutTexts(session.leftOut, find) as text (text)}<p class="my-2 border-l-4 border-stop pl-3 leading-snug">
      {text}
    </p>{/each}
  <ol class="flex flex-col">
    {#each session.blocks as block, i (i)}
      <li class="flex gap-3 border-t border-line py-2">
        <span class="flex w-14 flex-none flex-col gap-1 font-semibold"
          >{clockText(secondsOf(i))}<MiniFigure exercise={find(block.exerciseId)} class="h-9 w-14 object-left" /></span
        >
        <div class="grow leading-snug">
          <h3>{find(block.exerciseId).name}</h3>
          {#each block.work as work (work.side)}
            {#if isAsked(work)}
              <p class="flex items-start gap-1">
                <span class="pt-0.5"><SideMark side={work.side} size={14} /></span>
                <span>{doseText(work)}{heightText(find(block.exerciseId), work, unit)}</span>
              </p>
            {/if}
          {/each}
          <p class="text-ink-soft">{block.because.map(blockWhyText).join(' ')}</p>
        </div>
      </li>
    {/each}
  </ol>
  <div class="border-t border-line pt-3">
    <h3 class="flex items-center gap-2">
      This week's minutes
      <Why about="the weekly dose">
        <p>
          Seconds under stretch of every block that names the link, all sets and rounds of the week. The position counts for both
          of its ends.
        </p>
        <p>
          Published guidance, recalled from memory: 5 minutes a week for a muscle group go with lasting gains; more than about 10
          probably adds little. Context, not a target.
        </p>
      </Why>
    </h3>
    <LinkMinutes {doses} />
  </div>
</aside>
