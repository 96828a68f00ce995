<script lang="ts">
  import { exerciseOf } from '$lib/core';
  import { feltPlaces, slips } from '$lib/contract/forms';
  import { capital } from '$lib/ui/format';
  import type { Notes, Player } from './player.svelte';

  type Props = { player: Player; sensationCap: number };
  let { player, sensationCap }: Props = $props();
  const exercise = $derived(exerciseOf(player.set.exerciseId));
  let notes = $state<Notes>({ sensation: null, felt: null, slipped: null });
  const feltText = $derived<Record<(typeof feltPlaces)[number], string>>({
    expected: exercise.felt,
    elsewhere: 'another muscle',
    'closing side': 'closing side, a pinch',
    joint: 'in a joint'
  });
  const chosen = 'border-mulberry text-mulberry shadow-[inset_0_0_0_1.5px_var(--color-mulberry)]';
  const scale = Array.from({ length: 11 }, (_, i) => i);
  let cleanButton: HTMLButtonElement | undefined = $state();
  $effect(() => cleanButton?.focus());
</script>

{#if player.mode === 'ask'}
  <section class="flex grow flex-col justify-center gap-6" aria-label="How was the set">
    <h2 class="text-4xl">That set{player.set.side ? `, ${player.set.side} ${exercise.sideWords}` : ''}?</h2>
    <div class="grid gap-4 lg:grid-cols-2">
      <button
        class="btn min-h-44 flex-col gap-1 border-2 border-ink text-4xl"
        bind:this={cleanButton}
        onclick={() => player.clean()}
      >
        Clean
        <span class="text-lg font-normal text-ink-soft">whole time, right place, at most {sensationCap} of 10, shape kept</span>
      </button>
      <button class="btn min-h-44 flex-col gap-1 text-4xl" onclick={() => (player.mode = 'notes')}>
        Not quite
        <span class="text-lg font-normal text-ink-soft">three small questions</span>
      </button>
    </div>
    <p><button class="btn btn-quiet text-lg" onclick={() => player.notDone()}>It was not done</button></p>
  </section>
{:else}
  <section class="flex grow flex-col justify-center gap-5" aria-label="What was not quite">
    <fieldset>
      <legend class="mb-2 text-2xl font-semibold">How strong, at its most?</legend>
      <div class="flex flex-wrap gap-2">
        {#each scale as n (n)}
          <button
            class="btn min-h-14 min-w-14 text-xl {notes.sensation === n ? chosen : ''}"
            aria-pressed={notes.sensation === n}
            onclick={() => (notes.sensation = n)}>{n}</button
          >
        {/each}
        <span class="self-center text-ink-soft">cap {sensationCap}</span>
      </div>
    </fieldset>
    <fieldset>
      <legend class="mb-2 text-2xl font-semibold">Where felt?</legend>
      <div class="flex flex-wrap gap-2">
        {#each feltPlaces as place (place)}
          <button
            class="btn min-h-14 text-lg {notes.felt === place ? chosen : ''}"
            aria-pressed={notes.felt === place}
            onclick={() => (notes.felt = place)}>{capital(feltText[place])}</button
          >
        {/each}
      </div>
    </fieldset>
    <fieldset>
      <legend class="mb-2 text-2xl font-semibold">What slipped?</legend>
      <div class="flex flex-wrap gap-2">
        {#each slips as slip (slip)}
          <button
            class="btn min-h-14 text-lg {notes.slipped === slip ? chosen : ''}"
            aria-pressed={notes.slipped === slip}
            onclick={() => (notes.slipped = slip)}>{capital(slip)}</button
          >
        {/each}
      </div>
    </fieldset>
    <div class="flex gap-3">
      <button class="btn btn-primary min-h-14 text-xl" onclick={() => player.keepNotes(notes)}>Keep</button>
      <button class="btn min-h-14 text-lg" onclick={() => (player.mode = 'ask')}>Back</button>
      <p class="self-center text-ink-soft">What is left open stays open: nothing is deepened on it.</p>
    </div>
  </section>
{/if}
