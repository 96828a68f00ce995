<script lang="ts">
  import type { KeptSession } from '$lib/contract/played';
  import Confirm from '$lib/ui/Confirm.svelte';
  import { awayPage } from '$lib/ui/device/awayPath';
  import type { Letter } from '$lib/ui/device/deviceStore';
  import type { Outbox } from '$lib/ui/device/outbox.svelte';
  import { plural, shortDate } from '$lib/ui/format';

  /** What this device holds by itself: sessions that can be played, and what waits to be sent. */
  type Props = { sessions: readonly KeptSession[]; outbox: Outbox; today: string };
  let { sessions, outbox, today }: Props = $props();

  const playable = $derived(sessions.filter((s) => s.session.status === 'running' || s.session.status === 'planned'));
  const startsText = ({ days }: KeptSession): string =>
    days.some((d) => d.on === today) ? `may start until ${shortDate(days.at(-1)!.on)}` : 'may not start today';
  const words: Readonly<Record<Letter['to'], readonly [string, string]>> = {
    start: ['start', 'starts'],
    sets: ['set', 'sets'],
    pain: ['pain', 'pains'],
    finish: ['end', 'ends']
  };
  /** What waits of each session, in words: 1 start, 12 sets. */
  const waiting = $derived(
    [...new Set(outbox.waiting.map((l) => l.of))].map((of) => {
      const mine = outbox.waiting.filter((l) => l.of === of);
      const kinds = [...new Set(mine.map((l) => l.to))];
      return { of, what: kinds.map((to) => plural(mine.filter((l) => l.to === to).length, ...words[to])).join(', ') };
    })
  );
  const letterText = ({ to, body }: Letter): string =>
    to === 'sets' ? `set ${(body as { setIndex: number }).setIndex + 1} of the session` : `the ${words[to][0]} of the session`;
</script>

<main class="mx-auto flex max-w-3xl flex-col gap-5 p-5">
  <h1>Kept on this device</h1>
  <p>
    These work without a connection. Everything else needs the studio. <a class="underline" href="/people" data-sveltekit-reload
      >Try the studio again</a
    >
  </p>
  {#if outbox.isFull}
    <p class="font-semibold text-stop" role="alert">
      This browser has no room left. Leave this page open until everything is sent; make room on the device.
    </p>
  {/if}
  <section aria-label="Sessions">
    <h2>Sessions</h2>
    <ul class="mt-2 flex flex-col gap-2">
      {#each playable as kept (kept.session.id)}
        {@const runs = kept.session.status === 'running'}
        <li class="card flex flex-wrap items-center gap-x-4 gap-y-2 py-2">
          <span class="grow"
            ><strong>{kept.client.name}</strong>, week {kept.session.week}, session {kept.session.ordinal}
            <span class="block text-ink-soft">{runs ? 'has begun' : startsText(kept)}</span></span
          >
          {#if runs || kept.days.some((d) => d.on === today)}
            <a class="btn" href="{awayPage}?session={kept.session.id}">{runs ? 'Go on' : 'Open'}</a>
          {/if}
        </li>
      {:else}<li class="text-ink-soft">
          None. A session is kept here when its Practise page is opened, for that day and the next.
        </li>{/each}
    </ul>
  </section>
  <section aria-label="Waits for the connection">
    <h2>Waits for the connection</h2>
    <ul class="mt-2" aria-live="polite">
      {#each waiting as { of, what } (of)}<li>{of}: {what}</li>{:else}<li class="text-ink-soft">
          Nothing. Everything that was said has arrived.
        </li>{/each}
    </ul>
    {#if waiting.length > 0}<button class="btn mt-2" onclick={() => void outbox.send()}>Send now</button>{/if}
  </section>
  {#if outbox.refused.length > 0}
    <section aria-label="Not taken by the studio" class="rounded-soft border-2 border-stop p-4">
      <h2 class="text-stop">Not taken by the studio</h2>
      <ul class="mt-2 flex flex-col gap-3">
        {#each outbox.refused as letter (letter.id)}
          <li>
            <p>{letter.of}, {letterText(letter)}. {letter.refused}</p>
            <p class="flex gap-2">
              <button class="btn" onclick={() => void outbox.again(letter.id)}>Send it again</button>
              <Confirm
                title="Let it go?"
                text="It was never kept by the studio. Write down first what you need of it."
                yes="Let it go"
                run={() => outbox.letGo(letter.id)}>Let it go</Confirm
              >
            </p>
          </li>
        {/each}
      </ul>
    </section>
  {/if}
</main>
