<script lang="ts">
  import { enhance } from '$app/forms';
  import { goto } from '$app/navigation';
  import Trash from '@lucide/svelte/icons/trash-2';
  import StackDrawing from '$lib/ui/drawing/StackDrawing.svelte';
  import { fieldError, formProblem, typedOr } from '$lib/ui/formState';
  import { equipmentOf, usualStepCm } from '$lib/core';
  import { lengthNumber, lengthText, massNumber } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Select from '$lib/ui/Select.svelte';
  import Why from '$lib/ui/Why.svelte';
  import HeightScale from './HeightScale.svelte';
  import PropForm from './PropForm.svelte';
  import TakenOut from '$lib/ui/TakenOut.svelte';
  import ShelfAdvice from './ShelfAdvice.svelte';
  import { keepTyped, undoable } from '$lib/ui/sending';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  let editing = $state<string>();
  /** How many were put in: each one leaves a fresh form behind. */
  let added = $state(0);
  const perCm = 2.2;
  const tallest = $derived(Math.max(20, ...data.shelf.flatMap((p) => p.faces.map((f) => f.heightCm))) * perCm + 4);
  const formFor = (name: string) => (form && 'problem' in form && form.form === name ? form : null);
  /** Keeps the shelf that is looked at: an action replaces the whole query. */
  const at = $derived(data.home ? `&home=${data.home.id}` : '');

  /** Who stood on what was taken away. */
  function usersText(users: readonly string[]): string | undefined {
    if (users.length === 0) return undefined;
    const more = users.length > 3 ? ` and ${users.length - 3} more` : '';
    return `In use by ${users.slice(0, 3).join('; ')}${more}: the nearest other stack is taken now.`;
  }

  type Shown = (typeof data.shelf)[number];
  function measuresOf(p: Shown): string {
    if (p.pullKg !== null) return `pulls ${massNumber(p.pullKg, data.units.mass)} ${data.units.mass}`;
    if (p.massKg !== null) return `${massNumber(p.massKg, data.units.mass)} ${data.units.mass} each`;
    if (p.faces.length === 0) return '';
    const heights = p.faces.map((f) => `${lengthNumber(f.heightCm, unit)}${f.carries === false ? ' upright' : ''}`).join(' · ');
    return `${heights} ${unit} high${p.softShare > 0 ? `, sinks ${Math.round(p.softShare * 100)} % under the body` : ''}`;
  }
</script>

<svelte:head><title>Props · Calm Reach</title></svelte:head>

<main class="mx-auto grid max-w-7xl grid-cols-[minmax(0,1fr)] gap-6 p-5 lg:grid-cols-[minmax(0,1fr)_22rem]">
  <section>
    <div class="flex flex-wrap items-end gap-4">
      <h1>{data.home ? `At home: ${data.home.name}` : 'The shelf'}</h1>
      <form method="GET" class="ml-auto flex items-end gap-2">
        <Select
          label="Whose shelf"
          name="home"
          groups={[
            { label: '', options: [{ value: '', label: 'The studio' }] },
            { label: 'At home', options: data.people.map((p) => ({ value: String(p.id), label: p.name })) }
          ]}
          value={data.home ? String(data.home.id) : ''}
          onchange={(id) => void goto(id ? `/props?home=${id}` : '/props')}
        />
        <noscript><button class="btn">Show</button></noscript>
      </form>
    </div>
    {#if data.shelf.length === 0}
      <p class="mt-3 max-w-xl">
        {#if data.home}
          Nothing of what {data.home.name} has at home was measured yet. Ask for three measures each of the books, cushions and steps
          they have; a stack at home needs them.
        {:else}
          Nothing stands here yet. Put in the blocks, cushions, books and boxes you really have: three measures each.
        {/if}
      </p>
    {:else}
      <section class="card mt-3 py-4">
        <h2 class="flex items-center gap-2">
          Heights this shelf makes
          <Why about="the heights">
            <p>
              At most three props; one soft, and on top; nothing on an upright block; an upper prop at most 2 cm over the edge; no
              taller than twice the foot. For a light hand one upright block will do, alone (common practice).
            </p>
            <p>Hatched: further apart than the greatest usual step of {lengthText(usualStepCm.max, unit)}.</p>
          </Why>
        </h2>
        <HeightScale label="Under the body" stacks={data.one.stacks} gaps={data.one.gaps} uptoCm={data.scaleCm} {unit} />
        <HeightScale
          label="For both hands at once"
          stacks={data.both.stacks}
          gaps={data.both.gaps}
          uptoCm={data.scaleCm}
          {unit}
        />
        {#if data.one.bounded || data.both.bounded}
          <p class="mt-2" role="status">
            The shelf is very large: every stack of {Math.min(data.one.triedItems, data.both.triedItems)} was tried, not every one of
            more.
          </p>
        {/if}
      </section>
      <h2 class="mt-5">What stands on it</h2>
      <p class="text-ink-soft">Every way a prop may stand, drawn to scale on the floor.</p>
      <ul class="mt-3 flex flex-col gap-3">
        {#each data.shelf as prop (prop.id)}
          <li class="card flex flex-col gap-2 px-4 py-2">
            <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
              {#if prop.faces.length > 0}
                <div
                  class="flex max-w-full items-end overflow-x-auto border-b-[3px] border-ink"
                  role="img"
                  aria-label="{prop.name}: {prop.faces.map((f) => `${lengthNumber(f.heightCm, unit)} ${unit}`).join(', ')}"
                >
                  {#each prop.faces as face, i (i)}
                    {@const width = face.widthCm * perCm + 14}
                    {@const height = Math.min(tallest, face.heightCm * perCm + 4)}
                    <svg {width} {height} viewBox="{-width / 2} {-height} {width} {height}">
                      <g transform="scale(1 -1)"
                        ><StackDrawing
                          items={[{ propId: prop.id, face: i }]}
                          shelf={[{ ...prop, softShare: 0 }]}
                          x={0}
                          {perCm}
                        /></g
                      >
                    </svg>
                  {/each}
                </div>
              {/if}
              <div class="min-w-40 grow">
                <h2>{prop.name}</h2>
                <p class="text-ink-soft">
                  {[equipmentOf(prop.kind).name.toLowerCase(), measuresOf(prop)].filter(Boolean).join(' · ')}
                </p>
              </div>
              <form method="POST" action="?/quantity{at}" class="flex items-end gap-2" use:enhance={keepTyped}>
                <input type="hidden" name="propId" value={prop.id} />
                <label class="flex flex-col">
                  <span class="text-ink-soft">how many</span>
                  <input
                    class="input w-20 text-center text-lg"
                    name="quantity"
                    inputmode="numeric"
                    defaultValue={formFor('quantity')?.typed.propId === prop.id
                      ? typedOr(formFor('quantity'), 'quantity', '')
                      : prop.quantity}
                    onchange={(e) => e.currentTarget.form?.requestSubmit()}
                  />
                </label>
                <noscript><button class="btn">Keep</button></noscript>
              </form>
              <div class="flex">
                <button
                  class="btn btn-quiet"
                  aria-expanded={editing === prop.id}
                  onclick={() => (editing = editing === prop.id ? undefined : prop.id)}>Edit</button
                >
                <form
                  method="POST"
                  action="?/remove{at}"
                  use:enhance={undoable(({ removed }) => ({
                    told: `${prop.name} is off the shelf`,
                    description: usersText(removed as string[]),
                    action: `?/restore${at}`,
                    fields: { propId: prop.id }
                  }))}
                >
                  <input type="hidden" name="propId" value={prop.id} />
                  <button class="btn btn-quiet" aria-label="Take {prop.name} off the shelf"><Trash size={18} /></button>
                </form>
              </div>
            </div>
            {#if formFor('quantity')?.typed.propId === prop.id}
              <p class="font-semibold text-stop" role="alert">{fieldError(formFor('quantity'), 'quantity')}</p>
            {/if}
            {#if editing === prop.id}
              <PropForm
                units={data.units}
                known={prop}
                action="?/edit{at}"
                form={formFor('edit')}
                onDone={() => (editing = undefined)}
              />
            {/if}
          </li>
        {/each}
      </ul>
    {/if}
    <TakenOut items={data.removed} field="propId" action="?/restore{at}" />
  </section>
  <aside class="flex flex-col gap-5 self-start">
    <section class="card flex flex-col gap-4">
      <h2>Add a prop</h2>
      <ProblemNote text={formProblem(formFor('add'))} />
      {#key added}
        <PropForm units={data.units} action="?/add{at}" form={formFor('add')} onDone={() => added++} />
      {/key}
    </section>
    {#await data.use}
      <section class="card" aria-busy="true"><p>Looking at everybody’s exercises…</p></section>
    {:then use}
      <ShelfAdvice {use} {unit} />
    {/await}
  </aside>
</main>
