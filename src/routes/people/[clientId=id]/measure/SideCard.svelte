<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import type { LengthUnit } from '$lib/contract/fields';
  import { measureModes, pastFlatField, type MeasureMode } from '$lib/contract/forms';
  import type { Occasion, Side } from '$lib/core';
  import { fieldError, type FormState } from '$lib/ui/formState';
  import { lengthText } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import type { MeasureState } from './measureState.svelte';
  import ReadingLine from './ReadingLine.svelte';

  type Props = {
    side: Side;
    state: MeasureState;
    unit: LengthUnit;
    form: FormState;
    before: Readonly<Record<string, Occasion & { takenOn: string }>>;
  };
  let { side, state, unit, form, before }: Props = $props();
  const modeText: Record<MeasureMode, { title: string; hint: string }> = {
    passive: { title: 'Reached', hint: 'passive' },
    active: { title: 'Held without hands', hint: 'active' }
  };
  const gap = $derived(state.activeGap(side));
</script>

<section class="card flex flex-col gap-4" aria-label="{side} leg in front">
  <h2 class="flex items-center gap-2 {side === 'left' ? 'text-lake' : 'text-ochre'}">
    <SideMark {side} />
    {side === 'left' ? 'Left' : 'Right'} leg in front
  </h2>
  {#each measureModes as mode (mode)}
    {@const names = state.trialNames(side, mode)}
    {@const past = pastFlatField(side, mode)}
    {@const errors = names.flatMap((n) => fieldError(form, n) ?? [])}
    <fieldset class="flex flex-col gap-2 border-t border-line pt-3">
      <legend class="sr-only">{modeText[mode].title}, {side} leg in front</legend>
      <div class="flex flex-wrap items-center gap-2">
        <span class="w-28 leading-tight font-semibold" aria-hidden="true">
          {modeText[mode].title}<span class="block font-normal text-ink-soft"
            ><SideMark {side} size={12} filled={mode === 'active'} /> {modeText[mode].hint}</span
          >
        </span>
        {#each names as name, i (name)}
          <input
            class="input w-20 text-center text-xl"
            {name}
            inputmode="decimal"
            autocomplete="off"
            bind:value={state.typed[name]}
            aria-label="{modeText[mode].title}, {side} in front, trial {i + 1}, {state.past[past]
              ? 'raise under the front heel'
              : 'gap'} in {unit}"
            aria-invalid={fieldError(form, name) ? 'true' : undefined}
          />
        {/each}
        <span class="text-ink-soft">{unit}</span>
        {#if state.canAdd(side, mode)}
          <button
            type="button"
            class="btn btn-quiet"
            onclick={() => state.addTrial(side, mode)}
            aria-label="One more trial: {modeText[mode].title}, {side} in front"><Plus size={18} /></button
          >
        {/if}
        <label class="choice ml-auto text-ink-soft">
          <input type="checkbox" name={past} bind:checked={state.past[past]} /> past flat
        </label>
      </div>
      {#if state.past[past]}<p class="text-ink-soft">
          Write the raise under the front heel at which the pelvis still touches the floor.
        </p>{/if}
      {#each errors as error, i (i)}<p class="font-semibold text-stop" role="alert">{error}</p>{/each}
      <ReadingLine
        result={state.reading(side, mode)}
        {unit}
        state={state.bodyState}
        before={before[`${side}/${mode}/${state.bodyState}`] ?? null}
      />
    </fieldset>
  {/each}
  {#if gap}
    <p class="border-t border-line pt-3">
      {#if gap.exceedsError}
        What is held trails what is reached by <strong>{lengthText(Math.abs(gap.difference), unit)}</strong>, more than the error:
        active work closes it.
      {:else}
        Held and reached differ by {lengthText(Math.abs(gap.difference), unit)}, within the error of {lengthText(
          gap.margin,
          unit
        )}.
      {/if}
    </p>
  {/if}
</section>
