<script lang="ts">
  import { enhance } from '$app/forms';
  import { dialKinds, ownDialRows, unders, type DialKind } from '$lib/contract/exerciseForms';
  import {
    equipment,
    exerciseKinds,
    exercisePhases,
    exerciseTraits,
    motionOf,
    motions,
    startPositions,
    type Dial,
    type Exercise
  } from '$lib/core';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, formProblem, typedOr, type FormState } from '$lib/ui/formState';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Select from '$lib/ui/Select.svelte';
  import TextLines from './TextLines.svelte';

  /** An exercise of the studio's own: written from nothing, from a copy, or changed. */
  type Props = {
    known: Exercise | null;
    form: FormState;
    others: readonly { id: string; name: string }[];
    /** Its easier neighbours as they stand, for a copy those of what is copied. */
    easier: readonly string[];
    harder: readonly string[];
    submitLabel: string;
    cancelHref: string;
  };
  let { known, form, others, easier, harder, submitLabel, cancelHref }: Props = $props();

  const lines = (name: string, of: readonly string[] | undefined) => typedOr(form, name, of?.join('\n'));
  const isChecked = (name: string, value: string, of: readonly string[] | undefined): boolean => {
    const typed = form?.typed?.[name];
    return typed === undefined ? (of?.includes(value) ?? false) : typed.includes(value);
  };
  const kindOf = (d: Dial): DialKind => {
    if (d.kind === 'level') return 'levels';
    const standard = (Object.keys(dialKinds) as DialKind[]).find((k) => dialKinds[k].id === d.id && d.id !== '');
    return standard ?? (d.stack ? 'height' : d.unit === '°' ? 'angle' : 'distance');
  };
  let rowCount = $state<number>();
  const rows = $derived(
    Array.from({ length: Math.max(rowCount ?? 0, known?.dials.length ?? 1) }, (_, i) => {
      const d = known?.dials[i];
      const at = (name: string, was: string | number | undefined) => typedOr(form, `dial${i}_${name}`, was ?? '');
      return {
        id: at('id', d?.id),
        kind: at('kind', d && kindOf(d)),
        name: at('name', d?.name),
        min: at('min', d?.min),
        max: at('max', d?.max),
        step: at('step', d?.step),
        harder: at('harder', d?.harder ?? 'up'),
        levels: at('levels', d?.levels?.join(', ')),
        under: at('under', d?.stack?.under ?? 'hands')
      };
    })
  );
  let kinds = $state<Record<number, string>>({});
  const kindOptions = [
    { value: '', label: 'none' },
    ...(Object.keys(dialKinds) as DialKind[]).map((k) => ({ value: k, label: dialKinds[k].name }))
  ];
  const plain = (values: readonly string[]) => [{ label: '', options: values.map((v) => ({ value: v, label: v })) }];
  const dialError = (i: number, field: string) => fieldError(form, `dials.${i}.${field}`);
  const neighbours = (chosen: readonly string[]) => [
    { label: '', options: [{ value: '', label: 'none' }, ...others.map((o) => ({ value: o.id, label: o.name }))], chosen }
  ];
</script>

{#snippet checks(
  legend: string,
  name: string,
  values: readonly { value: string; label: string }[],
  of: readonly string[] | undefined
)}
  <fieldset aria-describedby={fieldError(form, name) ? `${name}-error` : undefined}>
    <legend class="font-semibold">{legend}</legend>
    <div class="flex flex-wrap gap-x-4">
      {#each values as { value, label } (value)}
        <label class="choice"><input type="checkbox" {name} {value} defaultChecked={isChecked(name, value, of)} /> {label}</label>
      {/each}
    </div>
    {#if fieldError(form, name)}<p id="{name}-error" class="font-semibold text-stop" role="alert">
        {fieldError(form, name)}
      </p>{/if}
  </fieldset>
{/snippet}

<form
  method="POST"
  class="flex flex-col gap-5"
  novalidate
  use:enhance={() =>
    ({ update }) =>
      update({ reset: false })}
>
  <ProblemNote text={formProblem(form)} />
  <div class="grid gap-4 md:grid-cols-2">
    <Field label="Name" name="name" value={typedOr(form, 'name', known?.name)} error={fieldError(form, 'name')} />
    <Select
      label="Position"
      name="position"
      groups={plain(startPositions)}
      value={typedOr(form, 'position', known?.position ?? 'standing')}
      error={fieldError(form, 'position')}
    />
    <TextLines
      label="Other names"
      name="aliases"
      value={lines('aliases', known?.aliases)}
      error={fieldError(form, 'aliases')}
      rows={2}
    />
    <Field label="Why, in one line" name="why" value={typedOr(form, 'why', known?.why)} error={fieldError(form, 'why')} />
  </div>
  {@render checks(
    'Used for',
    'phases',
    exercisePhases.map((v) => ({ value: v, label: v })),
    known?.phases
  )}
  {@render checks(
    'Moved by',
    'kinds',
    exerciseKinds.map((v) => ({
      value: v,
      label: {
        active: 'its own muscles',
        assisted: 'own muscles with help',
        passive: 'something outside',
        isometric: 'nobody: muscles press'
      }[v]
    })),
    known?.kinds
  )}
  <details open={known === null || fieldError(form, 'links') !== undefined}>
    <summary class="min-h-11 py-2 font-semibold">
      What it trains{known && known.links.length > 0 ? `: ${known.links.map((l) => motionOf(l).name).join(', ')}` : ''}
    </summary>
    {@render checks(
      'Motions',
      'links',
      motions.map((m) => ({ value: m.id, label: m.name })),
      known?.links
    )}
  </details>
  <div class="grid gap-4 md:grid-cols-2">
    <Select
      label="Sides"
      name="sides"
      groups={plain(['each', 'both together', 'alternating'])}
      value={typedOr(form, 'sides', known?.sides ?? 'each')}
      error={fieldError(form, 'sides')}
    />
    <Field
      label="Which limb the side means"
      name="sideWords"
      hint="leg in front, knee on the mat"
      value={typedOr(form, 'sideWords', known?.sideWords)}
      error={fieldError(form, 'sideWords')}
    />
    <TextLines
      label="Set up, a step a line"
      name="setup"
      value={lines('setup', known?.setup)}
      error={fieldError(form, 'setup')}
      rows={4}
    />
    <TextLines
      label="Look at, a check a line"
      name="checks"
      value={lines('checks', known?.checks)}
      error={fieldError(form, 'checks')}
      rows={4}
    />
    <Field label="Felt" name="felt" value={typedOr(form, 'felt', known?.felt)} error={fieldError(form, 'felt')} />
    <Field label="Not felt" name="notFelt" value={typedOr(form, 'notFelt', known?.notFelt)} error={fieldError(form, 'notFelt')} />
    <TextLines
      label="What goes wrong"
      name="mistakes"
      hint="What goes wrong: what mends it"
      value={lines(
        'mistakes',
        known?.mistakes.map((m) => `${m.mistake} : ${m.fix}`)
      )}
      error={fieldError(form, 'mistakes')}
      rows={3}
    />
    <TextLines
      label="Mind, a caution a line"
      name="cautions"
      value={lines('cautions', known?.cautions)}
      error={fieldError(form, 'cautions')}
      rows={3}
    />
  </div>

  <fieldset class="flex flex-col gap-3">
    <legend class="text-lg font-semibold">Dials, in the order they are moved</legend>
    {#each rows as row, i (i)}
      {@const kind = kinds[i] ?? row.kind}
      <div class="grid grid-cols-2 items-start gap-3 border-b border-line pb-3 md:grid-cols-6">
        <input type="hidden" name="dial{i}_id" value={row.id} />
        <Select
          label="Dial {i + 1}"
          name="dial{i}_kind"
          groups={[{ label: '', options: kindOptions }]}
          value={kind}
          onchange={(v) => (kinds[i] = v)}
        />
        {#if kind !== ''}
          <Field label="Called" name="dial{i}_name" value={row.name} hint={dialKinds[kind as DialKind].name} />
          {#if kind === 'levels'}
            <div class="col-span-2 md:col-span-4">
              <Field
                label="Levels, the easier first"
                name="dial{i}_levels"
                value={row.levels}
                error={dialError(i, 'levels')}
                hint="both behind, one in front, none"
              />
            </div>
          {:else}
            <Field
              label="Least"
              unit={dialKinds[kind as DialKind].unit}
              name="dial{i}_min"
              inputmode="decimal"
              value={row.min}
              error={dialError(i, 'min')}
            />
            <Field label="Most" name="dial{i}_max" inputmode="decimal" value={row.max} error={dialError(i, 'max')} />
            <Field label="Step" name="dial{i}_step" inputmode="decimal" value={row.step} error={dialError(i, 'step')} />
            <Select
              label="Harder is"
              name="dial{i}_harder"
              groups={[
                {
                  label: '',
                  options: [
                    { value: 'up', label: 'more' },
                    { value: 'down', label: 'less' }
                  ]
                }
              ]}
              value={row.harder}
            />
            {#if kind === 'height'}
              <Select label="Stack under" name="dial{i}_under" groups={plain(unders)} value={row.under} />
            {/if}
          {/if}
        {/if}
      </div>
    {/each}
    {#if rows.length < ownDialRows}
      <button type="button" class="btn self-start" onclick={() => (rowCount = rows.length + 1)}>One more dial</button>
    {/if}
  </fieldset>

  <div class="grid gap-4 md:grid-cols-2">
    {#each [{ label: 'Easier neighbour', name: 'easier', chosen: easier }, { label: 'Harder neighbour', name: 'harder', chosen: harder }] as n (n.name)}
      <Select
        label={n.label}
        name={n.name}
        groups={neighbours(n.chosen)}
        value={typedOr(form, n.name, n.chosen[0])}
        error={fieldError(form, n.name)}
      />
    {/each}
  </div>
  <details>
    <summary class="min-h-11 py-2 font-semibold">Props, padding, clothing, and what a limit may rule out</summary>
    <div class="flex flex-col gap-4">
      {@render checks(
        'Props to fetch besides stacks',
        'props',
        equipment.map((p) => ({ value: p.id, label: p.name })),
        known?.props.map((p) => p.id)
      )}
      <TextLines
        label="Padding"
        name="padding"
        value={lines('padding', known?.padding)}
        error={fieldError(form, 'padding')}
        rows={2}
      />
      <Field
        label="Clothing"
        name="clothing"
        value={typedOr(form, 'clothing', known?.clothing)}
        error={fieldError(form, 'clothing')}
      />
      <label class="choice"
        ><input
          type="checkbox"
          name="privatePlace"
          defaultChecked={form?.typed ? form.typed.privatePlace === 'on' : (known?.privatePlace ?? false)}
        />
        For private places only</label
      >
      {@render checks(
        'It is',
        'traits',
        exerciseTraits.map((v) => ({ value: v, label: v })),
        known?.traits
      )}
    </div>
  </details>
  <p class="text-ink-soft">
    The usual stop signs are put in for what it trains; a copy keeps all those of what it was copied from. No dose is put in:
    where no figure is usual, it is asked for in Grade.
  </p>
  <div class="flex gap-3">
    <button class="btn btn-primary">{submitLabel}</button>
    <a class="btn" href={cancelHref}>Leave it</a>
  </div>
</form>
