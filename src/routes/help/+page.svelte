<script lang="ts">
  import { stationIds } from '$lib/contract/path';
  import { capital } from '$lib/ui/format';
  import { glossary } from '$lib/ui/glossary';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { stationText } from '$lib/ui/stationText';

  const keys = [
    ['Space', 'pause the session and go on'],
    ['Right arrow', 'skip to the next part'],
    ['Left arrow', 'back to the part before'],
    ['Up arrow', 'ten seconds more'],
    ['Escape', 'say that something hurts, while a session plays'],
    ['/', 'find a person or an exercise'],
    ['?', 'open this page']
  ] as const;
</script>

<svelte:head><title>Help · Calm Reach</title></svelte:head>

<main class="mx-auto max-w-6xl p-5">
  <h1>How the work flows</h1>
  <p class="mt-1 max-w-3xl">
    Every person goes along seven stations. The path at the top of their pages shows what is done and what comes next. What is
    closed says why on its own page.
  </p>
  <ol class="mt-4 grid gap-3 sm:grid-cols-2 lg:grid-cols-4">
    {#each stationIds as id, i (id)}
      <li class="card">
        <h2>{i + 1}. {capital(id)}</h2>
        <p class="mt-1">{stationText[id]}</p>
      </li>
    {/each}
    <li class="card border-stop">
      <h2 class="text-stop">At any time: Tell pain</h2>
      <p class="mt-1">What hurts is eased or stopped at once, on every page, until it is cleared.</p>
    </li>
  </ol>

  <div class="mt-6 grid gap-6 lg:grid-cols-2">
    <section aria-labelledby="pictures">
      <h2 id="pictures">What the pictures mean</h2>
      <dl class="mt-2 grid grid-cols-[6rem_1fr] items-center gap-x-4 gap-y-3">
        <dt>
          <svg viewBox="0 0 60 24" class="w-16" aria-hidden="true"
            ><path d="M2 18H58" stroke="var(--color-ink)" stroke-width="2.5" /></svg
          >
        </dt>
        <dd>The dark line is the floor. Heights are counted from it.</dd>
        <dt class="flex gap-2"><SideMark side="left" size={18} /><SideMark side="right" size={18} /></dt>
        <dd>
          Half-discs are the sides: the left one is blue with its flat edge on the right, the right one ochre with its flat edge
          on the left.
        </dd>
        <dt>
          <svg viewBox="0 0 60 24" class="w-16" aria-hidden="true"
            ><path d="M2 4H20V11H40V18H58" fill="none" stroke="var(--color-ink)" stroke-width="2.5" /></svg
          >
        </dt>
        <dd>
          A staircase is the way to the goal over the weeks. Down is toward the goal; each step is a stack, or a measure until the
          next.
        </dd>
        <dt>
          <svg viewBox="0 0 60 24" class="w-16" aria-hidden="true"
            ><rect x="2" y="5" width="24" height="14" fill="none" stroke="var(--color-ink)" stroke-width="2" /><rect
              x="34"
              y="5"
              width="24"
              height="14"
              fill="var(--color-ink)"
            /></svg
          >
        </dt>
        <dd>Outline is the passive reach, solid is the active hold.</dd>
        <dt>
          <svg viewBox="0 0 60 24" class="w-16" aria-hidden="true"
            ><path d="M4 12H44" stroke="var(--color-mulberry)" stroke-width="3" /><path
              d="M56 12L42 5V19Z"
              fill="var(--color-mulberry)"
            /></svg
          >
        </dt>
        <dd>A plum arrow shows the way a movement goes. The pale figure is where it begins, or where it was measured.</dd>
        <dt>
          <svg viewBox="0 0 60 24" class="w-16" aria-hidden="true"
            ><path d="M2 19L12 5H26L32 19" fill="var(--color-iris)" opacity="0.5" /><path
              d="M34 5L40 19H52L58 5"
              fill="var(--color-fern)"
              opacity="0.5"
            /></svg
          >
        </dt>
        <dd>
          Violet is a press, above the line. Green is a draw, below it. A ring with a cross is an arrow that goes straight into
          the picture, a ring with a dot one that comes out of it.
        </dd>
      </dl>
    </section>
    <section aria-labelledby="keys">
      <h2 id="keys">Keys</h2>
      <dl class="mt-2 grid grid-cols-[8rem_1fr] gap-x-4 gap-y-2">
        {#each keys as [key, text] (key)}
          <dt><kbd class="rounded-soft border border-edge bg-paper px-2 py-0.5 font-semibold">{key}</kbd></dt>
          <dd>{text}</dd>
        {/each}
      </dl>
      <h2 class="mt-6">Where numbers come from</h2>
      <p class="mt-1">
        A number with a question mark beside it explains itself: what went in, how it is reckoned, and whether it is published,
        common practice or our own estimate. What was never measured is called so. A change that is smaller than the measuring
        error is called too small to be sure.
      </p>
      <p class="mt-2 text-ink-soft">
        Calm Reach does not diagnose. Its limits are cautious defaults. Licensed practice and local rules come first.
      </p>
    </section>
  </div>

  <section class="mt-6" aria-labelledby="words">
    <h2 id="words">Words</h2>
    <dl class="mt-2 grid gap-x-8 gap-y-3 sm:grid-cols-2">
      {#each glossary as { word, means, term } (word)}
        <div>
          <dt>
            <strong>{word}</strong>{#if term}<span class="text-ink-soft"> · {term}</span>{/if}
          </dt>
          <dd>{means}</dd>
        </div>
      {/each}
    </dl>
  </section>
</main>
