<script lang="ts">
  import { planPhaseWords } from '$lib/ui/glossary';
  import { enhance } from '$app/forms';
  import { addDays, schools, sessionDays, weekdayOf, type Mend } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { capital, plural, weekdayText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { problemText } from '$lib/ui/problemText';
  import Select from '$lib/ui/Select.svelte';
  import { sending } from '$lib/ui/sending';
  import SolveButton from '../SolveButton.svelte';
  import { Solving } from '../solving.svelte';
  import BusyHours from './BusyHours.svelte';
  import Relax from '$lib/ui/Relax.svelte';
  import DayStrip from './DayStrip.svelte';
  import EasyWeeks from './EasyWeeks.svelte';
  import GoalShares from './GoalShares.svelte';
  import SessionWishes from './SessionWishes.svelte';
  import Versions from './Versions.svelte';
  import { minutesAfter } from './minutesAfter';
  import WeekNotes from './WeekNotes.svelte';
  import WishGrid from './WishGrid.svelte';
  import { PlanWishesState } from './wishes.svelte';

  let { data, form } = $props();
  const base = $derived(`/people/${data.client.id}`);
  const plan = $derived(data.plan!);
  const wishes = $derived(new PlanWishesState(plan.wishes, data.easyWeeks));
  const sent = $derived(form && 'form' in form && form.form === '' ? form : null);
  /** Days as they are wished, or as they fall while nobody named any. */
  const days = $derived(
    wishes.weekdays.length > 0
      ? wishes.weekdays
      : sessionDays({ sessionsPerWeek: plan.sessionsPerWeek, start: plan.startOn, weekdays: [] })
          .map((day) => weekdayOf(addDays(plan.startOn, day)))
          .toSorted((a, b) => a - b)
  );
  /** One whole week of each phase that is still to come. */
  const phases = $derived.by(() => {
    const weeks = data.view?.ok ? data.view.weeks.filter((w) => data.weeksToCome.includes(w.week) && !w.easy) : [];
    const whole = (phase: string) => weeks.find((w) => w.phase === phase && w.sessions.every((s) => s.status === 'planned'));
    return [...new Set(weeks.map((w) => w.phase))].flatMap((phase) => whole(phase) ?? weeks.find((w) => w.phase === phase) ?? []);
  });
  let pickedPhase = $state<string>();
  const shown = $derived(phases.find((w) => w.phase === pickedPhase) ?? phases[0]);

  /** The sessions of a week in the order they fall in, each with its day. */
  const sessionsNamed = $derived(
    sessionDays({ sessionsPerWeek: days.length, start: plan.startOn, weekdays: days }).map((day, i) => ({
      number: i + 1,
      day: weekdayText(addDays(plan.startOn, day))
    }))
  );
  let minutesInput = $state<HTMLInputElement>();
  function mend(by: Mend): void {
    if (by.code === 'keep') wishes.set(by.exerciseId, null, 'in');
    else if (by.code === 'free') wishes.set(by.exerciseId, by.session, 'free');
    else if (minutesInput) {
      minutesInput.value = String(minutesAfter(plan.minutes, by));
      minutesInput.focus();
    }
  }

  const solving = new Solving();
  const send = solving.watched(sending(async ({ update }) => update({ reset: false })));
</script>

<main class="mx-auto max-w-[90rem] p-5">
  <div class="flex flex-wrap items-center gap-3">
    <h1>Change what comes</h1>
    <a class="btn btn-quiet ml-auto" href="{base}/plan">Back to the plan</a>
  </div>
  {#if !data.isOpen || !data.plan}
    <section class="card mt-4 max-w-2xl">
      <h2>Not yet</h2>
      <p class="mt-2">
        {data.isOpen ? 'There is no plan to change. Make one first.' : 'Planning is closed until the Check is passed.'}
      </p>
    </section>
  {:else}
    <p class="mt-1 text-ink-soft">
      Say what you want otherwise, then solve the weeks to come again. What was done stays, and every change is a version to go
      back to.
    </p>
    <div class="mt-4 grid gap-6 xl:grid-cols-[1fr_24rem]">
      <form method="POST" action="?/revise" class="flex min-w-0 flex-col gap-5" use:enhance={send}>
        <ProblemNote text={formProblem(sent)} />
        <Relax form={sent} />
        {#if data.view && !data.view.ok}<ProblemNote text={problemText(data.view.problem)} />{/if}
        <input type="hidden" name="basedOnVersion" value={plan.version} />
        <input type="hidden" name="wishes" value={wishes.text} />
        <input type="hidden" name="sessionsPerWeek" value={days.length} />
        <div class="grid gap-4 md:grid-cols-[1fr_16rem]">
          <section aria-labelledby="days">
            <h2 id="days">Days</h2>
            <p class="mb-2 text-ink-soft">
              {plural(days.length, 'session')} a week. What works one motion hard is never put on following days.
            </p>
            <DayStrip {days} onDays={(d) => (wishes.weekdays = d)} />
          </section>
          <div class="flex flex-col gap-3">
            <Field
              label="Minutes a session"
              name="minutes"
              inputmode="numeric"
              form={sent}
              known={plan.minutes}
              bind:input={minutesInput}
            />
            <Select
              label="Way of working"
              name="schoolId"
              groups={[{ label: '', options: schools.map((s) => ({ value: s.id, label: s.name })) }]}
              form={sent}
              known={plan.schoolId}
            />
          </div>
        </div>

        <SessionWishes days={sessionsNamed} {wishes} homeProps={data.homeProps} />
        {#if data.otherGoals.length > 0}
          <GoalShares goals={data.otherGoals} goalName={data.goal?.name ?? ''} {wishes} />
        {/if}

        <section aria-labelledby="week">
          <div class="mb-2 flex flex-wrap items-center gap-2">
            <h2 id="week">The exercises of a week</h2>
            {#each phases as of (of.phase)}
              <button
                type="button"
                class="btn btn-quiet {of === shown ? 'border-mulberry text-mulberry' : ''}"
                aria-pressed={of === shown}
                onclick={() => (pickedPhase = of.phase)}>{capital(planPhaseWords[of.phase])}, from week {of.week}</button
              >
            {/each}
          </div>
          {#if shown}
            <p class="mb-2 text-ink-soft">
              Tap a place to keep the exercise in, to keep it out, or to leave it free. Wishes hold for every week to come.
            </p>
            <WishGrid
              exercises={data.exercises}
              sessions={shown.sessions}
              {wishes}
              {base}
              version={plan.version}
              swapForm={form && 'form' in form && form.form === 'swap' ? form : null}
            />
            {#if shown.sessions.some((s) => data.exercises.some((e) => s.allotment.every((a) => a.exerciseId !== e.id)))}
              <p class="mt-2 text-ink-soft">
                “As usual”: it came into the week, or got its figure, after these weeks were solved.
              </p>
            {/if}
            {#if shown.notes.length > 0}
              <WeekNotes notes={shown.notes} minutes={plan.minutes} {base} onMend={mend} />
            {/if}
          {:else}
            <p>Every session of this plan is over. Make a new one on the plan’s own page.</p>
          {/if}
        </section>

        <BusyHours
          beginsAt={wishes.beginsAt}
          busyOn={wishes.busyOn}
          from={data.today}
          to={addDays(plan.startOn, 7 * plan.weeks - 1)}
          minutes={plan.minutes}
          onBusy={(busyOn) => (wishes.busyOn = busyOn)}
          onBeginsAt={(at) => (wishes.beginsAt = at)}
        />

        <EasyWeeks weeks={data.weeksToCome} {wishes} />

        {#if data.missed > 0}
          <Choices
            legend="{plural(data.missed, 'session')} whose day has gone by"
            name="missed"
            choices={[
              { value: 'keep', label: 'Do them next' },
              { value: 'merge', label: 'Merge into the next what only they held' },
              { value: 'slide', label: 'Move all that comes by whole weeks' },
              { value: 'drop', label: 'Leave them' }
            ]}
            form={sent}
            known="keep"
          />
        {/if}

        <div class="sticky bottom-0 flex flex-wrap items-center gap-3 border-t border-line bg-chalk py-3">
          <SolveButton {solving} label="Solve what comes again" />
          {#if wishes.isChanged && !solving.isRunning}
            <button type="button" class="btn btn-quiet" onclick={() => wishes.takeBack()}>Take the wishes back</button>
          {/if}
        </div>
      </form>
      <aside class="card self-start" aria-labelledby="versions">
        <h2 id="versions" class="mb-2">Versions</h2>
        <ProblemNote text={formProblem(form && 'form' in form && form.form === 'restore' ? form : null)} />
        <Versions
          versions={data.versions}
          inForce={plan.version}
          {base}
          form={form && 'form' in form && form.form === 'name' ? form : null}
        />
      </aside>
    </div>
  {/if}
</main>
