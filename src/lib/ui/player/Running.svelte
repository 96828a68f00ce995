<script lang="ts">
  import type { Prop } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import { capital, clockText } from '$lib/ui/format';
  import { policiesText } from '$lib/ui/schoolText';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { checksOf, countText, cueOf, howOf, stackChangeText } from './cueText';
  import { askTimes, type Player } from './player.svelte';

  type Props = { player: Player; shelf: readonly Prop[]; unit: LengthUnit };
  let { player, shelf, unit }: Props = $props();
  const exercise = $derived(player.find(player.shown.exerciseId));
  const cue = $derived(cueOf(player.phase, player.announcedPct, player.set));
  const how = $derived(howOf(player.phase, exercise));
  /** One check at a time, another with every phase; all of them are in the set-up. */
  const checks = $derived(checksOf(exercise, { form: player.work.form, rules: player.set.work.rules }));
  const check = $derived(checks[player.phaseIndex % Math.max(1, checks.length)]);
  const isReady = $derived(player.phase.kind === 'ready' || player.phase.kind === 'rest');
  /** The prop change of this set, in words, while there is time to make it. */
  const stackChange = $derived(
    stackChangeText(player.find(player.set.exerciseId), player.work, player.sets[player.setIndex - 1]?.work, shelf, unit)
  );
  const tone = { ink: 'text-ink', iris: 'text-iris', fern: 'text-fern' } as const;
  const upcoming = $derived.by(() => {
    const named = ({ exerciseId, side }: { exerciseId: string; side: string | null }) =>
      `${player.find(exerciseId).name}${side ? `, ${side}` : ''}`;
    if (player.nextShown) return named(player.nextShown);
    const following = player.phases[player.phaseIndex + 1];
    if (following)
      return cueOf(following, Math.max(Math.abs(following.fromPct), Math.abs(following.toPct)), player.set).text.toLowerCase();
    if (!player.next) return 'the end';
    return named(player.next);
  });
</script>

<section class="flex min-w-0 flex-col gap-1" aria-label="Now">
  {#if player.shown.side}
    <p class="flex items-center gap-2 text-2xl font-bold {player.shown.side === 'left' ? 'text-lake' : 'text-ochre'}">
      <SideMark side={player.shown.side} size={26} />
      {player.shown.side}
      {exercise.sideWords}
    </p>
  {/if}
  <p
    class="text-[clamp(10rem,20vw,13rem)] max-sm:text-[6rem] leading-[0.95] font-bold"
    role="timer"
    aria-label="{Math.ceil(player.remainingS)} seconds left"
  >
    {clockText(Math.ceil(player.remainingS))}
  </p>
  <div class="flex flex-wrap gap-x-5 text-[clamp(2.5rem,6.5vw,4.75rem)] leading-none font-bold">
    <p class={tone[cue.tone]} aria-live="assertive">{cue.text}</p>
    {#if player.count}<p>{countText(player.count)}</p>{/if}
  </div>
  {#if player.paused}<p class="text-2xl font-bold text-ink-soft" role="status">Paused</p>{/if}
  <p class="mt-2 text-2xl leading-snug max-sm:mt-1 max-sm:text-xl">{capital(how)}</p>
  {#if check}<p class="text-xl text-ink-soft max-sm:text-base">{capital(check)}</p>{/if}
  {#if isReady && player.set.work.rules}<p class="text-xl font-semibold">{policiesText(player.set.work.rules)}</p>{/if}
  {#if isReady && stackChange}<p class="text-2xl font-semibold">{stackChange}</p>{/if}
  {#if player.paused}
    <label class="mt-3 flex flex-wrap items-center gap-3 text-lg">
      Ask how it was
      <select class="input w-auto min-h-11" bind:value={player.askAfter}>
        {#each askTimes as time (time)}<option value={time}>after {time}</option>{/each}
      </select>
    </label>
  {/if}
  <p class="mt-auto text-lg text-ink-soft max-sm:text-base">next: {upcoming}</p>
</section>
