<script lang="ts">
  import { enhance } from '$app/forms';
  import { sides } from '$lib/core';
  import { mostInsideDeg, mostReps } from '$lib/contract/liftForm';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { clockText, degText, lengthText } from '$lib/ui/format';
  import { formProblem } from '$lib/ui/formState';
  import { overCapText } from '$lib/ui/problemText';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import FigureNumber from '../FigureNumber.svelte';
  import { LiftsDraft } from './lifts.svelte';

  let { data, form } = $props();
  // One exercise is shaped at a time: the page is made anew for another.
  // svelte-ignore state_referenced_locally
  const { desk } = data;
  const draft = new LiftsDraft(desk);
  const { exercise } = desk;
  const base = $derived(`/people/${data.client.id}`);
  const lift = $derived(draft.value);
  const of = $derived(draft.of);
  /** From the least the exercise knows to many: as long as they stay clean. */
  const isToTired = $derived(lift.leastReps === of.bounds.reps.min && lift.reps >= 15);
  const how = $derived(lift.leastReps === undefined ? 'so many' : isToTired ? 'to tired' : 'from to');
  const tooHigh = (pct: number) => (pct > of.caps.effortPct ? `at most ${of.caps.effortPct} %` : undefined);
  const measureHref = $derived(`${base}/measure?m=${exercise.links[0] ?? ''}`);
  const heldText = $derived(
    (desk.perSide ? sides : (['left'] as const)).map((side) => {
      const at = draft.heldAt(side);
      const where = desk.perSide ? `${side}: ` : '';
      if (!at) return `${where}no active range is measured yet`;
      const heel = at.atCm === undefined ? '' : `, heel at ${lengthText(at.atCm, data.units.length, 0)}`;
      return `${where}held at ${degText(at.atDeg!)} of ${degText(desk.sides[side].activeDeg!)}${heel}`;
    })
  );
</script>

<main class="mx-auto max-w-7xl p-5">
  <div class="flex flex-wrap items-end gap-x-6 gap-y-2">
    <div class="grow">
      <h1>The lifts of {exercise.name}</h1>
      <p class="text-ink-soft">
        {desk.isShaped ? 'Shaped by hand.' : 'As its school does them.'} Effort {of.effortPct} %.
      </p>
    </div>
    {#if desk.perSide}
      <label class="choice"><input type="checkbox" bind:checked={draft.apart} /> Each side its own</label>
      {#if draft.apart}
        <SideSwitch
          side={draft.side}
          onSideChange={(s) => draft.pick(s)}
          label={exercise.sideWords || 'Side'}
          words={exercise.sideWords}
        />
      {/if}
    {/if}
  </div>
  <p class="mt-2 border-l-4 border-stop pl-3 text-sm">{exercise.stops.join(' ')}</p>
  {#if desk.bar}<p class="mt-2 font-semibold text-stop">Not now: {desk.bar}</p>{/if}
  {#if of.noHarder}<p class="mt-2 font-semibold">Nothing of it gets harder now: {of.noHarder}</p>{/if}

  <div class="mt-3 grid gap-5 lg:grid-cols-[1fr_19rem]">
    <div class="flex min-w-0 flex-col gap-4">
      <EffortCurve phases={draft.phases} width={800} height={120} scalePct={100} fluid label="Effort over one set" />
      <div class="gap-4 md:columns-2 xl:columns-3">
        <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="How many">
          <h2>How many</h2>
          <label class="flex items-center gap-2">
            <span class="grow">Counted</span>
            <select class="input w-44" value={how} onchange={(e) => draft.count(e.currentTarget.value as typeof how)}>
              <option value="so many">so many</option>
              <option value="from to">from … to</option>
              <option value="to tired">until no longer clean</option>
            </select>
          </label>
          {#if how === 'from to'}
            <FigureNumber
              label="From"
              unit=""
              value={lift.leastReps!}
              min={of.bounds.reps.min}
              max={Math.min(of.bounds.reps.max, lift.reps)}
              onvalue={(n) => draft.set({ leastReps: Math.max(1, Math.round(n)) })}
            />
          {/if}
          <FigureNumber
            label={how === 'so many' ? 'Repetitions' : 'At most'}
            unit=""
            value={lift.reps}
            min={lift.leastReps ?? of.bounds.reps.min}
            max={how === 'so many' ? of.bounds.reps.max : mostReps}
            onvalue={(n) => draft.set({ reps: Math.max(lift.leastReps ?? 1, Math.round(n)) })}
          />
        </section>
        <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="How strictly">
          <h2>How strictly</h2>
          <label class="choice"
            ><input
              type="checkbox"
              checked={lift.allows !== undefined}
              onchange={(e) => draft.set({ allows: e.currentTarget.checked ? 'the pelvis may tip' : undefined })}
            /> The open variant</label
          >
          {#if lift.allows !== undefined}
            <label class="flex flex-col gap-1">
              <span>What it allows</span>
              <input
                class="input"
                maxlength="120"
                value={lift.allows}
                oninput={(e) => draft.set({ allows: e.currentTarget.value.trim() || 'the pelvis may tip' })}
              />
            </label>
            <p class="text-sm text-ink-soft">Its sets are a log of their own: they say nothing about the strict one.</p>
          {/if}
          <label class="choice"
            ><input
              type="checkbox"
              checked={lift.noHands ?? false}
              onchange={(e) => draft.set({ noHands: e.currentTarget.checked || undefined })}
            /> Without the help of hands</label
          >
        </section>
        <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="Each">
          <h2>Each of them</h2>
          <label class="flex items-center gap-2">
            <span class="grow">Begins</span>
            <select
              class="input w-44"
              value={lift.letGo ? 'placed' : 'lifted'}
              onchange={(e) => draft.set({ letGo: e.currentTarget.value === 'placed' || undefined })}
            >
              <option value="lifted">lifted</option>
              <option value="placed">placed, then let go</option>
            </select>
          </label>
          {#if lift.letGo}<p class="text-sm text-ink-soft">How far it falls is written down after the set.</p>{/if}
          <FigureNumber
            label={lift.letGo ? 'Place' : 'Lift'}
            unit="s"
            value={lift.liftS}
            max={60}
            onvalue={(liftS) => draft.set({ liftS })}
          />
          <FigureNumber
            label="Hold"
            unit="s"
            value={lift.holdS}
            min={of.bounds.holdS.min}
            max={of.bounds.holdS.max}
            step={of.bounds.holdS.step}
            onvalue={(holdS) => draft.set({ holdS })}
          />
          <FigureNumber label="Lower" unit="s" value={lift.lowerS} max={60} onvalue={(lowerS) => draft.set({ lowerS })} />
          <FigureNumber label="Rest" unit="s" value={lift.restS} max={300} onvalue={(restS) => draft.set({ restS })} />
          <label class="choice"
            ><input
              type="checkbox"
              checked={lift.lastHoldS !== undefined}
              onchange={(e) => draft.set({ lastHoldS: e.currentTarget.checked ? Math.max(lift.holdS, 10) : undefined })}
            /> The last one is held longer</label
          >
          {#if lift.lastHoldS !== undefined}
            <FigureNumber
              label="The last"
              unit="s"
              value={lift.lastHoldS}
              max={of.longestHoldS ?? 600}
              onvalue={(lastHoldS) => draft.set({ lastHoldS })}
            />
          {/if}
        </section>
        <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="Where">
          <h2>Where it is held</h2>
          <label class="choice"
            ><input
              type="checkbox"
              checked={lift.insideDeg !== undefined}
              onchange={(e) => draft.set({ insideDeg: e.currentTarget.checked ? 10 : undefined })}
            /> Inside the greatest active range</label
          >
          {#if lift.insideDeg !== undefined}
            <FigureNumber
              label="Inside it by"
              unit="°"
              value={lift.insideDeg}
              max={mostInsideDeg}
              onvalue={(insideDeg) => draft.set({ insideDeg })}
            />
            <ul class="text-sm" aria-live="polite">
              {#each heldText as text (text)}<li>{text}</li>{/each}
            </ul>
            {#if of.activeDeg === null}<a class="text-sm font-semibold underline" href={measureHref}>Measure it</a>{/if}
          {/if}
          <label class="choice"
            ><input
              type="checkbox"
              checked={lift.deepest !== undefined}
              onchange={(e) =>
                draft.set({
                  deepest: e.currentTarget.checked ? { holdS: 5, peakPct: Math.min(30, of.caps.effortPct) } : undefined
                })}
            /> An effort against the pull where it is deepest</label
          >
          {#if lift.deepest}
            <FigureNumber
              label="Effort"
              unit="%"
              value={lift.deepest.peakPct}
              max={100}
              step={5}
              error={tooHigh(lift.deepest.peakPct)}
              onvalue={(peakPct) => draft.set({ deepest: { ...lift.deepest!, peakPct } })}
            />
            <FigureNumber
              label="For"
              unit="s"
              value={lift.deepest.holdS}
              max={120}
              onvalue={(holdS) => draft.set({ deepest: { ...lift.deepest!, holdS } })}
            />
          {/if}
        </section>
      </div>
    </div>
    <aside class="flex flex-col gap-4" aria-label="What it comes to">
      <section class="card" aria-live="polite">
        <p class="text-3xl font-bold">{clockText(draft.totals.durationS)}</p>
        <p class="text-ink-soft">
          a set{lift.leastReps === undefined ? '' : ' at most'}; {clockText(draft.totals.contractionS)} of effort
        </p>
        {#if draft.over}<p class="mt-2 font-semibold text-stop" role="alert">{overCapText(draft.over)}</p>{/if}
      </section>
      <form method="POST" action="?/keep" class="flex flex-col gap-2" use:enhance={keepTyped}>
        <ProblemNote text={formProblem(form)} />
        <input type="hidden" name="exerciseId" value={exercise.id} />
        <input type="hidden" name="lifts" value={draft.json} />
        {#if form?.problem.code === 'wait_not_over'}<Field label="Why sooner" name="reason" {form} />{/if}
        <button class="btn btn-primary" disabled={draft.over !== null || desk.bar !== null}>Keep for this exercise</button>
      </form>
      {#if desk.isShaped}
        <form method="POST" action="?/keep" use:enhance={keepTyped}>
          <input type="hidden" name="exerciseId" value={exercise.id} />
          <input type="hidden" name="lifts" value="" />
          <button class="btn btn-quiet w-full">Back to the school’s way</button>
        </form>
      {/if}
      <a class="btn btn-quiet" href="{base}/grade?exercise={exercise.id}">Leave it as it was</a>
    </aside>
  </div>
</main>
