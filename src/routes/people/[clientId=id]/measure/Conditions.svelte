<script lang="ts">
  import type { ConditionsInput } from '$lib/contract/measureForms';
  import Choices from '$lib/ui/Choices.svelte';
  import DateField from '$lib/ui/DateField.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { typedOr, type FormState } from '$lib/ui/formState';

  /** What a measure was taken under: what has to be alike before it is compared, and what is only kept. */
  type Props = {
    form: FormState;
    today: string;
    known: Pick<ConditionsInput, 'dayTime' | 'training' | 'measurer'>;
    /** Supports that are usual, or were used before. */
    supports: readonly string[];
    /** @bindable */
    support: string;
  };
  let { form, today, known, supports, support = $bindable() }: Props = $props();
</script>

<details class="card py-2" open={form?.problem !== undefined}>
  <summary class="min-h-7 text-ink-soft">Day, conditions, support, note</summary>
  <div class="mt-3 grid gap-4 sm:grid-cols-3">
    <DateField label="Day" name="takenOn" {form} known={today} />
    <Choices
      legend="Time of day"
      name="dayTime"
      value={typedOr(form, 'dayTime', known.dayTime)}
      choices={[
        { value: 'morning', label: 'Morning' },
        { value: 'midday', label: 'Midday' },
        { value: 'evening', label: 'Evening' }
      ]}
    />
    <Choices
      legend="Other training"
      name="training"
      value={typedOr(form, 'training', known.training)}
      choices={[
        { value: 'before', label: 'Still to come' },
        { value: 'after', label: 'Done before' }
      ]}
    />
    <Field
      label="Prop or support"
      name="support"
      list="supports"
      value={support}
      oninput={(v) => (support = v)}
      hint="Another one makes it another measure"
    />
    <Field label="Measured by" name="measurer" value={typedOr(form, 'measurer', known.measurer)} />
    <Field label="Note" name="note" {form} hint="Anything different today" />
  </div>
  <datalist id="supports">
    {#each new Set(supports.filter(Boolean)) as name (name)}<option value={name}></option>{/each}
  </datalist>
</details>
