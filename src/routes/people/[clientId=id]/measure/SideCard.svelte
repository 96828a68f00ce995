<script lang="ts">
  import Plus from '@lucide/svelte/icons/plus';
  import type { LengthUnit } from '$lib/contract/fields';
  import { trialField } from '$lib/contract/measureForms';
  import { pastEntry, wayOf, type Measure, type MeasureMode, type Side } from '$lib/core';
  import { fieldError, type FormState } from '$lib/ui/formState';
  import { apartText, capital, degText, lengthNumber, modeText, valueText } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import type { MeasureState } from './measureState.svelte';
  import ReadingLine from './ReadingLine.svelte';

  type Props = {
    measure: Measure;
    side: Side | null;
    state: MeasureState;
    unit: LengthUnit;
    form: FormState;
    isHeadline: boolean;
    stackHeights: readonly number[];
  };
  let { measure, side, state, unit, form, isHeadline, stackHeights }: Props = $props();
  const helpText: Record<MeasureMode, string> = { passive: 'help allowed', active: 'no hands' };
  const place = $derived(side === null ? 'both together' : `${side} ${measure.sideWords}`);
  const levels = $derived(measure.levels ?? (measure.unit === 'yes' ? ['no', 'yes'] : null));
  const fields = $derived(wayOf(state.way).fields);
  const gap = $derived(state.activeGap(side));
  const text = (value: number) => valueText(Math.abs(value), { unit: measure.unit }, unit);
  const apart = $derived(gap && apartText(...gap.of, measure, unit));
</script>

<section class="card flex flex-col gap-4" aria-label={place}>
  <h2 class="flex items-center gap-2 {side === 'left' ? 'text-lake' : side === 'right' ? 'text-ochre' : ''}">
    {#if side}<SideMark {side} />{/if}
    {capital(place)}
  </h2>
  <div class={side === null ? 'grid gap-x-8 lg:grid-cols-2' : 'flex flex-col gap-4'}>
    {#each measure.modes as mode (mode)}
      {@const errors = state
        .trialNumbers(side, mode)
        .flatMap((n) => fields.flatMap((f) => fieldError(form, trialField(side, mode, n, f.id)) ?? []))}
      {@const impossible = errors.length > 0 ? [] : state.impossible(side, mode)}
      <fieldset class="flex flex-col gap-2 border-t border-line pt-3">
        <legend class="sr-only">{modeText[mode]}, {place}</legend>
        <div class="flex flex-wrap items-center gap-2">
          <span class="w-28 leading-tight font-semibold" aria-hidden="true">
            {modeText[mode]}<span class="block font-normal text-ink-soft">
              {#if side}<SideMark {side} size={12} filled={mode === 'active'} />{/if}
              {helpText[mode]}</span
            >
          </span>
          {#each state.trialNumbers(side, mode) as n (n)}
            {#each fields as field, i (field.id)}
              {@const name = trialField(side, mode, n, field.id)}
              {@const label = `${modeText[mode]}, ${place}, trial ${n}, ${field.label}`}
              {#if levels}
                <select class="input" {name} bind:value={state.typed[name]} aria-label={label}>
                  <option value=""></option>
                  {#each levels as level, value (level)}<option value={String(value)}>{level}</option>{/each}
                </select>
              {:else}
                <input
                  class="input w-20 text-center text-xl {i > 0 ? '-ml-1' : ''}"
                  {name}
                  inputmode="decimal"
                  autocomplete="off"
                  placeholder={fields.length > 1 ? field.label.split(' ')[0] : undefined}
                  list={state.way === 'stack' ? 'stack-heights' : undefined}
                  bind:value={state.typed[name]}
                  aria-label="{label} in {field.unit === 'cm' ? unit : field.unit || 'points'}"
                  aria-invalid={fieldError(form, name) ? 'true' : undefined}
                />
              {/if}
            {/each}
            {#if fields.length > 1 && n < state.trialNumbers(side, mode).length}<span class="w-1" aria-hidden="true"></span>{/if}
          {/each}
          {#if !levels}<span class="text-ink-soft">{fields[0]!.unit === 'cm' ? unit : fields[0]!.unit}</span>{/if}
          {#if state.canAdd(side, mode)}
            <button
              type="button"
              class="btn btn-quiet"
              onclick={() => state.addTrial(side, mode)}
              aria-label="One more trial: {modeText[mode]}, {place}"><Plus size={18} /></button
            >
          {/if}
        </div>
        {#if state.foldDeg(side, mode) !== null}
          <label class="choice w-fit">
            <input type="checkbox" bind:checked={() => state.isPast(side, mode), (v) => state.setPast(side, mode, v)} />
            {state.way === 'rise and run' ? 'Past upright' : 'Past a straight line'}: counts beyond {state.foldDeg(side, mode)}°
          </label>
          {#if state.isPast(side, mode)}
            {#each state.trialNumbers(side, mode) as n (n)}
              <input type="hidden" name={trialField(side, mode, n, pastEntry)} value="on" />
            {/each}
          {/if}
        {/if}
        {#each errors as error, i (i)}<p class="font-semibold text-stop" role="alert">{error}</p>{/each}
        {#each impossible as message, i (i)}<p class="text-stop">{message}</p>{/each}
        <ReadingLine
          {measure}
          result={state.result(side, mode)}
          {unit}
          state={state.bodyState}
          before={state.before(side, mode)}
          change={state.change(side, mode)}
          opening={state.opening(side, mode)}
          otherwise={state.otherwise(side, mode)}
          earlierToday={state.earlierToday(side, mode)}
          {isHeadline}
        />
        {#each state.crossChecks(side, mode) as { way, check } (way)}
          <p class={check.verdict === 'differ' ? 'font-semibold text-stop' : ''}>
            Against {wayOf(way).label.toLowerCase()} today: {check.verdict === 'agree'
              ? `they agree, ${degText(Math.abs(check.differenceDeg))} apart, within the error of ${degText(check.marginDeg)}.`
              : check.verdict === 'differ'
                ? `they differ by ${degText(Math.abs(check.differenceDeg))}, more than the error of ${degText(check.marginDeg)}. Look at both again.`
                : `too coarse together to tell (error ${degText(check.marginDeg)}).`}
          </p>
        {/each}
      </fieldset>
    {/each}
  </div>
  {#if gap}
    <p class="border-t border-line pt-3">
      {#if gap.leads}
        <strong class="text-stop"
          >The active hold reads {apart} further than the passive reach, more than the measuring error. The passive end was not reached,
          or two numbers are mixed up: measure the passive one again. What you save is kept as it is.</strong
        >
      {:else if gap.trails}
        The active hold is <strong>{apart}</strong> short of the passive reach, more than the measuring error. Active work closes that
        gap.
      {:else}
        The active hold and the passive reach differ by {apart}, within the measuring error of {text(gap.margin)}.
      {/if}
    </p>
  {/if}
</section>
{#if state.way === 'stack'}
  <datalist id="stack-heights">
    {#each stackHeights as height (height)}<option value={lengthNumber(height, unit)}></option>{/each}
  </datalist>
{/if}
