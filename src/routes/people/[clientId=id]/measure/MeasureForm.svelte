<script lang="ts">
  import { enhance } from '$app/forms';
  import { bodyState, type BodyState, type LengthUnit } from '$lib/contract/fields';
  import type { Taken } from '$lib/contract/taken';
  import { sidesOf, type ConditionsInput } from '$lib/contract/measureForms';
  import {
    comparesAs,
    isPhoto,
    poseAt,
    positionOf,
    reasonText,
    wayOf,
    type Body,
    type BodyLengths,
    type Entries,
    type GateReason,
    type Measure,
    type MeasureMode,
    type OwnRecord,
    type Side,
    type WayId
  } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import type { Mark } from '$lib/ui/drawing/mark';
  import PoseDrawing from '$lib/ui/drawing/PoseDrawing.svelte';
  import { chosenOr, fieldError, formProblem, typedOr, type FormState } from '$lib/ui/formState';
  import { headlineText } from '$lib/ui/format';
  import Once from '$lib/ui/Once.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Conditions from './Conditions.svelte';
  import { MeasureState } from './measureState.svelte';
  import SideCard from './SideCard.svelte';
  import SideDifferences from './SideDifferences.svelte';
  import { keepTyped } from '$lib/ui/sending';

  type Data = Readonly<{
    size: 'short' | 'full';
    isHeadline: boolean;
    against: readonly GateReason[];
    lengths: readonly { side: Side | null; lengths: BodyLengths }[];
    own: readonly { way: WayId; record: OwnRecord }[];
    stackStepCm: number;
    stackHeights: readonly number[];
    taken: readonly Taken[];
    todaysTrials: readonly { side: Side | null; mode: MeasureMode; way: WayId; entries: Entries; bodyState: BodyState }[];
    conditions: Pick<ConditionsInput, 'bodyState' | 'dayTime' | 'training' | 'measurer'>;
    consent: Readonly<{ givenBy: string; givenOn: string }> | null;
  }>;
  type Props = {
    measure: Measure;
    data: Data;
    form: FormState;
    unit: LengthUnit;
    lead: Side;
    /** Of the goal that is worked on. */
    stage: number;
    today: string;
    client: Readonly<{ id: number; name: string; body: Body }>;
  };
  let { measure, data, form, unit, lead, stage, today, client }: Props = $props();

  const sameWay = (a: WayId, b: WayId) => comparesAs(a) === comparesAs(b);
  // The form is made anew for each measure.
  // svelte-ignore state_referenced_locally
  const last = data.taken.at(-1);
  // svelte-ignore state_referenced_locally
  const state: MeasureState = new MeasureState(
    () => ({
      measure,
      unit,
      lengths: data.lengths,
      own: data.own,
      stackStepCm: data.stackStepCm,
      today,
      earlier: ({ side, mode, way, support, state: s }) =>
        data.taken.filter(
          (t) => t.side === side && t.mode === mode && sameWay(t.way, way) && t.support === support && t.bodyState === s
        ),
      before: ({ side, mode, way, support, state: s }) => {
        const r = data.taken.findLast(
          (t) => t.side === side && t.mode === mode && sameWay(t.way, way) && t.support === support && t.bodyState === s
        );
        return r ? { value: r.value, trials: r.trials, takenOn: r.takenOn, sd: r.sd } : null;
      },
      earlierToday: ({ side, mode, way, support, state: s }) => {
        const r = data.taken.find(
          (t) =>
            t.takenOn === today &&
            t.bodyState !== s &&
            t.side === side &&
            t.mode === mode &&
            sameWay(t.way, way) &&
            t.support === support
        );
        return r ? { value: r.value, state: r.bodyState } : null;
      },
      otherwise: ({ side, mode, way, support, state: s }) => {
        const r = data.taken.findLast((t) => t.side === side && t.mode === mode && t.bodyState === s);
        if (!r || (sameWay(r.way, way) && r.support === support)) return null;
        return `${headlineText(r.value, measure.id, unit)} by ${wayOf(r.way).label.toLowerCase()}${r.support ? `, on ${r.support}` : ''}`;
      },
      otherWays: (side, mode, way) =>
        measure.ways
          .filter((w) => !sameWay(w, way))
          .map((w) => ({
            way: w,
            trials: data.todaysTrials
              .filter((t) => t.way === w && t.side === side && t.mode === mode && t.bodyState === state.bodyState)
              .map((t) => t.entries)
          }))
          .filter((o) => o.trials.length > 0)
    }),
    {
      bodyState: chosenOr(form, 'bodyState', bodyState.options, data.conditions.bodyState),
      way: chosenOr(form, 'way', measure.ways, last?.way ?? measure.ways[0]!),
      support: typedOr(form, 'support', last?.support ?? '')
    },
    form?.typed
  );
  const places = $derived(measure.sides === 'each' && lead === 'right' ? sidesOf(measure).toReversed() : sidesOf(measure));
  const guessedWay: WayId = 'photo, line guessed';
  const position = $derived(positionOf(measure.id));
  /** The figure stands as what is typed says, and as last time pale behind. */
  const shownSide = $derived(
    measure.sides === 'each' ? (places.find((side) => state.result(side, measure.modes[0]!) !== null) ?? lead) : null
  );
  const typedNow = $derived(state.result(shownSide, measure.modes[0]!));
  const lastOne = $derived(state.before(shownSide, measure.modes[0]!));
  const drawnValue = $derived(position.drives ? (typedNow?.ok ? typedNow.value.value : lastOne?.value) : undefined);
  const markedFor = $derived.by((): Mark | null => {
    if (isPhoto(state.way)) return 'landmarks';
    if (state.way === 'inclinometer' || state.way === 'goniometer') return state.way;
    return measure.unit === 'cm' ? 'tape' : null;
  });
  const estimated = $derived(
    data.lengths.some(({ lengths }) =>
      wayOf(state.way)
        .uses(measure.limb)
        .some((id) => lengths[id].estimated)
    )
  );
</script>

<form method="POST" action="?/save&set={data.size}&m={measure.id}" class="flex flex-col gap-5" novalidate use:enhance={keepTyped}>
  <Once />
  <div class="grid items-start gap-x-6 gap-y-3 lg:grid-cols-[1fr_26rem]">
    <div>
      <h1>{measure.name.charAt(0).toUpperCase() + measure.name.slice(1)}</h1>
      <p class="max-w-2xl">{measure.howTo[0]} {measure.howTo[1]}</p>
      <p class="max-w-2xl text-ink-soft">{measure.landmarks}</p>
      {#if measure.caution}<p class="font-semibold text-stop">{measure.caution}</p>{/if}
      {#each data.against as reason, i (i)}
        <p class="max-w-2xl font-semibold text-stop">
          {reasonText(reason)}
          {reason.code === 'stop'
            ? 'Do not measure it before.'
            : 'Measure it only where it is quiet today, and stop before it hurts.'}
        </p>
      {/each}
      <div class="mt-3 flex flex-wrap items-end gap-x-6 gap-y-3">
        <Choices
          legend="Before or after warming up?"
          name="bodyState"
          bind:value={() => state.bodyState, (v) => (state.bodyState = v as BodyState)}
          error={fieldError(form, 'bodyState')}
          choices={[
            { value: 'cold', label: 'Cold' },
            { value: 'warm', label: 'Warmed up' },
            { value: 'after', label: 'After session' }
          ]}
        />
        {#if measure.ways.length > 1}
          <!-- Whether a photo's line was guessed is said where it is set, and goes with the form all the same. -->
          {#if state.way === guessedWay}<input type="hidden" name="way" value={guessedWay} />{/if}
          <Choices
            legend="Measured with"
            name="way"
            bind:value={() => (state.way === guessedWay ? 'photo' : state.way), (v) => (state.way = v as WayId)}
            error={fieldError(form, 'way')}
            choices={measure.ways.filter((id) => id !== guessedWay).map((id) => ({ value: id, label: wayOf(id).label }))}
          />
        {:else}
          <input type="hidden" name="way" value={measure.ways[0]} />
        {/if}
      </div>
    </div>
    <PoseDrawing
      pose={poseAt(position, stage)}
      setting={{ side: shownSide ?? lead, ...(drawnValue !== undefined && { value: drawnValue }) }}
      before={position.drives && typedNow?.ok && lastOne ? lastOne.value : null}
      mark={markedFor}
      body={client.body}
      label="{measure.name}, {markedFor === 'tape'
        ? 'where the tape goes'
        : markedFor === 'inclinometer' || markedFor === 'goniometer'
          ? 'where the instrument lies'
          : 'the position'}"
      class="h-76 w-full max-lg:h-44"
    />
  </div>

  <ProblemNote text={formProblem(form)} />

  <!-- They come when their way is chosen: most measure by tape. -->
  {#key `${isPhoto(state.way)}/${state.way === 'inclinometer'}`}
    {#if state.way === 'inclinometer' && Object.keys(position.instrument).length > 0}
      {#await import('./InstrumentPane.svelte') then { default: InstrumentPane }}
        <InstrumentPane {measure} {state} {places} />
      {/await}
    {:else if isPhoto(state.way) && position.photo}
      {#await import('./PhotoPane.svelte') then { default: PhotoPane }}
        <PhotoPane
          {measure}
          {state}
          {places}
          {unit}
          {today}
          clientId={client.id}
          clientName={client.name}
          consent={data.consent}
          body={client.body}
        />
      {/await}
    {/if}
  {/key}
  {#each Object.entries(state.photos) as [name, id] (name)}{#if id}<input type="hidden" {name} value={id} />{/if}{/each}

  <div class="grid gap-5 {places.length > 1 ? 'xl:grid-cols-2' : ''}">
    {#each places as side (side)}
      <SideCard {measure} {side} {state} {unit} {form} isHeadline={data.isHeadline} stackHeights={data.stackHeights} />
    {/each}
  </div>

  <Conditions
    {form}
    {today}
    known={data.conditions}
    supports={[...(measure.supports ?? []), ...data.taken.map((t) => t.support)]}
    bind:support={() => state.support, (v) => (state.support = v)}
  />

  <div class="card flex flex-col gap-1 py-3 shadow-raised lg:sticky lg:bottom-2">
    <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
      <div class="min-w-64 grow">
        <SideDifferences {measure} {state} {unit} />
        {#if estimated}<p class="text-ink-soft">A length of the body is taken from stature, not measured.</p>{/if}
      </div>
      <!-- Beside the button: what it asks stands higher up, and may be out of sight. -->
      {#if form?.problem?.code === 'measure_unconfirmed'}
        <label class="choice font-semibold"><input type="checkbox" name="sure" /> The numbers are right</label>
      {/if}
      <button class="btn btn-primary">Keep this measure</button>
    </div>
  </div>
</form>
