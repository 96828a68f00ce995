<script lang="ts">
  import { enhance } from '$app/forms';
  import { schools } from '$lib/core';
  import Select from '$lib/ui/Select.svelte';
  import DateField from '$lib/ui/DateField.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem, typedOr, type FormState } from '$lib/ui/formState';
  import { sending } from '$lib/ui/sending';
  import Relax from '$lib/ui/Relax.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import SolveButton from './SolveButton.svelte';
  import { Solving } from './solving.svelte';

  type Shape = { schoolId: string; weeks: number; sessionsPerWeek: number; minutes: number; startOn: string };
  type Props = {
    form: FormState;
    known: Shape;
    /** Version this form was opened on; 0 when there is none. */
    version: number;
    /** The way of working this person prefers: it comes before the plan's. */
    ownSchool: string | null;
    onDone?: () => void;
  };
  let { form, known, version, ownSchool, onDone }: Props = $props();
  const solving = new Solving();
  // The version the form was opened on stays, so that a change made in another tab is noticed.
  // svelte-ignore state_referenced_locally
  const openedOn = typedOr(form, 'basedOnVersion', version);
</script>

<form
  method="POST"
  action="?/make"
  class="flex flex-col gap-4"
  novalidate
  use:enhance={solving.watched(
    sending(async ({ result, update }) => {
      await update({ reset: false });
      if (result.type === 'redirect') onDone?.();
    })
  )}
>
  <ProblemNote text={formProblem(form)} />
  <Relax {form} />
  <input type="hidden" name="basedOnVersion" value={openedOn} />
  <div class="grid gap-4 sm:grid-cols-2">
    <Field label="Weeks" name="weeks" inputmode="numeric" {form} known={known.weeks} hint="1 to 52" />
    <Field label="Sessions a week" name="sessionsPerWeek" inputmode="numeric" {form} known={known.sessionsPerWeek} />
    <Field
      label="Minutes a session"
      name="minutes"
      inputmode="numeric"
      {form}
      known={known.minutes}
      hint="Never gone over; what is cut is said"
    />
    <DateField label="From" name="startOn" {form} known={known.startOn} />
  </div>
  <Select
    label="Way of working"
    name="schoolId"
    groups={[{ label: '', options: schools.map((s) => ({ value: s.id, label: s.name })) }]}
    {form}
    known={known.schoolId}
    hint={ownSchool
      ? `This person works by “${ownSchool}”, which comes first, unless an exercise has a way of its own.`
      : 'An exercise may have a way of its own, set in Grade.'}
  />
  <SolveButton {solving} label={version === 0 ? 'Make the plan' : 'Make a new version'} />
</form>
