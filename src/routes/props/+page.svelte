<script lang="ts">
  import { enhance } from '$app/forms';
  import Trash from '@lucide/svelte/icons/trash-2';
  import { toast } from 'svelte-sonner';
  import StackDrawing from '$lib/ui/drawing/StackDrawing.svelte';
  import { fieldError, formProblem, typedOr } from '$lib/ui/formState';
  import { lengthNumber } from '$lib/ui/format';
  import { postAction } from '$lib/ui/postAction';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Why from '$lib/ui/Why.svelte';
  import PropForm from './PropForm.svelte';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  let editing = $state<string>();
  /** How many were put in: each one leaves a fresh form behind. */
  let added = $state(0);
  const perCm = 2.6;
  const tallest = $derived(Math.max(20, ...data.shelf.flatMap((p) => p.faces.map((f) => f.heightCm))) * perCm + 4);
  const formFor = (name: string) => (form && 'problem' in form && form.form === name ? form : null);
  const heights = (stacks: readonly { heightCm: number }[]) =>
    stacks.filter((s) => s.heightCm > 0).map((s) => lengthNumber(s.heightCm, unit));
</script>

<svelte:head><title>Props · Calm Reach</title></svelte:head>

<main class="mx-auto grid max-w-7xl gap-6 p-5 lg:grid-cols-[1fr_22rem]">
  <section>
    <h1>The shelf</h1>
    {#if data.shelf.length === 0}
      <p class="mt-3 max-w-xl">
        Nothing stands here yet. Put in the blocks, cushions, books and boxes you really have: three measures each.
      </p>
    {:else}
      <p class="text-ink-soft">Every way a prop may stand, drawn to scale on the floor.</p>
      <ul class="mt-3 flex flex-col gap-3">
        {#each data.shelf as prop (prop.id)}
          <li class="card flex flex-col gap-2">
            <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
              <div
                class="flex items-end border-b-[3px] border-ink"
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
              <div class="min-w-40 grow">
                <h2>{prop.name}</h2>
                <p class="text-ink-soft">
                  {prop.faces.map((f) => `${lengthNumber(f.heightCm, unit)}${f.carries === false ? ' upright' : ''}`).join(' · ')}
                  {unit} high{prop.softShare > 0 ? `, sinks ${Math.round(prop.softShare * 100)} % under the body` : ''}
                </p>
              </div>
              <form
                method="POST"
                action="?/quantity"
                class="flex items-end gap-2"
                use:enhance={() =>
                  ({ update }) =>
                    update({ reset: false })}
              >
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
                  action="?/remove"
                  use:enhance={() =>
                    async ({ update }) => {
                      await update();
                      const undo = () => void postAction('?/restore', { propId: prop.id });
                      toast(`${prop.name} is off the shelf`, { action: { label: 'Undo', onClick: undo } });
                    }}
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
              <PropForm {unit} known={prop} action="?/edit" form={formFor('edit')} onDone={() => (editing = undefined)} />
            {/if}
          </li>
        {/each}
      </ul>
      <section class="mt-5">
        <h2 class="flex items-center gap-2">
          Heights this shelf makes
          <Why about="the heights">
            <p>
              At most three props; one soft, and on top; nothing on an upright block; an upper prop at most 2 cm over the edge; no
              taller than twice the foot (common practice).
            </p>
          </Why>
        </h2>
        <p class="mt-1">{heights(data.one.stacks).join(' · ') || 'none'} <span class="text-ink-soft">{unit}</span></p>
        <h3 class="mt-3">For both hands at once</h3>
        <p class="mt-1">{heights(data.both.stacks).join(' · ') || 'none'} <span class="text-ink-soft">{unit}</span></p>
        {#if data.one.bounded || data.both.bounded}<p class="mt-2">The shelf is very large: not every stack was tried.</p>{/if}
      </section>
    {/if}
  </section>
  <aside class="card flex flex-col gap-4 self-start">
    <h2>Add a prop</h2>
    <ProblemNote text={formProblem(formFor('add'))} />
    {#key added}
      <PropForm {unit} action="?/add" form={formFor('add')} onDone={() => added++} />
    {/key}
  </aside>
</main>
