<script lang="ts">
  import type { BodyState } from '$lib/contract/fields';
  import { goalOf, measureOf, poseAt, positionOf } from '$lib/core';
  import ChangeText from '$lib/ui/ChangeText.svelte';
  import PoseDrawing from '$lib/ui/drawing/PoseDrawing.svelte';
  import MeasureChart from '$lib/ui/MeasureChart.svelte';
  import {
    apartText,
    capital,
    dateText,
    degText,
    headlineText,
    isAtTarget,
    shortDate,
    stateText,
    valueText
  } from '$lib/ui/format';
  import { isGoalReached } from '$lib/ui/goalReached';
  import SideMark from '$lib/ui/SideMark.svelte';
  import Why from '$lib/ui/Why.svelte';
  import Balance from './Balance.svelte';
  import { findingsOf, sentencesOf, unexplainedText } from './findings';

  import WhatIf from './WhatIf.svelte';

  let { data } = $props();
  const unit = $derived(data.units.length);
  const goal = $derived(data.goal!);
  const catalogue = $derived(goalOf(goal.kind));
  const headline = $derived(measureOf(goal.headline));
  let tried = $state<Record<string, number>>({});
  const canTry = $derived(catalogue.model !== 'apart');
  const hasTried = $derived(Object.keys(tried).length > 0);
  const text = (value: number) => headlineText(value, headline.id, unit);
  const size = (value: number) => valueText(Math.abs(value), { unit: headline.unit }, unit);
  const isThere = (value: number) => isAtTarget(value, goal.target, headline, unit);
  /** When two values were last taken alike, where these are not the two that stand on the page. */
  const takenWhen = (
    { difference, takenOn, state }: { difference: { of: readonly [number, number] }; takenOn: string; state: BodyState },
    shown: readonly ({ value: number } | null)[]
  ): string =>
    difference.of.every((value, i) => value === shown[i]?.value)
      ? ''
      : ` where both were last taken alike (${dateText(takenOn)}, ${stateText[state]}: ${difference.of.map(text).join(' against ')})`;
  const apart = (a: number, b: number) => apartText(a, b, headline, unit);
  const isReached = $derived(isGoalReached(goal, data.latest, unit));
  const findings = $derived(data.readings.flatMap((r) => findingsOf(r, catalogue.allowanceDeg)));
  const shownFindings = $derived(findings.filter((f, i) => findings.findIndex((g) => g.text === f.text) === i));
  const sentences = $derived(sentencesOf(data.readings, isReached));
  const somethingKnown = $derived(
    data.figures.some((f) => f.latest) || data.readings.some((r) => r.neverMeasured.length < r.links.length)
  );
</script>

{#snippet findingsList()}
  {#if shownFindings.length > 0 || data.sidesCompared?.difference.trails}
    <section class="card" aria-label="Findings">
      <h2>What else it says</h2>
      <ul class="mt-2 flex flex-col gap-2">
        {#if data.sidesCompared?.difference.trails}
          {@const d = data.sidesCompared.difference}
          <li>
            {capital(d.trails!)} trails by {apart(...d.of)}{takenWhen(
              data.sidesCompared,
              data.figures.map((f) => f.latest)
            )}, more than the error.
            <Why about="left against right"
              ><p>
                Left less right in the newest occasion that has both, taken alike; it counts from {size(d.margin)}, 1.96 times the
                error of both.
              </p></Why
            >
          </li>
        {/if}
        {#each shownFindings as finding (finding.text)}
          <li>{finding.text} <Why about={finding.text}><p>{finding.why}</p></Why></li>
        {/each}
      </ul>
      {#if data.unexplained.length > 1}
        <p class="mt-2 text-ink-soft">
          Not explained, over time:
          {#each data.unexplained.slice(-6) as point, i (i)}
            {i > 0 ? ' · ' : ''}{shortDate(point.on)}{point.leadSide ? `, ${point.leadSide}` : ''}
            {unexplainedText(point.openingDeg, point.fromLinksDeg)}
          {/each}
        </p>
      {/if}
    </section>
  {/if}
{/snippet}

<main class="mx-auto max-w-7xl p-5">
  {#if !somethingKnown}
    <section class="card max-w-2xl">
      <h1>Nothing to read yet</h1>
      <p class="mt-2">Measure the goal first; two trials are enough.</p>
      <p class="mt-4"><a class="btn btn-primary" href="/people/{data.client.id}/measure">Measure</a></p>
    </section>
  {:else}
    <h1 class="max-w-5xl">
      {#each sentences as { side, text: said }, i (i)}
        <span class="block"
          >{#if side}<SideMark {side} />
            {capital(side)} leading: {said.charAt(0).toLowerCase() + said.slice(1)}.{:else}{said}.{/if}</span
        >
      {/each}
    </h1>
    {#each [...new Set(data.endStops)] as text (text)}<p class="mt-1 font-semibold">{text}</p>{/each}
    {#if catalogue.kneeRules}<p class="mt-1 font-semibold text-stop">{catalogue.cautions[0]}</p>{/if}

    <section class="mt-4 grid gap-x-8 gap-y-4 sm:grid-cols-2" aria-label={headline.name}>
      {#each data.figures as { side, latest, first, held, activeGap, openingDeg } (side)}
        <div aria-label={side ? `${side} ${headline.sideWords}` : headline.name} role="group">
          <p class="flex items-center gap-2 {side === 'left' ? 'text-lake' : side === 'right' ? 'text-ochre' : 'text-ink-soft'}">
            {#if side}<SideMark {side} size={14} /> {capital(side)} {headline.sideWords}{:else}{headline.name}{/if}
          </p>
          {#if latest}
            <p class="flex flex-wrap items-baseline gap-x-4">
              <span class="text-4xl font-bold">{text(latest.value)}</span>
              {#if latest.margin !== null}<span class="text-ink-soft">give or take {size(latest.margin)}</span>{/if}
              {#if openingDeg !== null}<span>{degText(openingDeg)} open</span>{/if}
              <span class="text-ink-soft"
                >{stateText[latest.bodyState]}, {dateText(latest.takenOn)}{latest.support ? `, on ${latest.support}` : ''}</span
              >
              {#if latest.doubtful}<strong>unusual, marked</strong>{/if}
            </p>
            <p>
              <ChangeText
                change={latest.change}
                measure={headline}
                {unit}
                since={latest.sinceOn ? shortDate(latest.sinceOn) : ''}
              />
              {#if goal.target !== null}
                {!isThere(latest.value)
                  ? `${apart(latest.value, goal.target)} to the goal.`
                  : 'The goal is reached in this state.'}
              {/if}
              {#if held}
                Active hold: <strong>{text(held.value)}</strong>{activeGap?.difference.trails
                  ? `, ${apart(...activeGap.difference.of)} behind what is reached${takenWhen(activeGap, [held, latest])}`
                  : ''}.
              {/if}
            </p>
            {#if !canTry && positionOf(headline.id).drives}
              <PoseDrawing
                pose={poseAt(positionOf(headline.id), goal.stage)}
                setting={{ side: side ?? 'left', value: latest.value }}
                before={first?.value ?? null}
                body={data.client.body}
                label="{headline.name} now, {text(latest.value)}{first ? `; pale, at first, ${text(first.value)}` : ''}"
                class="mt-2 h-32 w-full"
              />
              {#if first}<p class="text-ink-soft">
                  Pale or dashed: the first, {dateText(first.takenOn)}, {text(first.value)}.
                </p>{/if}
            {/if}
          {:else}
            <p class="text-ink-soft">Not measured yet.</p>
          {/if}
        </div>
      {/each}
    </section>

    {#if data.readings.some((r) => r.links.length > 0)}
      <div class="mt-5 grid items-start gap-5 {canTry ? 'lg:grid-cols-[1fr_22rem]' : ''}">
        <div class="flex min-w-0 flex-col gap-5">
          <Balance readings={data.readings} {tried} {canTry} ontry={(key, deg) => (tried = { ...tried, [key]: deg })} />
          {@render findingsList()}
        </div>
        {#if canTry}
          <div class="flex flex-col gap-5">
            {#each data.readings as reading (reading.leadSide)}
              <WhatIf
                {reading}
                {tried}
                {unit}
                body={data.client.body}
                pose={positionOf(headline.id).pose}
                angleWord={headline.name.toLowerCase()}
              />
            {/each}
            {#if hasTried}<button class="btn self-start" onclick={() => (tried = {})}>Back to what was measured</button>{/if}
          </div>
        {/if}
      </div>
    {/if}

    {#if data.readings.every((r) => r.links.length === 0)}<div class="mt-5">{@render findingsList()}</div>{/if}
    {#if data.history.length > data.figures.length}
      <section class="card mt-5" aria-label="Over the weeks">
        <h2>Over the weeks, {stateText[data.history[0]!.bodyState]}</h2>
        <MeasureChart measure={headline} points={data.history} target={goal.target} {unit} />
      </section>
    {/if}

    <p class="mt-5 flex flex-wrap gap-3">
      <a class="btn {data.baseline ? '' : 'btn-primary'}" href="/people/{data.client.id}/measure">
        {data.baseline ? 'Measure again' : 'Measure what is missing'}
      </a>
    </p>
  {/if}
</main>
