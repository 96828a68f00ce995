<script lang="ts">
  import { urgentSignsText, type Body, type Material, type Prop } from '$lib/core';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import type { LengthUnit } from '$lib/contract/fields';
  import ExerciseDrawing from '$lib/ui/drawing/ExerciseDrawing.svelte';
  import { capital } from '$lib/ui/format';
  import { stackLine } from '$lib/ui/stackText';
  import type { Player } from './player.svelte';

  type Props = {
    player: Player;
    body: Body;
    shelf: readonly (Prop & { material: Material })[];
    unit: LengthUnit;
  };
  let { player, body, shelf, unit }: Props = $props();
  const exercise = $derived(player.find(player.shown.exerciseId));
  /** Of a movement inside a flow only its own figure; of the set its stacks as well. */
  const isOfSet = $derived(player.shown.exerciseId === player.set.exerciseId);
  const stacks = $derived((isOfSet && player.work.stacks) || []);
  /** The arrow of the effort that is on; between efforts, of both. */
  const effort = $derived.by((): ('press' | 'draw')[] => {
    const { kind } = player.phase;
    return kind.startsWith('press') ? ['press'] : kind.startsWith('draw') ? ['draw'] : ['press', 'draw'];
  });
</script>

<section class="flex min-h-0 flex-col gap-3" aria-label="Shape and stop signs">
  {#if exercise.pose || stacks.length > 0}
    <ExerciseDrawing
      {exercise}
      side={player.shown.side ?? 'right'}
      setting={isOfSet ? player.work.setting : exercise.start}
      {stacks}
      efforts={effort}
      {shelf}
      {body}
      label="{exercise.name}{player.shown.side ? `, ${player.shown.side} ${exercise.sideWords}` : ''}"
      size="max-h-[38vh] max-lg:max-h-40 max-sm:max-h-20"
    />
  {:else}
    <div class="text-xl leading-snug max-sm:hidden">
      {#each exercise.setup as step (step)}<p>{step}</p>{/each}
    </div>
  {/if}
  {#if isOfSet && player.set.work.variant}<p class="text-xl max-sm:text-base">{capital(player.set.work.variant)}.</p>{/if}
  {#each stacks as stack (stack.dialId)}
    <p class="text-xl max-sm:text-base">{stackLine(exercise, stack, shelf, unit)}</p>
  {/each}
  <p class="leading-snug max-sm:hidden">
    <strong>Felt:</strong>
    {exercise.felt}. <span class="text-ink-soft">Not: {exercise.notFelt}.</span>
  </p>
  {#if player.isEased}<p class="text-xl text-ink-soft">One step easier today.</p>{/if}
  <GateNotes within={player.set.work.notes} compact />
  <div class="rounded-soft border border-stop px-3 py-2 max-sm:px-2 max-sm:py-1 lg:mt-auto">
    <h2 class="text-base text-stop max-sm:sr-only">Stop signs</h2>
    <ul class="leading-snug max-sm:text-sm max-sm:leading-tight [&>li]:max-sm:inline">
      {#each exercise.stops as stop (stop)}<li>{`${stop} `}</li>{/each}
      <li>{urgentSignsText}: stop, medical help now.</li>
    </ul>
  </div>
</section>
