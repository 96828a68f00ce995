<script lang="ts">
  import { enhance } from '$app/forms';
  import { frontSplit } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, formProblem, typedOr } from '$lib/ui/formState';
  import { lengthNumber } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';

  let { data, form } = $props();
  const goal = $derived(data.goal);
  const knownAim = $derived(!goal || goal.targetDepthCm === 0 ? 'flat' : goal.targetDepthCm > 0 ? 'above' : 'past');
  let chosenAim = $state<string>();
  const aim = $derived(chosenAim ?? typedOr(form, 'aim', knownAim));
</script>

<main class="mx-auto max-w-3xl p-5">
  <h1>The goal: {frontSplit.name.toLowerCase()}</h1>
  <p class="mt-1 text-ink-soft">Both sides are measured, planned and trained. The leading leg named here comes first.</p>
  <form
    method="POST"
    class="mt-5 flex flex-col gap-6"
    use:enhance={() =>
      ({ update }) =>
        update({ reset: false })}
    novalidate
  >
    <ProblemNote text={formProblem(form)} />
    <Choices
      legend="Leading leg"
      name="leadSide"
      value={typedOr(form, 'leadSide', goal?.leadSide)}
      error={fieldError(form, 'leadSide')}
      choices={[
        { value: 'left', label: 'Left in front' },
        { value: 'right', label: 'Right in front' }
      ]}
    />
    <Choices
      legend="Where it ends"
      name="aim"
      bind:value={() => aim, (v) => (chosenAim = v)}
      error={fieldError(form, 'aim')}
      choices={[
        { value: 'above', label: 'Above the floor' },
        { value: 'flat', label: 'Flat' },
        { value: 'past', label: 'Past flat' }
      ]}
    />
    {#if aim !== 'flat'}
      <Field
        label={aim === 'above' ? 'Height of the pelvis above the floor' : 'Raise under the front heel'}
        unit={data.units.length}
        name="distanceCm"
        inputmode="decimal"
        value={typedOr(
          form,
          'distanceCm',
          goal && goal.targetDepthCm !== 0 ? lengthNumber(Math.abs(goal.targetDepthCm), data.units.length) : ''
        )}
        error={fieldError(form, 'distanceCm')}
        hint={aim === 'past' ? 'Only after a flat split is held with ease on several days' : undefined}
      />
    {/if}
    <div class="grid gap-5 sm:grid-cols-2">
      <Field
        label="By when"
        name="targetOn"
        type="date"
        value={typedOr(form, 'targetOn', goal?.targetOn)}
        error={fieldError(form, 'targetOn')}
        hint="Empty: open end"
      />
      <Field
        label="For what"
        name="eventName"
        value={typedOr(form, 'eventName', goal?.eventName)}
        error={fieldError(form, 'eventName')}
        hint="A pageant, an evening, nothing"
      />
    </div>
    <div><button class="btn btn-primary">{goal ? 'Keep the goal' : 'Set the goal'}</button></div>
  </form>
</main>
