<script lang="ts">
  import { enhance } from '$app/forms';
  import type { Units } from '$lib/contract/fields';
  import { equipment, equipmentOf, type EquipmentId, type PropFace } from '$lib/core';
  import Field from '$lib/ui/Field.svelte';
  import { chosenOr, fieldError, typedOr, type FormState } from '$lib/ui/formState';
  import { lengthNumber, massNumber } from '$lib/ui/format';
  import Once from '$lib/ui/Once.svelte';
  import { sending } from '$lib/ui/sending';
  import Select from '$lib/ui/Select.svelte';

  type Known = {
    id: string;
    name: string;
    kind: EquipmentId;
    quantity: number;
    softShare: number;
    pullKg: number | null;
    massKg: number | null;
    faces: readonly PropFace[];
  };
  type Props = { units: Units; known?: Known; action: string; form: FormState; onDone?: () => void };
  let { units, known, action, form, onDone }: Props = $props();

  const kindIds = equipment.map((e) => e.id);
  let picked = $state<EquipmentId>();
  const kind = $derived(picked ?? chosenOr(form, 'kind', kindIds, known?.kind ?? 'block'));
  const by = $derived(equipmentOf(kind).measuredBy);
  const unit = $derived(units.length);
  const first = $derived(known?.faces[0]);
  const knownLengths = $derived(first ? [first.heightCm, first.depthCm, first.widthCm] : []);
  const show = (i: number) => (knownLengths[i] === undefined ? '' : lengthNumber(knownLengths[i], unit, 2));
  const turns = $derived(form?.typed ? form.typed.turns === 'on' : known ? known.faces.length > 1 : true);
  const labels = ['Height', 'Depth', 'Width'];
  const soft = $derived(['cushion', 'bolster', 'blanket', 'mat', 'pad'].includes(kind) ? 25 : 0);
  const groups = [
    { label: 'Makes a height', options: options('faces', 'steps') },
    { label: 'Pulls or weighs', options: options('pull', 'mass') },
    { label: 'Is there or not', options: options('none') }
  ];
  function options(...ways: readonly string[]) {
    return equipment.filter((e) => ways.includes(e.measuredBy)).map((e) => ({ value: e.id, label: e.name }));
  }
  const mass = (kg: number | null | undefined) => (kg ? massNumber(kg, units.mass) : '');
</script>

<form
  method="POST"
  {action}
  class="flex flex-col gap-4"
  novalidate
  use:enhance={sending(async ({ result, update }) => {
    await update({ reset: false });
    if (result.type === 'success') onDone?.();
  })}
>
  {#if known}<input type="hidden" name="propId" value={known.id} />{:else}<Once />{/if}
  <Select
    label="What it is"
    name="kind"
    {groups}
    value={kind}
    error={fieldError(form, 'kind')}
    onchange={(v) => (picked = v as EquipmentId)}
  />
  <Field label="Name" name="name" {form} known={known?.name} />
  {#if by === 'faces'}
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
  {:else if by === 'steps'}
    <div class="grid grid-cols-2 gap-3">
      <Field label="Height of a step" {unit} name="stepCm" inputmode="decimal" {form} known={show(0)} />
      <Field label="Steps" name="steps" inputmode="numeric" {form} known={known?.faces.length ?? ''} />
    </div>
  {:else if by === 'pull'}
    <Field
      label="Pull"
      unit={units.mass}
      name="pullKg"
      inputmode="decimal"
      {form}
      known={mass(known?.pullKg)}
      hint="Stretched to twice its length; printed on most"
    />
  {:else if by === 'mass'}
    <Field label="Weight of one" unit={units.mass} name="massKg" inputmode="decimal" {form} known={mass(known?.massKg)} />
  {/if}
  <div class="grid grid-cols-2 gap-3">
    <Field label="How many" name="quantity" inputmode="numeric" {form} known={known?.quantity ?? 1} />
    {#if by === 'faces'}
      <Field
        label="Sinks"
        unit="%"
        name="softPct"
        inputmode="numeric"
        {form}
        known={known ? Math.round(known.softShare * 100) : soft}
        hint="Of its height, under the body; 0 is hard"
      />
    {/if}
  </div>
  {#if equipmentOf(kind).mayMove}
    <p class="border-l-4 border-stop pl-3">{equipmentOf(kind).mayMove}</p>
  {/if}
  <div><button class="btn btn-primary">{known ? 'Keep' : 'Put it on the shelf'}</button></div>
</form>
