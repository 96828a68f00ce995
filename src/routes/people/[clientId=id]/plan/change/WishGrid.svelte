<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import Ban from '@lucide/svelte/icons/ban';
  import Pin from '@lucide/svelte/icons/pin';
  import { oftens, type Allotment, type Often } from '$lib/core';
  import { plural, weekdayText } from '$lib/ui/format';
  import type { FormState } from '$lib/ui/formState';
  import SwapDialog from './SwapDialog.svelte';
  import type { PlanWishesState } from './wishes.svelte';

  /** How much of each exercise the sessions of a week hold, and what is wished of it: every place is turned by a tap. */
  type Props = {
    exercises: readonly Readonly<{ id: string; name: string }>[];
    sessions: readonly Readonly<{ ordinal: number; on: string; allotment: Allotment }>[];
    wishes: PlanWishesState;
    base: string;
    version: number;
    /** Of a swap that did not go through. */
    swapForm: FormState;
  };
  let { exercises, sessions, wishes, base, version, swapForm }: Props = $props();

  const words = { free: 'as it fits', in: 'kept in', out: 'kept out' } as const;
  function heldText(allotment: Allotment, exerciseId: string): string {
    const of = allotment.find((a) => a.exerciseId === exerciseId);
    if (!of) return 'as usual';
    if (of.sets === 0) return 'not in it';
    const ways = [of.short && 'short', of.light && 'light', of.extra && 'one more on the weaker side'].filter(Boolean);
    return [plural(of.sets, 'set'), ...ways].join(', ');
  }
</script>

{#snippet phoneLabel(text: string)}<span class="block text-ink-soft sm:hidden" aria-hidden="true">{text}</span>{/snippet}

{#snippet place(exercise: { id: string; name: string }, session: number | null, held: string)}
  {@const wish = wishes.wishOf(exercise.id, session)}
  <button
    type="button"
    class="flex min-h-11 w-full items-center justify-between gap-2 rounded-soft border px-2 text-left leading-tight {wish ===
    'free'
      ? 'border-line hover:border-ink'
      : 'border-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]'}"
    aria-label="{exercise.name}, {session === null ? 'every session' : `session ${session}`}: {held ? `${held}, ` : ''}{words[
      wish
    ]}. Turn the wish"
    onclick={() => wishes.turn(exercise.id, session)}
  >
    <span>{held || words[wish]}</span>
    {#if wish === 'in'}<Pin size={16} aria-hidden="true" />{:else if wish === 'out'}<Ban size={16} aria-hidden="true" />{/if}
  </button>
{/snippet}

<Sideways label="What is wished, week by week">
  <table class="w-full text-left max-sm:block sm:min-w-[40rem]">
    <caption class="sr-only">What the sessions of a usual week hold, and what is wished</caption>
    <thead class="max-sm:sr-only">
      <tr class="text-ink-soft">
        <th scope="col" class="font-normal">Exercise</th>
        <th scope="col" class="w-40 px-1 font-normal">How often</th>
        <th scope="col" class="w-32 px-1 font-normal">Every session</th>
        {#each sessions as session (session.ordinal)}
          <th scope="col" class="px-1 font-normal">Session {session.ordinal}, {weekdayText(session.on)}</th>
        {/each}
      </tr>
    </thead>
    <tbody class="max-sm:block">
      {#each exercises as exercise (exercise.id)}
        <tr class="border-t border-line max-sm:grid max-sm:grid-cols-2 max-sm:py-2">
          <th scope="row" class="py-1 pr-2 leading-tight font-normal max-sm:col-span-2 max-sm:font-semibold">
            <span class="flex items-center justify-between gap-1"
              >{exercise.name} <SwapDialog {exercise} {base} {version} form={swapForm} /></span
            >
          </th>
          <td class="p-1">
            {@render phoneLabel('How often')}
            <select
              class="input"
              aria-label="{exercise.name}: how often"
              value={wishes.often[exercise.id] ?? 'as it fits'}
              onchange={(e) => wishes.setOften(exercise.id, e.currentTarget.value as Often)}
            >
              {#each oftens as often (often)}<option value={often}>{often}</option>{/each}
            </select>
          </td>
          <td class="p-1">{@render phoneLabel('Every session')}{@render place(exercise, null, '')}</td>
          {#each sessions as session (session.ordinal)}
            <td class="p-1">
              {@render phoneLabel(`Session ${session.ordinal}, ${weekdayText(session.on)}`)}
              {@render place(exercise, session.ordinal, heldText(session.allotment, exercise.id))}
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</Sideways>
