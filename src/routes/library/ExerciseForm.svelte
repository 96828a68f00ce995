<!-- Long because it is one form: a field for each thing an exercise says, in the order it is written down. -->
<script lang="ts">
  import { group } from 'd3-array';
  import { version } from '$app/environment';
  import { enhance } from '$app/forms';
  import type { Snippet } from 'svelte';
  import { figureHref } from '$lib/contract/figureAsk';
  import {
    dialField,
    dialKinds,
    doseField,
    doseFigures,
    ownDialRows,
    typedExercise,
    type DialKind,
    type DoseFigure
  } from '$lib/contract/ownExercise';
  import {
    equipment,
    exerciseKinds,
    exercisePhases,
    exerciseTraits,
    joints,
    motions,
    poseIds,
    schools,
    startPositions,
    unders,
    type Exercise,
    type PoseId
  } from '$lib/core';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, formProblem, type FormState } from '$lib/ui/formState';
  import { capital } from '$lib/ui/format';
  import Once from '$lib/ui/Once.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import Select from '$lib/ui/Select.svelte';
  import TextLines from './TextLines.svelte';
  import { keepTyped } from '$lib/ui/sending';

  /** An exercise of the studio's own: written from nothing, from a copy, or changed. Three things are asked, the rest can wait. */
  type Props = {
    known: Exercise | null;
    form: FormState;
    others: readonly { id: string; name: string }[];
    /** Its easier neighbours as they stand, for a copy those of what is copied. */
    easier: readonly string[];
    harder: readonly string[];
    submitLabel: string;
    cancelHref: string;
    /** The person in whose Grade it can be tried at once. @default nobody */
    tryFor?: { id: number; name: string } | null;
  };
  let { known, form, others, easier, harder, submitLabel, cancelHref, tryFor = null }: Props = $props();

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
  const same = (values: readonly string[]) => values.map((v) => ({ value: v, label: v }));
  const dialError = (i: number, field: string) => fieldError(form, `dials.${i}.${field}`);
  const neighbours = $derived([
    { label: '', options: [{ value: '', label: 'none' }, ...others.map((o) => ({ value: o.id, label: o.name }))] }
  ]);
  const poses = [
    { label: '', options: [{ value: '', label: 'none' }, ...poseIds.map((p) => ({ value: p, label: capital(p) }))] }
  ];
  let chosenPose = $state<string | null>(null);
  const pose = $derived(chosenPose ?? at('pose'));
  const poseHref = $derived(
    poseIds.some((p) => p === pose)
      ? figureHref({ pose: pose as PoseId, path: pose === known?.pose ? known.path : undefined }, version)
      : null
  );
  const errorFields = $derived(form?.problem?.code === 'invalid_input' ? Object.keys(form.problem.fields) : []);
  const isWrong = (fields: readonly string[]): boolean =>
    errorFields.some((e) => fields.some((f) => e === f || e.startsWith(`${f}.`)));
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

{#snippet fold(title: string, says: string, fields: readonly string[], content: Snippet)}
  <details class="border-t border-line pt-1" open={known !== null || isWrong(fields)}>
    <summary class="min-h-11 py-2"><span class="font-semibold">{title}</span> <span class="text-ink-soft">{says}</span></summary>
    <div class="flex flex-col gap-4 pb-3">{@render content()}</div>
  </details>
{/snippet}

{#snippet lines(label: string, name: string, hint = '', rows = 3)}
  <TextLines {label} {name} hint={hint || undefined} value={at(name)} error={fieldError(form, name)} {rows} />
{/snippet}

{#snippet word(label: string, name: string, hint = '')}
  <Field {label} {name} hint={hint || undefined} value={at(name)} error={fieldError(form, name)} />
{/snippet}

{#snippet setting(i: number)}
  {@const row = (field: Parameters<typeof dialField>[1]) => at(dialField(i, field))}
  {@const kind = kinds[i] ?? (kindOptions.some((o) => o.value === row('kind')) ? row('kind') : '')}
  {@const ends = kind === '' || kind === row('kind') ? null : dialKinds[kind as DialKind].ends}
  <div class="grid grid-cols-2 items-start gap-3 md:grid-cols-[1.7fr_1.7fr_1fr_1fr_1fr_1fr]">
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
        hint={row('name') ? undefined : `Leave it blank to call it ${dialKinds[kind as DialKind].name}`}
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
          value={ends ? String(ends[0]) : row('min')}
          error={dialError(i, 'min')}
        />
        <Field
          label="Most"
          name="dial{i}_max"
          inputmode="decimal"
          value={ends ? String(ends[1]) : row('max')}
          error={dialError(i, 'max')}
        />
        <Field
          label="Step"
          name="dial{i}_step"
          inputmode="decimal"
          value={ends ? String(ends[2]) : row('step')}
          error={dialError(i, 'step')}
        />
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
{/snippet}

<form method="POST" class="flex flex-col gap-5" novalidate use:enhance={keepTyped}>
  <Once />
  <ProblemNote text={formProblem(form)} />
  <div class="max-w-xl">{@render word('Name', 'name')}</div>

  <fieldset aria-describedby={fieldError(form, 'links') ? 'links-error' : undefined}>
    <legend class="text-lg font-semibold">What it trains</legend>
    {#if fieldError(form, 'links')}<p id="links-error" class="font-semibold text-stop" role="alert">
        {fieldError(form, 'links')}
      </p>{/if}
    <div class="mt-1 grid gap-x-6 gap-y-2 sm:grid-cols-2 lg:grid-cols-3">
      {#each group(motions, (m) => m.joint) as [joint, ofJoint] (joint)}
        <div class={joint === 'hip' ? 'sm:row-span-4' : ''}>
          <p class="text-ink-soft">{capital(joint)}</p>
          {#each ofJoint as motion (motion.id)}
            <label class="choice flex"
              ><input type="checkbox" name="links" value={motion.id} defaultChecked={isChecked('links', motion.id)} />
              {motion.name}</label
            >
          {/each}
        </div>
      {/each}
      <div>{@render lines('Something else it trains', 'also', 'front of the shin, a line each', 2)}</div>
    </div>
  </fieldset>

  <fieldset class="flex flex-col gap-3">
    <legend class="text-lg font-semibold">What makes it harder</legend>
    <p class="text-ink-soft">How long it is held, how often, how high its stack stands. The ends are yours to change.</p>
    {#each rows as i (i)}{@render setting(i)}{/each}
    {#if rows.length < ownDialRows}
      <button type="button" class="btn self-start" onclick={() => (rowCount = rows.length + 1)}>One more setting</button>
    {/if}
  </fieldset>

  <p class="text-ink-soft">
    That is enough to begin with. What is not said below counts as a stretch from outside, so that every limit and stop reaches
    it.
  </p>

  <div>
    {@render fold(
      'How it is done',
      'position, sides, who moves the joint',
      ['position', 'phases', 'kinds', 'sides', 'sideWords'],
      how
    )}
    {@render fold(
      'Words beside the mat',
      'set-up, checks, press and draw, what goes wrong',
      ['aliases', 'why', 'setup', 'checks', 'felt', 'notFelt', 'mistakes', 'variants', 'press', 'draw'],
      words
    )}
    {@render fold(
      'Mind and stop',
      'cautions, stops of its own, what it loads',
      ['cautions', 'stops', 'loads', 'otherLoads', 'traits'],
      safety
    )}
    {@render fold('How much of it', 'in each school, where you know it', ['doses'], doses)}
    {@render fold('Its figure', 'a position of the body', ['pose'], figure)}
    {@render fold('Easier and harder', 'its place in a row', ['easier', 'harder'], row)}
    {@render fold('Things to fetch', 'props, padding, clothing', ['props', 'padding', 'clothing', 'privatePlace'], things)}
  </div>

  {#snippet how()}
    <div class="grid gap-4 md:grid-cols-3">
      <Select
        label="Position"
        name="position"
        groups={plain(startPositions)}
        value={at('position', 'any')}
        error={fieldError(form, 'position')}
      />
      <Select
        label="Sides"
        name="sides"
        groups={plain(['each', 'both together', 'alternating'])}
        value={at('sides', 'each')}
        error={fieldError(form, 'sides')}
      />
      {@render word('Which limb the side means', 'sideWords', 'leg in front, knee on the mat')}
    </div>
    {@render checks('Used for', 'phases', same(exercisePhases))}
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
  {/snippet}

  {#snippet words()}
    <div class="grid gap-4 md:grid-cols-2">
      {@render lines('Set up, a step a line', 'setup', '', 4)}
      {@render lines('Look at, a check a line', 'checks', '', 4)}
      {@render word('Felt', 'felt')}
      {@render word('Not felt', 'notFelt')}
      {@render word('Press', 'press', 'the heel into the block')}
      {@render word('Draw', 'draw', 'the heel off the block')}
      {@render word('Why, in one line', 'why')}
      {@render lines('Other names', 'aliases', 'a line each', 2)}
      {@render lines('Variants, the usual first, a line each', 'variants', 'knees together', 2)}
      {@render lines('What goes wrong', 'mistakes', 'What goes wrong: what mends it')}
    </div>
  {/snippet}

  {#snippet safety()}
    <div class="grid gap-4 md:grid-cols-2">
      {@render lines('Mind, a caution a line', 'cautions')}
      {@render lines('Stops of its own, a line each', 'stops', 'Besides the usual ones. Say when to stop, and what.')}
    </div>
    {@render checks('It also loads, on its side', 'loads', same(joints))}
    {@render checks('It also loads, on the other side', 'otherLoads', same(joints))}
    {@render checks('It is', 'traits', same(exerciseTraits))}
    <p class="text-ink-soft">
      The usual stop signs and what its motions load are put in by themselves; a copy keeps all those of what it was copied from.
    </p>
  {/snippet}

  {#snippet doses()}
    <p class="text-ink-soft">
      A figure, or from one to another: 20 to 30. What stays empty is the school's own, or asked for in Grade.
    </p>
    {#each schools as school (school.id)}
      <fieldset>
        <legend class="font-semibold">{school.name}</legend>
        <div class="grid grid-cols-2 items-start gap-2 sm:grid-cols-4 lg:grid-cols-7">
          {#each Object.entries(doseFigures) as [figure, { name, unit }] (figure)}
            {@const field = doseField(school.id, figure as DoseFigure)}
            <Field
              label={name}
              unit={unit || undefined}
              name={field}
              value={at(field)}
              error={fieldError(form, `doses.${school.id}.${figure}`)}
            />
          {/each}
        </div>
      </fieldset>
    {/each}
  {/snippet}

  {#snippet figure()}
    <div class="grid items-end gap-4 md:grid-cols-2">
      <Finder
        label="Figure"
        name="pose"
        groups={poses}
        value={at('pose')}
        error={fieldError(form, 'pose')}
        onchange={(to) => (chosenPose = to)}
      />
      {#if poseHref}<img
          src={poseHref}
          alt="{capital(pose)}, as it is drawn"
          class="h-32 w-full object-contain object-left"
        />{/if}
    </div>
  {/snippet}

  {#snippet row()}
    <div class="grid gap-4 md:grid-cols-2">
      {#each [{ label: 'An easier exercise', name: 'easier' }, { label: 'A harder exercise', name: 'harder' }] as { label, name } (name)}
        <Finder {label} {name} groups={neighbours} value={at(name)} error={fieldError(form, name)} />
      {/each}
    </div>
  {/snippet}

  {#snippet things()}
    {@render checks(
      'Props to fetch besides stacks',
      'props',
      equipment.map((p) => ({ value: p.id, label: p.name }))
    )}
    <div class="grid gap-4 md:grid-cols-2">
      {@render lines('Padding', 'padding', '', 2)}
      {@render word('Clothing', 'clothing')}
    </div>
    <label class="choice"
      ><input
        type="checkbox"
        name="privatePlace"
        defaultChecked={form?.typed ? form.typed.privatePlace === 'on' : at('privatePlace') === 'on'}
      />
      For private places only</label
    >
  {/snippet}

  <div class="flex flex-wrap gap-3">
    {#if tryFor}
      <button class="btn btn-primary" name="tryFor" value={tryFor.id}>{submitLabel} and try it for {tryFor.name}</button>
      <button class="btn">{submitLabel}</button>
    {:else}
      <button class="btn btn-primary">{submitLabel}</button>
    {/if}
    <a class="btn" href={cancelHref}>Leave it</a>
  </div>
</form>
