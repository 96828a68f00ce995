<script lang="ts">
  import { enhance } from '$app/forms';
  import { foldOf, measureOf, pastEntry, wayOf, type EntryField } from '$lib/core';
  import { fieldError, formProblem } from '$lib/ui/formState';
  import { capital, dateText, dateTimeText, headlineText, lengthNumber, modeText, numberText, stateText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import SideMark from '$lib/ui/SideMark.svelte';

  let { data, form } = $props();
  const measure = $derived(measureOf(data.measureId));
  const unit = $derived(data.units.length);
  const base = $derived(`/people/${data.client.id}/measure`);
  type Trial = (typeof data.trials)[number];
  const levels = $derived(measure.levels ?? (measure.unit === 'yes' ? ['no', 'yes'] : null));
  const placeOf = ({ side, mode, ordinal }: Trial) =>
    `${modeText[mode]}, ${side === null ? 'both together' : `${side} ${measure.sideWords}`}, trial ${ordinal}`;
  const shown = (field: EntryField, value: number | undefined) =>
    value === undefined ? '' : field.unit === 'cm' ? lengthNumber(value, unit, 2).replace('−', '-') : String(value);
  /** What was wrong with this one's form; of the others nothing. */
  const ofTrial = (t: Trial) => (form && 'form' in form && form.form === String(t.id) ? form : null);
  const typedOf = (t: Trial, field: EntryField) => {
    const typed = ofTrial(t)?.typed[field.id];
    return typeof typed === 'string' ? typed : shown(field, t.entries[field.id]);
  };
  const changeText = ({ kind, value }: Trial['changes'][number]) =>
    kind === 'corrected' ? `corrected from ${headlineText(value, measure.id, unit)}` : kind;
</script>

<svelte:head><title>Numbers of {dateText(data.takenOn)} · Calm Reach</title></svelte:head>

<main class="mx-auto flex max-w-4xl flex-col gap-4 p-5">
  <div>
    <h1>{capital(measure.name)}, {dateText(data.takenOn)}</h1>
    <p class="text-ink-soft">
      {capital(stateText[data.bodyState])}. A mistyped number is corrected here, or taken out; what it was stays beside it.
    </p>
  </div>
  <ul class="flex flex-col gap-3">
    {#each data.trials as trial (trial.id)}
      {@const fields = wayOf(trial.way).fields}
      {@const problem = ofTrial(trial)}
      <li class="card flex flex-col gap-2" aria-label={placeOf(trial)}>
        <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
          <h2 class="flex w-64 items-center gap-2 self-center text-base">
            <SideMark side={trial.side} size={16} filled={trial.mode === 'active'} />
            {placeOf(trial)}
          </h2>
          {#if trial.removedAt}
            <p class="grow">
              <s>{headlineText(trial.value, measure.id, unit)}</s> taken out
            </p>
            <form method="POST" action="?/putBack&occasion={data.occasionId}&m={measure.id}" use:enhance={keepTyped}>
              <input type="hidden" name="trialId" value={trial.id} />
              <button class="btn" aria-label="Put back: {placeOf(trial)}">Put back</button>
            </form>
          {:else}
            <form
              method="POST"
              action="?/correct&occasion={data.occasionId}&m={measure.id}"
              class="flex grow flex-wrap items-end gap-3"
              novalidate
              use:enhance={keepTyped}
            >
              <input type="hidden" name="trialId" value={trial.id} />
              {#each fields as field (field.id)}
                <label class="flex flex-col gap-1">
                  <span class="text-ink-soft"
                    >{capital(field.label)}{levels ? '' : `, ${field.unit === 'cm' ? unit : field.unit || 'points'}`}</span
                  >
                  {#if levels}
                    <select class="input" name={field.id} aria-label="{placeOf(trial)}, {field.label}">
                      {#each levels as level, value (level)}
                        <option value={String(value)} selected={String(value) === typedOf(trial, field)}>{level}</option>
                      {/each}
                    </select>
                  {:else}
                    <input
                      class="input w-28 text-center text-xl"
                      name={field.id}
                      inputmode="decimal"
                      autocomplete="off"
                      defaultValue={typedOf(trial, field)}
                      aria-label="{placeOf(trial)}, {field.label}"
                      aria-invalid={fieldError(problem, field.id) ? 'true' : undefined}
                      aria-describedby={fieldError(problem, field.id) ? `wrong-${trial.id}-${field.id}` : undefined}
                    />
                  {/if}
                  {#if fieldError(problem, field.id)}
                    <span id="wrong-{trial.id}-{field.id}" class="font-semibold text-stop" role="alert"
                      >{fieldError(problem, field.id)}</span
                    >
                  {/if}
                </label>
              {/each}
              {#if foldOf(measure, trial.way) !== null}
                <label class="choice"
                  ><input type="checkbox" name={pastEntry} checked={trial.entries[pastEntry] === 1} />
                  Counts beyond {numberText(foldOf(measure, trial.way)!, 0)}°</label
                >
              {/if}
              {#if problem?.problem.code === 'measure_unconfirmed'}
                <label class="choice font-semibold"><input type="checkbox" name="sure" /> The number is right</label>
              {/if}
              <button class="btn" aria-label="Keep: {placeOf(trial)}">Keep</button>
            </form>
            <form method="POST" action="?/takeOut&occasion={data.occasionId}&m={measure.id}" use:enhance={keepTyped}>
              <input type="hidden" name="trialId" value={trial.id} />
              <button class="btn btn-quiet" aria-label="Take out: {placeOf(trial)}">Take out</button>
            </form>
          {/if}
        </div>
        <ProblemNote text={formProblem(problem)} />
        {#if trial.changes.length > 0}
          <p class="text-ink-soft">
            {#each trial.changes as change, i (i)}{i > 0 ? ' · ' : ''}{dateTimeText(change.changedAt)}: {changeText(
                change
              )}{/each}
          </p>
        {/if}
      </li>
    {/each}
  </ul>
  <p><a class="btn" href="{base}?m={measure.id}">Back to Measure</a></p>
</main>
