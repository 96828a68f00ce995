<script lang="ts">
  import { enhance } from '$app/forms';
  import { exercisesIn, isAsked, leftOutTexts, timelineOf, urgentSignsText, whyText, type Exercise, type Work } from '$lib/core';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import Choices from '$lib/ui/Choices.svelte';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem, typedOr } from '$lib/ui/formState';
  import { clockText, plural } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { stackLine } from '$lib/ui/stackText';
  import { doseText, heightText as heightOf } from '../plan/doseText';
  import AskedDials from './AskedDials.svelte';
  import Readiness from './Readiness.svelte';
  import TapBreath from './TapBreath.svelte';
  import WrittenDown from './WrittenDown.svelte';
  import { keepTyped } from '$lib/ui/sending';

  let { data, form } = $props();
  const base = $derived(`/people/${data.client.id}`);
  const blocks = $derived(data.prepared?.ok ? data.prepared.value.blocks : []);
  const timeline = $derived(timelineOf(data.prepared?.ok ? data.prepared.value : { blocks: [] }));
  const fetch = $derived([...new Set(blocks.flatMap((b) => b.props))]);
  const find = $derived(exercisesIn(blocks));
  /** Every stack once, with the side it is for where left and right differ. */
  const stacks = $derived.by(() => {
    const lines = blocks.flatMap((b) =>
      b.work.flatMap(({ side, stacks: stands = [] }) =>
        stands
          .filter((s) => s.rung.items.length > 0)
          .map((s) => ({ side, line: stackLine(find(b.exerciseId), s, data.shelf, data.units.length) }))
      )
    );
    return [...new Set(lines.map((l) => l.line))].map((line) => {
      const of = new Set(lines.filter((l) => l.line === line).map((l) => l.side));
      return { line, side: of.size === 1 ? [...of][0]! : null };
    });
  });
  const stops = $derived([...new Set(blocks.flatMap((b) => find(b.exerciseId).stops))]);
  const asks = $derived(data.prepared?.ok ? data.prepared.value.asks : []);
  /** What came of starting, not of setting a number. */
  const own = $derived(form && !('form' in form && form.form !== '') && !('kept' in form) ? form : null);
  const countsBreaths = ({ form: f }: Work) => f.kind === 'breaths' || (f.kind === 'cycle' && f.spec.breathS !== undefined);
  const heightText = (exercise: Exercise, work: Work) => heightOf(exercise, work, data.units.length);
  const running = $derived(data.session?.status === 'running');
</script>

<main class="mx-auto max-w-6xl p-5">
  {#if !data.isOpen}
    <section class="card max-w-2xl">
      <h1>Closed until cleared</h1>
      <p class="mt-2">Nothing is played until this person is screened, and cleared by a named person where that is asked.</p>
      <p class="mt-4"><a class="btn btn-primary" href="{base}/check">To the check</a></p>
    </section>
  {:else if !data.session || !data.prepared}
    <section class="card max-w-2xl">
      <h1>{data.hasPlan ? 'Every session of the plan is done' : 'There is no plan yet'}</h1>
      <p class="mt-4"><a class="btn btn-primary" href="{base}/plan">To the plan</a></p>
    </section>
  {:else if !data.prepared.ok}
    <h1>This session does not fit any more</h1>
    <div class="mt-3"><ProblemNote text={problemText(data.prepared.problem)} /></div>
    <p class="mt-4 flex gap-3">
      {#if data.session.status === 'planned'}
        <a class="btn" href="{base}/practise/arrange?session={data.session.id}">Arrange this session</a>
      {/if}
      <a class="btn" href="{base}/plan">To the plan</a><a class="btn" href="{base}/check">To the check</a>
    </p>
  {:else}
    <div class="grid gap-x-6 gap-y-4 lg:grid-cols-[1fr_24rem] lg:grid-rows-[auto_1fr]">
      <div class="flex flex-col gap-4">
        <div>
          <h1>Week {data.session.week}, session {data.session.ordinal}</h1>
          <p class="text-ink-soft">
            {clockText(timeline.durationS)} minutes · effort at most {data.caps.effortPct} %, sensation at most
            {data.caps.sensation} of 10{data.daysSince === null ? '' : ` · last session ${plural(data.daysSince, 'day')} ago`}
          </p>
        </div>
        <section class="card border-2 border-stop py-3">
          <h2>Stop signs</h2>
          <ul class="mt-1 grid gap-x-6 gap-y-1 leading-snug sm:grid-cols-2">
            {#each stops as stop (stop)}<li>{stop}</li>{/each}
            <li class="font-semibold">{urgentSignsText}: medical help now.</li>
          </ul>
          <p class="mt-1 text-ink-soft">Licensed practice and local rules come first.</p>
        </section>
      </div>
      <aside class="flex flex-col gap-4 lg:row-span-2">
        {#if asks.length > 0}
          <AskedDials {asks} exercises={data.asked} form={form && 'form' in form && form.form === 'dial' ? form : null} {base} />
        {/if}
        <form method="POST" action="?/start" class="card flex flex-col gap-4" novalidate use:enhance={keepTyped}>
          <ProblemNote text={formProblem(own)} />
          {#if data.undecided > 0 && !running}
            <p>
              {data.undecided} verdicts of the last session wait. Decided first, this session carries them out.
              <a class="font-semibold underline" href="{base}/review">To the review</a>
            </p>
          {/if}
          {#if data.resume.length > 0 && !running}
            <div class="flex flex-col gap-3 rounded-soft border-2 border-ink p-3">
              <p><strong>{data.resume[0]?.because[0] ? whyText(data.resume[0].because[0]) : ''}</strong></p>
              <Choices
                legend="How to resume"
                name="answer"
                form={own}
                choices={[
                  { value: 'accept', label: 'One step back' },
                  { value: 'as before', label: 'As before' }
                ]}
              />
              <Field label="Why as before" name="reason" form={own} />
            </div>
          {/if}
          {#if running}
            <a class="btn btn-primary min-h-14 text-lg" href="{base}/practise/{data.session.id}">Go on</a>
          {:else}
            {#if data.day.isStopped}
              <p class="font-semibold text-stop">
                A session of today was stopped, and the stop is still open. No other one begins today until a named person clears
                it. <a class="underline" href="{base}/check">To the Check</a>
              </p>
            {/if}
            {#if data.isCheckDue}
              <div class="rounded-soft border-2 border-ink p-3">
                <p>
                  The Check is overdue. <a class="font-semibold underline" href="{base}/check?topic=now">Ask it again</a>, or
                  confirm:
                </p>
                <label class="choice"
                  ><input type="checkbox" name="overdueCheck" defaultChecked={typedOr(own, 'overdueCheck', '') === 'on'} /> Nothing
                  has changed in their health since</label
                >
              </div>
            {/if}
            {#if data.day.isSecond && !data.day.isStopped}
              <label class="choice rounded-soft border-2 border-ink p-3"
                ><input type="checkbox" name="sameDay" defaultChecked={typedOr(own, 'sameDay', '') === 'on'} /> A session was done today
                already. This second one is meant</label
              >
            {/if}
            <Readiness form={own} />
            <input type="hidden" name="sessionId" value={data.session.id} />
            <button class="btn btn-primary min-h-14 text-lg">Start the session</button>
            <a class="btn" href="{base}/practise/arrange?session={data.session.id}">Arrange this session</a>
            <WrittenDown {blocks} {find} today={data.today} form={own} painHref={`${base}/pain`} />
          {/if}
        </form>
        {#if blocks.some((b) => b.work.some((w) => countsBreaths(w)))}
          <TapBreath breath={data.breath} name={data.client.name} />
        {/if}
        <section class="card">
          <h2>Fetch</h2>
          <ul class="mt-1">
            {#each fetch as thing (thing)}<li>{thing}</li>{/each}
            {#each stacks as { side, line } (line)}
              <li class="flex items-start gap-2"><span class="pt-1"><SideMark {side} size={14} /></span> {line}</li>
            {/each}
          </ul>
        </section>
      </aside>
      <div class="flex flex-col gap-4">
        <EffortCurve phases={timeline.phases} width={800} height={90} scalePct={70} fluid label="Effort over the session" />
        <ol class="rounded-soft border border-line bg-paper">
          {#each blocks as block, i (i)}
            {@const exercise = find(block.exerciseId)}
            <li class="flex flex-wrap gap-x-4 border-b border-line px-4 py-2 last:border-0">
              <h2 class="w-64 text-base">{exercise.name}</h2>
              <div class="grow">
                {#each block.work as work (work.side)}
                  {#if isAsked(work)}
                    <p class="flex items-center gap-2">
                      <SideMark side={work.side} size={14} />
                      {doseText(work)}{heightText(exercise, work)}
                    </p>
                  {:else}<p class="text-ink-soft">{exercise.why}</p>{/if}
                {/each}
                <GateNotes within={block.work.flatMap((w) => w.notes ?? [])} compact />
              </div>
            </li>
          {/each}
        </ol>
        {#if data.prepared.value.leftOut.length > 0}
          <section class="rounded-soft border-2 border-stop px-4 py-2" aria-label="Left out today">
            <h2 class="text-stop">Left out today</h2>
            <ul class="list-disc pl-5 leading-snug">
              {#each leftOutTexts(data.prepared.value.leftOut, find) as text (text)}<li>{text}</li>{/each}
            </ul>
          </section>
        {/if}
      </div>
    </div>
  {/if}
</main>
