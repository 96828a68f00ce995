<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    dialAtRung,
    equipmentOf,
    isHarder,
    isOutside,
    measureOf,
    openingFromDepthDeg,
    reasonText,
    schoolFigure,
    schoolOf,
    spanText,
    suggestedValue,
    usualStepCm,
    type Dial,
    type Rung,
    type Side
  } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import { fieldError, formProblem } from '$lib/ui/formState';
  import { degText, lengthText, shortDate, stateText } from '$lib/ui/format';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import { stackText } from '$lib/ui/stackText';
  import Why from '$lib/ui/Why.svelte';
  import DialRow from './DialRow.svelte';
  import ExerciseDrawing from './ExerciseDrawing.svelte';
  import ExerciseNoteForm from './ExerciseNoteForm.svelte';
  import LadderRow from './LadderRow.svelte';
  import NearStacks from './NearStacks.svelte';
  import NextSteps from './NextSteps.svelte';
  import SchoolPanel from './SchoolPanel.svelte';
  import WeekList from './WeekList.svelte';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  const base = $derived(`/people/${data.client.id}`);
  const exercise = $derived(data.exercise);
  const perSide = $derived(exercise.sides === 'each');
  let picked = $state<Side>();
  const side = $derived(perSide ? (picked ?? data.leadSide) : 'left');
  const grade = $derived(data.grades[side]);
  const stackDials = $derived(grade.dials.filter((d) => d.stack !== null));
  const otherDials = $derived(grade.dials.filter((d) => d.stack === null));
  let stackPicked = $state<string>();
  const graded = $derived(stackDials.find((d) => d.dial.id === stackPicked) ?? stackDials[0]);
  const stack = $derived(graded?.stack ?? null);

  /** A rung that is only looked at; it belongs to the dial, side and shelf it was tried on. */
  let tried = $state<{ key: string; depthCm: number }>();
  const keyOf = (dial: Dial) => `${exercise.id}/${side}/${dial.id}/${data.atHome}`;
  function rungOf(d: (typeof stackDials)[number]): Rung {
    const looked = tried?.key === keyOf(d.dial) ? tried.depthCm : undefined;
    return [...d.stack!.rungs, ...d.stack!.near].find((r) => r.depthCm === looked) ?? d.stack!.rung;
  }
  const rung = $derived(graded && rungOf(graded));
  const value = $derived(graded && rung ? dialAtRung(graded.dial, rung) : null);
  const shown = $derived(stackDials.map((d) => ({ dialId: d.dial.id, rung: rungOf(d) })));
  const setting = $derived(Object.fromEntries(grade.dials.flatMap((d) => (d.at === null ? [] : [[d.dial.id, d.at]]))));
  const measured = $derived(
    stackDials.some((d) => d.stack!.measured)
      ? Object.fromEntries(stackDials.flatMap((d) => (d.stack!.measured ? [[d.dial.id, d.stack!.measured.value]] : [])))
      : null
  );
  const nearby = $derived(stack ? [stack.rung, ...stack.near].toSorted((a, b) => b.depthCm - a.depthCm) : []);
  /** How much harder than what is in use, or than the measure while nothing is, or the shelf lost it. */
  const aheadCm = $derived.by(() => {
    if (!graded || !stack || value === null) return 0;
    const from = stack.chosen && !stack.tooFar ? dialAtRung(graded.dial, stack.rung) : stack.measured?.value;
    if (from === undefined) return 0;
    return graded.dial.harder === 'down' ? from - value : value - from;
  });
  const isJump = $derived(aheadCm > usualStepCm.max + 0.01);
  const isBarred = $derived(grade.gated.bars.length > 0);
  const isEasier = $derived(
    graded !== undefined &&
      stack !== null &&
      value !== null &&
      stack.chosen &&
      isHarder(graded.dial, dialAtRung(graded.dial, stack.rung), value)
  );
  /** Harder than what is in use, before its day. */
  const waits = $derived(
    graded !== undefined &&
      stack !== null &&
      value !== null &&
      graded.wait !== null &&
      stack.chosen &&
      isHarder(graded.dial, value, dialAtRung(graded.dial, stack.rung))
  );
  const inUse = $derived(stack?.chosen === true && rung?.depthCm === stack.rung.depthCm);
  const school = $derived(data.schoolId && schoolOf(data.schoolId));
  const legs = $derived({
    leadLegCm: side === 'left' ? data.client.body.leftLegCm : data.client.body.rightLegCm,
    trailLegCm: side === 'left' ? data.client.body.rightLegCm : data.client.body.leftLegCm
  });
  const mayMove = $derived([
    ...new Set(
      [
        ...exercise.props.filter((p) => !p.optional).map((p) => p.id),
        ...shown.flatMap((s) => s.rung.items.flatMap((i) => data.shelf.find((p) => p.id === i.propId)?.kind ?? []))
      ].flatMap((kind) => equipmentOf(kind).mayMove ?? [])
    )
  ]);
  const fetch = $derived(exercise.props.filter((p) => !p.optional).map((p) => p.words ?? equipmentOf(p.id).name.toLowerCase()));

  function suggestionFor(dial: Dial) {
    const figure = school && schoolFigure(school, exercise, dial.id);
    return figure ? { value: suggestedValue(dial, figure), from: school.name } : null;
  }
  function outsideOf(dial: Dial, at: number | null): string | null {
    const figure = school && at !== null ? schoolFigure(school, exercise, dial.id) : null;
    if (!figure || at === null || !isOutside(figure, at)) return null;
    return `${school && school.name} usually: ${spanText(figure.span)}${figure.unsure ? ' (not certain)' : ''}.`;
  }
  const dialProblem = (dial: Dial) =>
    form && 'form' in form && form.form === 'dial' && form.typed?.dial === dial.id
      ? (fieldError(form, 'value') ?? formProblem(form))
      : undefined;
  const dialCode = (dial: Dial) =>
    form && 'form' in form && form.form === 'dial' && form.typed?.dial === dial.id ? form.problem?.code : undefined;
  const sideLabel = $derived(exercise.sideWords || 'Side');
</script>

<main class="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[13.5rem_minmax(0,1fr)_25rem]">
  <WeekList week={data.week} {exercise} {base} {unit} inWeek={data.inWeek} {form} atHome={data.atHome} isBarred={data.isBarred} />

  <section class="flex min-w-0 flex-col gap-2 p-4">
    <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
      <h1>{exercise.name}</h1>
      {#if data.hasHome}
        <div role="group" aria-label="Which shelf" class="flex">
          {#each [['studio', 'Studio'], ['home', 'At home']] as const as [place, label] (place)}
            <a
              class="btn first:rounded-r-none last:-ml-px last:rounded-l-none {data.atHome === (place === 'home')
                ? 'z-1 border-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]'
                : ''}"
              aria-current={data.atHome === (place === 'home') ? 'true' : undefined}
              href="{base}/grade?exercise={exercise.id}{place === 'home' ? '&shelf=home' : ''}">{label}</a
            >
          {/each}
        </div>
      {/if}
      {#if perSide}
        <span class="ml-auto"
          ><SideSwitch {side} onSideChange={(s) => (picked = s)} label={sideLabel} words={exercise.sideWords} /></span
        >
      {/if}
    </div>
    <GateNotes bars={grade.gated.bars} checkHref="{base}/check" />
    {#if stack?.tooFar}
      <p class="rounded-soft border-2 border-stop px-4 py-2 font-semibold text-stop" role="alert">
        Nothing on the shelf comes near this height. <a
          class="underline"
          href="/props{data.atHome ? `?home=${data.client.id}` : ''}">Put props on the shelf first</a
        >
      </p>
    {/if}

    <p class="border-l-4 border-stop pl-3 text-sm">{exercise.stops.join(' ')}</p>

    <div class="relative">
      <ExerciseDrawing
        {exercise}
        {side}
        {setting}
        stacks={shown}
        {measured}
        shelf={data.shelf}
        body={data.client.body}
        label={graded && rung && value !== null
          ? `${exercise.name}${perSide ? `, ${side}` : ''} on ${stackText(rung.items, data.shelf)}: ${dialText(graded.dial, value, unit)}`
          : exercise.name}
      />
      {#if graded && stack && value !== null}
        <p class="pointer-events-none absolute top-0 left-0 max-sm:static">
          <span class="block text-6xl leading-none font-bold">{dialText(graded.dial, value, unit)}</span>
          <span class="text-lg text-ink-soft">
            {#if graded.dial.stack?.past}{degText(openingFromDepthDeg({ depthCm: value, ...legs }))} open{:else}{graded.dial
                .name}{/if}
          </span>
          <span class="mt-1 block max-w-44 leading-tight text-ink-soft">
            {#if stack.measured}
              measured {dialText(graded.dial, stack.measured.value, unit)}, {stateText[stack.measured.bodyState]}, {shortDate(
                stack.measured.takenOn
              )} · shown pale
            {:else if stack.missing}
              not measured: the middle height is shown
            {/if}
          </span>
        </p>
      {/if}
    </div>

    {#if graded && stack && rung}
      {#if stack.missing}
        <p>
          <a class="font-semibold underline" href="{base}/measure?set=full&m={stack.missing}"
            >Measure {measureOf(stack.missing).name.toLowerCase()}</a
          >
          for a start that is no guess: {stack.words}.
        </p>
      {/if}
      {#if stackDials.length > 1}
        <div class="flex flex-wrap gap-2" role="group" aria-label="Which stack">
          {#each stackDials as d (d.dial.id)}
            <button
              class="btn {d.dial.id === graded.dial.id ? 'border-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]' : ''}"
              aria-pressed={d.dial.id === graded.dial.id}
              onclick={() => (stackPicked = d.dial.id)}>{d.dial.name}</button
            >
          {/each}
        </div>
      {/if}
      <div>
        <h2 class="flex items-center gap-2">
          The ladder on this shelf
          <Why about="the ladder">
            <p>
              The stacks this shelf can make, from here to the goal: no step above {lengthText(usualStepCm.max, unit)} where there is
              one, steps as near to
              {lengthText(usualStepCm.wish, unit)} as possible, then the fewest changed props. Before it stand rungs to ease to.
            </p>
            <p>
              {graded.dial.harder === 'up' ? 'Here a higher stack is harder.' : 'A higher stack is easier.'}
              {graded.dial.stack?.pairs === 2 ? 'The same stack is needed twice at once.' : ''} At most three props, one soft and on
              top, nothing on an upright block, no tall stack on a narrow foot (common practice).
            </p>
          </Why>
        </h2>
        <label class="flex items-center gap-3">
          <span class="sr-only">{graded.dial.name}: drag along the ladder</span>
          <input
            type="range"
            class="h-8 w-full accent-mulberry"
            min="0"
            max={stack.rungs.length - 1}
            value={Math.max(
              0,
              stack.rungs.findIndex((r) => r.depthCm === rung.depthCm)
            )}
            aria-valuetext={dialText(graded.dial, value ?? 0, unit)}
            oninput={(e) =>
              (tried = { key: keyOf(graded.dial), depthCm: stack.rungs[Number(e.currentTarget.value)]?.depthCm ?? rung.depthCm })}
          />
        </label>
        <LadderRow
          dial={graded.dial}
          rungs={stack.rungs}
          shelf={data.shelf}
          {unit}
          nowCm={stack.rung.depthCm}
          lookedCm={rung.depthCm}
          onLook={(depthCm) => (tried = { key: keyOf(graded.dial), depthCm })}
        />
        {#each stack.faults as fault (fault.fromCm)}
          <p class="mt-1">
            <strong>{lengthText(Math.abs(fault.fromCm), unit)} to {lengthText(Math.abs(fault.toCm), unit)}</strong>: {fault.why};
            one of
            {lengthText(fault.missingCm, unit)} would halve it.
            <a class="underline" href="/props{data.atHome ? `?home=${data.client.id}` : ''}">To the shelf</a>
          </p>
        {:else}
          <p class="mt-1 text-ink-soft">The shelf has a step everywhere.</p>
        {/each}
        {#if graded.end}
          <p class="mt-1 font-semibold">
            It ends at {dialText(graded.dial, graded.end.at, unit)}; no stack is harder. {reasonText(graded.end.why)}
          </p>
        {/if}
        {#if stack.triedItems !== null}
          <p class="mt-1">The shelf is very large: every stack of {stack.triedItems} props was tried, not every one of more.</p>
        {/if}
      </div>
    {/if}
    <p class="text-ink-soft">
      <a class="underline" href="/library/{exercise.id}?client={data.client.id}">In the library</a>.
      {#if fetch.length > 0}Fetch {fetch.join(', ')}.{/if}
      {#if exercise.padding.length > 0}Padding: {exercise.padding.join(', ')}.{/if}
      {#each mayMove as text (text)}{text}
      {/each}
    </p>
  </section>

  <aside class="flex flex-col gap-4 border-line bg-paper p-4 max-lg:border-t lg:border-l">
    <GateNotes bars={grade.gated.bars} within={grade.gated.within} remember={grade.gated.remember} barsElsewhere />
    {#if !isBarred}
      <section>
        <h2>One step</h2>
        <NextSteps next={grade.next} dials={exercise.dials} names={data.names} {base} {unit} />
      </section>
    {/if}
    {#if graded && stack && rung && value !== null}
      <section class="flex flex-col gap-3">
        <h2>Near this height</h2>
        <NearStacks
          dial={graded.dial}
          rungs={nearby}
          lookedCm={rung.depthCm}
          measured={stack.measured?.value ?? null}
          shelf={data.shelf}
          {unit}
          onLook={(depthCm) => (tried = { key: keyOf(graded.dial), depthCm })}
        />
        <p>
          {stack.chosen
            ? `In use: ${dialText(graded.dial, dialAtRung(graded.dial, stack.rung), unit)}.`
            : 'Nothing chosen yet; the nearest stack that is no harder is shown.'}
          {#if rung.under !== 'floor'}The stack stands under the {rung.under === 'lead heel' ? 'front heel' : rung.under}; it must
            not move.{/if}
        </p>
        {#if isJump}
          <p class="font-semibold text-stop">
            {lengthText(aheadCm, unit)} harder than {stack.chosen && !stack.tooFar ? 'what is in use' : 'what was measured'}: more
            than one step at once. Sure only if the measure says so.
          </p>
        {/if}
        <ProblemNote text={dialProblem(graded.dial)} />
        {#if data.atHome}
          <p class="text-ink-soft">At home the nearest stack is taken; what is in use is set on the studio’s shelf.</p>
        {:else}
          <form method="POST" action="?/dial" class="flex flex-wrap gap-3" use:enhance>
            <input type="hidden" name="exerciseId" value={exercise.id} />
            <input type="hidden" name="side" value={side} />
            <input type="hidden" name="dial" value={graded.dial.id} />
            <input type="hidden" name="value" {value} />
            {#if isJump}<input type="hidden" name="sure" value="on" />{/if}
            {#if waits}
              <div class="w-full">
                <p class="font-semibold">{reasonText(graded.wait!.why)}</p>
                <label class="mt-1 flex flex-col gap-1">
                  <span class="font-semibold">Why sooner (it is kept)</span>
                  <input class="input" name="reason" maxlength="300" />
                </label>
              </div>
            {/if}
            <button class="btn {inUse ? '' : 'btn-primary'}" disabled={isBarred && !isEasier}>
              {isJump ? 'Use it all the same' : inUse ? 'In use' : `Use ${dialText(graded.dial, value, unit)}`}
            </button>
            {#if data.stations.find((s) => s.id === 'plan')?.state !== 'closed' && data.grades.left.dials[0]?.stack?.chosen && data.grades.right.dials[0]?.stack?.chosen}
              <a class="btn btn-primary" href="{base}/plan">To the plan</a>
            {/if}
          </form>
        {/if}
      </section>
    {/if}
    {#if otherDials.length > 0}
      <section>
        <h2 class="flex items-center gap-2">
          Dials
          <Why about="the dials">
            <p>
              In the order in which they are moved, one at a time. Where the hold has no usual figure, none is put in for you.
            </p>
          </Why>
        </h2>
        {#each otherDials as d (`${side}/${d.dial.id}`)}
          <DialRow
            exerciseId={exercise.id}
            {side}
            dial={d.dial}
            at={d.at}
            harder={d.harder}
            easier={d.easier}
            {unit}
            suggestion={suggestionFor(d.dial)}
            outside={outsideOf(d.dial, d.at)}
            error={dialProblem(d.dial)}
            barred={isBarred}
            end={d.end}
            wait={d.wait}
            asksReason={dialCode(d.dial) === 'wait_not_over'}
          />
        {/each}
      </section>
    {/if}
    <SchoolPanel
      {exercise}
      choice={data.choice}
      prefers={data.prefers}
      schoolId={data.schoolId}
      clientName={data.client.name.split(' ')[0] ?? data.client.name}
    />
    <ExerciseNoteForm exerciseId={exercise.id} note={data.note} {form} />
    <section>
      <h2>History{perSide ? `, ${side}` : ''}</h2>
      {#if grade.history.length === 0}
        <p class="text-ink-soft">Nothing was changed yet.</p>
      {:else}
        <ol class="mt-1 flex flex-col gap-1">
          {#each grade.history.slice(0, 12) as change, i (i)}
            {@const dial = exercise.dials.find((d) => d.id === change.dial)}
            <li class="flex gap-3">
              <span class="w-16 flex-none text-ink-soft">{shortDate(change.on)}</span>
              <span
                >{dial?.name ?? change.dial}
                {#if dial}{change.from === null
                    ? dialText(dial, change.to, unit)
                    : `${dialText(dial, change.from, unit)} → ${dialText(dial, change.to, unit)}`}{:else}{change.to}{/if}
                <span class="text-ink-soft"
                  >{change.by === 'verdict' ? 'by verdict' : ''}{change.reason ? `before its day: ${change.reason}` : ''}</span
                ></span
              >
            </li>
          {/each}
        </ol>
      {/if}
    </section>
  </aside>
</main>
