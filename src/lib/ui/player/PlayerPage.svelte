<script lang="ts">
  import Volume2 from '@lucide/svelte/icons/volume-2';
  import VolumeX from '@lucide/svelte/icons/volume-x';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { clockText, plural } from '$lib/ui/format';
  import Tip from '$lib/ui/Tip.svelte';
  import AfterSet from './AfterSet.svelte';
  import Ended from './Ended.svelte';
  import PainPicker from './PainPicker.svelte';
  import type { PlayedSession } from '$lib/contract/played';
  import { keepPlayed, sessionOf } from '$lib/ui/device/deviceStore';
  import { SessionLetters, type Outbox } from '$lib/ui/device/outbox.svelte';
  import { OneTab } from '$lib/ui/device/oneTab.svelte';
  import { store, stored } from '$lib/ui/stored';
  import { askTimes, Player } from './player.svelte';
  import PlayerScene from './PlayerScene.svelte';
  import { Tones } from './tones.svelte';
  import QuietBreath from './QuietBreath.svelte';
  import Running from './Running.svelte';

  /** One session, one player: the page is made anew for another session. */
  let { played, outbox: all }: { played: PlayedSession; outbox: Outbox } = $props();
  // svelte-ignore state_referenced_locally
  const { session, client, units, shelf } = played;
  const base = `/people/${client.id}`;
  // svelte-ignore state_referenced_locally
  const outbox = new SessionLetters(all, { clientId: client.id, sessionId: session.id, of: sessionOf(played) });
  // svelte-ignore state_referenced_locally
  const player = new Player({ ...played, sessionId: session.id, ended: session.status !== 'running', outbox });
  const tones = new Tones(client.id, shelf, units.length);
  const askKey = `calm-reach/ask/${client.id}`;
  player.askAfter = askTimes.find((time) => time === stored(askKey)) ?? 'each set';
  $effect(() => void store(askKey, player.askAfter));
  // From here on this device can go on by itself, and knows when it is over.
  $effect(() => {
    const status = player.mode !== 'ended' ? session.status : player.stopped ? 'stopped' : 'done';
    void keepPlayed({ ...played, session: { ...session, status } });
  });
  const tab = new OneTab();
  $effect(() => tab.hold(`calm-reach/session/${session.id}`));
  /** Ending is asked for once: it cannot be taken back. */
  let asksEnd = $state(false);
  const isAsking = $derived(player.mode === 'ask' || player.mode === 'notes' || player.mode === 'leave out');
  /** The set that runs, or that is asked about. */
  const set = $derived(isAsking ? player.asked : player.set);
  const exercise = $derived(player.find(isAsking ? player.asked.exerciseId : player.shown.exerciseId));

  /** The settle has begun: the breath alone. Paused, everything else is there again. */
  const isSettling = $derived(
    !player.paused && player.phase.kind !== 'ready' && !isAsking && player.find(player.set.exerciseId).phases[0] === 'settle'
  );

  /** Time for the player, the tones that go with it, and a dark room whatever the page is. */
  $effect(() => {
    const root = document.documentElement;
    const themeBefore = root.dataset.theme;
    root.dataset.theme = 'dark';
    void outbox.send();
    let last = performance.now();
    const timer = setInterval(() => {
      const now = performance.now();
      player.tick((now - last) / 1000);
      last = now;
      tones.follow(player);
    }, 100);
    return () => {
      clearInterval(timer);
      root.dataset.theme = themeBefore;
    };
  });

  /** The screen stays on while time runs, where the browser can; a page that was away asks again. */
  let visits = $state(0);
  $effect(() => {
    void visits;
    if (player.paused || !('wakeLock' in navigator)) return;
    const lock = navigator.wakeLock.request('screen').catch(() => null);
    return () => void lock.then((held) => held?.release());
  });

  function onKey(e: KeyboardEvent) {
    if (e.key === 'Escape') {
      e.preventDefault();
      if (player.mode === 'pain') player.goBack();
      else player.askPain();
      return;
    }
    if (
      player.mode !== 'play' ||
      (e.target instanceof HTMLElement && e.target.closest('button, a, input') && (e.key === ' ' || e.key === 'Enter'))
    )
      return;
    const actions: Record<string, () => void> = {
      ' ': () => player.togglePause(),
      ArrowRight: () => player.skip(),
      ArrowLeft: () => player.back(),
      ArrowUp: () => player.extend()
    };
    const action = actions[e.key];
    if (!action) return;
    e.preventDefault();
    action();
  }
</script>

<svelte:head><title>{player.mode === 'ended' ? 'Done' : exercise.name} · {client.name} · Calm Reach</title></svelte:head>
<svelte:window onkeydown={onKey} ononline={() => void outbox.send()} />
<svelte:document onvisibilitychange={() => (visits += 1)} />

<main class="flex min-h-dvh flex-col gap-3 bg-chalk p-5 text-ink lg:px-8 {player.mode === 'ended' ? '' : 'lg:h-dvh'}">
  <header class="flex items-start gap-4">
    <div class="grow leading-tight">
      <h1 class="text-xl font-normal text-ink-soft">{player.mode === 'ended' ? client.name : exercise.name}</h1>
    </div>
    <p class="text-right text-lg text-ink-soft">
      {#if player.mode !== 'ended'}
        {set.setCount > 1 ? `set ${set.setNo} of ${set.setCount} · ` : ''}{clockText(player.doneS)} of {clockText(player.totalS)}
      {/if}
      {#if outbox.waiting > 0}<span class="block text-ink" role="status"
          >{outbox.waiting} kept here, waiting for the connection</span
        >{/if}
      {#if tab.isElsewhere}<span class="block text-stop" role="alert"
          >This session is open in another tab too: go on in one of them. Of a set said in both, what is said later stands.</span
        >{/if}
      {#each outbox.notices as text (text)}<span class="block text-stop" role="alert">{text}</span>{/each}
      {#if outbox.isFull || !player.isPlaceKept}<span class="block text-stop" role="alert"
          >This browser has no room left. Leave this page open until everything is sent; make room on the device.</span
        >{/if}
    </p>
    {#if player.mode !== 'ended' && player.barred.length > 0}
      <p class="max-w-md text-base leading-snug text-stop" role="status">
        Not played any more: {[
          ...new Set(player.barred.map((b) => `${player.find(b.exerciseId).name.toLowerCase()}${b.side ? `, ${b.side}` : ''}`))
        ].join('; ')}. {player.barred[0]?.why}
      </p>
    {/if}
    {#if player.mode !== 'ended'}
      <Tip text="Sound {tones.on ? 'on' : 'off'}">
        {#snippet children(props)}
          <button
            {...props}
            class="btn btn-quiet -mt-2 min-h-11 min-w-11 p-0"
            aria-pressed={tones.on}
            aria-label="Sound"
            onclick={() => tones.toggle()}
          >
            {#if tones.on}<Volume2 size={24} />{:else}<VolumeX size={24} />{/if}
          </button>
        {/snippet}
      </Tip>
    {/if}
  </header>

  {#if player.mode === 'ended'}
    <Ended {player} {base} retest={session.retest} {played} {outbox} />
  {:else if player.mode === 'pain' || player.mode === 'advice'}
    <PainPicker {player} />
  {:else if isAsking}
    {#key player.asked.index}<AfterSet
        {player}
        sensationCap={played.sensationCap}
        {units}
        lastTime={played.lastTimes[`${player.asked.exerciseId}/${player.asked.side}`]}
      />{/key}
  {:else}
    <div class="grid min-h-0 grow gap-4 lg:grid-cols-[1fr_30rem]">
      {#if isSettling}
        <QuietBreath {player} breathS={played.breathS} />
      {:else}
        <Running {player} {shelf} unit={units.length} />
      {/if}
      <PlayerScene {player} body={client.body} {shelf} unit={units.length} />
    </div>
    <!-- While it is paused its place is for what can be changed. -->
    <div class="max-sm:hidden max-lg:[@media(max-height:60rem)]:hidden" class:hidden={player.paused || isSettling}>
      <EffortCurve
        phases={player.phases}
        width={1200}
        height={110}
        scalePct={70}
        atS={player.elapsedS}
        fluid
        label="Effort curve of this set"
      />
    </div>
  {/if}

  {#if player.mode !== 'ended'}
    <footer class="sticky bottom-0 flex flex-wrap items-stretch gap-2 bg-chalk py-2 sm:gap-3">
      {#if player.mode === 'play'}
        <button class="btn min-h-14 text-lg max-sm:grow max-sm:px-2 sm:min-h-16 sm:min-w-32" onclick={() => player.togglePause()}
          >{player.paused ? (player.elapsedS > 0 ? 'Go on' : 'Start') : 'Pause'}</button
        >
        <button class="btn min-h-14 text-lg max-sm:grow max-sm:px-2 sm:min-h-16" onclick={() => player.back()}>Back</button>
        <button class="btn min-h-14 text-lg max-sm:grow max-sm:px-2 sm:min-h-16" onclick={() => player.skip()}>Skip</button>
        <button class="btn min-h-14 text-lg max-sm:grow max-sm:px-2 sm:min-h-16" onclick={() => player.extend()}>+ 10 s</button>
        {#if player.mayAdd && player.counted}<button
            class="btn min-h-14 text-lg max-sm:grow max-sm:px-2 sm:min-h-16"
            onclick={() => player.addMore()}>+ 1 {player.counted.one}</button
          >{/if}
        {#if player.moreOnOther > 0 && player.counted}<button
            class="btn min-h-14 text-lg max-sm:grow sm:min-h-16"
            onclick={() => player.addMore(player.moreOnOther)}
            >As the other side: {plural(player.moreOnOther, player.counted.one)} more</button
          >{/if}
        {#if player.endsByWord && player.phase.kind !== 'ready'}<button
            class="btn min-h-14 text-lg max-sm:grow max-sm:px-2 sm:min-h-16"
            onclick={() => player.enough()}>{player.work.form.kind === 'hold' ? 'It has eased' : 'That was the last'}</button
          >{/if}
        {#if player.paused}
          {#if player.mayEase}<button class="btn btn-quiet sm:min-h-16" onclick={() => player.ease()}>One step easier</button
            >{/if}
          {#if player.otherSide}<button class="btn btn-quiet sm:min-h-16" onclick={() => player.swapSides()}
              >Other side first</button
            >{/if}
          <button class="btn btn-quiet sm:min-h-16" onclick={() => player.askWhyLeftOut()}>Leave this set out</button>
          <button class="btn btn-quiet sm:min-h-16" aria-expanded={asksEnd} onclick={() => (asksEnd = !asksEnd)}>End here</button>
          <a class="btn btn-quiet sm:min-h-16" href="{base}/practise">Come back later</a>
          {#if asksEnd}
            <p class="flex basis-full flex-wrap items-center gap-3 rounded-soft border-2 border-ink p-3 text-lg" role="alert">
              <span class="flex-1 basis-60"
                >End the session here? {plural(player.setsLeft, 'set')} would be left out. What was done is kept.</span
              >
              <button class="btn" onclick={() => player.finishEarly()}>End it</button>
              <button class="btn btn-primary" onclick={() => (asksEnd = false)}>No, go on</button>
            </p>
          {:else}
            <p class="basis-full text-ink-soft max-lg:hidden">
              Keys: space starts and pauses, right arrow skips, left arrow goes back, up arrow adds ten seconds, Escape tells
              pain.
            </p>
          {/if}
        {/if}
      {/if}
      <button
        class="btn ml-auto min-h-16 min-w-52 border-2 border-stop text-xl text-stop max-sm:min-w-44 max-sm:grow-3"
        aria-keyshortcuts="Escape"
        onclick={() => (player.mode === 'pain' ? player.goBack() : player.askPain())}
        >{player.mode === 'pain' ? 'No, go back' : 'Pain'}</button
      >
    </footer>
  {/if}
</main>
