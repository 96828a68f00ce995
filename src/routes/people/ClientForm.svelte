<script lang="ts">
  import { enhance } from '$app/forms';
  import { fromCm, type Units } from '$lib/contract/fields';
  import Choices from '$lib/ui/Choices.svelte';
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
    <Field label="Phone or email" name="contact" {form} known={known?.contact} />
    <Field label="Date of birth" name="birthDate" type="date" {form} known={known?.birthDate ?? ''} hint="If you know it" />
    <Field
      label="Year of birth"
      name="birthYear"
      inputmode="numeric"
      {form}
      known={known?.birthYear}
      hint="Enough without the date: limits of age then take the cautious side both ways"
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
  <div class="grid gap-5 sm:grid-cols-3">
    <Field
      label="Height"
      unit={units.length}
      name="statureCm"
      inputmode="decimal"
      {form}
      known={cm(known?.statureCm)}
      hint="About {exampleStature}"
    />
    <Field
      label="Left leg"
      unit={units.length}
      name="leftLegCm"
      inputmode="decimal"
      {form}
      known={cm(known?.leftLegCm)}
      hint="Hip centre to heel, about {exampleLeg}"
    />
    <Field
      label="Right leg"
      unit={units.length}
      name="rightLegCm"
      inputmode="decimal"
      {form}
      known={cm(known?.rightLegCm)}
      hint="Leave blank to estimate it from height"
    />
    <Field
      label="Lower leg"
      unit={units.length}
      name="lowerLegCm"
      inputmode="decimal"
      {form}
      known={cm(known?.lowerLegCm)}
      hint="Knee to ankle; may stay empty"
    />
    <Field
      label="Hip to breastbone"
      unit={units.length}
      name="hipToBreastboneCm"
      inputmode="decimal"
      {form}
      known={cm(known?.hipToBreastboneCm)}
      hint="For folds; may stay empty"
    />
    <Field
      label="Body weight"
      unit={units.mass}
      name="bodyMassKg"
      inputmode="decimal"
      {form}
      known={kg(known?.bodyMassKg)}
      hint="May stay empty"
    />
  </div>
  <div class="grid gap-5 sm:grid-cols-2">
    <Field
      label="Sessions a week"
      name="sessionsPerWeek"
      inputmode="numeric"
      {form}
      known={known?.sessionsPerWeek}
      hint="What they can really manage"
    />
    <Field label="Minutes a session" name="minutesPerSession" inputmode="numeric" {form} known={known?.minutesPerSession} />
  </div>
  <label class="flex flex-col gap-1">
    <span class="font-semibold">Notes</span>
    <textarea name="notes" rows="3" class="input">{typedOr(form, 'notes', known?.notes)}</textarea>
  </label>
  <div class="flex gap-3">
    <button class="btn btn-primary">{submit}</button>
    <a class="btn" href={cancelHref}>Cancel</a>
  </div>
</form>
