<script lang="ts">
  import { enhance } from '$app/forms';
  import X from '@lucide/svelte/icons/x';
  import type { CycleDesk } from '$lib/contract/cycle';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { clockText } from '$lib/ui/format';
  import { overCapText } from '$lib/ui/problemText';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped, sending, undoable } from '$lib/ui/sending';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import { CycleDraft } from './cycle.svelte';
  import CycleCurve from './CycleCurve.svelte';
  import CycleNumbers from './CycleNumbers.svelte';
  import { cycleChanges } from './cycleText';

  let { data, form } = $props();
  // One cycle is shaped at a time: the page is made anew for another.
  // svelte-ignore state_referenced_locally
  const { desk } = data;
  const draft = new CycleDraft(desk);
  const { exercise } = desk;
  const of = $derived(desk.sides[draft.side]);
  const base = $derived(`/people/${data.client.id}/grade`);
  const named = $derived((data.desk as CycleDesk).named);
  let looked = $state<number>();
  const other = $derived(named.find((n) => n.id === looked));
  const changes = $derived(other ? cycleChanges(draft.value, other.cycle) : []);
  const keepProblem = $derived(form && 'form' in form && form.form === 'keep' ? formProblem(form) : undefined);
  const asksReason = $derived(form && 'form' in form && form.form === 'keep' && form.problem.code === 'wait_not_over');
</script>

<main class="mx-auto max-w-7xl p-5">
  <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
    <div class="grow">
      <h1>The cycle of {exercise.name}</h1>
      <p class="text-ink-soft">
        {desk.isShaped
          ? 'Shaped by hand.'
          : of.begunFrom
            ? `Its school makes no cycle of it: this is begun as in “${of.begunFrom}”.`
            : 'As its school does it.'}
        Drag a corner, move it by the arrow keys, or type.
      </p>
    </div>
    {#if desk.perSide}
      <label class="choice"><input type="checkbox" bind:checked={draft.apart} /> Each side its own</label>
      {#if draft.apart}
        <SideSwitch
          side={draft.side}
          onSideChange={(s) => draft.pick(s)}
          label={exercise.sideWords || 'Side'}
          words={exercise.sideWords}
        />
      {/if}
    {/if}
  </div>
  <p class="mt-2 border-l-4 border-stop pl-3 text-sm">{exercise.stops.join(' ')}</p>
  {#if desk.bar}<p class="mt-2 font-semibold text-stop">Not now: {desk.bar}</p>{/if}
  {#if of.noHarder}<p class="mt-2 font-semibold">Nothing of it gets harder now: {of.noHarder}</p>{/if}

  <div class="mt-3 grid gap-5 lg:grid-cols-[1fr_19rem]">
    <div class="flex min-w-0 flex-col gap-4">
      <CycleCurve {draft} capPct={of.caps.effortPct} />
      <CycleNumbers
        {draft}
        {exercise}
        capPct={of.caps.effortPct}
        mayBrace={of.caps.brace}
        stays={of.noHarder !== null}
        breathS={desk.breathS}
      />
    </div>
    <aside class="flex flex-col gap-4" aria-label="What it comes to">
      <section class="card" aria-live="polite">
        <p class="text-3xl font-bold">{clockText(draft.totals.durationS)}</p>
        <p class="text-ink-soft">
          a set{draft.value.mostRounds === undefined ? '' : ', without the rounds that are added'}; {clockText(
            draft.totals.stretchS
          )} under stretch, {clockText(draft.totals.contractionS)} of effort
        </p>
        {#if draft.over}<p class="mt-2 font-semibold text-stop" role="alert">{overCapText(draft.over)}</p>{/if}
      </section>
      <form method="POST" action="?/keep" class="flex flex-col gap-2" use:enhance={keepTyped}>
        <ProblemNote text={keepProblem} />
        <input type="hidden" name="exerciseId" value={exercise.id} />
        <input type="hidden" name="cycles" value={draft.json} />
        {#if asksReason}<Field label="Why sooner" name="reason" {form} />{/if}
        <button class="btn btn-primary" disabled={draft.over !== null || desk.bar !== null}>Keep for this exercise</button>
      </form>
      {#if desk.isShaped}
        <form method="POST" action="?/keep" use:enhance={keepTyped}>
          <input type="hidden" name="exerciseId" value={exercise.id} />
          <input type="hidden" name="cycles" value="" />
          <button class="btn btn-quiet w-full">Back to the school’s way</button>
        </form>
      {/if}
      <a class="btn btn-quiet" href="{base}?exercise={exercise.id}">Leave it as it was</a>
      <section class="card flex flex-col gap-2">
        <h2>Cycles with a name</h2>
        {#if named.length > 0}
          <ul>
            {#each named as n (n.id)}
              <li class="flex items-center gap-1 border-t border-line">
                <button
                  type="button"
                  class="btn btn-quiet grow justify-start"
                  aria-pressed={looked === n.id}
                  onclick={() => (looked = looked === n.id ? undefined : n.id)}>{n.name}</button
                >
                <form
                  method="POST"
                  action="?/forget"
                  use:enhance={undoable(() => ({
                    told: `“${n.name}” is forgotten. Where it was taken over it stays.`,
                    action: '?/name',
                    fields: { name: n.name, cycle: JSON.stringify(n.cycle) }
                  }))}
                >
                  <input type="hidden" name="id" value={n.id} />
                  <button class="btn btn-quiet px-2" aria-label="Forget {n.name}"><X size={16} /></button>
                </form>
              </li>
            {/each}
          </ul>
        {/if}
        {#if other}
          <div class="rounded-soft bg-chalk p-3">
            <h3>What “{other.name}” changes</h3>
            {#if changes.length === 0}
              <p>Nothing: it is the same.</p>
            {:else}
              <dl class="mt-1 text-sm">
                {#each changes as change (change.label)}
                  <dt class="font-semibold">{change.label}</dt>
                  <dd class="mb-1">{change.from} → {change.to}</dd>
                {/each}
              </dl>
              <button type="button" class="btn mt-2" onclick={() => draft.take(other.cycle)}>Take it over</button>
            {/if}
          </div>
        {/if}
        <form
          method="POST"
          action="?/name"
          class="flex flex-col gap-2"
          use:enhance={sending(({ result, update }) => update({ reset: result.type === 'success' }))}
        >
          <input type="hidden" name="cycle" value={JSON.stringify(draft.value)} />
          <Field label="Keep this one under a name" name="name" {form} />
          <ProblemNote text={form && 'form' in form && form.form === 'name' ? formProblem(form) : undefined} />
          <button class="btn" disabled={draft.over !== null}>Keep under this name</button>
        </form>
      </section>
    </aside>
  </div>
</main>
