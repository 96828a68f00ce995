<script lang="ts">
  import {
    before,
    exercisesIn,
    isWorked,
    painKinds,
    painPlaceOf,
    painPlaces,
    readinessText,
    todayThings,
    type Block,
    type PainKindId,
    type PainPlaceId,
    type TodayThing
  } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import { chosenOr, fieldError, typedOr, type FormState } from '$lib/ui/formState';
  import { capital } from '$lib/ui/format';
  import Select from '$lib/ui/Select.svelte';

  /** The three taps before a session, and at once what they make of it, and of its exercises. Nothing is filled in beforehand. */
  let { form, blocks }: { form: FormState; blocks: readonly Block[] } = $props();
  const named = (some: readonly Block[]) => {
    const find = exercisesIn(some);
    return [...new Set(some.map((b) => find(b.exerciseId).name.toLowerCase()))].join(', ');
  };
  const worked = $derived(blocks.filter(isWorked));
  const eased = $derived(worked.filter((b) => b.work.some((w) => w.easier)));
  const uneased = $derived(worked.filter((b) => !eased.includes(b)));
  const numbers = Array.from({ length: 11 }, (_, n) => ({ value: String(n), label: String(n) }));
  // svelte-ignore state_referenced_locally
  let newSymptom = $state<string>(chosenOr(form, 'newSymptom', ['yes', 'no'], ''));
  // svelte-ignore state_referenced_locally
  let soreness = $state<string>(
    chosenOr(
      form,
      'soreness',
      numbers.map((n) => n.value),
      ''
    )
  );
  let today = $state<TodayThing[]>(todayThings.filter((t) => form?.typed?.today?.includes(t)));
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
  let place = $state<string>(
    chosenOr(
      form,
      'place',
      painPlaces.map((p) => p.id),
      ''
    )
  );
  const needsNoPlace = $derived(kind === 'urgent_sign' || kind === 'nerve');
  const readiness = $derived(
    newSymptom === '' || soreness === ''
      ? null
      : before({
          newSymptom: newSymptom === 'yes',
          symptom:
            kind && (place || needsNoPlace)
              ? { kind: kind as PainKindId, place: (place || 'nowhere') as PainPlaceId, side: null }
              : null,
          soreness: Number(soreness),
          today
        })
  );
  const blank = { value: '', label: 'Choose' };
</script>

<Choices
  legend="A new pain, illness or symptom?"
  name="newSymptom"
  bind:value={newSymptom}
  error={fieldError(form, 'newSymptom')}
  choices={[
    { value: 'no', label: 'No' },
    { value: 'yes', label: 'Yes' }
  ]}
/>
{#if newSymptom === 'yes'}
  <Select
    label="Where"
    name="place"
    groups={[{ label: '', options: [blank, ...painPlaces.map((p) => ({ value: p.id, label: p.label }))] }]}
    value={place}
    onchange={(v) => (place = v)}
    error={fieldError(form, 'place')}
  />
  {#if place && painPlaceOf(place as PainPlaceId).sided}
    <Choices
      legend="Which side"
      name="side"
      value={typedOr(form, 'side', '')}
      choices={[
        { value: 'left', label: 'Left' },
        { value: 'right', label: 'Right' }
      ]}
    />
  {/if}
  <Select
    label="What kind"
    name="kind"
    groups={[{ label: '', options: [blank, ...painKinds.map((k) => ({ value: k.id, label: k.label }))] }]}
    value={kind}
    onchange={(v) => (kind = v)}
    error={fieldError(form, 'kind')}
  />
{/if}
<div class="[&_.btn]:min-w-11 [&_.btn]:px-2">
  <Choices
    legend="How sore is the region? 0 not at all"
    name="soreness"
    bind:value={soreness}
    error={fieldError(form, 'soreness')}
    choices={numbers}
  />
</div>
<fieldset>
  <legend class="font-semibold">Anything different today?</legend>
  <div class="flex flex-wrap gap-x-4">
    {#each todayThings as thing (thing)}
      <label class="choice"><input type="checkbox" name="today" value={thing} bind:group={today} /> {capital(thing)}</label>
    {/each}
  </div>
</fieldset>
{#if readiness}
  <div aria-live="polite">
    {#each readiness.because.map(readinessText) as why (why)}<p
        class={readiness.starts ? 'font-semibold' : 'font-semibold text-stop'}
      >
        {why}
      </p>{/each}
    {#if readiness.starts && readiness.easier && worked.length > 0}
      <p>
        {eased.length > 0 ? `One step easier: ${named(eased)}.` : 'No exercise of this session has an easier step.'}
        {eased.length > 0 && uneased.length > 0 ? `As usual, with no easier step: ${named(uneased)}.` : ''}
      </p>
    {/if}
  </div>
{/if}
