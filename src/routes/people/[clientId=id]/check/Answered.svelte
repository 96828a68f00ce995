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
    jointNames,
    type Joint,
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
    /** Joints of the goals that nobody asked about. */
    unasked: readonly Joint[];
    photoConsent: PageData['photoConsent'];
    hasLocks: boolean;
    /** Card at which a begun conversation goes on. */
    begunAt: string | null;
    clearedLocks: PageData['clearedLocks'];
    week: { weekHolds: readonly string[]; homeProps: string };
    ages: Readonly<{ ageYears: number; oldestYears: number }>;
    names: Readonly<Record<string, string>>;
    form: FormState;
  };
  let {
    screening: s,
    isOpen,
    isDue,
    unasked,
    photoConsent,
    hasLocks,
    begunAt,
    clearedLocks,
    week,
    ages,
    names,
    form
  }: Props = $props();
  const mobility = $derived(beighton(s.beighton, ages.oldestYears));
  /** The cards that ask for something that applies or does not. */
  const cards = $derived(
    topicsFor({ ...ages, flags: s.flags, beighton: s.beighton, joints: s.joints }).filter((card) => card.rows.length > 0)
  );
  /** What was answered on a card: the rows that apply, and every plain question with its answer. */
  const said = (card: ScreeningTopic) =>
    card.rows.flatMap(({ id, text, question, isConsent }) => {
      if (isConsent) return [];
      const applies = s.flags.includes(id);
      if (!question) return applies ? [{ id, text: `${text}${s.sides[id] ? `, ${s.sides[id]}` : ''}`, applies }] : [];
      const isYes = applies === (question.appliesOn === 'yes');
      return [{ id, text: `${question.text} ${isYes ? 'Yes.' : 'No.'}`, applies }];
    });
  const found = (card: ScreeningTopic) => said(card).filter((row) => row.applies);
  /** What was asked in particular on a card where nothing was found. */
  const aside = (card: ScreeningTopic) => {
    const asked = card.id === 'goal' ? [jointList(s.joints)] : said(card).map((row) => row.text.toLowerCase().replace(/\.$/, ''));
    return asked.length > 0 ? ` (${asked.join('; ')})` : '';
  };
  const limits = $derived(s.limits.filter((l) => l.from !== setByInstructor));
  const relaxedOf = (limit: Limit) => s.relaxed.find((r) => r.kind === limit.kind && r.from === limit.from);
  const consents = $derived(cards.flatMap((card) => card.rows.filter((row) => row.isConsent)));
  const jointList = (of: readonly Joint[]) => of.map((j) => jointNames[j].toLowerCase()).join(', ');
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
  <section aria-labelledby="found">
    <h2 id="found" class="text-lg">Found</h2>
    {#if cards.every((card) => found(card).length === 0)}<p>Nothing.</p>{/if}
    <dl class="grid gap-x-5 gap-y-1 sm:grid-cols-[14rem_1fr]">
      {#each cards.filter((card) => found(card).length > 0) as card (card.id)}
        <dt>
          <a class="inline-flex min-h-11 items-center underline underline-offset-4" href="{here}?topic={card.id}">{card.title}</a>
        </dt>
        <dd class="self-center max-sm:pb-2">
          {#each found(card) as { id, text } (id)}
            <span class="block font-semibold">{text}</span>
          {/each}
        </dd>
      {/each}
    </dl>
  </section>
  <section aria-labelledby="asked">
    <h2 id="asked" class="text-lg">Asked, and nothing found</h2>
    <p>
      {#each cards.filter((card) => found(card).length === 0) as card, i (card.id)}{i > 0 ? '; ' : ''}<a
          class="underline underline-offset-4"
          href="{here}?topic={card.id}">{card.title.toLowerCase()}</a
        >{aside(card)}{/each}.
    </p>
    {#if unasked.length > 0}
      <p class="font-semibold">
        Not asked yet: {jointList(unasked)}.
        <a class="underline underline-offset-4" href="{here}?topic=goal">Ask about the joints of the goal</a>
      </p>
    {/if}
  </section>
  <section aria-labelledby="consent">
    <h2 id="consent" class="text-lg">Consent</h2>
    <ul>
      {#each consents as consent (consent.id)}
        <li>
          Hands-on help: {s.flags.includes(consent.id) ? 'not given' : 'given'}, asked on {dateText(s.takenOn)}.
          <a class="underline underline-offset-4" href="{here}?topic=touch">Ask again</a>
        </li>
      {/each}
      {#if ages.ageYears < 18}
        <li>
          {#if s.adult}The adult who is present: {s.adult}, named on {dateText(s.takenOn)}.{:else}
            <span class="font-semibold">Nobody is named who is present with a minor.</span>{/if}
          <a class="underline underline-offset-4" href="{here}?topic=age">{s.adult ? 'Change' : 'Name the adult'}</a>
        </li>
      {/if}
      <li>
        Photos: {photoConsent ? `given by ${photoConsent.givenBy} on ${dateText(photoConsent.givenOn)}` : 'not asked'}.
      </li>
    </ul>
  </section>
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
