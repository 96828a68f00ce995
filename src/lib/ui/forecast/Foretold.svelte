<script lang="ts">
  import { measureOf, type Forecast } from '$lib/core';
  import type { Outlook } from '$lib/contract/forecast';
  import type { LengthUnit } from '$lib/contract/fields';
  import { dateText, headlineText, plural } from '../format';
  import type { Foretelling } from './foretelling.svelte';
  import { bandText, byDate, chanceText, isLikelyThere, likelyWeek, nothingText, priorText, weekDate } from './outlookText';
  import WhatIfSessions from './WhatIfSessions.svelte';

  type Props = {
    outlook: Outlook;
    told: Forecast | null;
    state: Foretelling['state'];
    today: string;
    targetOn: string | null;
    headline: string;
    unit: LengthUnit;
    /** Work that is stopped until it is cleared. */
    isStopped: boolean;
    onAgain: () => void;
  };
  let { outlook, told, state, today, targetOn, headline, unit, isStopped, onAgain }: Props = $props();
  const ask = $derived(outlook.ask);
  const chance = $derived(told && byDate(told, today, targetOn));
  const week = $derived(told && likelyWeek(told));
  const end = $derived(told?.weeks.at(-1));
  /** The oldest forecast kept, as it told of today, against the last measure. */
  const then = $derived(outlook.oldest);
</script>

<section class="card" aria-label="What is likely" aria-busy={state === 'reckoning'}>
  <h2>What is likely</h2>
  {#if !ask}
    <p class="mt-1">{nothingText(outlook, headline, unit)}</p>
  {:else if state === 'worker died' || state === 'not possible'}
    <p class="mt-1">The forecast could not be reckoned here. What was measured is not touched.</p>
    <p class="mt-2"><button type="button" class="btn" onclick={onAgain}>Try again</button></p>
  {:else if !told || !end}
    <p class="mt-1 text-ink-soft">Reckoning …</p>
  {:else}
    {#if ask.target !== null && isLikelyThere(told, ask.target, measureOf(headline).betterIs)}
      <p class="mt-1 text-lg leading-snug">
        <strong>Likely there already</strong>: the goal is {headlineText(ask.target, headline, unit)}. A new goal, or to keep it,
        is up to you.
      </p>
    {:else if ask.target !== null && chance}
      <p class="mt-1 text-lg leading-snug">
        <strong>{chanceText(chance.share)}</strong> likely futures reach {headlineText(ask.target, headline, unit)}
        {chance.isTarget ? 'by the date of the goal,' : 'by'}
        {dateText(chance.on)}.
      </p>
      <p class="mt-1">
        {week === null
          ? `Within ${plural(ask.weeks, 'week')} it is not more likely than not.`
          : `More likely than not from ${weekDate(today, week)}.`}
      </p>
    {/if}
    <dl class="mt-2 grid grid-cols-[auto_1fr] gap-x-3">
      <dt class="text-ink-soft">Today</dt>
      <dd>{bandText(told.now, headline, unit)}</dd>
      <dt class="text-ink-soft">{weekDate(today, end.week)}</dt>
      <dd>{bandText(end, headline, unit)}, half of it {bandText(end, headline, unit, 'half')}</dd>
    </dl>
    {#if isStopped}
      <p class="mt-2 font-semibold text-stop">
        Something is stopped after pain, and is not trained before it is cleared. This forecast takes for granted that sessions go
        on.
      </p>
    {/if}
    <p class="mt-2 font-semibold">{priorText(told.priorShare)}</p>
    {#if then}
      <p class="mt-2">
        On {dateText(then.madeOn)} it said {bandText(then.band, headline, unit)} for the last measure; it was {headlineText(
          then.value,
          headline,
          unit
        )}: {then.within90 ? 'within' : 'outside'}. <a class="underline" href="/forecasts">How often bands held</a>
      </p>
    {/if}
    <WhatIfSessions {ask} {told} {today} {targetOn} {headline} {unit} />
    <details class="mt-2">
      <summary class="font-semibold">How this is reckoned</summary>
      <p class="mt-1">
        From {plural(ask.values.length, 'measure')} taken alike, {plural(ask.now?.session ?? 0, 'session')} done since the first, and
        {ask.attended}
        of {ask.attended + ask.missed} due sessions kept lately at {ask.sessionsPerWeek} a week. A gain slows down toward its end; one
        in ten people is assumed to gain nothing; the level wanders by about half a degree a week; more than two weeks off take some
        of it away; people are away for a few weeks now and then; the gain may come to rest, or have done so already; and a measure
        may err by more than is known. 2,000 likely futures are drawn from all that fits. A likelihood, never a promise.
      </p>
    </details>
  {/if}
</section>
