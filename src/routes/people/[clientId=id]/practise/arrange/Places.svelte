<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import Copy from '@lucide/svelte/icons/copy';
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import Repeat from '@lucide/svelte/icons/repeat-2';
  import X from '@lucide/svelte/icons/x';
  import { dragHandle, dragHandleZone, type DndEvent } from 'svelte-dnd-action';
  import type { LengthUnit } from '$lib/contract/fields';
  import { sides, type FindExercise, type Work } from '$lib/core';
  import { clockText } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { doseText, heightText } from '$lib/ui/session/doseText';
  import type { ArrangementState, Place } from './arrangement.svelte';

  /** The exercises of a session in their order: dragged by the handle, or moved by the arrows. */
  type Props = { hand: ArrangementState; find: FindExercise; unit: LengthUnit };
  let { hand, find, unit }: Props = $props();

  const take = ({ detail }: CustomEvent<DndEvent<Place>>) => (hand.places = detail.items);
  /** What is fetched for a place that did not lie there for the one before it. */
  const fetchedAt = (index: number): readonly string[] => {
    const before = index > 0 ? hand.blockOf(hand.places[index - 1]!.exerciseId)?.props : [];
    return hand.blockOf(hand.places[index]!.exerciseId)?.props.filter((p) => !before?.includes(p)) ?? [];
  };
  /** What is done in a place: as the day and the cuts leave it; what was cut altogether as it was before. */
  function shownAt(index: number): readonly Work[] {
    const given = hand.givenAt(index);
    if (given) return given.block.work;
    const place = hand.places[index]!;
    const more = hand.setsOf(place) - (hand.blockOf(place.exerciseId)?.baseSets ?? 1);
    return hand.workAt(place).map((w) => ({ ...w, sets: w.sets + more }));
  }
</script>

<ol
  class="rounded-soft border border-line bg-paper"
  aria-label="Exercises of this session"
  use:dragHandleZone={{ items: hand.places, flipDurationMs: 0, dropTargetStyle: {} }}
  onconsider={take}
  onfinalize={take}
>
  {#each hand.places as place, i (place.id)}
    {@const block = hand.blockOf(place.exerciseId)}
    {@const exercise = find(place.exerciseId)}
    {@const seconds = hand.givenAt(i)?.seconds ?? null}
    <li
      class="grid grid-cols-[2.75rem_1fr] items-center gap-x-2 border-b border-line bg-paper px-2 py-2 last:border-0 sm:grid-cols-[2.75rem_1fr_auto]"
    >
      <span
        use:dragHandle
        class="flex min-h-11 min-w-11 cursor-grab items-center justify-center text-ink-soft"
        aria-label="Drag {exercise.name}"
      >
        <GripVertical size={20} />
      </span>
      <div class="min-w-0 leading-snug">
        <h2 class="text-base {seconds === null ? 'text-ink-soft line-through' : ''}">{exercise.name}</h2>
        {#if place.joins && i > 0}<p class="font-semibold">
            in turn with {find(hand.places[i - 1]!.exerciseId).name.toLowerCase()}, without rest
          </p>{/if}
        {#if block}
          {#each shownAt(i) as work (work.side)}
            <p class="flex items-start gap-1">
              <span class="pt-0.5"><SideMark side={work.side} size={14} /></span>
              <span>{doseText(work)}{heightText(exercise, work, unit)}</span>
            </p>
          {/each}
          {#if fetchedAt(i).length > 0}<p class="text-ink-soft">You need: {fetchedAt(i).join(', ')}.</p>{/if}
          {#if hand.hasSides(place)}
            <label class="mt-1 flex items-center gap-2">
              <span class="sr-only">Sides of {exercise.name}</span>
              <select
                class="input min-h-9 w-40 py-0"
                value={place.side ?? ''}
                onchange={(e) =>
                  hand.setSide(
                    i,
                    sides.find((s) => s === e.currentTarget.value)
                  )}
              >
                <option value="">both sides</option>
                {#each sides as side (side)}<option value={side}>{side} alone</option>{/each}
              </select>
            </label>
          {/if}
          {#if hand.mayEase(place)}
            <label class="choice min-h-8"
              ><input type="checkbox" checked={place.eased === true} onchange={() => hand.toggleEase(i)} /> One step easier than set</label
            >
          {/if}
          {#if hand.mayGrow(place)}
            <label class="choice min-h-8"
              ><input type="checkbox" checked={place.grows === true} onchange={() => hand.toggleGrowth(i)} /> As many breaths again
              with each set</label
            >
          {/if}
        {/if}
      </div>
      <div class="flex items-center max-sm:col-span-2 max-sm:flex-wrap max-sm:justify-end">
        <span class="w-12 text-right font-semibold max-sm:w-full max-sm:pr-4"
          >{seconds === null ? 'cut' : clockText(seconds)}</span
        >
        <button
          class="btn btn-quiet min-w-11"
          type="button"
          disabled={hand.setsOf(place) <= 1}
          aria-label="One set less of {exercise.name}"
          onclick={() => hand.changeSets(i, -1)}><Minus size={18} /></button
        >
        <button
          class="btn btn-quiet min-w-11"
          type="button"
          aria-label="One set more of {exercise.name}"
          onclick={() => hand.changeSets(i, 1)}><Plus size={18} /></button
        >
        <button
          class="btn btn-quiet min-w-11"
          type="button"
          disabled={i === 0}
          aria-label="{exercise.name} in turn with the one before it"
          aria-pressed={place.joins === true && i > 0}
          onclick={() => hand.toggleTurn(i)}><Repeat size={18} /></button
        >
        <button
          class="btn btn-quiet min-w-11"
          type="button"
          disabled={i === 0}
          aria-label="{exercise.name} sooner"
          onclick={() => hand.move(i, -1)}><ArrowUp size={18} /></button
        >
        <button
          class="btn btn-quiet min-w-11"
          type="button"
          disabled={i === hand.places.length - 1}
          aria-label="{exercise.name} later"
          onclick={() => hand.move(i, 1)}><ArrowDown size={18} /></button
        >
        <button
          class="btn btn-quiet min-w-11"
          type="button"
          aria-label="{exercise.name} once more at the end"
          onclick={() => hand.putBack(place.exerciseId)}><Copy size={18} /></button
        >
        <button class="btn btn-quiet min-w-11" type="button" aria-label="Take out {exercise.name}" onclick={() => hand.takeOut(i)}
          ><X size={18} /></button
        >
      </div>
    </li>
  {:else}
    <li class="p-4">Nothing is left in it but the warm-up and the settle. Put something back, or start from an order.</li>
  {/each}
</ol>
