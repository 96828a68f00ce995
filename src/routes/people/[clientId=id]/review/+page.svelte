<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import { enhance } from '$app/forms';
  import { doseByLink, measureOf, whyText, type Side } from '$lib/core';
  import { figuresText } from '$lib/ui/figuresText';
  import LinkMinutes from '../plan/LinkMinutes.svelte';
  import StaircaseDrawing from '$lib/ui/drawing/StaircaseDrawing.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { capital, clockText, dateText, modeText, valueText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import SideMark from '$lib/ui/SideMark.svelte';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { verdictText } from '$lib/ui/verdictText';
  import { moveText } from './moveText';
  import Alerts from './Alerts.svelte';
  import Judgements from './Judgements.svelte';
  import ReviewParts from './ReviewParts.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import ProposalRow from './ProposalRow.svelte';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  let picked = $state<Side>();
  const side = $derived(picked ?? data.goal?.leadSide ?? 'left');
  const staircase = $derived(data.staircases.find((s) => s.side === null || s.side === side));
  const other = $derived(data.staircases.find((s) => s !== staircase));
  const judging = $derived(form && 'problem' in form && form.form === 'judge' ? form : null);
  const problem = $derived(form && 'problem' in form && form.form !== 'judge' ? form : null);
  const lastNames = $derived(new Map(data.last?.exercises.map((e) => [e.exerciseId, e.exerciseName])));
  const shareDone = (exerciseId: string, of: Side | null): number =>
    data.last?.exercises.find((e) => e.exerciseId === exerciseId && e.side === of)?.share ?? 0;
  /** Stops are looked at one by one. */
  const acceptable = $derived(data.proposals.filter((p) => p.verdict !== 'stop').length);
  const asked = $derived([...new Set(data.proposals.map((p) => p.exerciseId))]);
</script>

<main class="mx-auto flex max-w-7xl flex-col gap-6 p-5">
  <div class="flex flex-wrap items-center gap-4">
    {#if data.last}<h1>{data.proposals.length > 0 ? 'What to do next' : 'Decided'}</h1>{/if}
    {#if acceptable > 0}
      <form method="POST" action="?/acceptAll" use:enhance={keepTyped}>
        <button class="btn btn-primary"
          >Accept {acceptable === 1 ? 'it' : `all ${acceptable}`}{acceptable < data.proposals.length
            ? ' but the stops'
            : ''}</button
        >
      </form>
    {/if}
    <div class="ml-auto"><ReviewParts base="/people/{data.client.id}" /></div>
  </div>
  {#if !data.last}
    <section class="card max-w-2xl">
      <h1>Nothing to review yet</h1>
      <p class="mt-2">After the first session stands here what was done, and what to do next.</p>
      <p class="mt-4"><a class="btn btn-primary" href="/people/{data.client.id}/practise">Practise</a></p>
    </section>
  {:else}
    <div class="grid gap-6 lg:grid-cols-[1fr_22rem]">
      <section class="flex min-w-0 flex-col gap-3" aria-label="Verdicts">
        <ProblemNote text={formProblem(problem)} />
        {#if data.proposals.length === 0}
          <p>
            Every decision of the last session is made. The next session carries them out.
            <a class="font-semibold underline" href="/people/{data.client.id}/practise">To the next session</a>
          </p>
        {/if}
        {#each asked as exerciseId (exerciseId)}
          {@const ofExercise = data.proposals.filter((p) => p.exerciseId === exerciseId)}
          {@const name = ofExercise[0]?.exerciseName}
          <section class="card p-0" aria-label={name}>
            <h2 class="px-4 pt-3">{name}</h2>
            <div class="grid {ofExercise.length > 1 ? 'md:grid-cols-2 md:divide-x md:divide-line' : ''}">
              {#each ofExercise as proposal (`${proposal.side}/${proposal.moment}`)}
                <ProposalRow
                  {proposal}
                  base="/people/{data.client.id}"
                  {unit}
                  form={problem}
                  dials={data.exerciseDials[exerciseId] ?? []}
                  done={data.last.exercises.find((e) => e.exerciseId === exerciseId && e.side === proposal.side)}
                />
              {/each}
            </div>
          </section>
        {/each}
        {#if data.decisions.length > 0}
          <details class="card" open={data.proposals.length === 0}>
            <summary class="font-semibold">Decisions before</summary>
            <ul class="mt-2">
              {#each data.decisions as d (d.id)}
                <li class="flex flex-wrap items-center gap-2 border-t border-line py-1.5">
                  <span class="w-28 whitespace-nowrap text-ink-soft">{dateText(d.decidedOn)}</span>
                  <SideMark side={d.side} size={14} />
                  <span>{d.exerciseName}</span>
                  <span class="ml-auto flex items-center gap-2 font-semibold"
                    ><VerdictMark verdict={d.verdict} size={18} /> {verdictText[d.verdict]} {moveText(d, d.dials, unit)}</span
                  >
                  {#if d.mayUndo}
                    <form method="POST" action="?/undo" use:enhance={keepTyped}>
                      <input type="hidden" name="exerciseId" value={d.exerciseId} />
                      <input type="hidden" name="side" value={d.side ?? ''} />
                      <button class="btn btn-quiet" aria-label="Undo: {d.exerciseName}{d.side ? `, ${d.side}` : ''}">Undo</button>
                    </form>
                  {/if}
                  <span class="w-full text-ink-soft"
                    >{d.overruledBecause
                      ? `${capital(d.proposedVerdict)} was proposed; overruled: ${d.overruledBecause}`
                      : d.because.map(whyText).join(' ')}</span
                  >
                </li>
              {/each}
            </ul>
          </details>
        {/if}
      </section>
      <div class="flex flex-col gap-5">
        <Alerts alerts={data.alerts} names={data.names} headline={data.goal!.headline} {unit} base="/people/{data.client.id}" />
        <aside class="card" aria-label="The last session">
          <h2>Week {data.last.week}, session {data.last.ordinal}</h2>
          <p class="text-ink-soft">{dateText(data.last.on)}{data.last.status === 'stopped' ? ', stopped' : ''}</p>
          <table class="mt-2 w-full text-left">
            <thead class="text-ink-soft">
              <tr
                ><th scope="col" class="font-normal">Done</th><th scope="col" class="pr-3 text-right font-normal">sets</th><th
                  scope="col"
                  class="text-right font-normal">time</th
                ></tr
              >
            </thead>
            <tbody>
              {#each data.last.exercises as e (`${e.exerciseId}/${e.side}`)}
                <tr class="border-t border-line align-top">
                  <th scope="row" class="py-1 font-normal"
                    ><span class="flex items-center gap-1"><SideMark side={e.side} size={13} /> {e.exerciseName}</span>
                    {#each e.figures as figures, i (i)}<span class="block text-sm text-ink-soft"
                        >{capital(figuresText(figures, data.units).join('; '))}</span
                      >{/each}
                    {#each e.pains as pain, i (i)}<span class="block font-semibold text-stop">{pain}</span>{/each}</th
                  >
                  <td class="py-1 pr-3 text-right {e.doneSets < e.plannedSets ? 'font-bold' : ''}"
                    >{e.doneSets}/{e.plannedSets}</td
                  >
                  <td class="py-1 text-right whitespace-nowrap"
                    >{clockText(e.actualS)} <span class="text-ink-soft">of {clockText(e.plannedS)}</span></td
                  >
                </tr>
              {/each}
            </tbody>
          </table>
          {#each data.last.leftOut as set (set.setIndex)}
            <p class="mt-2 flex items-start gap-1">
              <span class="pt-1"><SideMark side={set.side} size={13} /></span>
              Left out: {lastNames.get(set.exerciseId)}, {set.why}.
            </p>
          {/each}
          <div class="mt-3">
            <LinkMinutes doses={doseByLink(data.last.blocks)} done={doseByLink(data.last.blocks, shareDone)} />
          </div>
          {#each data.last.measured as m, i (i)}
            <p class="mt-2 flex items-start gap-1">
              <span class="pt-1"><SideMark side={m.side} size={13} /></span>
              {measureOf(m.measureId).name}{measureOf(m.measureId).modes.length > 1 ? `, ${modeText[m.mode].toLowerCase()}` : ''}: {valueText(
                m.before,
                measureOf(m.measureId),
                unit
              )} before, {valueText(m.after, measureOf(m.measureId), unit)} after.
            </p>
          {/each}
          <p class="mt-3">
            Sessions done so far: {data.attendance.done} of {data.attendance.due} due.
          </p>
        </aside>
      </div>
    </div>
  {/if}

  <Judgements
    noted={data.noted}
    hasMore={data.hasMoreNotes}
    removed={data.removed}
    clientId={data.client.id}
    week={Object.entries(data.names).map(([id, name]) => ({ id, name }))}
    form={judging}
  />
  {#if staircase}
    <section class="flex flex-col gap-3">
      <div class="flex flex-wrap items-center gap-4">
        <h2 class="text-xl">Measures and steps</h2>
        {#if staircase.side}<SideSwitch
            {side}
            onSideChange={(s) => (picked = s)}
            label="Side in view"
            words={measureOf(staircase.measureId).sideWords}
          />{/if}
      </div>
      <Sideways label="The staircase"><StaircaseDrawing {staircase} {other} shelf={data.shelf} {unit} /></Sideways>
    </section>
  {/if}
</main>
