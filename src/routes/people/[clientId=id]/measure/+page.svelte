<script lang="ts">
  import { enhance } from '$app/forms';
  import { poseFigure, sides } from '$lib/core';
  import type { BodyState } from '$lib/contract/fields';
  import Choices from '$lib/ui/Choices.svelte';
  import Figure from '$lib/ui/drawing/Figure.svelte';
  import Scene from '$lib/ui/drawing/Scene.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, formProblem, typedOr } from '$lib/ui/formState';
  import { lengthText, numberText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Why from '$lib/ui/Why.svelte';
  import { MeasureState } from './measureState.svelte';
  import Recent from './Recent.svelte';
  import SideCard from './SideCard.svelte';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  const saving = $derived(form?.form === 'save' ? form : null);
  // svelte-ignore state_referenced_locally
  const state = new MeasureState(
    () => ({ unit, error: data.error, legs: data.legs, shorterLegCm: data.shorterLegCm, before: data.before }),
    data.lastState,
    saving?.typed
  );
  const order = $derived(data.goal?.leadSide === 'right' ? sides.toReversed() : sides);
  const difference = $derived(state.sideDifference());
  const model = $derived(poseFigure('front split', { side: data.goal?.leadSide ?? 'left', depthCm: 18 }, data.client.body));
  const hasEstimate = $derived(data.legs.left.estimated || data.legs.right.estimated);
</script>

<main class="mx-auto max-w-7xl p-5">
  <form
    method="POST"
    action="?/save"
    class="flex flex-col gap-5"
    novalidate
    use:enhance={() =>
      ({ update }) =>
        update({ reset: false })}
  >
    <div class="grid items-end gap-x-6 gap-y-3 lg:grid-cols-[1fr_auto_auto_16rem]">
      <div>
        <h1>Gap to the floor</h1>
        <p class="max-w-xl text-ink-soft">
          Floor to the lowest point of the pelvis, hips square and knees straight. Held: the lowest gap kept without hands. Two
          trials a side are enough.
        </p>
      </div>
      <Choices
        legend="State of the body"
        name="bodyState"
        bind:value={() => state.bodyState, (v) => (state.bodyState = v as BodyState)}
        error={fieldError(saving, 'bodyState')}
        choices={[
          { value: 'cold', label: 'Cold' },
          { value: 'warm', label: 'Warmed up' },
          { value: 'after', label: 'After session' }
        ]}
      />
      <Field
        label="Day"
        name="takenOn"
        type="date"
        value={typedOr(saving, 'takenOn', data.today)}
        error={fieldError(saving, 'takenOn')}
      />
      <Scene
        minX={model.box.minX - 4}
        maxX={model.box.maxX + 4}
        maxY={60}
        label="Where the tape goes: from the floor straight up to the lowest point of the pelvis"
        class="h-24 w-full max-lg:hidden"
      >
        <Figure pose={model} />
        <path d="M-2 0V18M-6 18H2" stroke="var(--color-ink)" stroke-width="2" fill="none" vector-effect="non-scaling-stroke" />
      </Scene>
    </div>

    <ProblemNote text={formProblem(saving)} />

    <div class="grid gap-5 lg:grid-cols-2">
      {#each order as side (side)}
        <SideCard {side} {state} {unit} form={saving} before={data.before} />
      {/each}
    </div>

    <div class="card flex flex-wrap items-center gap-x-8 gap-y-3 shadow-raised lg:sticky lg:bottom-2">
      <div class="min-w-64 grow">
        {#if difference}
          <p class="text-lg">
            {#if difference.exceedsError}
              <strong
                >{difference.difference > 0 ? 'Left' : 'Right'} leading trails by {lengthText(
                  Math.abs(difference.difference),
                  unit
                )}.</strong
              > More than the error.
            {:else}
              Left and right differ by {lengthText(Math.abs(difference.difference), unit)}: within the error of {lengthText(
                difference.margin,
                unit
              )}.
            {/if}
            <Why about="left against right">
              <p>
                Left less right, both passive, in this state. It counts from 1.96 times the error of both together: {lengthText(
                  difference.margin,
                  unit
                )}.
              </p>
            </Why>
          </p>
        {:else}
          <p class="text-ink-soft">Left against right appears when both are in.</p>
        {/if}
        <p class="text-ink-soft">
          Error of one occasion of two trials: ±{lengthText(data.usualMarginCm, unit)}
          <Why about="the measuring error">
            <p>
              Between trials {numberText(data.error.trialSd, 2)} cm (typical {data.typicalTrialSdCm} cm, replaced by {data.ownTrials}
              trials of this person as they come); between days {data.error.daySd} cm (assumption). One occasion: √(day² + trial²/n);
              ± is 1.96 times that.
            </p>
            <p>More trials on one day cannot take the day's own part away.</p>
          </Why>
          {#if hasEstimate}· leg length taken from stature, not measured{/if}
        </p>
      </div>
      <div class="min-w-64">
        <Field
          label="Note"
          name="note"
          value={typedOr(saving, 'note', '')}
          error={fieldError(saving, 'note')}
          hint="Prop, support, anything different today"
        />
      </div>
      <button class="btn btn-primary">Keep this measure</button>
    </div>
  </form>

  <Recent readings={data.recent} {unit} />
</main>
