<script lang="ts">
  import { enhance } from '$app/forms';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Dial, Side } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import { keepTyped } from '$lib/ui/sending';

  /** One dial that stands on no stack: where it is, one step easier, one step harder; unset, the figure is asked for. */
  type Props = {
    exerciseId: string;
    side: Side;
    dial: Dial;
    at: number | null;
    harder: number | null;
    easier: number | null;
    unit: LengthUnit;
    /** A school's default, offered where no figure is usual: to be confirmed. */
    suggestion: { value: number; from: string } | null;
    /** What the chosen school usually does, where the setting lies outside it. */
    outside: string | null;
    error?: string;
  };
  let { exerciseId, side, dial, at, harder, easier, unit, suggestion, outside, error }: Props = $props();
  const id = $props.id();
  const arrow = $derived(dial.harder === 'up' ? 'more is harder' : 'less is harder');
</script>

<div class="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line py-2">
  <form method="POST" action="?/dial" class="contents" use:enhance={keepTyped}>
    <input type="hidden" name="exerciseId" value={exerciseId} />
    <input type="hidden" name="side" value={side} />
    <input type="hidden" name="dial" value={dial.id} />
    <span class="min-w-24 grow leading-tight">
      {dial.name}
      <span class="block text-ink-soft">{dial.kind === 'level' ? '' : arrow}</span>
    </span>
    {#if at === null}
      {#if dial.kind === 'level'}
        <label class="sr-only" for="{id}-set">{dial.name}</label>
        <select id="{id}-set" name="value" class="input w-44">
          {#each dial.levels ?? [] as level, i (i)}<option value={i}>{level}</option>{/each}
        </select>
      {:else}
        <label class="sr-only" for="{id}-set">{dial.name}</label>
        <input id="{id}-set" name="value" class="input w-24 text-center" inputmode="decimal" placeholder="–" />
      {/if}
      <button class="btn">Set</button>
    {:else}
      <button
        class="btn btn-quiet"
        name="value"
        value={easier ?? ''}
        disabled={easier === null}
        aria-label="{dial.name}: easier{easier === null ? '' : `, ${dialText(dial, easier, unit)}`}"><Minus size={18} /></button
      >
      <span class="min-w-20 text-center text-lg font-bold">{dialText(dial, at, unit)}</span>
      <button
        class="btn btn-quiet"
        name="value"
        value={harder ?? ''}
        disabled={harder === null}
        aria-label="{dial.name}: harder{harder === null ? '' : `, ${dialText(dial, harder, unit)}`}"><Plus size={18} /></button
      >
    {/if}
  </form>
  {#if at === null}
    <p class="w-full text-ink-soft">No figure is usual: it is yours to set.</p>
    {#if suggestion}
      <form method="POST" action="?/dial" class="w-full" use:enhance>
        <input type="hidden" name="exerciseId" value={exerciseId} />
        <input type="hidden" name="side" value={side} />
        <input type="hidden" name="dial" value={dial.id} />
        <button class="btn" name="value" value={suggestion.value}>
          Take {dialText(dial, suggestion.value, unit)}: suggested by {suggestion.from}
        </button>
      </form>
    {/if}
  {:else if outside}
    <p class="w-full text-ink-soft">{outside}</p>
  {/if}
  {#if error}<p class="w-full font-semibold text-stop" role="alert">{error}</p>{/if}
</div>
