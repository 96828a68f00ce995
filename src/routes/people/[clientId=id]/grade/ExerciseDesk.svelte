<!-- Long because it is the desk of Grade: it holds what is looked at and hands it to the parts beside it. -->
<script lang="ts">
  import { RadioGroup } from 'bits-ui';
  import type { ActionData, PageData } from './$types';
  import {
    dialAtRung,
    equipmentOf,
    isOutside,
    measureOf,
    openingFromDepthDeg,
    schoolFigure,
    schoolOf,
    spanText,
    type Dial,
    type Rung,
    type Side
  } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import { fieldError, formProblem } from '$lib/ui/formState';
  import { degText, shortDate, stateText } from '$lib/ui/format';
  import HowShort from '$lib/ui/HowShort.svelte';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import { stackText } from '$lib/ui/stackText';
  import Why from '$lib/ui/Why.svelte';
  import DialRow from './DialRow.svelte';
  import ExerciseDrawing from '$lib/ui/drawing/ExerciseDrawing.svelte';
  import ExerciseNoteForm from './ExerciseNoteForm.svelte';
  import DialHistory from './DialHistory.svelte';
  import LadderPanel from './LadderPanel.svelte';
  import NextSteps from './NextSteps.svelte';
  import SchoolPanel from './SchoolPanel.svelte';
  import Variants from './Variants.svelte';
  import UseStack from './UseStack.svelte';

  type Props = { data: PageData; desk: NonNullable<PageData['desk']>; form: ActionData };
  let { data, desk, form }: Props = $props();
  const unit = $derived(data.units.length);
  const base = $derived(`/people/${data.client.id}`);
  const exercise = $derived(desk.exercise);
  const perSide = $derived(exercise.sides === 'each');
  let picked = $state<Side>();
  const side = $derived(perSide ? (picked ?? data.leadSide) : 'left');
  const grade = $derived(desk.grades[side]);
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
  const isBarred = $derived(grade.gated.bars.length > 0);
  const school = $derived(desk.schoolId && schoolOf(desk.schoolId));
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
  const shelfHref = $derived(`/props${data.atHome ? `?home=${data.client.id}` : ''}`);
  const look = (depthCm: number) => graded && (tried = { key: keyOf(graded.dial), depthCm });
  const bothChosen = $derived(desk.grades.left.dials[0]?.stack?.chosen && desk.grades.right.dials[0]?.stack?.chosen);
</script>

<section class="flex min-w-0 flex-col gap-2 p-4">
  <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
    <h1>{exercise.name}</h1>
    {#if data.hasHome}
      <div role="group" aria-label="Which shelf" class="flex">
        {#each [['studio', 'Studio'], ['home', 'At home']] as const as [place, label] (place)}
          <a
            class="btn first:rounded-r-none last:-ml-px last:rounded-l-none aria-[current=true]:z-1"
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
  <GateNotes bars={grade.gated.bars} within={grade.gated.within} remember={grade.gated.remember} checkHref="{base}/check" />
  {#if stack?.tooFar}
    <p class="rounded-soft border-2 border-stop px-4 py-2 font-semibold text-stop" role="alert">
      Nothing on the shelf comes near this height. <a class="underline" href={shelfHref}>Put props on the shelf first</a>
    </p>
  {/if}

  <p class="border-l-4 border-stop pl-3 text-sm">{exercise.stops.join(' ')}</p>

  <!-- The number beside the figure, never over it: a wide one reaches from edge to edge. -->
  <div class="flex items-start gap-x-4 max-sm:flex-col">
    {#if graded && stack && value !== null}
      <p class="flex-none sm:w-44">
        <span class="block text-5xl leading-none font-bold">{dialText(graded.dial, value, unit)}</span>
        <span class="text-lg text-ink-soft">
          {#if graded.dial.stack?.past}{degText(openingFromDepthDeg({ depthCm: value, ...legs }))} open{:else}{graded.dial
              .name}{/if}
        </span>
        <span class="mt-1 block leading-tight text-ink-soft">
          {#if stack.measured}
            measured {dialText(graded.dial, stack.measured.value, unit)}, {stateText[stack.measured.bodyState]}, {shortDate(
              stack.measured.takenOn
            )} · shown pale
          {:else if stack.missing}
            not measured: {graded.dial.stack?.under === 'seat' ? 'a usual seat' : 'the middle height'} is shown
          {/if}
        </span>
      </p>
    {/if}
    <div class="w-full min-w-0 grow">
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
    </div>
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
      <RadioGroup.Root
        bind:value={() => graded.dial.id, (id) => (stackPicked = id)}
        orientation="horizontal"
        aria-label="Which stack"
        class="flex flex-wrap gap-2"
      >
        {#each stackDials as d (d.dial.id)}
          <RadioGroup.Item value={d.dial.id} class="btn">{d.dial.name}</RadioGroup.Item>
        {/each}
      </RadioGroup.Root>
    {/if}
    <LadderPanel {graded} {stack} {rung} shelf={data.shelf} {shelfHref} {unit} onLook={look} />
  {/if}
  {#if desk.choice && exercise.variants.length > 1}<Variants {exercise} chosen={desk.choice.variant} />{/if}
  <div class="mt-2 border-t border-line pt-3"><HowShort {exercise} /></div>
  <p class="text-ink-soft">
    <a class="underline" href="/library/{exercise.id}?client={data.client.id}">All about it in the library</a>.
    {#if fetch.length > 0}You need: {fetch.join(', ')}.{/if}
    {#if exercise.padding.length > 0}Padding: {exercise.padding.join(', ')}.{/if}
    {#each mayMove as text (text)}{text}
    {/each}
  </p>
</section>

<aside class="flex flex-col gap-4 border-line bg-paper p-4 max-lg:border-t lg:border-l">
  {#if !isBarred}
    <section>
      <h2>One step</h2>
      <NextSteps next={grade.next} dials={exercise.dials} names={data.names} {base} {unit} />
    </section>
  {/if}
  {#if graded && stack && rung && value !== null}
    <UseStack
      {exercise}
      {side}
      {graded}
      {stack}
      {rung}
      shelf={data.shelf}
      {unit}
      atHome={data.atHome}
      {isBarred}
      problem={dialProblem(graded.dial)}
      onLook={look}
      planHref={bothChosen ? `${base}/plan` : null}
    />
  {/if}
  {#if otherDials.length > 0}
    <section>
      <h2 class="flex items-center gap-2">
        Settings
        <Why about="the settings">
          <p>In the order in which they are moved, one at a time. Where the hold has no usual figure, none is put in for you.</p>
        </Why>
      </h2>
      {#each otherDials as d (`${side}/${d.dial.id}`)}
        <DialRow
          exerciseId={exercise.id}
          {side}
          {perSide}
          dial={d.dial}
          at={d.at}
          harder={d.harder}
          easier={d.easier}
          {unit}
          outside={outsideOf(d.dial, d.at)}
          origin={d.origin}
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
    choice={desk.choice}
    prefers={data.prefers}
    schoolId={desk.schoolId}
    clientName={data.client.name.split(' ')[0] ?? data.client.name}
    {base}
    gated={grade.gated}
    breathS={data.breathS}
  />
  <ExerciseNoteForm exerciseId={exercise.id} note={desk.note} {form} />
  <DialHistory history={grade.history} dials={exercise.dials} side={perSide ? side : null} {unit} />
</aside>
