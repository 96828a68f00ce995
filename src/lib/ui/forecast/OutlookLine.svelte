<script lang="ts">
  import { measureOf, type Forecast } from '$lib/core';
  import type { Outlook } from '$lib/contract/forecast';
  import type { LengthUnit } from '$lib/contract/fields';
  import { dateText, headlineText, plural } from '../format';
  import type { Foretelling } from './foretelling.svelte';
  import { bandText, byDate, chanceText, isLikelyThere, likelyWeek, nothingText, priorText, weekDate } from './outlookText';

  /** What is likely, in one line; the whole of it on Progress. */
  type Props = {
    outlook: Outlook;
    told: Forecast | null;
    state: Foretelling['state'];
    today: string;
    targetOn: string | null;
    headline: string;
    unit: LengthUnit;
    more: string;
    moreText?: string;
    /** Work that is stopped until it is cleared. */
    isStopped: boolean;
  };
  let { outlook, told, state, today, targetOn, headline, unit, more, moreText = 'More on Progress', isStopped }: Props = $props();
  const chance = $derived(told && byDate(told, today, targetOn));
  const week = $derived(told && likelyWeek(told));
  const end = $derived(told?.weeks.at(-1));
</script>

<p aria-busy={state === 'reckoning'}>
  {#if !outlook.ask}
    <span class="text-ink-soft">{nothingText(outlook, headline, unit)}</span>
  {:else if state === 'worker died' || state === 'not possible'}
    <span class="text-ink-soft">The forecast could not be reckoned here.</span>
  {:else if !told || !chance || !end}
    <span class="text-ink-soft">Reckoning what is likely …</span>
  {:else}
    {#if outlook.ask.target !== null && isLikelyThere(told, outlook.ask.target, measureOf(headline).betterIs)}
      Likely there already: today nine in ten lie within {bandText(told.now, headline, unit)}, the goal is {headlineText(
        outlook.ask.target,
        headline,
        unit
      )}.
    {:else if outlook.ask.target !== null}
      <strong>{chanceText(chance.share)}</strong> likely futures reach {headlineText(outlook.ask.target, headline, unit)} by {dateText(
        chance.on
      )}{week === null
        ? `; within ${plural(outlook.ask.weeks, 'week')} not more likely than not`
        : `; more likely than not from ${weekDate(today, week)}`}.
    {:else}
      By {weekDate(today, end.week)} nine in ten lie within {bandText(end, headline, unit)}.
    {/if}
    {priorText(told.priorShare)}
    {#if isStopped}<strong class="text-stop"
        >Something is stopped after pain. This forecast takes for granted that sessions go on.</strong
      >{/if}
  {/if}
  <a class="font-semibold underline" href={more}>{moreText}</a>
</p>
