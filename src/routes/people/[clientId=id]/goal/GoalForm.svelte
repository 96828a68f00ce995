<script lang="ts">
  import { enhance } from '$app/forms';
  import { needField, ownHeadlines, type GoalInput } from '$lib/contract/goalForms';
  import { goalOf, isSplit, measureOf, motionIds, positionOf, type Body, type Demand } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import Choices from '$lib/ui/Choices.svelte';
  import DateField from '$lib/ui/DateField.svelte';
  import Field from '$lib/ui/Field.svelte';
  import PoseDrawing from '$lib/ui/drawing/PoseDrawing.svelte';
  import { chosenOr, fieldError, formProblem, typedOr, type FormState } from '$lib/ui/formState';
  import { capital, lengthNumber, numberText } from '$lib/ui/format';
  import Once from '$lib/ui/Once.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import Select from '$lib/ui/Select.svelte';
  import { keepTyped } from '$lib/ui/sending';

  type Known = Omit<GoalInput, 'demands'> & Readonly<{ id: number; demands: readonly Demand[] }>;
  type Props = {
    kind: string;
    goal: Known | null;
    unit: LengthUnit;
    turnout: { hipsDeg: number; mostDeg: number } | null;
    /** Of stages that open by a rule: what is met, and what is missing. */
    stageFacts: readonly string[];
    form: FormState;
    body: Body;
    /** Where another one is chosen. */
    tilesHref: string;
  };
  let { kind, goal, unit, turnout, stageFacts, form, body, tilesHref }: Props = $props();

  let chosenAim = $state<string>();
  let chosenHeadline = $state<string>();
  const catalogue = $derived(goalOf(kind));
  const endsByDepth = $derived(isSplit(catalogue));
  const headline = $derived(
    measureOf(
      kind === 'custom'
        ? (chosenHeadline ?? chosenOr(form, 'headline', ownHeadlines, goal?.headline ?? 'own_distance'))
        : catalogue.headline
    )
  );
  const known = $derived(goal?.kind === kind ? goal : null);
  const knownAim = $derived(!known?.target ? 'flat' : known.target > 0 ? 'above' : 'past');
  const aim = $derived(chosenAim ?? typedOr(form, 'aim', knownAim));
  const isLength = $derived(headline.unit === 'cm');
  const shown = (value: number | null) => (value === null ? '' : isLength ? lengthNumber(value, unit) : numberText(value));
  const unitWord = $derived(isLength ? unit : headline.unit === 'level' || headline.unit === 'yes' ? '' : headline.unit);
  const demands = $derived<readonly Demand[]>(known?.demands ?? catalogue.demands);
  const sideWord = { lead: 'of the leg in front', trail: 'of the other leg', each: 'each side', 'both together': '' } as const;
</script>

<div class="flex flex-wrap items-baseline gap-x-4">
  <h1>The goal: {(goal?.title || catalogue.name).toLowerCase()}</h1>
  {#if !goal}<a class="inline-flex min-h-11 items-center underline underline-offset-4" href={tilesHref}>Choose another</a>{/if}
</div>
<form
  method="POST"
  action="?/save&goal={goal ? goal.id : `new&kind=${kind}`}"
  class="mt-5 flex flex-col gap-6"
  use:enhance={keepTyped}
  novalidate
>
  <Once />
  <ProblemNote text={formProblem(form)} />
  <input type="hidden" name="kind" value={kind} />
  <p class="-mt-3 max-w-2xl text-ink-soft">
    It is measured by: {headline.name.toLowerCase()}. It is reached when {catalogue.endPoint}.
    {#if catalogue.leads}Both sides are measured, planned and trained; the leading leg named here comes first.{/if}
  </p>
  {#each catalogue.cautions as caution (caution)}<p class="-mt-3 font-semibold">{caution}</p>{/each}
  {#if catalogue.kind !== 'comfort' && kind !== 'custom'}
    <PoseDrawing
      pose={positionOf(headline.id).pose}
      setting={{ side: 'left', ...(positionOf(headline.id).drives && catalogue.target !== null && { value: catalogue.target }) }}
      {body}
      label="{catalogue.name} at its usual end"
      class="-mt-2 h-36 w-full self-start"
    />
  {/if}

  {#if kind === 'custom'}
    <Field label="What is it called" name="title" {form} known={known?.title} />
    <Finder
      label="Measured by"
      name="headline"
      groups={[{ label: '', options: ownHeadlines.map((id) => ({ value: id, label: measureOf(id).name })) }]}
      value={headline.id}
      onchange={(v) => (chosenHeadline = v)}
      error={fieldError(form, 'headline')}
    />
  {/if}
  {#if catalogue.leads}
    <Choices
      legend="Leading leg"
      name="leadSide"
      {form}
      known={known?.leadSide}
      choices={[
        { value: 'left', label: 'Left in front' },
        { value: 'right', label: 'Right in front' }
      ]}
    />
  {/if}
  {#if endsByDepth}
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
        {unit}
        name="distanceCm"
        inputmode="decimal"
        {form}
        known={known?.target ? lengthNumber(Math.abs(known.target), unit) : ''}
        hint={aim === 'past' ? 'Only after a flat split is held with ease on several days' : undefined}
      />
    {/if}
  {:else}
    <Field
      label="Target"
      unit={unitWord}
      name="target"
      inputmode="decimal"
      {form}
      known={shown(known ? known.target : catalogue.target)}
      hint={headline.levels
        ? headline.levels.map((level, i) => `${i} ${level}`).join(', ')
        : `${headline.betterIs === 'lower' ? 'Lower' : 'Higher'} is further. Leave it blank for no target.`}
    />
    {#if kind === 'turnout'}
      <Field
        label="Why further than the hips allow"
        name="targetReason"
        {form}
        known={known?.targetReason}
        hint={turnout
          ? `Both hips turn ${turnout.hipsDeg}° together; past ${turnout.mostDeg}° it needs a reason`
          : 'Asked for once both hips are measured, when the target is past what they allow'}
      />
    {/if}
  {/if}
  {#if catalogue.stages.length > 1 && !endsByDepth}
    <Select
      label="Stage worked on now"
      name="stage"
      groups={[{ label: '', options: catalogue.stages.map((s, i) => ({ value: String(i), label: s })) }]}
      {form}
      known={known?.stage ?? 0}
    />
    {#if form?.problem?.code === 'stage_not_open'}
      <Field label="Why sooner (it is kept)" name="targetReason" {form} />
    {/if}
  {/if}
  {#if goal && goal.kind === kind}
    {#each stageFacts as fact (fact)}<p class="text-ink-soft">{fact}</p>{/each}
  {/if}
  <div class="grid gap-5 sm:grid-cols-2">
    <DateField label="By when" name="targetOn" {form} known={known?.targetOn} optional hint="Leave it blank if there is no day" />
    <Field label="Occasion" name="eventName" {form} known={known?.eventName} optional hint="A pageant, an evening" />
  </div>
  {#if kind === 'custom' || demands.length > 0}
    <details class="card">
      <summary class="font-semibold">Joint range needed</summary>
      <p class="mt-2 text-ink-soft">
        {kind === 'custom'
          ? 'Write the degrees each motion needs, both sides; empty ones are not asked for.'
          : 'Starting values. Change what does not fit this person; a changed one is marked as yours.'}
      </p>
      <div class="mt-3 grid gap-4 sm:grid-cols-2">
        {#if kind === 'custom'}
          {#each motionIds as id (id)}
            {@const name = needField(catalogue, { measure: id, on: 'each' })}
            <Field
              label={capital(measureOf(id).name)}
              unit="°"
              {name}
              inputmode="decimal"
              {form}
              known={known?.demands.find((d) => d.measure === id)?.needDeg}
            />
          {/each}
        {:else}
          {#each demands as demand (needField(catalogue, demand))}
            {@const name = needField(catalogue, demand)}
            <Field
              label="{capital(measureOf(demand.measure).name)} {sideWord[demand.on]}"
              unit="°"
              {name}
              inputmode="decimal"
              {form}
              known={numberText(demand.needDeg)}
              hint={demand.basis}
            />
          {/each}
        {/if}
      </div>
    </details>
  {/if}
  <div><button class="btn btn-primary">{goal ? 'Keep the goal' : 'Set the goal'}</button></div>
</form>
