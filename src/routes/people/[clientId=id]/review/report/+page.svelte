<script lang="ts">
  import Printer from '@lucide/svelte/icons/printer';
  import { measureOf } from '$lib/core';
  import { followed } from '$lib/ui/forecast/foretelling.svelte';
  import { bandText, byDate, chanceText, nothingText, priorText } from '$lib/ui/forecast/outlookText';
  import { capital, changeText, dateText, headlineText, modeText, plural, stateText } from '$lib/ui/format';
  import MeasureChart from '$lib/ui/MeasureChart.svelte';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { winText } from '$lib/ui/winText';
  import SideBySide from '../../photos/SideBySide.svelte';
  import ReviewParts from '../ReviewParts.svelte';

  let { data } = $props();
  let withPictures = $state(true);
  const unit = $derived(data.units.length);
  const goal = $derived(data.goal!);
  const measure = $derived(measureOf(goal.headline));
  const base = $derived(`/people/${data.client.id}`);
  /** The side the goal leads with, else the one that has a forecast. */
  const main = $derived(
    data.outlooks.find((o) => o.side === goal.leadSide) ?? data.outlooks.find((o) => o.ask !== null) ?? data.outlooks[0]!
  );
  const foretelling = followed(() => main.ask);
  const told = $derived(foretelling.told);
  const chance = $derived(told && byDate(told, data.today, goal.targetOn));
  const drawn = $derived(
    data.taken
      .filter((r) => r.mode === measure.modes[0] && r.bodyState === main.takenAs?.bodyState)
      .map((r) => ({ ...r, mode: undefined }))
  );
  const gains = $derived(data.outlooks.flatMap((o) => o.gains.map((g) => ({ ...g, side: o.side }))));
  const nameOf = (id: string) => data.exercises[id] ?? 'an exercise that is gone';
</script>

<main class="mx-auto flex max-w-3xl flex-col gap-4 p-5 print:max-w-none print:gap-3 print:p-0">
  <div class="flex flex-wrap items-center gap-4 print:hidden">
    <button type="button" class="btn btn-primary" onclick={() => print()}><Printer size={18} /> Print</button>
    <div class="ml-auto"><ReviewParts {base} /></div>
  </div>

  <header>
    <h1>{data.client.name}: {goal.name.toLowerCase()}</h1>
    <p class="text-ink-soft">
      Report of {dateText(data.today)}.
      {goal.target === null ? '' : `The goal: ${headlineText(goal.target, goal.headline, unit)}`}{goal.targetOn
        ? `, by ${dateText(goal.targetOn)}${goal.eventName ? ` (${goal.eventName})` : ''}`
        : ''}{goal.target === null ? '' : '.'}
    </p>
  </header>

  <section aria-label="How far">
    <h2>How far</h2>
    {#each data.outlooks as o (o.side)}
      {@const last = data.taken.findLast((r) => r.side === o.side && r.mode === measure.modes[0])}
      {#if last}
        <p class="mt-1 flex items-center gap-2">
          <SideMark side={o.side} size={14} />
          <span>
            {o.side ? `${capital(o.side)} ${measure.sideWords}: ` : ''}<strong
              >{headlineText(last.value, goal.headline, unit)}</strong
            >, measured {dateText(last.takenOn)}, {stateText[last.bodyState]}.
          </span>
        </p>
      {/if}
    {/each}
    {#each gains as g (`${g.side}/${g.mode}`)}
      <p class="mt-1">
        {modeText[g.mode]}{g.side ? `, ${g.side}` : ''}: {changeText(g.from, g.to, measure, unit)}
        since {dateText(g.fromOn)}, {g.word === 'not shown' ? 'within what measuring itself varies' : g.word}.
      </p>
    {/each}
    {#if data.taken.length === 0}<p class="mt-1">Not measured yet.</p>{/if}
    {#if drawn.length > 1}
      <div class="mt-2">
        <MeasureChart
          eager
          {measure}
          points={drawn}
          target={goal.target}
          {unit}
          height={230}
          ahead={told ? { from: data.today, band: [{ week: 0, ...told.now }, ...told.weeks] } : undefined}
        />
      </div>
    {/if}
  </section>

  {#if data.pictures.length > 0}
    <section aria-label="Before and after" class={withPictures ? '' : 'print:hidden'}>
      <div class="flex flex-wrap items-center gap-4">
        <h2>Before and after</h2>
        <label class="ml-auto flex min-h-11 items-center gap-2 print:hidden">
          <input type="checkbox" class="size-5" bind:checked={withPictures} /> Pictures on the report
        </label>
      </div>
      {#if withPictures}
        {#each data.pictures as p (p.key)}
          {#if p.side}<p class="mt-1 flex items-center gap-2"><SideMark side={p.side} size={14} /> {capital(p.side)}</p>{/if}
          <SideBySide
            clientId={data.client.id}
            measureId={goal.headline}
            before={p.before}
            after={p.after}
            text={(value) => (value === null ? '' : headlineText(value, goal.headline, unit))}
          />
        {/each}
      {/if}
    </section>
  {/if}

  <section aria-label="What was done">
    <h2>What was done</h2>
    <p class="mt-1">
      {#if data.sessions.since}
        {plural(data.sessions.done, 'session')} since {dateText(data.sessions.since)}, {plural(
          Math.round(data.minutes),
          'minute'
        )} of work. In the last four weeks {data.sessions.lately.done} of {data.sessions.lately.due} due.
      {:else}No session yet.{/if}
    </p>
    {#if data.wins.length > 0}
      <ul class="mt-2 list-disc pl-5">
        {#each data.wins as win, i (i)}
          <li>{winText(win, nameOf, goal.headline, unit)} <span class="text-ink-soft">{dateText(win.on)}</span></li>
        {/each}
      </ul>
    {/if}
  </section>

  <section aria-label="What comes">
    <h2>What comes</h2>
    {#if data.plan && data.week.length > 0}
      <p class="mt-1">
        {plural(data.plan.sessionsPerWeek, 'session')} a week of {data.plan.minutes} minutes: {data.week
          .join(', ')
          .toLowerCase()}.
      </p>
    {:else if data.plan}
      <p class="mt-1">Nothing is trained until it is cleared.</p>
    {/if}
    {#if told && chance && main.ask}
      <p class="mt-1">
        {#if main.ask.target !== null}
          In {chanceText(chance.share)} likely futures {headlineText(main.ask.target, goal.headline, unit)} is reached by {dateText(
            chance.on
          )}.
        {/if}
        Half of them lie within {bandText(chance.band, goal.headline, unit, 'half')}.
        {priorText(told.priorShare)} A likelihood, never a promise.
      </p>
    {:else if !main.ask}
      <p class="mt-1">{nothingText(main, goal.headline, unit)}</p>
    {/if}
  </section>

  <section class="rounded-soft border-2 border-stop px-4 py-2" aria-label="When to stop">
    <h2>When to stop</h2>
    <p class="mt-1">
      Stop at sharp pain, a pop, numbness, tingling, a pinch in a joint, or dizziness, and tell it. How strong it feels stays at {data.sensationCap}
      of 10 at most; breathe throughout.
      {#each data.stops as { reason }, i (i)}
        Stopped until cleared: {reason}.
      {/each}
    </p>
    <p class="mt-1 text-ink-soft">This report does not diagnose. Licensed practice and local rules come first.</p>
  </section>

  <p class="flex flex-wrap gap-2 print:hidden">
    <a class="btn" href="{base}/review/history.json" download>Whole history as JSON</a>
    <a class="btn" href="{base}/review/sets.csv" download>All sets as CSV</a>
    <a class="btn" href="{base}/review/progress/measures.csv" download>All measures as CSV</a>
  </p>
</main>
