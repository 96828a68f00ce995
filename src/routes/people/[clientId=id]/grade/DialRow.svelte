<script lang="ts">
  import { enhance } from '$app/forms';
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import type { LengthUnit } from '$lib/contract/fields';
  import { reasonText, type Dial, type DialEnd, type DialWait, type Side, type StartOrigin } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import { keepTyped } from '$lib/ui/sending';
  import { startWords } from '$lib/words/startWords';

  /** One dial that stands on no stack: where it is, one step easier, one step harder; unset, the figure is asked for. */
  type Props = {
    exerciseId: string;
    side: Side;
    /** It is set for each side: a first figure may be put on both at once. */
    perSide: boolean;
    dial: Dial;
    at: number | null;
    harder: number | null;
    easier: number | null;
    unit: LengthUnit;
    /** What the chosen school usually does, where the setting lies outside it. */
    outside: string | null;
    /** Whose figure it stands at, while nobody moved it. */
    origin: StartOrigin | null;
    error?: string;
    /** Nothing of it is made harder, or set anew. */
    barred: boolean;
    end: DialEnd | null;
    wait: DialWait | null;
    /** A step before its day was refused: the reason for it is asked. */
    asksReason: boolean;
  };
  let {
    exerciseId,
    side,
    perSide,
    dial,
    at,
    harder,
    easier,
    unit,
    outside,
    origin,
    error,
    barred,
    end,
    wait,
    asksReason
  }: Props = $props();
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
      <button class="btn" disabled={barred}>Set</button>
      {#if perSide}<button class="btn" name="both" value="on" disabled={barred}>Both sides</button>{/if}
    {:else}
      <button
        class="btn btn-quiet"
        name="value"
        value={easier ?? ''}
        disabled={easier === null}
        aria-label="{dial.name}: easier{easier === null ? '' : `, ${dialText(dial, easier, unit)}`}"><Minus size={18} /></button
      >
      <span class="max-w-40 min-w-20 text-center text-lg leading-tight font-bold">{dialText(dial, at, unit)}</span>
      <button
        class="btn btn-quiet"
        name="value"
        value={harder ?? ''}
        disabled={harder === null || barred}
        aria-label="{dial.name}: harder{harder === null ? '' : `, ${dialText(dial, harder, unit)}`}"><Plus size={18} /></button
      >
    {/if}
  </form>
  {#if at === null}
    <p class="w-full text-ink-soft">There is no standard value. Choose your own.</p>
  {:else if outside || origin}
    <p class="w-full text-ink-soft">{[origin && startWords[origin], outside].filter(Boolean).join(' ')}</p>
  {/if}
  {#if at !== null && harder === null && end && at !== dial.max && at !== dial.min}
    <p class="w-full text-ink-soft">No further: {reasonText(end.why)}</p>
  {:else if wait}
    <p class="w-full text-ink-soft">{reasonText(wait.why)}</p>
  {/if}
  {#if error}<p class="w-full font-semibold text-stop" role="alert">{error}</p>{/if}
  {#if asksReason && harder !== null}
    <form method="POST" action="?/dial" class="flex w-full flex-wrap items-end gap-2" use:enhance={keepTyped}>
      <input type="hidden" name="exerciseId" value={exerciseId} />
      <input type="hidden" name="side" value={side} />
      <input type="hidden" name="dial" value={dial.id} />
      <input type="hidden" name="value" value={harder} />
      <label class="flex grow flex-col gap-1">
        <span class="font-semibold">Why sooner (it is kept)</span>
        <input class="input" name="reason" maxlength="300" />
      </label>
      <button class="btn">{dialText(dial, harder, unit)} all the same</button>
    </form>
  {/if}
</div>
