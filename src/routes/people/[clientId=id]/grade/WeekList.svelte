<script lang="ts">
  import { enhance } from '$app/forms';
  import Library from '@lucide/svelte/icons/library-big';
  import X from '@lucide/svelte/icons/x';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Dial, Exercise, Setting } from '$lib/core';
  import { settingText } from '$lib/ui/dialText';
  import { formProblem, type FormState } from '$lib/ui/formState';
  import MiniFigure from '$lib/ui/drawing/MiniFigure.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import Tip from '$lib/ui/Tip.svelte';
  import { missingPieceText, type MissingPiece } from '$lib/words/recipeWords';

  /** The week's exercises of the goal in work, and the way to more of them. */
  type Item = {
    id: string;
    name: string;
    pose: Exercise['pose'];
    path: Exercise['path'];
    dials: readonly Dial[];
    left: Setting;
    right: Setting;
    perSide: boolean;
    isSet: boolean;
    /** Why it is not done now, on either side; empty where it is open. */
    barred: string;
  };
  type Props = {
    week: readonly Item[];
    /** What a first list goes without. */
    missing: readonly MissingPiece[];
    /** The one that is looked at; null while there is none. */
    exercise: Exercise | null;
    base: string;
    unit: LengthUnit;
    inWeek: boolean;
    atHome: boolean;
    isBarred: boolean;
    form: FormState;
  };
  let { week, missing, exercise, base, unit, inWeek, atHome, isBarred, form }: Props = $props();
  const shelf = $derived(atHome ? '&shelf=home' : '');
</script>

<nav aria-label="Exercises of the week" class="flex flex-col gap-1 border-line p-2 max-lg:border-b lg:border-r">
  <h2 class="px-2 pt-2">This week</h2>
  <ol class="flex gap-1 max-lg:overflow-x-auto lg:flex-col">
    {#each week as item (item.id)}
      {@const isHere = item.id === exercise?.id}
      <li class="group relative max-lg:flex-none">
        <a
          href="{base}/grade?exercise={item.id}{shelf}"
          aria-current={isHere ? 'page' : undefined}
          data-sveltekit-keepfocus
          class="block min-h-11 rounded-soft px-2 py-2 pr-9 leading-tight {isHere
            ? 'bg-paper shadow-[inset_4px_0_0_var(--color-mulberry)]'
            : 'hover:bg-paper'}"
        >
          <MiniFigure exercise={item} class="mb-1 h-12 w-full object-left" />
          <span class="block font-semibold">{item.name}</span>
          <span class="block text-sm text-ink-soft">
            {#if item.barred}<span class="font-semibold text-stop">Not now: {item.barred}</span>{:else if !item.isSet}not set yet{:else if item.perSide}L
              {settingText(item.dials, item.left, unit) || '–'}<br />R {settingText(item.dials, item.right, unit) ||
                '–'}{:else}{settingText(item.dials, item.left, unit)}{/if}
          </span>
        </a>
        {#if isHere && week.length > 1}
          <form method="POST" action="?/take" class="absolute top-0 right-0" use:enhance={keepTyped}>
            <input type="hidden" name="exerciseId" value={item.id} />
            <Tip text="Take out of the week">
              {#snippet children(props)}
                <button {...props} type="submit" class="btn btn-quiet px-2" aria-label="Take {item.name} out of the week"
                  ><X size={16} /></button
                >
              {/snippet}
            </Tip>
          </form>
        {/if}
      </li>
    {/each}
  </ol>
  {#each missing as piece (piece.name)}<p class="px-2 text-sm text-ink-soft">{missingPieceText(piece)}</p>{/each}
  {#if exercise && !inWeek}
    <form method="POST" action="?/add" class="px-2 py-1" use:enhance={keepTyped}>
      <input type="hidden" name="exerciseId" value={exercise.id} />
      <button class="btn btn-primary w-full" disabled={isBarred}>Put {exercise.name} into the week</button>
    </form>
  {/if}
  <ProblemNote text={form?.form === 'week' ? formProblem(form) : undefined} />
  <a class="btn btn-quiet justify-start" href="/library?client={base.split('/').at(-1)}"
    ><Library size={18} /> Add from the library</a
  >
</nav>
