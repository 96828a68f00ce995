<script lang="ts">
  import { enhance } from '$app/forms';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { PropFace } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, typedOr, type FormState } from '$lib/ui/formState';
  import { lengthNumber } from '$lib/ui/format';

  type Known = { id: string; name: string; material: string; quantity: number; softShare: number; faces: readonly PropFace[] };
  type Props = { unit: LengthUnit; known?: Known; action: '?/add' | '?/edit'; form: FormState; onDone?: () => void };
  let { unit, known, action, form, onDone }: Props = $props();

  const knownLengths = $derived(known?.faces[0] ? [known.faces[0].heightCm, known.faces[0].depthCm, known.faces[0].widthCm] : []);
  const show = (i: number) => (knownLengths[i] === undefined ? '' : lengthNumber(knownLengths[i], unit, 2));
  const turns = $derived(form?.typed ? form.typed.turns === 'on' : known ? known.faces.length > 1 : true);
  const labels = ['Height', 'Depth', 'Width'];
</script>

<form
  method="POST"
  {action}
  class="flex flex-col gap-4"
  novalidate
  use:enhance={() =>
    async ({ result, update }) => {
      await update({ reset: false });
      if (result.type === 'success') onDone?.();
    }}
>
  {#if known}<input type="hidden" name="propId" value={known.id} />{/if}
  <Field label="Name" name="name" value={typedOr(form, 'name', known?.name)} error={fieldError(form, 'name')} />
  <div class="grid grid-cols-3 gap-3">
    {#each labels as label, i (label)}
      <Field
        {label}
        {unit}
        name="length{i}"
        inputmode="decimal"
        value={typedOr(form, `length${i}`, show(i))}
        error={fieldError(form, `lengthsCm.${i}`)}
      />
    {/each}
  </div>
  <label class="choice"><input type="checkbox" name="turns" defaultChecked={turns} /> It may stand any way up</label>
  <div class="grid grid-cols-2 gap-3">
    <Field
      label="How many"
      name="quantity"
      inputmode="numeric"
      value={typedOr(form, 'quantity', known?.quantity ?? 1)}
      error={fieldError(form, 'quantity')}
    />
    <Field
      label="Sinks"
      unit="%"
      name="softPct"
      inputmode="numeric"
      value={typedOr(form, 'softPct', known ? Math.round(known.softShare * 100) : 0)}
      error={fieldError(form, 'softPct')}
      hint="Of its height, under the body; 0 is hard"
    />
  </div>
  <Choices
    legend="Made of"
    name="material"
    value={typedOr(form, 'material', known?.material ?? 'cork')}
    error={fieldError(form, 'material')}
    choices={[
      { value: 'cork', label: 'Hard' },
      { value: 'felt', label: 'Soft' },
      { value: 'steel', label: 'Box, chair' }
    ]}
  />
  <div><button class="btn btn-primary">{known ? 'Keep' : 'Put it on the shelf'}</button></div>
</form>
