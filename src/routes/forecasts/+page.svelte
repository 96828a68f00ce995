<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import { scoresNeeded, shareWithin } from '$lib/core';
  import { plural } from '$lib/ui/format';

  let { data } = $props();
  type Count = { scores: number; held50: number; held90: number };
  const sumOf = (counts: readonly Count[]): Count =>
    counts.reduce((sum, c) => ({ scores: sum.scores + c.scores, held50: sum.held50 + c.held50, held90: sum.held90 + c.held90 }), {
      scores: 0,
      held50: 0,
      held90: 0
    });
  const horizons = [
    { ahead: 'to 4', label: 'up to 4 weeks ahead' },
    { ahead: '5 to 8', label: '5 to 8 weeks ahead' },
    { ahead: 'over 8', label: 'more than 8 weeks ahead' }
  ] as const;
  const rows = $derived([
    { label: 'All goals', ...sumOf(data.counts) },
    ...[...new Set(data.counts.map((c) => c.goal))].map((goal) => {
      const own = data.counts.filter((c) => c.goal === goal);
      return { label: `${goal}, ${plural(Math.max(...own.map((c) => c.people)), 'person', 'people')}`, ...sumOf(own) };
    })
  ]);
  const ahead = $derived(horizons.map((h) => ({ ...h, ...sumOf(data.counts.filter((c) => c.ahead === h.ahead)) })));
  const all = $derived(rows[0]!);
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  /** How often, with what that share may be; nothing while there are too few to tell. */
  function heldText(held: number, of: number): string {
    if (of < scoresNeeded) return `${held} of ${of}, too few to tell`;
    const { share, low, high } = shareWithin(held, of);
    return `${held} of ${of}: ${percent(share)} (${percent(low)} to ${percent(high)})`;
  }
  const verdict = $derived.by(() => {
    if (all.scores < scoresNeeded) return `Too few to tell: ${scoresNeeded} are needed, there are ${all.scores}.`;
    const { low, high } = shareWithin(all.held90, all.scores);
    if (high < 0.9) return 'They hold less often than they say: take them as too narrow.';
    if (low > 0.9) return 'They hold more often than they say: they are wider than they need to be.';
    return 'They hold about as often as they say.';
  });
</script>

<svelte:head><title>Forecasts · Calm Reach</title></svelte:head>

<main class="mx-auto flex max-w-5xl flex-col gap-5 p-5">
  <h1>How often forecasts held</h1>
  <p class="max-w-prose">
    Every forecast is kept with its day. When the goal is measured again, alike, each one made before it is held against the
    measure: was it within the band? Of the wide band nine in ten should be, of the narrow one half.
  </p>
  {#if data.counts.length === 0}
    <section class="card max-w-2xl">
      <h2>None to hold against anything yet</h2>
      <p class="mt-2">The first comes with the second measure of a goal, taken like the first.</p>
    </section>
  {:else}
    <p class="text-lg font-semibold" role="status">{verdict}</p>
    {#snippet table(
      caption: string,
      what: string,
      of: readonly { label: string; scores: number; held50: number; held90: number }[]
    )}
      <Sideways label="Forecasts">
        <table class="w-full text-left">
          <caption class="pb-1 text-left font-semibold">{caption}</caption>
          <thead class="text-ink-soft">
            <tr>
              <th scope="col" class="font-normal">{what}</th>
              <th scope="col" class="font-normal">Band of nine in ten</th>
              <th scope="col" class="font-normal">Band of half</th>
              <th scope="col" class="w-56 font-normal" aria-hidden="true">wide band, mark at nine in ten</th>
            </tr>
          </thead>
          <tbody>
            {#each of as row (row.label)}
              {@const w = row.scores >= scoresNeeded ? shareWithin(row.held90, row.scores) : null}
              <tr class="border-t border-line">
                <th scope="row" class="py-1.5 font-normal">{row.label}</th>
                <td>{heldText(row.held90, row.scores)}</td>
                <td>{heldText(row.held50, row.scores)}</td>
                <td aria-hidden="true">
                  {#if w}
                    <svg viewBox="-6 0 212 20" width="212" height="20">
                      <path d="M0 10H200" stroke="var(--color-line)" stroke-width="2" />
                      <path d="M{w.low * 200} 10H{w.high * 200}" stroke="var(--color-ink-soft)" stroke-width="4" />
                      <circle cx={w.share * 200} cy="10" r="5" fill="var(--color-ink)" />
                      <path d="M180 1V19" stroke="var(--color-mulberry)" stroke-width="2" />
                    </svg>
                  {/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </Sideways>
    {/snippet}
    {@render table('By goal', 'Goal', rows)}
    {@render table(
      'By how far ahead',
      'Ahead',
      ahead.filter((h) => h.scores > 0)
    )}
    <p class="max-w-prose text-ink-soft">
      In brackets what the share may be, 95 % of it, if each were by itself; several forecasts of one person are not, so it may be
      more. A measure that was taken back is not counted.
    </p>
  {/if}
</main>
