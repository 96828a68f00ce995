<script lang="ts">
  import { exerciseOf } from '$lib/core';
  import { clockText } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { cueOf, howOf } from './cueText';
  import type { Player } from './player.svelte';

  let { player }: { player: Player } = $props();
  const exercise = $derived(exerciseOf(player.set.exerciseId));
  const cue = $derived(cueOf(player.phase, player.announcedPct, player.set));
  const how = $derived(howOf(player.phase, player.set));
  const tone = { ink: 'text-ink', ember: 'text-ember', fern: 'text-fern' } as const;
  const upcoming = $derived.by(() => {
    const following = player.phases[player.phaseIndex + 1];
    if (following)
      return cueOf(following, Math.max(Math.abs(following.fromPct), Math.abs(following.toPct)), player.set).text.toLowerCase();
    if (!player.next) return 'the end';
    return `${exerciseOf(player.next.exerciseId).name}${player.next.side ? `, ${player.next.side}` : ''}`;
  });
</script>

<section class="flex min-w-0 flex-col gap-1" aria-label="Now">
  {#if player.set.side}
    <p class="flex items-center gap-2 text-2xl font-bold {player.set.side === 'left' ? 'text-lake' : 'text-ochre'}">
      <SideMark side={player.set.side} size={26} />
      {player.set.side}
      {exercise.sideWords}
    </p>
  {/if}
  <p
    class="text-[clamp(10rem,20vw,13rem)] max-sm:text-[8.5rem] leading-[0.95] font-bold"
    role="timer"
    aria-label="{Math.ceil(player.remainingS)} seconds left"
  >
    {clockText(Math.ceil(player.remainingS))}
  </p>
  <p class="text-[clamp(2.5rem,6.5vw,4.75rem)] leading-none font-bold {tone[cue.tone]}" aria-live="assertive">
    {player.paused ? 'Paused' : cue.text}
  </p>
  <p class="mt-2 text-2xl leading-snug">{how}</p>
  {#if exercise.checks.length > 0}<p class="text-xl text-ink-soft">{exercise.checks.join(' · ')}</p>{/if}
  <p class="mt-auto text-lg text-ink-soft">then {upcoming}</p>
</section>
