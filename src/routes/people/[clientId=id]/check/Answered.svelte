<script lang="ts">
  import { enhance } from '$app/forms';
  import { page } from '$app/state';
  import {
    beighton,
    fromText,
    isCleared,
    limitText,
    setByInstructor,
    stopPlaceText,
    topicsFor,
    type Limit,
    type ScreeningTopic
  } from '$lib/core';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem, type FormState } from '$lib/ui/formState';
  import { dateText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import type { PageData } from './$types';

  /** What was answered, what it brought, and the way to ask again. */
  type Props = {
    screening: NonNullable<PageData['screening']>;
    isOpen: boolean;
    isDue: boolean;
    hasLocks: boolean;
    /** Card at which a begun conversation goes on. */
    begunAt: string | null;
    clearedLocks: PageData['clearedLocks'];
    week: { weekHolds: readonly string[]; homeProps: string };
    ages: Readonly<{ ageYears: number; oldestYears: number }>;
    names: Readonly<Record<string, string>>;
    form: FormState;
  };
  let { screening: s, isOpen, isDue, hasLocks, begunAt, clearedLocks, week, ages, names, form }: Props = $props();
  const mobility = $derived(beighton(s.beighton, ages.oldestYears));
  /** The cards that ask for something that applies or does not. */
  const cards = $derived(topicsFor({ ...ages, flags: s.flags, beighton: s.beighton }).filter((card) => card.rows.length > 0));
  /** What was answered on a card: the rows that apply, and every plain question with its answer. */
  const said = (card: ScreeningTopic) =>
    card.rows.flatMap(({ id, text, question }) => {
      const applies = s.flags.includes(id);
      if (!question) return applies ? [{ id, text: `${text}${s.sides[id] ? `, ${s.sides[id]}` : ''}`, applies }] : [];
      const isYes = applies === (question.appliesOn === 'yes');
      return [{ id, text: `${question.text} ${isYes ? 'Yes.' : 'No.'}`, applies }];
    });
  const limits = $derived(s.limits.filter((l) => l.from !== setByInstructor));
  const relaxedOf = (limit: Limit) => s.relaxed.find((r) => r.kind === limit.kind && r.from === limit.from);
  const here = $derived(page.url.pathname);
</script>

<section class="card flex flex-col gap-3">
  <h1>
    {isOpen
      ? hasLocks
        ? 'Open, but for what is stopped'
        : 'Cleared to train'
      : s.clearance === 'urgent' || isCleared(s.clearance, s.clearedBy)
        ? 'Medical help first'
        : 'A clinician first'}
  </h1>
  <dl class="grid gap-x-5 gap-y-1 sm:grid-cols-[14rem_1fr]">
    {#each cards.filter((card) => said(card).length > 0) as card (card.id)}
      <dt>
        <a class="inline-flex min-h-11 items-center underline underline-offset-4" href="{here}?topic={card.id}">{card.title}</a>
      </dt>
      <dd class="self-center max-sm:pb-2">
        {#each said(card) as { id, text, applies } (id)}
          <span class="block {applies ? 'font-semibold' : ''}">{text}</span>
        {/each}
      </dd>
    {/each}
  </dl>
  <p>
    Answered “none of these”: {#each cards.filter((card) => said(card).length === 0) as card, i (card.id)}{i > 0 ? '; ' : ''}<a
        class="underline underline-offset-4"
        href="{here}?topic={card.id}">{card.title.toLowerCase()}</a
      >{/each}.
  </p>
  {#if mobility.score > 0}
    <p>
      Mobility score {mobility.score} of 9, {mobility.meets ? 'at the threshold or over it' : 'under the threshold'} of {mobility.threshold}
      for this age.
    </p>
  {/if}
  {#if s.clearedBy && s.clearedOn}
    <p>Cleared by <strong>{s.clearedBy}</strong> on {dateText(s.clearedOn)}: “{s.clearNote}”</p>
  {/if}
  {#if week.weekHolds.length > 0 || week.homeProps}
    <p>
      {week.weekHolds.length > 0 ? `The week holds: ${week.weekHolds.join(', ')}.` : ''}
      {week.homeProps ? `At home: ${week.homeProps}.` : ''}
    </p>
  {/if}
  <p class="text-ink-soft">Asked on {dateText(s.takenOn)}.{isDue ? ' Time to ask again.' : ''}</p>
  <div class="flex flex-wrap gap-3">
    {#if begunAt}<a class="btn btn-primary" href="{here}?topic={begunAt}">Go on with the conversation begun</a>{/if}
    <a class="btn" href="{here}?topic=now">Ask again</a>
  </div>
</section>

{#if limits.length > 0}
  <section class="card flex flex-col gap-1">
    <h2>Limits</h2>
    <p class="text-ink-soft">A named person may relax one, with a note. An open stop is never relaxed.</p>
    {#each limits as limit, i (i)}
      {@const relaxed = relaxedOf(limit)}
      {@const mine = form?.typed?.kind === limit.kind && form.typed.from === limit.from ? form : null}
      {#if relaxed}
        <p class="border-t border-line pt-2 text-ink-soft">
          <s>{limitText(limit)}</s>: relaxed by {relaxed.by} on {dateText(relaxed.on)}, “{relaxed.note}”
        </p>
      {:else}
        <details class="border-t border-line" open={mine !== null}>
          <summary class="flex min-h-11 cursor-pointer items-center gap-2"
            ><span>{limitText(limit)} <span class="text-ink-soft">· {fromText(limit)}</span></span>
            <span class="ml-auto text-ink-soft underline underline-offset-4">relax</span></summary
          >
          <form method="POST" action="?/relax" class="mb-4 flex flex-col gap-3" novalidate use:enhance={keepTyped}>
            <ProblemNote text={formProblem(mine)} />
            <input type="hidden" name="kind" value={limit.kind} />
            <input type="hidden" name="from" value={limit.from} />
            <div class="grid gap-4 sm:grid-cols-2">
              <Field label="Relaxed by" name="clearedBy" form={mine} hint="Name and role" />
              <Field label="Why" name="clearNote" form={mine} />
            </div>
            <div><button class="btn">Relax this limit</button></div>
          </form>
        </details>
      {/if}
    {/each}
  </section>
{/if}

{#if clearedLocks.length > 0}
  <section class="card">
    <h2>Stops that were cleared</h2>
    <ul class="mt-2 flex flex-col gap-1">
      {#each clearedLocks as lock (lock.id)}
        <li>
          {lock.reason}. {'exerciseId' in lock.stop
            ? `${names[lock.stop.exerciseId] ?? 'An exercise'}${lock.stop.side ? `, ${lock.stop.side}` : ''}`
            : stopPlaceText(lock.stop)}: opened {dateText(lock.openedOn)}, cleared by {lock.clearedBy}
        </li>
      {/each}
    </ul>
  </section>
{/if}
