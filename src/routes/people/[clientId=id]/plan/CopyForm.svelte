<script lang="ts">
  import { enhance } from '$app/forms';
  import Choices from '$lib/ui/Choices.svelte';
  import { formProblem, type FormState } from '$lib/ui/formState';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Select from '$lib/ui/Select.svelte';
  import { sending } from '$lib/ui/sending';
  import SolveButton from './SolveButton.svelte';
  import { Solving } from './solving.svelte';

  /** A plan after that of somebody else with the same goal. */
  type Props = {
    form: FormState;
    people: readonly Readonly<{ clientId: number; name: string }>[];
    version: number;
    onDone?: () => void;
  };
  let { form, people, version, onDone }: Props = $props();
  const solving = new Solving();
</script>

<form
  method="POST"
  action="?/copy"
  class="flex flex-col gap-3"
  use:enhance={solving.watched(
    sending(async ({ result, update }) => {
      await update({ reset: false });
      if (result.type === 'redirect') onDone?.();
    })
  )}
>
  <ProblemNote text={formProblem(form)} />
  <input type="hidden" name="basedOnVersion" value={version} />
  <Select
    label="After the plan of"
    name="fromClientId"
    groups={[{ label: '', options: people.map((p) => ({ value: String(p.clientId), label: p.name })) }]}
    {form}
    hint="Their exercises and weeks, on this person’s measures, shelf, limits and minutes. What is not open to this person is left out, and told."
  />
  <Choices
    legend="Where it begins"
    name="step"
    choices={[
      { value: 'from the start', label: 'At its first week' },
      { value: 'with them', label: 'In step with them' }
    ]}
    {form}
    known="from the start"
  />
  <p class="text-ink-soft">
    In step: on their days and in the week they are in, settling in first. Every exercise begins where it does for anybody.
  </p>
  <SolveButton {solving} label="Make it after theirs" look="btn" />
</form>
