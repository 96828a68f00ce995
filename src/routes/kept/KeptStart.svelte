<script lang="ts">
  import { before, readinessText, timelineOf } from '$lib/core';
  import { runChecked } from '$lib/contract/door';
  import { startForm } from '$lib/contract/forms';
  import type { KeptDay, KeptSession } from '$lib/contract/played';
  import type { Typed } from '$lib/contract/problem';
  import { awayPage } from '$lib/ui/device/awayPath';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { clockText } from '$lib/ui/format';
  import { formProblem, type FormState } from '$lib/ui/formState';
  import LeftOutToday from '$lib/ui/session/LeftOutToday.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Confirmations from '$lib/ui/session/Confirmations.svelte';
  import Fetch from '$lib/ui/session/Fetch.svelte';
  import Readiness from '$lib/ui/session/Readiness.svelte';
  import SessionBlocks from '$lib/ui/session/SessionBlocks.svelte';
  import StopSigns from '$lib/ui/session/StopSigns.svelte';

  /** A session that this device holds, before it begins. What the studio asks before a session is asked here. */
  type Props = {
    kept: KeptSession;
    day: KeptDay;
    begin: (answers: Typed, easier: boolean) => Promise<void>;
    /** A new symptom: the studio hears of it, and this does not start any more. */
    stop: (answers: Typed) => Promise<void>;
  };
  let { kept, day, begin, stop }: Props = $props();
  const timeline = $derived(timelineOf(kept));
  let form = $state.raw<FormState>(null);
  /** A new symptom was told: other answers afterwards start nothing. */
  let isStopped = $state(false);

  async function start(event: SubmitEvent & { currentTarget: HTMLFormElement }) {
    event.preventDefault();
    if (isStopped) return;
    const data = new FormData(event.currentTarget);
    const typed: Record<string, string | string[]> = { today: data.getAll('today').map(String) };
    for (const [name, value] of data) if (name !== 'today') typed[name] = String(value);
    const answered = await runChecked(startForm, typed, (input) => input);
    if (!answered.ok) {
      form = { problem: answered.problem, typed };
      return;
    }
    const { overdueCheck, sameDay, ...answers } = answered.value;
    const readiness = before(answers);
    if (!readiness.starts) {
      if (answers.symptom) {
        isStopped = true;
        await stop(typed);
      }
      form = { problem: { code: 'not_ready', data: { why: readiness.because.map(readinessText).join(' ') } }, typed };
    } else if (day.overdueCheck && !overdueCheck) form = { problem: { code: 'check_overdue_unconfirmed', data: {} }, typed };
    else if (day.sameDay && !sameDay) form = { problem: { code: 'same_day_unconfirmed', data: {} }, typed };
    else await begin(typed, readiness.easier);
  }
</script>

<main class="mx-auto max-w-6xl p-5">
  <div class="grid gap-x-6 gap-y-4 lg:grid-cols-[1fr_24rem] lg:grid-rows-[auto_1fr]">
    <div class="flex flex-col gap-4">
      <div>
        <h1>{kept.client.name}: week {kept.session.week}, session {kept.session.ordinal}</h1>
        <p class="text-ink-soft">
          {clockText(timeline.durationS)} minutes · effort at most {kept.effortCapPct} %, sensation at most {kept.sensationCap} of 10
        </p>
      </div>
      <StopSigns blocks={kept.blocks} />
    </div>
    <aside class="flex flex-col gap-4 lg:row-span-2">
      <form class="card flex flex-col gap-4" novalidate onsubmit={start}>
        <p>
          This starts on this device. What is said waits here until the studio answers. <a class="underline" href={awayPage}
            >Everything kept here</a
          >
        </p>
        <ProblemNote text={formProblem(form)} />
        <Confirmations overdueCheck={day.overdueCheck} sameDay={day.sameDay} {form} />
        <Readiness {form} blocks={kept.blocks} />
        {#if !isStopped}<button class="btn btn-primary min-h-14 text-lg">Start the session</button>{/if}
      </form>
      <Fetch blocks={kept.blocks} shelf={kept.shelf} unit={kept.units.length} />
    </aside>
    <div class="flex flex-col gap-4">
      <EffortCurve phases={timeline.phases} width={800} height={90} scalePct={70} fluid label="Effort over the session" />
      <SessionBlocks blocks={kept.blocks} unit={kept.units.length} />
      <LeftOutToday without={kept.without} blocks={kept.blocks} />
    </div>
  </div>
</main>
