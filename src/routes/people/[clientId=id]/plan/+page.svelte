<script lang="ts">
  import { page } from '$app/state';
  import Sideways from '$lib/ui/Sideways.svelte';
  import { Dialog } from 'bits-ui';
  import X from '@lucide/svelte/icons/x';
  import { longHold, measureOf, retestEveryDays, type Side } from '$lib/core';
  import { hasFloor } from '$lib/ui/drawing/staircaseScale';
  import StaircaseDrawing from '$lib/ui/drawing/StaircaseDrawing.svelte';
  import { changeText, plural } from '$lib/ui/format';
  import { isGoalReached } from '$lib/ui/goalReached';
  import { problemText } from '$lib/ui/problemText';
  import type { ChosenSession } from '$lib/contract/plan';
  import { tellFault } from '$lib/ui/toasts';
  import { followed } from '$lib/ui/forecast/foretelling.svelte';
  import OutlookLine from '$lib/ui/forecast/OutlookLine.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import Field from '$lib/ui/Field.svelte';
  import CopyForm from './CopyForm.svelte';
  import { planHead } from './planHead';
  import PlanForm from './PlanForm.svelte';
  import ServedGoal from './ServedGoal.svelte';
  import SessionPanel from './SessionPanel.svelte';
  import WeekColumns from './WeekColumns.svelte';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  let picked = $state<Side>();
  const side = $derived(picked ?? data.goal?.leadSide ?? 'left');
  const staircase = $derived(data.staircases.find((s) => s.side === null || s.side === side));
  const other = $derived(data.staircases.find((s) => s !== staircase));
  const measure = $derived(data.goal && measureOf(data.goal.headline));
  const outlook = $derived(data.outlooks.find((o) => o.side === null || o.side === side));
  const foretelling = followed(() => (data.plan ? outlook?.ask : null));
  const told = $derived(foretelling.told);
  const weeks = $derived(data.view?.ok ? data.view.weeks : []);
  /** What moved on since what comes was solved: it is solved again when somebody wants it, never by itself. */
  const sinceSolved = $derived(
    [
      data.moved.came.length > 0 && `${data.moved.came.join(', ')} came into the week`,
      data.moved.gone.length > 0 && `${data.moved.gone.join(', ')} may not be done any more`,
      data.isGrown && 'the work has grown past its minutes'
    ].filter((text) => text !== false)
  );
  const nearBest = $derived(data.plan?.changed.find((change) => change.code === 'near best'));
  /** The session that is looked at: the next one, until another is chosen; its parts come when they are asked for. */
  let chosen = $derived(data.chosen);
  let asked = $state<number>();
  async function choose(id: number): Promise<void> {
    asked = id;
    const answer = await fetch(`/people/${data.client.id}/plan/session.json?session=${id}`).catch(() => null);
    // The last one that was chosen counts.
    if (asked !== id) return;
    if (answer?.ok) chosen = (await answer.json()) as ChosenSession;
    else tellFault('This session did not arrive. Choose it again.');
    asked = undefined;
  }
  const change = $derived(data.changes.find((c) => c.side === null || c.side === side)?.change);
  const news = $derived(
    change && measure
      ? `${changeText(change.before, change.after, measure, unit)} at the last measure: ${change.verdict}`
      : undefined
  );
  /** Asked for where a goal is reached: a plan that holds it. */
  const holds = $derived(page.url.searchParams.get('then') === 'hold');
  /** Sessions a week that hold a range (common practice). */
  const holdingSessions = 2;
  const shape = $derived(
    data.plan
      ? {
          ...data.plan,
          startOn: data.today,
          ...(holds && { sessionsPerWeek: Math.min(holdingSessions, data.plan.sessionsPerWeek) })
        }
      : {
          schoolId: data.client.schoolId ?? longHold.id,
          weeks: 4,
          sessionsPerWeek: holds ? Math.min(holdingSessions, data.client.sessionsPerWeek) : data.client.sessionsPerWeek,
          minutes: data.client.minutesPerSession,
          startOn: data.today
        }
  );
  let changing = $derived(holds);
  const isReached = $derived(data.goal !== null && isGoalReached(data.goal, data.latest, unit));
  const head = $derived(
    data.goal
      ? planHead({
          readings: data.readings,
          isReached,
          weeks,
          doses: data.doses,
          headline: data.goal.headline,
          today: data.today
        })
      : []
  );
  const copying = $derived(form && 'form' in form && form.form === 'copy' ? form : null);
  const making = $derived(copying ? null : form);
  const band = $derived(told ? [{ week: 0, ...told.now }, ...told.weeks] : []);
</script>

{#if data.isOpen && data.isCheckDue}
  <p class="mx-5 mt-3 rounded-soft border-2 border-ink px-4 py-2" role="status">
    The Check is overdue.
    <a class="font-semibold underline" href="/people/{data.client.id}/check?topic=now">Ask it again</a> before the next session.
  </p>
{/if}
{#if !data.isOpen || !data.baseline || !data.plan}
  <main class="mx-auto max-w-3xl p-5">
    <section class="card flex flex-col gap-3">
      {#if !data.isOpen}
        <h1>Not yet</h1>
        <p>Planning is closed until this person is screened, and cleared by a named person where that is asked.</p>
        <p><a class="btn btn-primary" href="/people/{data.client.id}/check">To the check</a></p>
      {:else if !data.baseline}
        <h1>A baseline first</h1>
        <p>What tells the goal is measured before anything is planned, on both sides where it has two; two trials are enough.</p>
        <p><a class="btn btn-primary" href="/people/{data.client.id}/measure">Measure</a></p>
      {:else}
        <h1>Plan the sessions</h1>
        {#if data.servedBy}
          <p class="rounded-soft border-2 border-ink px-4 py-2" role="status">
            This goal is trained in the plan for “{data.servedBy}” already. Make that the goal in work
            <a class="font-semibold underline" href="/people/{data.client.id}/goal">under goals</a>; a plan of its own is a second
            one beside it.
          </p>
        {/if}
        <p class="text-ink-soft">
          Each session is made from the exercises of the week, as they are set in Grade: a warm-up, the exercises in their order,
          a settle, all inside the minutes. What is made harder, and when, follows what was done, not the date.
        </p>
        <PlanForm form={making} known={shape} version={0} ownSchool={data.ownSchool} />
        {#if data.alike.length > 0}<CopyForm form={copying} people={data.alike} version={0} />{/if}
      {/if}
    </section>
  </main>
{:else}
  <main class="grid lg:grid-cols-[1fr_24rem]">
    <div class="flex min-w-0 flex-col gap-3 p-5">
      <div class="flex flex-wrap items-center gap-2">
        <h1>{!staircase ? 'The weeks' : hasFloor(staircase.measureId) ? 'Down to the floor' : 'The way to the goal'}</h1>
        {#if staircase?.side}<SideSwitch
            {side}
            onSideChange={(s) => (picked = s)}
            label="Side in view"
            words={measure?.sideWords}
          />{/if}
        <div class="ml-auto flex items-center gap-2">
          <a class="text-ink-soft underline" href="/people/{data.client.id}/plan/change#versions"
            >version {data.plan.version}{data.plan.name ? `, ${data.plan.name}` : ''}</a
          >
          <a class="btn" href="/people/{data.client.id}/plan/change">Change what comes</a>
        </div>
      </div>
      <dl class="grid gap-x-4 gap-y-1 leading-snug sm:grid-cols-[max-content_1fr]">
        {#each head as { about, text } (about)}
          <dt class="font-semibold max-sm:mt-1">{about}</dt>
          <dd>{text}</dd>
        {/each}
      </dl>
      {#if staircase}
        <Sideways label="The staircase"><StaircaseDrawing {staircase} {other} shelf={data.shelf} {unit} {news} {band} /></Sideways
        >
        {#if outlook && data.goal}
          <OutlookLine
            {outlook}
            {told}
            state={foretelling.state}
            today={data.today}
            targetOn={data.goal.targetOn}
            headline={data.goal.headline}
            {unit}
            isStopped={data.stops.length > 0}
            more="/people/{data.client.id}/review/progress"
          />
        {/if}
        {#each data.served as served (served.goal.id)}
          <ServedGoal {...served} today={data.today} {unit} isStopped={data.stops.length > 0} base="/people/{data.client.id}" />
        {/each}
        <p class="text-ink-soft">
          {staircase.side ? 'Half-discs' : 'Discs'} are measures with their error. {staircase.treads.some((t) => t.ahead)
            ? 'Dashed: the earliest the rules allow, one step a week when every session goes as planned; each step takes as long as it takes.'
            : 'Each step is the last measure until the next.'}
          {other?.side ? `Thin line: the ${other.side} ${measure?.sideWords}.` : ''}
        </p>
      {/if}
      {#if data.view && !data.view.ok}
        <ProblemNote text={problemText(data.view.problem)} />
      {:else}
        {#if sinceSolved.length > 0}
          <p role="status">
            Since this was solved, {sinceSolved.join(', and ')}.
            <a class="font-semibold underline" href="/people/{data.client.id}/plan/change">Solve what comes again</a> to use the minutes
            for it.
          </p>
        {/if}
        {#if nearBest}
          <p class="text-ink-soft">
            Worked out to within {nearBest.withinPct} % of the best week there is. Fewer exercises or more minutes make the search short.
          </p>
        {/if}
        <WeekColumns {weeks} chosenId={asked ?? chosen?.session.id} onChoose={(id) => void choose(id)} />
        {#if chosen && chosen.week.steps.length + chosen.week.notes.length > 0}
          <section aria-label="Week {chosen.week.week}">
            <h2 class="text-base">Week {chosen.week.week}</h2>
            <ul>
              {#each [...chosen.week.steps, ...chosen.week.notes.map((n) => n.text)] as text (text)}<li>{text}</li>{/each}
            </ul>
          </section>
        {/if}
        <p class="text-ink-soft">
          {plural(data.plan.sessionsPerWeek, 'session')} a week, {data.plan.minutes} minutes; a retest every second week, overdue after
          {retestEveryDays} days.
        </p>
        <div class="flex flex-wrap gap-2">
          <a class="btn" href="/people/{data.client.id}/plan/compare">Compare before you choose</a>
          <Dialog.Root bind:open={() => changing || form?.problem !== undefined, (v) => (changing = v)}>
            <Dialog.Trigger class="btn">New plan</Dialog.Trigger>
            <Dialog.Portal>
              <Dialog.Overlay class="fixed inset-0 z-40 bg-black/40" />
              <Dialog.Content
                class="fixed top-1/2 left-1/2 z-50 max-h-[92vh] w-[min(36rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-soft border border-edge bg-paper p-5"
              >
                <div class="mb-2 flex items-start justify-between">
                  <Dialog.Title class="text-xl font-bold">A new plan</Dialog.Title>
                  <Dialog.Close class="btn btn-quiet" aria-label="Close"><X size={20} /></Dialog.Close>
                </div>
                <Dialog.Description class="mb-4 text-ink-soft">
                  It takes over from today, from its first week on. What was done stays; stacks, holds and efforts stay where
                  decisions have brought them, and what was wished of exercises and days goes on.
                </Dialog.Description>
                <PlanForm
                  form={making}
                  known={shape}
                  version={data.plan.version}
                  ownSchool={data.ownSchool}
                  onDone={() => (changing = false)}
                />
                {#if data.alike.length > 0}
                  <hr class="my-4 border-line" />
                  <CopyForm form={copying} people={data.alike} version={data.plan.version} onDone={() => (changing = false)} />
                {/if}
              </Dialog.Content>
            </Dialog.Portal>
          </Dialog.Root>
        </div>
        <form
          method="GET"
          action="/people/{data.client.id}/plan/calendar.ics"
          data-sveltekit-reload
          class="flex flex-wrap items-end gap-3"
        >
          <Field
            label="Sessions begin at"
            name="at"
            type="time"
            value={data.plan.wishes.beginsAt ?? ''}
            hint="Without a time a session stands for the whole day."
          />
          <button class="btn">Save as a calendar file</button>
        </form>
        <p class="text-ink-soft">A calendar that reads it again after a change moves and calls off sessions in place.</p>
      {/if}
    </div>
    {#if chosen}
      <SessionPanel
        session={chosen.session}
        week={chosen.week}
        doses={chosen.doses}
        minutes={data.plan.minutes}
        base="/people/{data.client.id}"
        {unit}
      />
    {/if}
  </main>
{/if}
