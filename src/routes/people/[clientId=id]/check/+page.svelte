<script lang="ts">
  import { enhance } from '$app/forms';
  import { defaultEffortCapPct, defaultSensationCap, redFlags, screen } from '$lib/core';
  import { parseDecimal } from '$lib/contract/fields';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, formProblem, typedOr } from '$lib/ui/formState';
  import { dateText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import ClearForm from './ClearForm.svelte';
  import Limits from './Limits.svelte';
  import OpenStops from './OpenStops.svelte';

  let { data, form } = $props();
  const s = $derived(data.screening);
  const answered = $derived(form?.form === 'answer' ? form : null);
  const typedFlags = () => (Array.isArray(answered?.typed.flags) ? answered.typed.flags : (s?.flags ?? []));
  let flags = $state<string[]>([]);
  let none = $state({ urgent: false, clinician: false });
  let effort = $state('');
  let sensation = $state('');
  // svelte-ignore state_referenced_locally
  let editing = $state(!data.screening);
  const open = $derived(editing || !s || answered !== null);

  function fill() {
    flags = [...typedFlags()];
    const ticked = (tier: string) => redFlags.some((f) => f.tier === tier && flags.includes(f.id));
    none = { urgent: s !== null && !ticked('urgent'), clinician: s !== null && !ticked('clinician first') };
    effort = typedOr(answered, 'effortCapPct', s?.effortCapPct ?? defaultEffortCapPct);
    sensation = typedOr(answered, 'sensationCap', s?.sensationCap ?? defaultSensationCap);
  }
  function begin() {
    fill();
    editing = true;
  }
  fill();

  const live = $derived(
    screen({
      flags,
      ageYears: data.ageYears,
      effortCapPct: parseDecimal(effort) ?? defaultEffortCapPct,
      sensationCap: parseDecimal(sensation) ?? defaultSensationCap
    })
  );
  const tiers = [
    { tier: 'urgent', key: 'urgent', field: 'noneUrgent', title: 'Any of these now? Then medical help, now.' },
    { tier: 'clinician first', key: 'clinician', field: 'noneClinician', title: 'Any of these? Then a clinician first.' }
  ] as const;
</script>

<main class="mx-auto grid max-w-6xl gap-6 p-5 lg:grid-cols-[1fr_20rem]">
  <div class="flex flex-col gap-5">
    <OpenStops locks={data.openLocks} form={form?.form === 'clearLock' ? form : null} />
    {#if s && !data.isOpen}
      <ClearForm
        title={s.clearance === 'urgent'
          ? 'Medical help now. Nothing is trained.'
          : 'A clinician first. Nothing is planned or played yet.'}
        action="?/clear"
        form={form?.form === 'clear' ? form : null}
      />
    {/if}

    {#if open}
      <form
        method="POST"
        action="?/answer"
        class="flex flex-col gap-5"
        novalidate
        use:enhance={() =>
          async ({ update, result }) => {
            await update({ reset: false });
            if (result.type === 'redirect') editing = false;
          }}
      >
        <h1>Before anything is stretched</h1>
        <ProblemNote text={formProblem(answered)} />
        {#each tiers as { tier, key, field, title } (tier)}
          {@const error = fieldError(answered, field)}
          <fieldset class="card" aria-describedby={error ? `${field}-error` : undefined}>
            <legend class="float-left mb-2 text-[1.1875rem] font-bold">{title}</legend>
            <div class="clear-both grid gap-x-6 md:grid-cols-2">
              {#each redFlags.filter((f) => f.tier === tier) as flag (flag.id)}
                <label class="choice">
                  <input type="checkbox" name="flags" value={flag.id} bind:group={flags} onchange={() => (none[key] = false)} />
                  {flag.text}
                </label>
              {/each}
            </div>
            <label class="choice mt-1 border-t border-line font-semibold">
              <input
                type="checkbox"
                name={field}
                bind:checked={none[key]}
                onchange={() => {
                  if (none[key]) flags = flags.filter((id) => redFlags.find((f) => f.id === id)?.tier !== tier);
                }}
              />
              None of these
            </label>
            {#if error}<p id="{field}-error" class="font-semibold text-stop" role="alert">{error}</p>{/if}
          </fieldset>
        {/each}
        <div class="card grid gap-5 sm:grid-cols-2">
          <Field
            label="Effort cap"
            unit="% of the greatest safe effort"
            name="effortCapPct"
            inputmode="numeric"
            value={effort}
            oninput={(v) => (effort = v)}
            error={fieldError(answered, 'effortCapPct')}
            hint="Usual: {defaultEffortCapPct}. An age limit may lower it."
          />
          <Field
            label="Sensation cap"
            unit="of 10"
            name="sensationCap"
            inputmode="numeric"
            value={sensation}
            oninput={(v) => (sensation = v)}
            error={fieldError(answered, 'sensationCap')}
            hint="Usual: {defaultSensationCap}. Above it, ease."
          />
        </div>
        <div class="flex gap-3">
          <button class="btn btn-primary">Keep the answers</button>
          {#if s}<button type="button" class="btn" onclick={() => (editing = false)}>Cancel</button>{/if}
        </div>
      </form>
    {:else if s}
      <section class="card flex flex-col gap-3">
        <h1>
          {data.isOpen
            ? data.openLocks.length > 0
              ? 'Open, but for what is locked'
              : 'Open for work'
            : s.clearance === 'urgent'
              ? 'Medical help first'
              : 'A clinician first'}
        </h1>
        {#if s.flags.length > 0}
          <ul class="list-disc pl-5">
            {#each redFlags.filter((f) => s.flags.includes(f.id)) as flag (flag.id)}<li>{flag.text}</li>{/each}
          </ul>
        {:else}
          <p>None of the red flags applied.</p>
        {/if}
        {#if s.clearedBy && s.clearedOn}
          <p>Cleared by <strong>{s.clearedBy}</strong> on {dateText(s.clearedOn)}: “{s.clearNote}”</p>
        {/if}
        <p class="text-ink-soft">Asked on {dateText(s.takenOn)}, questions of {s.version}.</p>
        <div><button class="btn" onclick={begin}>Ask again</button></div>
      </section>
      {#if data.clearedLocks.length > 0}
        <section class="card">
          <h2>Stops that were cleared</h2>
          <ul class="mt-2 flex flex-col gap-1">
            {#each data.clearedLocks as lock (lock.id)}
              <li>
                {lock.reason}, {lock.side ?? ''}
                {lock.joint ?? lock.line}: opened {dateText(lock.openedOn)}, cleared by {lock.clearedBy}
              </li>
            {/each}
          </ul>
        </section>
      {/if}
    {/if}
  </div>
  <Limits screening={live} ageYears={data.ageYears} />
</main>
