<script lang="ts">
  import { enhance } from '$app/forms';
  import { doseByLink, exercisesIn, sessionTemplates } from '$lib/core';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { clockText } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import Fetch from '$lib/ui/session/Fetch.svelte';
  import LeftOutToday from '$lib/ui/session/LeftOutToday.svelte';
  import LinkMinutes from '../../plan/LinkMinutes.svelte';
  import AddExercise from './AddExercise.svelte';
  import { ArrangementState } from './arrangement.svelte';
  import CutToMinutes from './CutToMinutes.svelte';
  import DaySettings from './DaySettings.svelte';
  import Places from './Places.svelte';
  import { warningText } from './warningText';

  let { data, form } = $props();
  // One session is arranged at a time: the page is made anew for another.
  // svelte-ignore state_referenced_locally
  const { open, arranged, minutes, effortCapPct, hardYesterday, training } = data;
  const hand = open.ok
    ? new ArrangementState({
        blocks: open.value.blocks,
        elsewhere: open.value.elsewhere,
        arranged,
        minutes,
        effortCapPct,
        hardYesterday,
        training
      })
    : null;
  const find = $derived(data.open.ok ? exercisesIn(data.open.value.blocks) : null);
  const added = $derived(form && 'form' in form && form.form === 'add' ? form : null);
  const base = $derived(`/people/${data.client.id}/practise`);
  let template = $state('');
  const words = $derived(sessionTemplates.find((t) => t.id === template)?.words);
</script>

<main class="mx-auto max-w-6xl p-5">
  {#if !hand || !find || !open.ok}
    <h1>This session cannot be arranged</h1>
    {#if !open.ok}<div class="mt-3"><ProblemNote text={problemText(open.problem)} /></div>{/if}
    <p class="mt-4"><a class="btn" href={base}>Back to the session</a></p>
  {:else}
    <div class="grid gap-6 lg:grid-cols-[1fr_22rem]">
      <div class="flex min-w-0 flex-col gap-4">
        <div class="flex flex-wrap items-end gap-x-6 gap-y-3">
          <div class="grow">
            <h1>Arrange week {data.session.week}, session {data.session.ordinal}</h1>
            <p class="text-ink-soft">The warm-up stays first and the settle last. Everything is done as it is set in Grade.</p>
          </div>
          <label class="flex flex-col gap-1">
            <span class="font-semibold">Start from an order</span>
            <select
              class="input"
              bind:value={template}
              onchange={() => hand.useTemplate(template)}
              aria-describedby={words ? 'template-words' : undefined}
            >
              <option value="">As it stands</option>
              {#each sessionTemplates as { id, name } (id)}<option value={id}>{name}</option>{/each}
            </select>
          </label>
        </div>
        {#if words}<p id="template-words" class="text-ink-soft">{words}</p>{/if}
        {#if hand.timeline}
          <EffortCurve
            phases={hand.timeline.phases}
            width={800}
            height={80}
            scalePct={70}
            fluid
            label="Effort over the session"
          />
        {/if}
        <Places {hand} {find} unit={data.units.length} />
        {#if hand.left.length > 0}
          <section class="rounded-soft border border-line p-3">
            <h2>Not in this session</h2>
            <ul class="mt-1 flex flex-wrap gap-2">
              {#each hand.left as block (block.exerciseId)}
                <li>
                  <button class="btn" type="button" onclick={() => hand.putBack(block.exerciseId)}
                    >{hand.isElsewhere(block.exerciseId) ? 'Put in' : 'Put back'} {find(block.exerciseId).name}</button
                  >
                </li>
              {/each}
            </ul>
            {#if hand.left.some((b) => hand.isElsewhere(b.exerciseId))}
              <p class="mt-1 text-ink-soft">What is to be put in has its turn on other days of the week.</p>
            {/if}
          </section>
        {/if}
        {#if data.open.ok}<LeftOutToday without={data.open.value.leftOut} blocks={data.open.value.blocks} />{/if}
        <AddExercise groups={data.addable} form={added} follow={() => data.open.ok && hand.follow(data.open.value.blocks)} />
      </div>
      <aside class="flex flex-col gap-4" aria-label="What it comes to">
        <section class="card" aria-live="polite">
          <p class="text-3xl font-bold">{hand.made.ok ? clockText(hand.made.value.durationS) : '–'}</p>
          <p class="text-ink-soft">
            {hand.value.fits
              ? `of ${hand.value.minutes} minutes; ${clockText(hand.uncutS)} with nothing cut`
              : 'with nothing cut'}
          </p>
          {#if !hand.made.ok}<div class="mt-2"><ProblemNote text={problemText(hand.made.problem)} /></div>{/if}
        </section>
        <form method="POST" action="?/keep&session={data.session.id}" class="flex flex-col gap-2" use:enhance={keepTyped}>
          <ProblemNote text={added ? undefined : formProblem(form)} />
          <input type="hidden" name="arrangement" value={JSON.stringify(hand.value)} />
          <button class="btn btn-primary" disabled={!hand.made.ok}>Keep for this session</button>
          <button class="btn" name="all" value="on" disabled={!hand.made.ok}>Keep for all sessions to come</button>
        </form>
        {#if arranged}
          <form method="POST" action="?/keep&session={data.session.id}" use:enhance={keepTyped}>
            <input type="hidden" name="arrangement" value="" />
            <button class="btn btn-quiet w-full">Back to the usual order</button>
          </form>
        {/if}
        <a class="btn btn-quiet" href="{base}?session={data.session.id}">Leave it as it was</a>
        {#each hand.warnings as warning (`${warning.code}/${warning.exerciseId}`)}
          {@const told = warningText(warning, find)}
          <section class="rounded-soft border-2 border-ink p-3" aria-label="Against the usual">
            <p>{told.why}</p>
            <p class="mt-2"><button class="btn" type="button" onclick={() => hand.mend(warning)}>{told.mend}</button></p>
          </section>
        {/each}
        <CutToMinutes {hand} {find} />
        <DaySettings {hand} />
        {#if hand.made.ok}<Fetch blocks={hand.made.value.blocks} shelf={data.shelf} unit={data.units.length} />{/if}
        {#if hand.made.ok}<section class="card"><LinkMinutes doses={doseByLink(hand.made.value.blocks)} /></section>{/if}
      </aside>
    </div>
  {/if}
</main>
