<script lang="ts">
  import { isAsked, painKindOf, painPlaceOf } from '$lib/core';
  import { plural } from '$lib/ui/format';
  import type { SessionLetters } from '$lib/ui/device/outbox.svelte';
  import { adviceText, type Player } from './player.svelte';

  type Props = { player: Player; base: string; retest: boolean; outbox: Pick<SessionLetters, 'waiting' | 'send'> };
  let { player, base, retest, outbox }: Props = $props();
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
  const done = $derived(worked.filter((s) => player.logged.includes(s.index) && !player.leftOut.includes(s.index)).length);
</script>

<section class="flex grow flex-col justify-center gap-6" aria-label="The session is over">
  {#if player.stopped && player.advice}
    <h2 class="text-5xl leading-tight text-stop" role="alert">{adviceText(player.advice)}</h2>
    <p class="text-2xl">
      {painKindOf(player.advice.kind).label}{player.advice.place === 'nowhere'
        ? ''
        : `: ${player.advice.side ?? ''} ${painPlaceOf(player.advice.place).label.toLowerCase()}`}. {painKindOf(
        player.advice.kind
      ).action === 'urgent'
        ? 'Nothing is planned or played for this person until a named person clears it.'
        : 'What it bears on is locked everywhere until a named person clears it.'}
    </p>
    <p class="text-xl text-ink-soft">Calm Reach does not diagnose. Local rules and licensed practice come first.</p>
  {:else}
    <h2 class="text-5xl">Done</h2>
    <p class="text-2xl">{done} of {plural(worked.length, 'set')} kept.{retest ? ' This session ends with a measure.' : ''}</p>
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
