<script lang="ts">
  import { enhance } from '$app/forms';
  import { exercisesIn, timelineOf, whyText, type Work } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { clockText, plural } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Confirmations from '$lib/ui/session/Confirmations.svelte';
  import Fetch from '$lib/ui/session/Fetch.svelte';
  import Readiness from '$lib/ui/session/Readiness.svelte';
  import SessionBlocks from '$lib/ui/session/SessionBlocks.svelte';
  import StopSigns from '$lib/ui/session/StopSigns.svelte';
  import LeftOutToday from '$lib/ui/session/LeftOutToday.svelte';
  import KeptHere from './KeptHere.svelte';
  import TapBreath from './TapBreath.svelte';
  import WrittenDown from './WrittenDown.svelte';
  import { keepTyped } from '$lib/ui/sending';

  let { data, form } = $props();
  const base = $derived(`/people/${data.client.id}`);
  const blocks = $derived(data.prepared?.ok ? data.prepared.value.blocks : []);
  const timeline = $derived(timelineOf(data.prepared?.ok ? data.prepared.value : { blocks: [] }));
  const find = $derived(exercisesIn(blocks));
  /** What came of starting, not of setting a number. */
  const own = $derived(form && !('form' in form && form.form !== '') && !('kept' in form) ? form : null);
  const countsBreaths = ({ form: f }: Work) => f.kind === 'breaths' || (f.kind === 'cycle' && f.spec.breathS !== undefined);
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
            {data.session.place === 'home' ? 'At home · ' : ''}{data.session.beginsAt
              ? `${data.session.beginsAt} · `
              : ''}{clockText(timeline.durationS)} minutes · effort at most {data.caps.effortPct} %, sensation at most
            {data.caps.sensation} of 10{data.daysSince === null ? '' : ` · last session ${plural(data.daysSince, 'day')} ago`}
          </p>
        </div>
        <StopSigns {blocks} />
      </div>
      <aside class="flex flex-col gap-4 lg:row-span-2">
        <form method="POST" action="?/start" class="card flex flex-col gap-4" novalidate use:enhance={keepTyped}>
          <ProblemNote text={formProblem(own)} />
          {#if data.undecided > 0 && !running}
            <p>
              {plural(data.undecided, 'decision')} of the last session {data.undecided === 1 ? 'is' : 'are'} still to make. Make them
              first, and this session carries them out.
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
            <Confirmations
              overdueCheck={data.isCheckDue}
              sameDay={data.day.isSecond && !data.day.isStopped}
              checkHref="{base}/check?topic=now"
              form={own}
            />
            <Readiness form={own} {blocks} />
            <input type="hidden" name="sessionId" value={data.session.id} />
            <button class="btn btn-primary min-h-14 text-lg">Start the session</button>
            <a class="btn" href="{base}/practise/arrange?session={data.session.id}">Arrange this session</a>
            <WrittenDown {blocks} {find} today={data.today} form={own} painHref={`${base}/pain`} />
            <!-- Last, for it comes late and must move nothing that a hand is already on. What is still to be answered holds up a start here as well. -->
            {#if data.resume.length === 0 && !data.day.isStopped}
              {#key data.prepared}<KeptHere href="{base}/practise/{data.session.id}" sessionId={data.session.id} />{/key}
            {/if}
          {/if}
        </form>
        {#if blocks.some((b) => b.work.some((w) => countsBreaths(w)))}
          <TapBreath breath={data.breath} name={data.client.name} />
        {/if}
        <Fetch {blocks} shelf={data.shelf} unit={data.units.length} />
      </aside>
      <div class="flex flex-col gap-4">
        <EffortCurve phases={timeline.phases} width={800} height={90} scalePct={70} fluid label="Effort over the session" />
        <SessionBlocks {blocks} unit={data.units.length} />
        <LeftOutToday without={data.prepared.value.leftOut} {blocks} />
      </div>
    </div>
  {/if}
</main>
