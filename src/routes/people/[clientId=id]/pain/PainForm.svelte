<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    painKindOf,
    painKinds,
    painPlaceIds,
    painPlaceOf,
    urgentSignsText,
    type PainKindId,
    type PainPlaceId,
    type Side
  } from '$lib/core';
  import BodyMap from '$lib/ui/BodyMap.svelte';
  import Choices from '$lib/ui/Choices.svelte';
  import DateField from '$lib/ui/DateField.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { chosenOr, fieldError, formProblem, typedOr, type FormState } from '$lib/ui/formState';
  import Once from '$lib/ui/Once.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import Select from '$lib/ui/Select.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import type { PageData } from './$types';

  /** One pain as it is told, from the first choice to what it leads to. */
  let { data, form }: { data: PageData; form: FormState } = $props();
  const base = $derived(`/people/${data.client.id}`);
  const typedPlace = painPlaceIds.find((p) => p === form?.typed?.place);
  // svelte-ignore state_referenced_locally
  const typedSide = form?.typed?.side === 'left' || form?.typed?.side === 'right' ? form.typed.side : null;
  let picked = $state<{ place: PainPlaceId; side: Side | null } | null>(
    typedPlace ? { place: typedPlace, side: typedSide } : null
  );
  // svelte-ignore state_referenced_locally
  let kind = $state<string>(
    chosenOr(
      form,
      'kind',
      painKinds.map((k) => k.id),
      ''
    )
  );
  // svelte-ignore state_referenced_locally
  let exerciseId = $state(typedOr(form, 'exerciseId', data.asked.exerciseId));
  const advice = $derived(kind === '' ? null : painKindOf(kind as PainKindId));
  /** Where no exercise is named there is none that could end. */
  const adviceText = $derived(
    advice?.action === 'stop exercise' && exerciseId === '' ? 'Leave what brings it for today.' : (advice?.advice ?? '')
  );
  const isSerious = $derived(advice?.action === 'urgent' || advice?.action === 'stop session');
  const placeText = $derived(
    picked ? `${picked.side ? `${picked.side} ` : ''}${painPlaceOf(picked.place).label.toLowerCase()}` : ''
  );
</script>

<form method="POST" action="?/tell" class="card flex min-w-0 flex-col gap-4" novalidate use:enhance={keepTyped}>
  <Once />
  <div>
    <h1>Tell pain</h1>
    <p class="text-ink-soft">
      Afterwards, the next morning, at any time. It counts for the next decision, and what it bears on is not made harder
      meanwhile. Pain during a session is told in the player.
    </p>
  </div>
  <p class="rounded-soft border-2 border-stop px-3 py-2 font-semibold text-stop">
    {urgentSignsText}: get medical help now, then tell it here as an urgent sign.
  </p>
  {#if data.told}
    <p class="rounded-soft border border-ink px-3 py-2" role="status">
      It is kept. {data.hasStops ? 'Something is stopped now: the Check says what.' : 'It counts in the next review.'}
      <a class="font-semibold underline" href="{base}/{data.hasStops ? 'check' : 'review'}"
        >{data.hasStops ? 'To the Check' : 'To the review'}</a
      >
    </p>
  {/if}
  <ProblemNote text={formProblem(form)} />

  <Select
    label="What kind"
    name="kind"
    value={kind}
    groups={[
      { label: '', options: [{ value: '', label: 'Choose' }, ...painKinds.map((k) => ({ value: k.id, label: k.label }))] }
    ]}
    onchange={(v) => (kind = v)}
    error={fieldError(form, 'kind')}
  />
  {#if advice}
    <p class={isSerious ? 'font-semibold text-stop' : 'font-semibold'} aria-live="polite">{adviceText}</p>
  {/if}

  {#if advice && advice.action !== 'carry on' && advice.action !== 'urgent'}
    <Choices
      legend="How strong"
      name="grade"
      {form}
      known=""
      choices={[
        { value: '', label: 'Not said' },
        { value: 'mild', label: 'Mild, to 3 of 10' },
        { value: 'moderate', label: 'Moderate, 4 to 6' },
        { value: 'severe', label: 'Severe, 7 and more' }
      ]}
    />
    <p class="text-ink-soft">
      Moderate rests what loads that joint for a week; severe stops the joint until a named person clears it.
    </p>
  {/if}

  <fieldset class="min-w-0">
    <legend class="font-semibold">Where? {placeText ? `Chosen: ${placeText}.` : ''}</legend>
    {#if fieldError(form, 'place')}<p class="font-semibold text-stop" role="alert">{fieldError(form, 'place')}</p>{/if}
    <input type="hidden" name="place" value={picked?.place ?? ''} disabled={!picked} />
    <input type="hidden" name="side" value={picked?.side ?? ''} disabled={!picked?.side} />
    <div class="mt-2"><BodyMap {picked} onpick={(p) => (picked = p)} /></div>
  </fieldset>

  <div class="grid gap-4 sm:grid-cols-2">
    <DateField label="On which day" name="feltOn" {form} known={data.today} />
    <Finder
      label="After which exercise"
      name="exerciseId"
      value={exerciseId}
      groups={[
        {
          label: '',
          options: [{ value: '', label: 'Not known' }, ...data.exercises.map((e) => ({ value: e.id, label: e.name }))]
        }
      ]}
      onchange={(v) => (exerciseId = v)}
      error={fieldError(form, 'exerciseId')}
    />
  </div>
  {#if exerciseId}
    <Choices
      legend="Done on which side"
      name="workSide"
      {form}
      known={data.asked.side}
      choices={[
        { value: '', label: 'Both, or not known' },
        { value: 'left', label: 'Left' },
        { value: 'right', label: 'Right' }
      ]}
    />
  {/if}
  <Field label="In their words" name="note" {form} hint="Optional" />
  <div><button class="btn btn-primary">Keep it</button></div>
</form>
