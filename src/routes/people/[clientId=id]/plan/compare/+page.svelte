<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import type { Snippet } from 'svelte';
  import { enhance } from '$app/forms';
  import { gainfulWeekS, motionOf, schools, sides, type LinkDose } from '$lib/core';
  import Field from '$lib/ui/Field.svelte';
  import { followed } from '$lib/ui/forecast/foretelling.svelte';
  import { bandText, byDate, chanceText } from '$lib/ui/forecast/outlookText';
  import { fieldError, formProblem } from '$lib/ui/formState';
  import { capital, clockText, dateText, numberText, plural } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { problemText } from '$lib/ui/problemText';
  import Select from '$lib/ui/Select.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import SideMark from '$lib/ui/SideMark.svelte';
  import SolveButton from '../SolveButton.svelte';
  import { Solving } from '../solving.svelte';
  import { cutText } from '../cutText';

  let { data, form } = $props();
  type Column = (typeof data.columns)[number];
  const unit = $derived(data.units.length);
  const goal = $derived(data.goal!);
  const base = $derived(`/people/${data.client.id}`);
  const names = { a: 'First', b: 'Second' } as const;
  const schoolOptions = [{ label: '', options: schools.map((s) => ({ value: s.id, label: s.name })) }];
  const solving = { a: new Solving(), b: new Solving() };
  const find = (exerciseId: string) => ({ name: data.names[exerciseId] ?? 'an exercise' });

  const askOf = (of: Column['column']) => {
    const told = data.columns.find((c) => c.column === of)?.told;
    return told?.ok && data.ask ? { ...data.ask, sessionsPerWeek: told.value.asked.sessionsPerWeek } : null;
  };
  const foretold = { a: followed(() => askOf('a')), b: followed(() => askOf('b')) };

  /** Every motion and side that either plan works. */
  const places = $derived(
    [
      ...new Map(
        data.columns.flatMap((c) => (c.told.ok ? c.told.value.summary.week.doses : [])).map((d) => [`${d.link}/${d.side}`, d])
      ).values()
    ].sort((a, b) => motionOf(a.link).name.localeCompare(motionOf(b.link).name) || sides.indexOf(a.side) - sides.indexOf(b.side))
  );
  function doseText(doses: readonly LinkDose[], of: LinkDose): string {
    const d = doses.find((x) => x.link === of.link && x.side === of.side);
    if (!d) return 'nothing';
    return `${numberText(d.stretchS / 60)} stretch, ${numberText(d.activeS / 60)} active`;
  }
  const isLittle = (doses: readonly LinkDose[], of: LinkDose) =>
    (doses.find((x) => x.link === of.link && x.side === of.side)?.stretchS ?? 0) < gainfulWeekS;
</script>

<main class="mx-auto flex max-w-6xl flex-col gap-5 p-5">
  <div class="flex flex-wrap items-center gap-4">
    <h1>Compare before you choose</h1>
    <a class="btn btn-quiet ml-auto" href="{base}/plan">Back to the plan</a>
  </div>
  <p class="text-ink-soft">
    Two plans of {plural(data.weeks, 'week')} from today, from the exercises of the week as they stand. Nothing is kept until one is
    taken.
  </p>
  <ProblemNote text={formProblem(form)} />

  {#if !data.isOpen}
    <section class="card max-w-2xl">
      <h2>Not yet</h2>
      <p class="mt-2">A plan needs a Check that is passed, and a baseline of the goal.</p>
    </section>
  {:else}
    <form method="GET" class="grid gap-4 sm:grid-cols-2" data-sveltekit-keepfocus data-sveltekit-noscroll>
      {#each data.columns as { column, typed, told, version } (column)}
        {@const problem = told.ok ? null : { problem: told.problem }}
        <fieldset class="card flex flex-col gap-3">
          <legend class="float-left w-full text-lg font-semibold"
            >{names[column]}{version === null ? '' : `, with the wishes of version ${version}`}</legend
          >
          {#if version !== null}<input type="hidden" name="version.{column}" value={version} />{/if}
          <div class="clear-both grid gap-3 sm:grid-cols-2">
            <Field
              label="Sessions a week"
              name="sessionsPerWeek.{column}"
              inputmode="numeric"
              value={typed.sessionsPerWeek}
              error={fieldError(problem, 'sessionsPerWeek')}
            />
            <Field
              label="Minutes a session"
              name="minutes.{column}"
              inputmode="numeric"
              value={typed.minutes}
              error={fieldError(problem, 'minutes')}
            />
          </div>
          <Select
            label="Way of working"
            name="schoolId.{column}"
            groups={schoolOptions}
            value={typed.schoolId}
            error={fieldError(problem, 'schoolId')}
          />
        </fieldset>
      {/each}
      <p class="sm:col-span-2"><button class="btn">Compare these</button></p>
    </form>

    <Sideways label="The plans side by side">
      <table class="w-full min-w-[40rem] table-fixed text-left">
        <caption class="sr-only">The two plans side by side, a usual week of each</caption>
        <thead>
          <tr>
            <th scope="col" class="w-56 font-normal text-ink-soft">A usual week</th>
            {#each data.columns as { column } (column)}<th scope="col">{names[column]}</th>{/each}
          </tr>
        </thead>
        <tbody class="align-top">
          {#snippet row(label: string, cell: Snippet<[Column]>)}
            <tr class="border-t border-line">
              <th scope="row" class="py-1.5 font-normal">{label}</th>
              {#each data.columns as c (c.column)}
                <td class="py-1.5 pr-3">{@render cell(c)}</td>
              {/each}
            </tr>
          {/snippet}
          {#snippet minutes(c: Column)}
            {#if c.told.ok}{numberText(c.told.value.summary.week.seconds / 60, 0)} minutes in {plural(
                c.told.value.summary.week.sessions,
                'session'
              )}, {clockText(c.told.value.summary.week.seconds / Math.max(1, c.told.value.summary.week.sessions))} each{:else}{problemText(
                c.told.problem
              )}{/if}
          {/snippet}
          {#snippet hard(c: Column)}{#if c.told.ok}{c.told.value.summary.week.hardSessions} of {c.told.value.summary.week
                .sessions}{/if}{/snippet}
          {#snippet cuts(c: Column)}
            {#if c.told.ok}
              {#each c.told.value.summary.cuts as cut, i (i)}<span class="block">{cutText(cut, find)}</span>{:else}nothing{/each}
            {/if}
          {/snippet}
          {#snippet without(c: Column)}
            {#if c.told.ok}
              {#each c.told.value.summary.leftOut as text (text)}<span class="block">{text}</span>{:else}nothing{/each}
            {/if}
          {/snippet}
          {#snippet chance(c: Column)}
            {@const told = foretold[c.column].told}
            {#if !c.told.ok || !data.ask}nothing is foretold{:else if !told}reckoning …{:else}
              {@const at = byDate(told, data.today, goal.targetOn)}
              <span>
                {data.ask.target === null ? '' : `${chanceText(at.share)} by ${dateText(at.on)}; `}half within {bandText(
                  at.band,
                  goal.headline,
                  unit,
                  'half'
                )}
              </span>
            {/if}
          {/snippet}
          {@render row('Minutes', minutes)}
          {@render row('Hard sessions', hard)}
          {#each places as place (`${place.link}/${place.side}`)}
            <tr class="border-t border-line">
              <th scope="row" class="py-1.5 font-normal"
                ><span class="flex items-center gap-1"
                  ><SideMark side={place.side} size={13} /><span class="sr-only">{place.side}</span>
                  {capital(motionOf(place.link).name)}</span
                ></th
              >
              {#each data.columns as { column, told } (column)}
                <td class="py-1.5 pr-3">
                  {#if told.ok}
                    {doseText(told.value.summary.week.doses, place)}{#if isLittle(told.value.summary.week.doses, place)}<span
                        class="text-ink-soft">, under 5 minutes</span
                      >{/if}
                  {/if}
                </td>
              {/each}
            </tr>
          {/each}
          {@render row('Cut to the minutes', cuts)}
          {@render row('Left out', without)}
          {@render row('What is likely', chance)}
          <tr class="border-t border-line">
            <td></td>
            {#each data.columns as { column, told, version } (column)}
              <td class="py-3">
                {#if version !== null}
                  <form method="POST" action="{base}/plan/change?/restore" use:enhance={solving[column].watched(keepTyped)}>
                    <input type="hidden" name="basedOnVersion" value={data.version} />
                    <input type="hidden" name="version" value={version} />
                    <SolveButton solving={solving[column]} label="Back to version {version}" look="btn" />
                  </form>
                {:else if told.ok}
                  <form method="POST" action="?/take" use:enhance={solving[column].watched(keepTyped)}>
                    <input type="hidden" name="basedOnVersion" value={data.version} />
                    <input type="hidden" name="weeks" value={data.weeks} />
                    <input type="hidden" name="startOn" value={data.today} />
                    <input type="hidden" name="schoolId" value={told.value.asked.schoolId} />
                    <input type="hidden" name="sessionsPerWeek" value={told.value.asked.sessionsPerWeek} />
                    <input type="hidden" name="minutes" value={told.value.asked.minutes} />
                    <SolveButton solving={solving[column]} label="Take the {names[column].toLowerCase()}" look="btn" />
                  </form>
                {/if}
              </td>
            {/each}
          </tr>
        </tbody>
      </table>
    </Sideways>
    <p class="max-w-prose text-ink-soft">
      Minutes of a motion are for the week. Five minutes a week and more go with lasting gains (a 2018 review, from memory). What
      is likely differs by the number of sessions alone: the model knows no way of working that is better than another. Taking one
      makes a new version from today; what was done stays.
    </p>
  {/if}
</main>
