<!-- Long because it is one form: a field for each thing an exercise says, in the order it is written down. -->
<script lang="ts">
  import { enhance } from '$app/forms';
  import { dialField, dialKinds, ownDialRows, typedExercise, type DialKind } from '$lib/contract/ownExercise';
  import {
    equipment,
    exerciseKinds,
    exercisePhases,
    exerciseTraits,
    motionOf,
    motions,
    startPositions,
    unders,
    type Exercise
  } from '$lib/core';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, formProblem, type FormState } from '$lib/ui/formState';
  import Once from '$lib/ui/Once.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import Select from '$lib/ui/Select.svelte';
  import TextLines from './TextLines.svelte';
  import { keepTyped } from '$lib/ui/sending';

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

  /** What was typed, else what is known. */
  const shown = $derived({ ...(known && typedExercise({ ...known, easier, harder })), ...form?.typed });
  const at = (name: string, otherwise = ''): string => {
    const value = shown[name];
    return typeof value === 'string' ? value : otherwise;
  };
  const isChecked = (name: string, value: string): boolean => shown[name]?.includes(value) ?? false;
  const rowNumbers = Array.from({ length: ownDialRows }, (_, i) => i);
  /** Rows asked for; those that say something are there anyhow. */
  let rowCount = $state(1);
  const rows = $derived(rowNumbers.slice(0, Math.max(rowCount, rowNumbers.findLastIndex((i) => at(dialField(i, 'kind'))) + 1)));
  let kinds = $state<Record<number, string>>({});
  const kindOptions = [
    { value: '', label: 'none' },
    ...(Object.keys(dialKinds) as DialKind[]).map((k) => ({ value: k, label: dialKinds[k].name }))
  ];
  const plain = (values: readonly string[]) => [{ label: '', options: values.map((v) => ({ value: v, label: v })) }];
  const dialError = (i: number, field: string) => fieldError(form, `dials.${i}.${field}`);
  const neighbours = $derived([
    { label: '', options: [{ value: '', label: 'none' }, ...others.map((o) => ({ value: o.id, label: o.name }))] }
  ]);
</script>

{#snippet checks(legend: string, name: string, values: readonly { value: string; label: string }[])}
  <fieldset aria-describedby={fieldError(form, name) ? `${name}-error` : undefined}>
    <legend class="font-semibold">{legend}</legend>
    <div class="flex flex-wrap gap-x-4">
      {#each values as { value, label } (value)}
        <label class="choice"><input type="checkbox" {name} {value} defaultChecked={isChecked(name, value)} /> {label}</label>
      {/each}
    </div>
    {#if fieldError(form, name)}<p id="{name}-error" class="font-semibold text-stop" role="alert">
        {fieldError(form, name)}
      </p>{/if}
  </fieldset>
{/snippet}

<form method="POST" class="flex flex-col gap-5" novalidate use:enhance={keepTyped}>
  <Once />
  <ProblemNote text={formProblem(form)} />
  <div class="grid gap-4 md:grid-cols-2">
    <Field label="Name" name="name" value={at('name')} error={fieldError(form, 'name')} />
    <Select
      label="Position"
      name="position"
      groups={plain(startPositions)}
      value={at('position', 'standing')}
      error={fieldError(form, 'position')}
    />
    <TextLines label="Other names" name="aliases" value={at('aliases')} error={fieldError(form, 'aliases')} rows={3} />
    <Field label="Why, in one line" name="why" value={at('why')} error={fieldError(form, 'why')} />
  </div>
  {@render checks(
    'Used for',
    'phases',
    exercisePhases.map((v) => ({ value: v, label: v }))
  )}
  {@render checks(
    'Moved by',
    'kinds',
    exerciseKinds.map((v) => ({
      value: v,
      label: {
        active: 'its own muscles',
        assisted: 'own muscles with help',
        passive: 'gravity, a partner or a prop',
        isometric: 'no movement, muscles press'
      }[v]
    }))
  )}
  <details open={known === null || ['links', 'also'].some((f) => fieldError(form, f) !== undefined)}>
    <summary class="min-h-11 py-2 font-semibold">
      What it trains{known && known.links.length > 0 ? `: ${known.links.map((l) => motionOf(l).name).join(', ')}` : ''}
    </summary>
    {@render checks(
      'Motions',
      'links',
      motions.map((m) => ({ value: m.id, label: m.name }))
    )}
    <div class="mt-3 max-w-md">
      <TextLines
        label="Something else it trains"
        name="also"
        hint="front of the shin, a line each"
        value={at('also')}
        error={fieldError(form, 'also')}
        rows={2}
      />
    </div>
  </details>
  <div class="grid gap-4 md:grid-cols-2">
    <Select
      label="Sides"
      name="sides"
      groups={plain(['each', 'both together', 'alternating'])}
      value={at('sides', 'each')}
      error={fieldError(form, 'sides')}
    />
    <Field
      label="Which limb the side means"
      name="sideWords"
      hint="leg in front, knee on the mat"
      value={at('sideWords')}
      error={fieldError(form, 'sideWords')}
    />
    <TextLines label="Set up, a step a line" name="setup" value={at('setup')} error={fieldError(form, 'setup')} rows={4} />
    <TextLines label="Look at, a check a line" name="checks" value={at('checks')} error={fieldError(form, 'checks')} rows={4} />
    <Field label="Felt" name="felt" value={at('felt')} error={fieldError(form, 'felt')} />
    <Field label="Not felt" name="notFelt" value={at('notFelt')} error={fieldError(form, 'notFelt')} />
    <TextLines
      label="What goes wrong"
      name="mistakes"
      hint="What goes wrong: what mends it"
      value={at('mistakes')}
      error={fieldError(form, 'mistakes')}
      rows={3}
    />
    <TextLines
      label="Mind, a caution a line"
      name="cautions"
      value={at('cautions')}
      error={fieldError(form, 'cautions')}
      rows={3}
    />
  </div>

  <fieldset class="flex flex-col gap-3">
    <legend class="text-lg font-semibold">Settings, in the order they are moved</legend>
    {#each rows as i (i)}
      {@const row = (field: Parameters<typeof dialField>[1]) => at(dialField(i, field))}
      {@const kind = kinds[i] ?? (kindOptions.some((o) => o.value === row('kind')) ? row('kind') : '')}
      <div class="grid grid-cols-2 items-start gap-3 border-b border-line pb-3 md:grid-cols-[1.7fr_1.7fr_1fr_1fr_1fr_1fr]">
        <input type="hidden" name="dial{i}_id" value={row('id')} />
        <Select
          label="Setting {i + 1}"
          name="dial{i}_kind"
          groups={[{ label: '', options: kindOptions }]}
          value={kind}
          error={dialError(i, 'kind')}
          onchange={(v) => (kinds[i] = v)}
        />
        {#if kind !== ''}
          <Field
            label="Called"
            name="dial{i}_name"
            value={row('name')}
            error={dialError(i, 'name')}
            hint={row('name') ? undefined : `left empty: ${dialKinds[kind as DialKind].name}`}
          />
          {#if kind === 'levels'}
            <div class="col-span-2 md:col-span-4">
              <TextLines
                label="Levels, the easier first, a line each"
                name="dial{i}_levels"
                value={row('levels')}
                error={dialError(i, 'levels')}
                rows={3}
              />
            </div>
          {:else}
            <Field
              label="Least"
              unit={dialKinds[kind as DialKind].unit}
              name="dial{i}_min"
              inputmode="decimal"
              value={row('min')}
              error={dialError(i, 'min')}
            />
            <Field label="Most" name="dial{i}_max" inputmode="decimal" value={row('max')} error={dialError(i, 'max')} />
            <Field label="Step" name="dial{i}_step" inputmode="decimal" value={row('step')} error={dialError(i, 'step')} />
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
              value={row('harder')}
            />
            {#if kind === 'height'}
              <Select label="Stack under" name="dial{i}_under" groups={plain(unders)} value={row('under')} />
            {/if}
          {/if}
        {/if}
      </div>
    {/each}
    {#if rows.length < ownDialRows}
      <button type="button" class="btn self-start" onclick={() => (rowCount = rows.length + 1)}>One more setting</button>
    {/if}
  </fieldset>

  <div class="grid gap-4 md:grid-cols-2">
    {#each [{ label: 'An easier exercise', name: 'easier' }, { label: 'A harder exercise', name: 'harder' }] as { label, name } (name)}
      <Finder {label} {name} groups={neighbours} value={at(name)} error={fieldError(form, name)} />
    {/each}
  </div>
  <details open={['padding', 'clothing'].some((f) => fieldError(form, f) !== undefined)}>
    <summary class="min-h-11 py-2 font-semibold">Props, padding, clothing, and what a limit may rule out</summary>
    <div class="flex flex-col gap-4">
      {@render checks(
        'Props to fetch besides stacks',
        'props',
        equipment.map((p) => ({ value: p.id, label: p.name }))
      )}
      <TextLines label="Padding" name="padding" value={at('padding')} error={fieldError(form, 'padding')} rows={2} />
      <Field label="Clothing" name="clothing" value={at('clothing')} error={fieldError(form, 'clothing')} />
      <label class="choice"
        ><input
          type="checkbox"
          name="privatePlace"
          defaultChecked={form?.typed ? form.typed.privatePlace === 'on' : at('privatePlace') === 'on'}
        />
        For private places only</label
      >
      {@render checks(
        'It is',
        'traits',
        exerciseTraits.map((v) => ({ value: v, label: v }))
      )}
    </div>
  </details>
  <p class="text-ink-soft">
    The usual stop signs are put in for what it trains; a copy keeps all those of what it was copied from. No dose is put in:
    where there is no standard value, it is asked for in Grade.
  </p>
  <div class="flex gap-3">
    <button class="btn btn-primary">{submitLabel}</button>
    <a class="btn" href={cancelHref}>Leave it</a>
  </div>
</form>
