<script lang="ts">
  import { enhance } from '$app/forms';
  import { answerField, asksNone, endStopFields, type CardAnswers, type ScreeningDraft } from '$lib/contract/checkForms';
  import { parseDecimal } from '$lib/contract/fields';
  import { weekThings } from '$lib/contract/forms';
  import {
    beighton,
    beightonItems,
    defaultEffortCapPct,
    defaultSensationCap,
    jointNames,
    type BeightonItem,
    type EndStop,
    type ScreeningTopic,
    type Side
  } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, formProblem, typedOr, type FormState } from '$lib/ui/formState';
  import { capital } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import EndStopRows, { type StopRow } from './EndStopRows.svelte';

  type Props = {
    topic: ScreeningTopic;
    cards: readonly ScreeningTopic[];
    draft: ScreeningDraft;
    week: { weekHolds: readonly string[]; homeProps: string };
    ages: Readonly<{ ageYears: number; oldestYears: number }>;
    answeredBefore: boolean;
    form: FormState;
    base: string;
    onanswer: (answers: CardAnswers) => void;
  };
  let { topic, cards, draft, week, ages, answeredBefore, form, base, onanswer }: Props = $props();

  // The card is made anew for each topic.
  // svelte-ignore state_referenced_locally
  let flags = $state(draft.flags.filter((f) => topic.rows.some((r) => r.id === f)));
  // svelte-ignore state_referenced_locally
  let sides = $state<Record<string, string>>({ ...draft.sides });
  // svelte-ignore state_referenced_locally
  let items = $state<BeightonItem[]>([...draft.beighton]);
  let stops = $state<StopRow[]>(
    Array.from({ length: endStopFields }, (_, i) => ({
      motion: draft.endStops[i]?.motion ?? (i === 0 ? 'HF-KS' : i === 1 ? 'HE' : 'HAB'),
      side: draft.endStops[i]?.side ?? '',
      deg: draft.endStops[i] ? String(draft.endStops[i].deg) : ''
    }))
  );
  // svelte-ignore state_referenced_locally
  let answers = $state<Record<string, string>>(
    Object.fromEntries(
      topic.rows.flatMap(({ id, question }) => {
        if (!question || !answeredBefore) return [];
        const applies = draft.flags.includes(id);
        return [[id, applies === (question.appliesOn === 'yes') ? 'yes' : 'no']];
      })
    )
  );
  // svelte-ignore state_referenced_locally
  let effort = $state(typedOr(form, 'effortCapPct', draft.effortCapPct));
  // svelte-ignore state_referenced_locally
  let sensation = $state(typedOr(form, 'sensationCap', draft.sensationCap));

  const asked = $derived(topic.rows.filter((r) => r.question));
  const ticked = $derived(topic.rows.filter((r) => !r.question));
  const jointGroups = $derived(
    [...new Set(ticked.flatMap((row) => row.joint?.at ?? []))].map((at) => ({
      at,
      rows: ticked.filter((r) => r.joint?.at === at)
    }))
  );
  const score = $derived(beighton(items, ages.oldestYears));
  const at = $derived(cards.findIndex((c) => c.id === topic.id));
  const allFlags = $derived([
    ...flags.filter((f) => ticked.some((r) => r.id === f)),
    ...asked.filter((r) => answers[r.id] === r.question!.appliesOn).map((r) => r.id)
  ]);
  const endStops = $derived(
    stops.flatMap(({ motion, side, deg }): EndStop[] => {
      const value = parseDecimal(deg);
      return value === null ? [] : [{ motion, side: side === '' ? null : side, deg: value }];
    })
  );
  $effect(() =>
    onanswer({
      topic: topic.id,
      flags: allFlags,
      sides: Object.fromEntries(Object.entries(sides).filter(([id, s]) => flags.includes(id) && s !== '')) as Record<
        string,
        Side
      >,
      endStops,
      beighton: items,
      caps: {
        effortCapPct: parseDecimal(effort) ?? defaultEffortCapPct,
        sensationCap: parseDecimal(sensation) ?? defaultSensationCap
      },
      adult: null
    })
  );
  const none = $derived(asksNone(topic) && flags.length === 0);
  const tierText = { urgent: 'medical help now', 'clinician first': 'a clinician first', limits: '' } as const;
  const isLast = $derived(at === cards.length - 1);
</script>

<form method="POST" action="?/topic" class="card flex flex-col gap-4" novalidate use:enhance={keepTyped}>
  <input type="hidden" name="topic" value={topic.id} />
  <nav aria-label="Cards of this conversation" class="flex flex-wrap gap-1">
    {#each cards as card, i (card.id)}
      <a
        href="{base}?topic={card.id}"
        aria-current={card.id === topic.id ? 'step' : undefined}
        aria-label="{card.title}{draft.topics.includes(card.id) ? ', answered' : ''}"
        class="flex h-11 min-w-7 grow items-center"
      >
        <span
          class="h-2 w-full rounded-soft {card.id === topic.id
            ? 'bg-mulberry'
            : draft.topics.includes(card.id)
              ? 'bg-ink-soft'
              : 'bg-line'}"
        ></span>
        <span class="sr-only">{i + 1}</span>
      </a>
    {/each}
  </nav>
  <div>
    <h1>{topic.title}</h1>
    <p class="text-ink-soft">{topic.lead}</p>
  </div>
  <ProblemNote text={formProblem(form)} />

  {#if topic.id === 'mobility'}
    <fieldset>
      <legend class="font-semibold">
        Score {score.score} of 9. {score.meets
          ? `At the threshold of ${score.threshold} for this age, or over it.`
          : `Under the threshold of ${score.threshold} for this age.`}
      </legend>
      <div class="mt-1 grid gap-x-6 md:grid-cols-2">
        {#each beightonItems as item (item.id)}
          <label class="choice"><input type="checkbox" name="beighton" value={item.id} bind:group={items} /> {item.text}</label>
        {/each}
      </div>
    </fieldset>
  {/if}

  {#if topic.id === 'week'}
    <fieldset>
      <legend class="font-semibold">The week holds</legend>
      <div class="mt-1 flex flex-wrap gap-x-6">
        {#each weekThings as thing (thing)}
          <label class="choice">
            <input type="checkbox" name="weekHolds" value={thing} checked={week.weekHolds.includes(thing)} />
            {capital(thing)}
          </label>
        {/each}
      </div>
    </fieldset>
    <Field
      label="Props at home"
      name="homeProps"
      {form}
      known={week.homeProps}
      hint="Blocks, books, a strap, a wall; what is really there"
    />
  {/if}

  {#if topic.id === 'goal'}
    {#each jointGroups as { at, rows } (at)}
      <fieldset class="border-t border-line pt-2">
        <legend class="float-left w-full font-semibold">{jointNames[at]}</legend>
        <div class="clear-both grid sm:grid-cols-2">
          {#each rows as row (row.id)}
            <label class="choice">
              <input type="checkbox" name="flags" value={row.id} bind:group={flags} />
              <span
                >{capital(row.joint!.finding)}{#if tierText[row.tier]}<span class="block text-ink-soft">{tierText[row.tier]}</span
                  >{/if}</span
              >
            </label>
          {/each}
        </div>
        {#each rows.filter((row) => row.asks === 'side' && flags.includes(row.id)) as row (row.id)}
          {@render whichSide(row)}
        {/each}
      </fieldset>
    {/each}
  {:else if ticked.length > 0}
    <fieldset>
      <legend class="sr-only">{topic.title}</legend>
      {#each ticked as row (row.id)}
        <div class="border-t border-line first:border-0">
          <label class="choice items-start">
            <input type="checkbox" name="flags" value={row.id} bind:group={flags} class="mt-1" />
            <span>
              {row.text}
              {#if tierText[row.tier]}<span class="text-ink-soft">· {tierText[row.tier]}</span>{/if}
              {#if row.detail}<span class="block text-ink-soft">{row.detail}</span>{/if}
            </span>
          </label>
          {#if row.asks === 'side' && flags.includes(row.id)}<div class="ml-8">{@render whichSide(row)}</div>{/if}
        </div>
      {/each}
    </fieldset>
  {/if}

  {#if topic.id === 'age'}
    <Field
      label="The adult who is present"
      name="adult"
      {form}
      known={draft.adult}
      hint="Name, and parent, guardian or teacher. It goes on record with today’s date."
    />
  {/if}

  {#each asked as row (row.id)}
    <Choices
      legend={row.question!.text}
      name={answerField(row.id)}
      bind:value={() => answers[row.id] ?? '', (v) => (answers[row.id] = v)}
      error={fieldError(form, answerField(row.id))}
      choices={[
        { value: 'yes', label: 'Yes' },
        { value: 'no', label: 'No' }
      ]}
    />
  {/each}

  {#if topic.id === 'stops'}
    <EndStopRows bind:stops {form} />
  {/if}

  {#if topic.id === 'caps'}
    <div class="grid gap-5 sm:grid-cols-2">
      <Field
        label="Effort cap"
        unit="% of the greatest safe effort"
        name="effortCapPct"
        inputmode="numeric"
        value={effort}
        oninput={(v) => (effort = v)}
        error={fieldError(form, 'effortCapPct')}
        hint="Usual: {defaultEffortCapPct}. A limit may lower it."
      />
      <Field
        label="Sensation cap"
        unit="of 10"
        name="sensationCap"
        inputmode="numeric"
        value={sensation}
        oninput={(v) => (sensation = v)}
        error={fieldError(form, 'sensationCap')}
        hint="Usual: {defaultSensationCap}. Above it, ease."
      />
    </div>
  {/if}

  {#if fieldError(form, 'none')}<p class="font-semibold text-stop" role="alert">{fieldError(form, 'none')}</p>{/if}
  <div class="flex flex-wrap gap-3">
    {#if none}
      <button class="btn btn-primary" name="none" value="on">None of these</button>
    {:else}
      <button class="btn btn-primary">{isLast ? 'Save answers' : 'Next'}</button>
    {/if}
    {#if at > 0}<a class="btn" href="{base}?topic={cards[at - 1]!.id}">Back</a>{/if}
  </div>
</form>

{#snippet whichSide(row: ScreeningTopic['rows'][number])}
  <div class="mb-3">
    <Choices
      legend={row.joint ? `Which side ${row.joint.finding.replace(/ \(.*/, '')}` : 'Which side'}
      name="side_{row.id}"
      bind:value={() => sides[row.id] ?? '', (v) => (sides[row.id] = v)}
      choices={[
        { value: '', label: 'Both, or not known' },
        { value: 'left', label: 'Left' },
        { value: 'right', label: 'Right' }
      ]}
    />
  </div>
{/snippet}
