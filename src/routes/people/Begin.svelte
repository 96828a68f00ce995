<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import { version } from '$app/environment';
  import { goalFigureHref } from '$lib/contract/figureAsk';
  import { plural } from '$lib/ui/format';

  /** The first page of a studio that has nobody yet: what comes first, or an example to look at. */
  type Props = {
    shelfCount: number;
    /** Nobody was ever here: an example would not be mixed with real records. */ isStart: boolean;
  };
  let { shelfCount, isStart }: Props = $props();
  let making = $state(false);
  const figures = ['front_split', 'pancake', 'lotus', 'turnout'].flatMap((id) => goalFigureHref(id, version) ?? []);
</script>

<section class="mt-6" aria-labelledby="begin">
  <div class="flex flex-wrap items-end justify-between gap-x-8 gap-y-4">
    <div class="max-w-2xl">
      <h2 id="begin" class="text-2xl">Three things, then the work begins</h2>
      <p class="mt-1">
        Toward a split, a pancake, a lotus, a turnout or a single joint range, everybody goes along one path: check, measure,
        read, grade, plan, practise, review. <a class="underline underline-offset-4" href="/help">How the work flows</a>
      </p>
    </div>
    <div class="flex items-end gap-5" aria-hidden="true">
      {#each figures as src (src)}<img {src} alt="" class="h-14 w-20 object-contain" />{/each}
    </div>
  </div>
  <ol class="mt-6 grid gap-4 md:grid-cols-3">
    <li class="card flex flex-col gap-2">
      <h3 class="flex items-center gap-2">
        1. The shelf {#if shelfCount > 0}<Check size={20} class="text-fern" aria-label="done" />{/if}
      </h3>
      <p class="grow">
        {shelfCount > 0
          ? `${plural(shelfCount, 'kind')} of props stand on it. Stacks are built from these.`
          : 'Write down the blocks, books and boxes that you have, with their heights. Stacks are built from these, to the half centimetre. It can wait, where the goal needs no stack.'}
      </p>
      <p>
        <a class="btn {shelfCount > 0 ? '' : 'btn-primary'}" href="/props"
          >{shelfCount > 0 ? 'See the shelf' : 'Put the shelf in'}</a
        >
      </p>
    </li>
    <li class="card flex flex-col gap-2">
      <h3>2. A person</h3>
      <p class="grow">A name, the year of birth, the height, how far they are. Everything else is asked where it is needed.</p>
      <p><a class="btn btn-primary" href="/people/new">Add the first person</a></p>
    </li>
    <li class="card flex flex-col gap-2">
      <h3>3. Their goal</h3>
      <p class="grow">It is chosen from pictures, right after the name. The path then leads from station to station.</p>
      <p class="text-ink-soft">Opens with the person.</p>
    </li>
  </ol>
  {#if isStart}
    <form
      method="POST"
      action="/example"
      class="card mt-4 flex flex-wrap items-center gap-x-6 gap-y-3"
      onsubmit={() => (making = true)}
    >
      <div class="flex-1 basis-80">
        <h3>Or look at an example first</h3>
        <p>
          An invented person, nine weeks on the way to a split{shelfCount > 0 ? '' : ', with a shelf'}. It can be taken away again
          whole, with one button.
        </p>
      </div>
      <button class="btn" aria-disabled={making}>Look at an example person</button>
      <p role="status" class="basis-full text-ink-soft empty:hidden">
        {making ? 'Nine weeks are being told: this takes some seconds.' : ''}
      </p>
    </form>
  {/if}
  <p class="mt-4 text-ink-soft">Calm Reach does not diagnose. Licensed practice and local rules come first.</p>
</section>
