<script lang="ts">
  import { enhance } from '$app/forms';
  import { breathsToTap, ownBreathS } from '$lib/core';
  import { keepTyped, sending } from '$lib/ui/sending';

  /** The breath of a person, tapped along: everything that is counted in breaths lasts as long as theirs. */
  type Props = { breath: Readonly<{ s: number; isOwn: boolean }>; name: string };
  let { breath, name }: Props = $props();
  const first = $derived(name.split(' ')[0] ?? name);
  let taps = $state.raw<readonly number[]>([]);
  const tapped = $derived(ownBreathS(taps));
  const kept = sending(async ({ result, update }) => {
    await update({ reset: false });
    if (result.type === 'success') taps = [];
  });
  const told = $derived(Math.max(0, taps.length - 1));
</script>

<section class="card flex flex-col gap-2" aria-label="Breath">
  <h2>Breath</h2>
  <p>
    {breath.isOwn
      ? `One breath of ${first} lasts ${breath.s} s.`
      : `${breath.s} s, the usual slow breath, until ${first}’s own is tapped.`}
  </p>
  <button type="button" class="btn min-h-16 text-lg" onclick={(e) => (taps = [...taps, e.timeStamp])}
    >{taps.length === 0 ? 'Tap at every breath in' : 'Breath in'}</button
  >
  {#if taps.length > 0}
    <p aria-live="polite">
      {#if tapped !== null}{told} breaths: {tapped} s each.
      {:else if told < breathsToTap}{told} of {breathsToTap} breaths.
      {:else}That is no quiet breath, between 3 and 20 s. Begin again.{/if}
    </p>
    <div class="flex gap-2">
      <form method="POST" action="?/breath" use:enhance={kept}>
        <input type="hidden" name="breathS" value={tapped ?? ''} />
        <button class="btn btn-primary" disabled={tapped === null}>Keep {tapped ?? ''} s</button>
      </form>
      <button type="button" class="btn btn-quiet" onclick={() => (taps = [])}>Begin again</button>
    </div>
  {:else if breath.isOwn}
    <form method="POST" action="?/breath" use:enhance={keepTyped}>
      <input type="hidden" name="breathS" value="" />
      <button class="btn btn-quiet">Back to the usual breath</button>
    </form>
  {/if}
</section>
