<script lang="ts">
  import { breathInShare, goesIn } from '$lib/core';
  import { clockText } from '$lib/ui/format';
  import { cueSentence } from '$lib/words/cueWords';
  import type { Player } from './player.svelte';

  /** The settle: nothing but the breath, at the length of theirs; out for longer than in. */
  type Props = { player: Player; breathS: number };
  let { player, breathS }: Props = $props();
  const isIn = $derived(goesIn(player.elapsedS, breathS));
</script>

<section class="flex min-w-0 flex-col items-center justify-center gap-8 text-center" aria-label="Now">
  <p class="max-w-3xl text-2xl leading-snug max-sm:text-lg">{cueSentence(player.phase)}</p>
  <div class="grid size-64 place-items-center max-sm:size-44" aria-hidden="true">
    <div
      class="size-full rounded-full border-4 border-fern bg-fern/25 ease-in-out motion-safe:transition-transform"
      style:transform="scale({isIn ? 1 : 0.55})"
      style:transition-duration="{breathS * (isIn ? breathInShare : 1 - breathInShare)}s"
    ></div>
  </div>
  <p class="text-5xl font-bold">{isIn ? 'In' : 'Out'}</p>
  <p class="text-lg text-ink-soft" role="timer" aria-label="{Math.ceil(player.remainingS)} seconds left">
    {clockText(Math.ceil(player.remainingS))}
  </p>
</section>
