<script lang="ts">
  import { onDestroy } from 'svelte';
  import {
    instrumentDoubt,
    instrumentFoldDeg,
    instrumentValueDeg,
    positionOf,
    steadinessRule,
    type BodyPosition,
    type InstrumentSpec,
    type Measure,
    type Side
  } from '$lib/core';
  import { deviceAngle, streamedAngle, type Trouble } from '$lib/ui/instrument/angleSource';
  import { InstrumentState } from '$lib/ui/instrument/instrumentState.svelte';
  import Choices from '$lib/ui/Choices.svelte';
  import { capital, degText, numberText, shortDate } from '$lib/ui/format';
  import Why from '$lib/ui/Why.svelte';
  import Desk from './Desk.svelte';
  import type { MeasureState } from './measureState.svelte';
  import Needle from './Needle.svelte';
  import Slots from './Slots.svelte';

  type Props = { measure: Measure; state: MeasureState; places: readonly (Side | null)[] };
  let { measure, state: measuring, places }: Props = $props();
  const position = $derived(positionOf(measure.id));
  const specs = $derived(Object.entries(position.instrument) as [BodyPosition, InstrumentSpec][]);
  /** How the client lies or stands: where that changes what a tilt means, it is asked. */
  let lies = $state<BodyPosition | null>(null);
  const spec = $derived((specs.find(([p]) => p === lies) ?? specs[0]!)[1]);
  const asksPosition = $derived(new Set(specs.map(([, s]) => s)).size > 1);
  const zero = $derived(spec.zero);
  const instrument = new InstrumentState();
  onDestroy(() => instrument.stop());

  type SourceId = 'device' | 'stand-in';
  let source = $state<SourceId | null>(null);
  /** Where the zero was taken, for a joint that is read against its other part. */
  let zeroAt = $state<number | null>(null);
  const slots = $derived(measuring.slots(places));
  let at = $state(0);
  let reading = $state(0);
  const slot = $derived(slots[at] ?? null);
  const takesZero = $derived(zero === 'set' && zeroAt === null);

  /** What a tilt alone does not tell: the hand that laid the device on says it. */
  const doubt = $derived(instrumentDoubt(spec, measure.possible));
  let isDoubted = $state(false);
  const valueOf = (deg: number) => instrumentValueDeg(spec, deg, zeroAt ?? 0, isDoubted ? doubt : null);
  const doubtText = $derived({
    'tipped the other way': 'Tipped back from upright: counts as minus',
    'past a straight line': `Past a straight line: counts beyond ${instrumentFoldDeg(spec)}°`
  });
  /** Between which points the device lies, its top at the second. */
  const ends = $derived(position.photo?.kind === 'angle' ? position.photo.names : null);
  const isLocked = $derived(instrument.lockedDeg !== null);
  const rawDeg = $derived(instrument.lockedDeg ?? instrument.status.deg);
  const shownDeg = $derived(rawDeg === null ? null : takesZero ? rawDeg : valueOf(rawDeg));
  const [low, high] = $derived(measure.possible);
  const isImpossible = $derived(!takesZero && shownDeg !== null && (shownDeg < low || shownDeg > high));
  const before = $derived(slot && measuring.before(slot.side, slot.mode));

  const troubleText: Record<Trouble, string> = {
    'no sensor':
      'This device has no tilt sensor, or its browser keeps it closed. Use the simulated one, type the number from an instrument of your own, or measure by tape.',
    denied:
      'The browser was not allowed to use the tilt sensor. Allow it in the settings of this page, or type the number in, or measure by tape.',
    'nothing to tell': 'The sensor answers without an angle. Move the device a little; if nothing comes, type the number in.',
    gone: 'The instrument went silent. What was taken is kept. Connect it again, or type the number in.'
  };
  const stateText = $derived(
    isLocked
      ? 'Steady: locked'
      : instrument.status.state === 'moving'
        ? 'Moving'
        : instrument.status.state === 'gathering'
          ? 'Listening'
          : 'No reading'
  );

  function connect(id: SourceId) {
    source = id;
    if (id === 'stand-in') lies = specs[0]![0]; // its made-up body has one position
    at = Math.min(measuring.firstOpen(slots), slots.length - 1);
    listen();
  }
  function listen() {
    if (source === 'device') return instrument.start(deviceAngle);
    const s = slot ?? slots[0]!;
    reading++;
    const ask = new URLSearchParams({
      measure: measure.id,
      mode: s.mode,
      trial: String(reading),
      part: takesZero ? 'zero' : 'limb',
      ...(s.side && { side: s.side })
    });
    instrument.start(streamedAngle(`${location.pathname}/stand-in/instrument?${ask}`));
  }
  function takeZero() {
    zeroAt = instrument.take();
    if (source === 'stand-in') listen();
  }
  function take() {
    const deg = instrument.take();
    if (deg === null || !slot) return;
    measuring.fill(slot, valueOf(deg), 0);
    at = measuring.firstOpen(slots);
    if (source === 'stand-in' && at < slots.length) listen();
  }
  function choose(i: number) {
    at = i;
    if (source === 'stand-in') listen();
    else instrument.again();
  }
  function leave() {
    instrument.stop();
    source = null;
  }
</script>

<section class="card flex flex-wrap items-center gap-3 py-4" aria-label="Instrument">
  <p class="min-w-64 grow">
    Lay the phone or tablet along the limb, its top toward the {ends?.along ?? 'far end'}, or read your own instrument and type
    the number.
    {#if specs.length < measure.positions.length}<strong>{capital(specs.map(([p]) => p).join(' or '))} only.</strong>{/if}
    {#if zero === 'set'}<span class="text-ink-soft">Its zero is taken on the other part of the joint first.</span>{/if}
  </p>
  {#if asksPosition}
    <Choices
      legend="The client is"
      name="lies"
      bind:value={() => lies ?? specs[0]![0], (v) => (lies = v as BodyPosition)}
      choices={specs.map(([p]) => ({ value: p, label: capital(p) }))}
    />
  {/if}
  <button type="button" class="btn btn-primary" onclick={() => connect('device')}>Use the sensor of this device</button>
  <button type="button" class="btn" onclick={() => connect('stand-in')}>Try the simulated one</button>
</section>

<Desk {measure} how="by instrument" bind:open={() => source !== null, (open) => !open && leave()}>
  <div class="grid grow content-center items-center gap-x-8 gap-y-4 p-5 md:grid-cols-[minmax(18rem,2fr)_3fr]">
    <Needle
      valueDeg={shownDeg}
      {spec}
      side={slot?.side ?? null}
      locked={isLocked}
      beforeDeg={takesZero ? null : (before?.value ?? null)}
    />
    <div class="flex flex-col gap-4">
      <Slots {measure} state={measuring} {slots} bind:at={() => at, choose} />
      <div class="flex flex-wrap items-center gap-x-8 gap-y-2">
        <p class="min-w-64 text-[150px] leading-none font-bold max-lg:text-[110px]" data-testid="angle">
          {shownDeg === null ? '—' : degText(shownDeg)}
        </p>
        <div class="min-w-52 leading-tight">
          <p class="text-3xl font-semibold {isLocked ? 'text-mulberry' : ''}" role="status">{stateText}</p>
          <p class="mt-1 text-ink-soft">
            {#if instrument.status.spreadDeg !== null && instrument.status.driftDegPerS !== null}
              trembles by {numberText(instrument.status.spreadDeg)}°, drifts {numberText(
                Math.abs(instrument.status.driftDegPerS)
              )}° a second
            {:else}looking at the last {numberText(steadinessRule.windowMs / 1000)} s{/if}
            <Why about="when the needle locks">
              <p>
                The last {steadinessRule.windowMs / 1000} seconds are looked at. It locks when they hold at least {steadinessRule.minSamples}
                samples without a gap, spread about their line by no more than {steadinessRule.maxSpreadDeg}° and rise or fall by
                no more than {steadinessRule.maxDriftDegPerS}° a second. The value is where that line ends, so a tremor averages
                out.
              </p>
              <p>
                The typical error of one reading is 1.5°, that of the day 2.5° (assumptions; own trials and retests replace them).
              </p>
            </Why>
          </p>
          {#if before}<p class="mt-1">Dashed: last time {degText(before.value)}, {shortDate(before.takenOn)}</p>{/if}
        </div>
      </div>
      {#if takesZero}
        <p class="text-xl">
          Lay it on the other part of the joint{ends
            ? `, its top ${spec.zeroAwayFromJoint ? 'away from' : 'toward'} the ${ends.vertex}`
            : ', its top toward the joint'}, and take the zero.
        </p>
      {/if}
      {#if doubt}
        <label class="choice text-xl"><input type="checkbox" bind:checked={isDoubted} /> {doubtText[doubt]}</label>
      {/if}
      {#if isImpossible}
        <p class="font-semibold text-stop" role="alert">
          No body goes there: between {degText(low)} and {degText(high)}. See how it lies on the limb.
        </p>
      {/if}
      {#if instrument.trouble}<p class="font-semibold text-stop" role="alert">{troubleText[instrument.trouble]}</p>{/if}
      <div class="flex flex-wrap gap-3">
        {#if takesZero}
          <button type="button" class="btn btn-primary min-h-20 min-w-64 text-2xl" disabled={!isLocked} onclick={takeZero}>
            Zero here
          </button>
        {:else}
          <button
            type="button"
            class="btn btn-primary min-h-20 min-w-64 text-2xl"
            disabled={!isLocked || !slot || isImpossible}
            onclick={take}
          >
            {isLocked && shownDeg !== null ? `Take ${degText(shownDeg)}` : 'Take'}
          </button>
        {/if}
        {#if isLocked}
          <button type="button" class="btn min-h-20" onclick={() => (source === 'stand-in' ? listen() : instrument.again())}>
            Read again
          </button>
        {/if}
        {#if !instrument.running && !isLocked && slot}
          <button type="button" class="btn min-h-20" onclick={listen}>Connect again</button>
        {/if}
        {#if zero === 'set' && !takesZero}
          <button type="button" class="btn min-h-20" onclick={() => ((zeroAt = null), listen())}>New zero</button>
        {/if}
        <button type="button" class="btn min-h-20" onclick={leave}>{slot ? 'Back to the form' : 'Done'}</button>
      </div>
      {#if source === 'stand-in'}
        <p class="text-ink-soft">Simulated: a made-up limb with tremor, drift and lost samples. Nothing of a person is read.</p>
      {/if}
    </div>
  </div>
</Desk>
