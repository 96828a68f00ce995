<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import { goto } from '$app/navigation';
  import { schoolTopics, type SchoolTopic } from '$lib/core';
  import { doseText } from '$lib/ui/dialText';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { capital, clockText, numberText } from '$lib/ui/format';
  import Finder from '$lib/ui/Finder.svelte';
  import { policiesText } from '$lib/ui/schoolText';
  import Why from '$lib/ui/Why.svelte';

  let { data } = $props();
  const topics = Object.entries(schoolTopics) as [SchoolTopic, string][];
  const longestS = $derived(Math.max(...data.doses.map((d) => d.totals.durationS)));
  const families = $derived([...new Set(data.comparable.map((e) => e.family))]);
  const nameOf = (id: string) => data.schools.find((s) => s.id === id)?.name ?? id;
</script>

<svelte:head><title>Schools · Library · Calm Reach</title></svelte:head>

<main class="mx-auto max-w-7xl p-5">
  <p><a class="underline" href="/library">Library</a></p>
  <div class="mt-1 flex flex-wrap items-end gap-4">
    <div class="mr-auto">
      <h1>Five schools on one exercise</h1>
      <p class="text-ink-soft">The same exercise, one side, as each of them would do it. Their figures are never mixed.</p>
    </div>
    <form method="GET" class="flex items-end gap-2">
      <Finder
        label="Exercise"
        name="exercise"
        value={data.exercise.id}
        groups={families.map((family) => ({
          label: family,
          options: data.comparable.filter((e) => e.family === family).map((e) => ({ value: e.id, label: e.name }))
        }))}
        onchange={(id) => void goto(`/library/schools?exercise=${id}`, { keepFocus: true, noScroll: true })}
      />
      <noscript><button class="btn">Show</button></noscript>
    </form>
  </div>
  {#if data.notComparable}
    <p class="mt-2">
      The schools differ where range is opened or a position is held. <strong>{data.exercise.name}</strong> is shown instead.
    </p>
  {/if}

  <section class="mt-4" aria-label="{data.exercise.name} in five schools">
    <h2 class="flex items-center gap-2">
      {data.exercise.name}
      <Why about="the figures">
        <p>
          A figure given for this exercise takes the place of the school’s default, the middle of a span. A breath is 8 s
          (assumption), no effort is above 60 %. Time under stretch counts holds, presses, draws and settling; contraction every
          second with effort.
        </p>
      </Why>
    </h2>
    <Sideways label="The schools side by side" class="mt-2">
      <table class="w-full border-collapse">
        <thead>
          <tr class="border-b-[3px] border-ink text-left">
            <th scope="col" class="py-2 pr-3">School</th>
            <th scope="col" class="px-3 py-2">Effort over time</th>
            <th scope="col" class="px-3 py-2 text-right">Time</th>
            <th scope="col" class="px-3 py-2 text-right">Under stretch</th>
            <th scope="col" class="px-3 py-2 text-right">Contraction</th>
            <th scope="col" class="px-3 py-2 text-right">Effort × time</th>
          </tr>
        </thead>
        <tbody>
          {#each data.doses as d (d.id)}
            <tr class="border-b border-line align-middle">
              <th scope="row" class="max-w-64 py-2 pr-3 text-left leading-tight">
                {nameOf(d.id)}
                <span class="block font-normal text-ink-soft">
                  {d.dose ? doseText(d.dose) : 'no figures for this exercise: its defaults'}{d.unsure ? ' (not certain)' : ''}
                </span>
              </th>
              <td class="px-3 py-2">
                <div style:width="{Math.max(3, (d.totals.durationS / longestS) * 100)}%" class="min-w-8">
                  <EffortCurve
                    phases={d.phases}
                    width={Math.max(12, (400 * d.totals.durationS) / longestS)}
                    height={56}
                    scalePct={70}
                    fluid
                  />
                </div>
              </td>
              <td class="px-3 py-2 text-right text-lg font-bold">{clockText(d.totals.durationS)}</td>
              <td class="px-3 py-2 text-right">{clockText(d.totals.stretchS)}</td>
              <td class="px-3 py-2 text-right">{d.totals.contractionS > 0 ? clockText(d.totals.contractionS) : 'none told'}</td>
              <td class="px-3 py-2 text-right whitespace-nowrap"
                >{d.hasEffort ? `${numberText(d.totals.effortPctS, 0)} % × s` : 'no figure'}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
    </Sideways>
  </section>

  <section class="mt-8" aria-label="What each holds to">
    <h2>What each holds to, and its defaults</h2>
    <Sideways label="What each gives" class="mt-2">
      <table class="w-full min-w-[64rem] table-fixed border-collapse">
        <thead>
          <tr class="border-b-[3px] border-ink text-left align-bottom">
            <th class="w-32 py-2" scope="col"><span class="sr-only">Topic</span></th>
            {#each data.schools as s (s.id)}<th scope="col" class="px-3 py-2 leading-tight">{s.name}</th>{/each}
          </tr>
        </thead>
        <tbody>
          <tr class="border-b border-line align-top">
            <th scope="row" class="py-2 pr-3 text-left font-normal text-ink-soft">holds to</th>
            {#each data.schools as s (s.id)}<td class="px-3 py-2">{s.holdsTo}</td>{/each}
          </tr>
          {#each topics as [topic, label] (topic)}
            <tr class="border-b border-line align-top">
              <th scope="row" class="py-2 pr-3 text-left font-normal text-ink-soft">{label}</th>
              {#each data.schools as s (s.id)}
                {@const rule = s.rules[topic]}
                <td class="px-3 py-2">
                  {#if rule}{rule.words}{rule.unsure ? ' (not certain)' : ''}{:else}<span class="text-ink-soft"
                      >says nothing: yours to set</span
                    >{/if}
                </td>
              {/each}
            </tr>
          {/each}
          <tr class="align-top">
            <th scope="row" class="py-2 pr-3 text-left font-normal text-ink-soft">shape, hands, time</th>
            {#each data.schools as s (s.id)}
              <td class="px-3 py-2">{policiesText(s.policies)}</td>
            {/each}
          </tr>
        </tbody>
      </table>
    </Sideways>
  </section>

  <section class="mt-8" aria-label="Where they differ">
    <h2>Where practitioners differ</h2>
    <p class="text-ink-soft">Answers without a school are held by single practitioners. Nothing here is settled for you.</p>
    <dl class="mt-3 grid gap-x-8 gap-y-4 md:grid-cols-2">
      {#each data.differences as { question, answers } (question)}
        <div>
          <dt class="font-semibold">{question}</dt>
          {#each answers as answer (answer.words)}
            <dd class="pl-4 leading-snug">
              {capital(answer.words)}
              {#if answer.schools.length > 0}<span class="text-ink-soft"> {answer.schools.map(nameOf).join('; ')}</span>{/if}
            </dd>
          {/each}
        </div>
      {/each}
    </dl>
  </section>
</main>
