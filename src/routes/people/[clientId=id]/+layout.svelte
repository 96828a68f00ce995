<script lang="ts">
  import { page } from '$app/state';
  import Pencil from '@lucide/svelte/icons/pencil';
  import MiniStaircase from '$lib/ui/drawing/MiniStaircase.svelte';
  import { goalOf, isSplit, stopPlaceText, type Stop } from '$lib/core';
  import { shortDate, targetText } from '$lib/ui/format';
  import GoalReached from './GoalReached.svelte';
  import GoalSwitch from './GoalSwitch.svelte';
  import NextStep from './NextStep.svelte';
  import Path from './Path.svelte';
  import StationHint from './StationHint.svelte';

  let { data, children } = $props();
  const inPlayer = $derived(page.route.id?.endsWith('[sessionId=id]') ?? false);
  const base = $derived(`/people/${data.client.id}`);
  /** The stage worked on, where a goal has stages that no depth tells. */
  const stage = $derived.by(() => {
    if (!data.goal) return '';
    const goal = goalOf(data.goal.kind);
    return isSplit(goal) ? '' : (goal.stages[data.goal.stage] ?? '');
  });
  /** Told on every page but the one that shows it whole. */
  const shownStops = $derived(page.url.pathname === `${base}/check` ? [] : data.stops);
  const shownAlerts = $derived(page.url.pathname === `${base}/pain` ? [] : data.painAlerts);
  const stopWord = ({ stop, exercise }: { stop: Stop; exercise: string | null }) =>
    'exerciseId' in stop
      ? `${(exercise ?? 'an exercise').toLowerCase()}${stop.side ? `, ${stop.side}` : ''}`
      : stopPlaceText(stop).toLowerCase();
  const lead = $derived(data.staircases.find((s) => s.side === data.goal?.leadSide) ?? data.staircases[0]);
</script>

<svelte:head><title>{data.client.name} · Calm Reach</title></svelte:head>

{#if inPlayer}
  {@render children()}
{:else}
  <section
    aria-label="The client and the path of the work"
    class="flex flex-wrap items-center gap-x-6 gap-y-1 border-b border-line bg-paper px-4 py-1 sm:px-5 lg:h-16 lg:flex-nowrap print:hidden"
  >
    <div class="flex items-center gap-1">
      <span class="text-lg leading-tight font-bold whitespace-nowrap">{data.client.name}</span>
      <a class="btn btn-quiet" href="{base}/edit" aria-label="Edit {data.client.name}"><Pencil size={16} /></a>
    </div>
    {#if data.goal && data.goals.length > 1}<GoalSwitch goals={data.goals} goalId={data.goal.id} {base} />{/if}
    <a
      class="flex min-h-11 min-w-0 flex-1 items-center gap-3 leading-tight text-ink-soft hover:text-ink {data.goals.length > 1
        ? 'max-sm:basis-56'
        : ''}"
      href="{base}/goal"
    >
      {#if data.goal}
        {#if lead}<MiniStaircase staircase={lead} />{/if}
        <span class="min-w-0">
          <span class="block truncate">
            {data.goals.length > 1
              ? targetText(data.goal, data.units.length).slice(2) || 'no target'
              : `${data.goal.name}${targetText(data.goal, data.units.length)}`}{stage && data.goals.length === 1
              ? ` · ${stage}`
              : ''}
          </span>
          <span class="block truncate">
            {#if data.goal.daysLeft === null}open end{:else if data.goal.daysLeft >= 0}{data.goals.length > 1
                ? ''
                : data.goal.eventName || 'date'} in {data.goal.daysLeft} days{:else}the date has passed{/if}
          </span>
        </span>
      {:else}
        <span class="font-semibold text-mulberry">Set the goal</span>
      {/if}
    </a>
    <a class="btn btn-quiet text-stop" href="{base}/pain" aria-current={page.url.pathname === `${base}/pain` ? 'page' : undefined}
      >Tell pain</a
    >
    <Path stations={data.stations} {base} />
  </section>
  {#if shownStops.length > 0 || shownAlerts.length > 0}
    <p class="border-b border-stop bg-paper px-5 py-1.5 leading-snug font-semibold text-stop print:hidden" role="status">
      {#if shownStops.length > 0}
        Stopped until cleared: {shownStops.map(stopWord).join('; ')}.
        <a class="underline" href="{base}/check">To the Check</a>
      {/if}
      {#each shownAlerts as alert (alert.text)}
        Pain told twice: {alert.text}, {shortDate(alert.days[0])} and {shortDate(alert.days[1])}.
        <a class="underline" href="{base}/pain">What was told</a>
      {/each}
    </p>
  {/if}
  {#if data.goal}<GoalReached goal={data.goal} latest={data.latest} unit={data.units.length} {base} />{/if}
  {#if data.client.isExample}
    <form
      method="POST"
      action="/example/away"
      class="flex flex-wrap items-center gap-x-4 border-b border-line px-5 py-1 print:hidden"
    >
      <span>An example, invented. Nothing here is about anybody real.</span>
      <button class="btn btn-quiet underline underline-offset-4">Take the example away</button>
    </form>
  {/if}
  {#if data.client.archivedAt}<p class="bg-line px-5 py-2">
      Archived. Bring this person back from the list of people to go on.
    </p>{/if}
  <StationHint left={data.hintsLeft} {base} />
  <div id="station" tabindex="-1" class="outline-none">{@render children()}</div>
  <NextStep stations={data.stations} {base} />
{/if}
