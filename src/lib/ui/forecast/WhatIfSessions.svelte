<script lang="ts">
  import type { Forecast, HeadlineAsk } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import { dateText } from '../format';
  import { Foretelling } from './foretelling.svelte';
  import { bandText, byDate, chanceText } from './outlookText';

  /** What another week would change, by the model alone. */
  type Props = { ask: HeadlineAsk; told: Forecast; today: string; targetOn: string | null; headline: string; unit: LengthUnit };
  let { ask, told, today, targetOn, headline, unit }: Props = $props();
  const most = 7;
  let perWeek = $derived(ask.sessionsPerWeek);
  let comesAlways = $state(false);
  const isOther = $derived(perWeek !== ask.sessionsPerWeek || comesAlways);
  const tried = new Foretelling();
  $effect(() => {
    if (!isOther) return;
    // A year of sessions, all kept, outweighs what was missed.
    tried.ask({ ...ask, sessionsPerWeek: perWeek, ...(comesAlways && { attended: 400, missed: 0 }) });
  });
  $effect(() => () => tried.stop());
  const other = $derived(isOther ? tried.told : null);
  const chanceOf = (f: Forecast) => chanceText(byDate(f, today, targetOn).share);
</script>

<fieldset class="mt-3 border-t border-line pt-2">
  <legend class="float-left w-full pt-2 font-semibold">If it were otherwise</legend>
  <div class="clear-both flex flex-wrap items-center gap-2">
    <button type="button" class="btn" disabled={perWeek <= 1} onclick={() => perWeek--} aria-label="A session a week less"
      >−</button
    >
    <span aria-live="polite">{perWeek} a week</span>
    <button type="button" class="btn" disabled={perWeek >= most} onclick={() => perWeek++} aria-label="A session a week more"
      >+</button
    >
    <label class="btn"><input type="checkbox" bind:checked={comesAlways} /> none missed</label>
  </div>
  {#if other}
    <p class="mt-1" role="status">
      {#if ask.target !== null}<strong>{chanceOf(other)}</strong> by {dateText(byDate(told, today, targetOn).on)}, against {chanceOf(
          told
        )}.{/if}
      By {dateText(byDate(told, today, null).on)} half lie within {bandText(other.weeks.at(-1)!, headline, unit, 'half')}. This
      follows from the model, not from this person.
    </p>
  {/if}
</fieldset>
