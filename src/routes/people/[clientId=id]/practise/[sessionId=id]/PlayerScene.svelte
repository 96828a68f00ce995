<script lang="ts">
  import { exerciseOf, poseFigure, urgentSignsText, type Body, type Prop } from '$lib/core';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import type { LengthUnit } from '$lib/contract/fields';
  import Figure from '$lib/ui/drawing/Figure.svelte';
  import { movingFigure } from '$lib/ui/drawing/movingFigure.svelte';
  import Scene from '$lib/ui/drawing/Scene.svelte';
  import StackDrawing from '$lib/ui/drawing/StackDrawing.svelte';
  import { depthText } from '$lib/ui/format';
  import { stackText } from '$lib/ui/stackText';
  import type { Player } from './player.svelte';

  type Props = {
    player: Player;
    body: Body;
    shelf: readonly (Prop & { material: 'cork' | 'felt' | 'steel' })[];
    unit: LengthUnit;
  };
  let { player, body, shelf, unit }: Props = $props();
  const exercise = $derived(exerciseOf(player.shown.exerciseId));
  const rung = $derived(player.work.rung);
  const pose = $derived(
    poseFigure(exercise.pose ?? 'standing', { side: player.shown.side ?? 'right', ...(rung && { value: rung.depthCm }) }, body)
  );
  const moving = movingFigure(() => pose);
  const coloured = $derived(exercise.sides === 'both together' ? 'none' : pose.coloured);
</script>

<section class="flex min-h-0 flex-col gap-3" aria-label="Shape and stop signs">
  <Scene
    minX={pose.box.minX - 5}
    maxX={pose.box.maxX + 5}
    maxY={pose.box.maxY + 2}
    label="{exercise.name}{player.shown.side ? `, ${player.shown.side} ${exercise.sideWords}` : ''}"
    class="max-h-[38vh] w-full max-lg:max-h-40 max-sm:max-h-20"
  >
    {#if rung}
      <StackDrawing
        items={rung.items}
        {shelf}
        x={rung.under === 'lead heel' ? (pose.supports.leadHeel?.x ?? 0) : (pose.supports.pelvis?.x ?? 0)}
      />
    {/if}
    {#if exercise.props.some((p) => p.id === 'block') && pose.supports.hands && pose.supports.hands.y > 4}
      <rect
        x={pose.supports.hands.x - 6}
        y="0"
        width="12"
        height={pose.supports.hands.y}
        rx="0.8"
        fill="var(--color-cork)"
        stroke="var(--color-cork-edge)"
        stroke-width="1.2"
        vector-effect="non-scaling-stroke"
      />
    {/if}
    <Figure pose={moving.current} {coloured} />
  </Scene>
  {#if rung}
    <p class="text-xl">
      <strong>{depthText(rung.depthCm, unit)}</strong>
      {rung.under === 'floor'
        ? ''
        : `under the ${rung.under === 'lead heel' ? 'front heel' : 'pelvis'}: ${stackText(rung.items, shelf)}`}
      {#if player.isEased}<span class="text-ink-soft">(one step easier today)</span>{/if}
    </p>
  {/if}
  <GateNotes within={player.set.work.notes} compact />
  <div class="rounded-soft border border-stop px-3 py-2 max-sm:px-2 max-sm:py-1 lg:mt-auto">
    <h2 class="text-base text-stop max-sm:sr-only">Stop signs</h2>
    <ul class="leading-snug max-sm:text-sm max-sm:leading-tight [&>li]:max-sm:inline">
      {#each exercise.stops as stop (stop)}<li>{`${stop} `}</li>{/each}
      <li>{urgentSignsText}: stop, medical help now.</li>
    </ul>
  </div>
</section>
