<script lang="ts">
  import { group } from 'd3-array';
  import { isAsked, painKindOf } from '$lib/core';
  import { capital, dateText, plural } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import type { PlayedSession } from '$lib/contract/played';
  import { sinceLast } from './sinceLast';
  import type { SessionLetters } from '$lib/ui/device/outbox.svelte';
  import { adviceText, toldText, type Player } from './player.svelte';

  type Props = {
    player: Player;
    base: string;
    retest: boolean;
    played: Pick<PlayedSession, 'lastTimes' | 'next' | 'units'>;
    outbox: Pick<SessionLetters, 'waiting' | 'send'>;
  };
  let { player, base, retest, played, outbox }: Props = $props();
  const waiting = $derived(outbox.waiting);
  /** On once everything has arrived; without a connection at once, since it is kept here. */
  async function leave(event: MouseEvent & { currentTarget: HTMLAnchorElement }) {
    if (outbox.waiting === 0) return;
    event.preventDefault();
    const { href } = event.currentTarget;
    await outbox.send();
    location.assign(href);
  }
  const worked = $derived(player.sets.filter((s) => isAsked(s.work)));
  const kept = $derived(new Set(player.logged.filter((i) => !player.leftOut.includes(i))));
  const done = $derived(worked.filter((s) => kept.has(s.index)).length);
  const { lastTimes, next, units } = $derived(played);
  const work = $derived(
    sinceLast({ sets: player.sets, done: kept, settingOf: player.settingOf, lastTimes, find: player.find, units })
  );
</script>

<section class="my-auto flex flex-col gap-6 py-6" aria-label="The session is over">
  {#if player.stopped && player.advice}
    <h2 class="text-5xl leading-tight text-stop" role="alert">{adviceText(player.advice)}</h2>
    <p class="text-2xl">
      Told: {toldText(player.advice)}. {painKindOf(player.advice.kind).action === 'urgent'
        ? 'Nothing is planned or played for this person until a named person clears it.'
        : 'What it bears on is locked everywhere until a named person clears it.'}
    </p>
    <p class="text-xl text-ink-soft">Calm Reach does not diagnose. Local rules and licensed practice come first.</p>
  {:else}
    <h2 class="text-5xl">Done</h2>
    <p class="text-2xl">{done} of {plural(worked.length, 'set')} kept.{retest ? ' This session ends with a measure.' : ''}</p>
    <ul class="grid gap-x-8 gap-y-2 text-lg lg:grid-cols-2" aria-label="What was done">
      {#each group(work, (w) => w.exerciseId) as [exerciseId, sides] (exerciseId)}
        <li class="border-t border-line pt-1 leading-snug">
          <strong>{sides[0]!.name}</strong>
          {#each sides as w (w.side)}
            <span class="block">
              {#if w.side}<SideMark side={w.side} size={14} /> {capital(w.side)}:{/if}
              {w.done} of {plural(w.planned, 'set')}{w.done > 0 && w.lastOn === null
                ? ', for the first time'
                : ''}{#each w.changes as change (change.text)}<span class={change.further ? 'font-semibold' : 'text-ink-soft'}
                  >; {change.text}</span
                >{/each}
            </span>
          {/each}
        </li>
      {/each}
    </ul>
    <p class="text-2xl">
      {#if next}Next: week {next.week}, session {next.ordinal}{next.on
          ? `, on ${dateText(next.on)}`
          : ''}.{:else if next === null}It was the last session of the plan.{/if}
    </p>
  {/if}
  {#if waiting > 0}<p class="text-xl" role="status">
      {waiting === 1 ? 'One thing waits' : `${waiting} things wait`} for the connection, kept on this device, and
      {waiting === 1 ? 'goes' : 'go'} the next time the studio is opened on it.
    </p>{/if}
  <p class="flex flex-wrap gap-3">
    {#if retest && !player.stopped}<a
        class="btn btn-primary min-h-16 text-xl"
        href="{base}/measure"
        data-sveltekit-reload
        onclick={leave}>Measure now</a
      >{/if}
    <a
      class="btn {retest && !player.stopped ? '' : 'btn-primary'} min-h-16 text-xl"
      href="{base}/{player.stopped ? 'check' : 'review'}"
      data-sveltekit-reload
      onclick={leave}>{player.stopped ? 'To the check' : 'To the review'}</a
    >
  </p>
</section>
