<script lang="ts">
  import { enhance } from '$app/forms';
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { dayWorks, exercisesIn, sessionTemplates, trainings, type DayWork, type Training } from '$lib/core';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { clockText } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import { cutKindText, cutText } from '../../plan/cutText';
  import LinkMinutes from '../../plan/LinkMinutes.svelte';
  import { ArrangementState } from './arrangement.svelte';
  import Places from './Places.svelte';
  import { warningText } from './warningText';

  let { data, form } = $props();
  // One session is arranged at a time: the page is made anew for another.
  // svelte-ignore state_referenced_locally
  const { open, arranged, minutes, effortCapPct, hardYesterday } = data;
  const hand = open.ok
    ? new ArrangementState({ blocks: open.value.blocks, arranged, minutes, effortCapPct, hardYesterday })
    : null;
  const find = open.ok ? exercisesIn(open.value.blocks) : null;
  const base = $derived(`/people/${data.client.id}/practise`);
  let template = $state('');
  const words = $derived(sessionTemplates.find((t) => t.id === template)?.words);
  const dayText: Readonly<Record<DayWork, string>> = {
    both: 'Stretch and effort',
    'stretch only': 'Stretch only',
    'effort only': 'Effort only'
  };
  const trainingText: Readonly<Record<Training, string>> = {
    alone: 'None beside it',
    'before training': 'This comes before it',
    'after training': 'This comes after it'
  };
  /** A number as it is typed; while the field is empty what stood there counts. */
  function typed(event: Event & { currentTarget: HTMLInputElement }, key: 'minutes' | 'setupS' | 'restS', most: number) {
    const value = event.currentTarget.valueAsNumber;
    if (Number.isFinite(value)) hand?.set({ [key]: Math.min(most, Math.max(0, value)) });
  }
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
                    >Put back {find(block.exerciseId).name}</button
                  >
                </li>
              {/each}
            </ul>
          </section>
        {/if}
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
          <ProblemNote text={formProblem(form)} />
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
        <section class="card flex flex-col gap-3">
          <label class="choice"
            ><input type="checkbox" checked={hand.value.fits} onchange={(e) => hand.set({ fits: e.currentTarget.checked })} /> Cut it
            to the minutes</label
          >
          {#if hand.value.fits}
            <label class="flex items-center gap-3">
              <span class="grow font-semibold">Minutes</span>
              <input
                class="input w-24 text-center"
                type="number"
                min="5"
                max="240"
                value={hand.value.minutes}
                oninput={(e) => typed(e, 'minutes', 600)}
              />
            </label>
            <div>
              <h3>Cut in this order</h3>
              <ol class="mt-1">
                {#each hand.value.cutOrder as kind, i (kind)}
                  <li class="flex items-center gap-1 border-t border-line py-0.5 leading-tight">
                    <span class="grow">{cutKindText[kind]}</span>
                    <button
                      class="btn btn-quiet min-w-11"
                      type="button"
                      disabled={i === 0}
                      aria-label="Cut sooner: {cutKindText[kind]}"
                      onclick={() => hand.moveCut(kind, -1)}><ArrowUp size={18} /></button
                    >
                    <button
                      class="btn btn-quiet min-w-11"
                      type="button"
                      disabled={i === hand.value.cutOrder.length - 1}
                      aria-label="Cut later: {cutKindText[kind]}"
                      onclick={() => hand.moveCut(kind, 1)}><ArrowDown size={18} /></button
                    >
                  </li>
                {/each}
              </ol>
              <p class="text-ink-soft">The last active work of a motion that is stretched is never cut.</p>
            </div>
            {#if hand.made.ok && hand.made.value.cuts.length > 0}
              <div class="rounded-soft bg-chalk p-3">
                <h3>What is cut</h3>
                <ul>
                  {#each hand.made.value.cuts as cut, i (i)}<li>{cutText(cut, find)}</li>{/each}
                </ul>
              </div>
            {/if}
          {/if}
        </section>
        <section class="card flex flex-col gap-3">
          <label class="flex flex-col gap-1">
            <span class="font-semibold">What is worked</span>
            <select
              class="input"
              value={hand.value.work}
              onchange={(e) => hand.set({ work: dayWorks.find((d) => d === e.currentTarget.value) ?? 'both' })}
            >
              {#each dayWorks as day (day)}<option value={day}>{dayText[day]}</option>{/each}
            </select>
          </label>
          <label class="flex flex-col gap-1">
            <span class="font-semibold">Other training</span>
            <select
              class="input"
              value={hand.value.training ?? 'alone'}
              onchange={(e) => hand.set({ training: trainings.find((t) => t === e.currentTarget.value) })}
            >
              {#each trainings as at (at)}<option value={at}>{trainingText[at]}</option>{/each}
            </select>
          </label>
          <label class="flex flex-col gap-1">
            <span class="font-semibold">Sides</span>
            <select
              class="input"
              value={hand.value.sides}
              onchange={(e) => hand.set({ sides: e.currentTarget.value === 'alternate' ? 'alternate' : 'one side first' })}
            >
              <option value="one side first">All sets of one side, then the other</option>
              <option value="alternate">In turn, set by set</option>
            </select>
          </label>
          {#each [{ key: 'setupS', label: 'Seconds to get ready' }, { key: 'restS', label: 'Seconds of rest between sets' }] as const as { key, label } (key)}
            <label class="flex items-center gap-3">
              <span class="grow font-semibold">{label}</span>
              <input
                class="input w-24 text-center"
                type="number"
                min="0"
                max="600"
                value={hand.value[key]}
                oninput={(e) => typed(e, key, 600)}
              />
            </label>
          {/each}
        </section>
        {#if hand.made.ok}<section class="card"><LinkMinutes blocks={hand.made.value.blocks} /></section>{/if}
      </aside>
    </div>
  {/if}
</main>
