<script lang="ts">
  import { enhance } from '$app/forms';
  import { fromCm, type Units } from '$lib/contract/fields';
  import { usualWeek } from '$lib/contract/forms';
  import Choices from '$lib/ui/Choices.svelte';
  import DateField from '$lib/ui/DateField.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem, typedOr, type FormState } from '$lib/ui/formState';
  import { lengthNumber, massNumber } from '$lib/ui/format';
  import Once from '$lib/ui/Once.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';

  type Known = {
    name: string;
    birthYear: number;
    birthDate: string | null;
    level: string;
    contact: string;
    statureCm: number;
    leftLegCm: number | null;
    rightLegCm: number | null;
    lowerLegCm: number | null;
    hipToBreastboneCm: number | null;
    bodyMassKg: number | null;
    sessionsPerWeek: number;
    minutesPerSession: number;
    notes: string;
  };
  type Props = { units: Units; form: FormState; known?: Known; submit: string; cancelHref: string };
  let { units, form, known, submit, cancelHref }: Props = $props();

  const cm = (value: number | null | undefined) => (value == null ? '' : lengthNumber(value, units.length, 2));
  const kg = (value: number | null | undefined) => (value == null ? '' : massNumber(value, units.mass));
  const exampleStature = $derived(Math.round(fromCm(170, units.length)));
  const exampleLeg = $derived(Math.round(fromCm(90, units.length)));
</script>

<form method="POST" class="flex flex-col gap-5" use:enhance={keepTyped} novalidate>
  {#if !known}<Once />{/if}
  <ProblemNote text={formProblem(form)} />
  <div class="grid gap-5 sm:grid-cols-2">
    <Field label="Name" name="name" {form} known={known?.name} />
    <Field
      label="Year of birth"
      name="birthYear"
      inputmode="numeric"
      {form}
      known={known?.birthYear}
      hint="Limits of age hang on it"
    />
    <Field
      label="Height"
      unit={units.length}
      name="statureCm"
      inputmode="decimal"
      {form}
      known={cm(known?.statureCm)}
      hint="About {exampleStature}; legs that are not measured follow from it"
    />
    <Choices
      legend="Level"
      name="level"
      {form}
      known={known?.level}
      choices={[
        { value: 'beginner', label: 'Beginner' },
        { value: 'intermediate', label: 'Intermediate' },
        { value: 'advanced', label: 'Advanced' }
      ]}
    />
  </div>
  <details class="card" open={known !== undefined}>
    <summary class="cursor-pointer font-semibold">What can wait</summary>
    <div class="mt-4 grid gap-5 sm:grid-cols-2 lg:grid-cols-3">
      <Field label="Phone or email" name="contact" optional {form} known={known?.contact} />
      <DateField
        label="Date of birth"
        name="birthDate"
        optional
        {form}
        known={known?.birthDate ?? ''}
        hint="With the year alone, limits of age take the cautious side"
      />
      <Field
        label="Body weight"
        unit={units.mass}
        name="bodyMassKg"
        inputmode="decimal"
        optional
        {form}
        known={kg(known?.bodyMassKg)}
        hint="For loads as a part of it"
      />
      <Field
        label="Left leg"
        unit={units.length}
        name="leftLegCm"
        inputmode="decimal"
        optional
        {form}
        known={cm(known?.leftLegCm)}
        hint="Hip centre to heel, about {exampleLeg}"
      />
      <Field
        label="Right leg"
        unit={units.length}
        name="rightLegCm"
        inputmode="decimal"
        optional
        {form}
        known={cm(known?.rightLegCm)}
        hint="Measured legs make the angle of a split exact"
      />
      <Field
        label="Lower leg"
        unit={units.length}
        name="lowerLegCm"
        inputmode="decimal"
        optional
        {form}
        known={cm(known?.lowerLegCm)}
        hint="Knee to ankle"
      />
      <Field
        label="Hip to breastbone"
        unit={units.length}
        name="hipToBreastboneCm"
        inputmode="decimal"
        optional
        {form}
        known={cm(known?.hipToBreastboneCm)}
        hint="For folds"
      />
      <Field
        label="Sessions a week"
        name="sessionsPerWeek"
        inputmode="numeric"
        optional
        {form}
        known={known?.sessionsPerWeek ?? usualWeek.sessions}
        hint="What they can really manage; the plan asks again"
      />
      <Field
        label="Minutes a session"
        name="minutesPerSession"
        inputmode="numeric"
        optional
        {form}
        known={known?.minutesPerSession ?? usualWeek.minutes}
        hint="The plan asks again"
      />
      <label class="flex flex-col gap-1 sm:col-span-2 lg:col-span-3">
        <span class="flex items-baseline"
          ><span class="font-semibold">Notes</span><span class="ml-auto text-ink-soft">optional</span></span
        >
        <textarea name="notes" rows="3" class="input">{typedOr(form, 'notes', known?.notes)}</textarea>
      </label>
    </div>
  </details>
  <div class="flex gap-3">
    <button class="btn btn-primary">{submit}</button>
    <a class="btn" href={cancelHref}>Cancel</a>
  </div>
</form>
