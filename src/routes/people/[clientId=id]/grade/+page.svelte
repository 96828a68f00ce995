<script lang="ts">
  import { enhance } from '$app/forms';
  import { openingFromDepthDeg, poseFigure, usualStepCm, type Rung, type Side } from '$lib/core';
  import Figure from '$lib/ui/drawing/Figure.svelte';
  import { movingFigure } from '$lib/ui/drawing/movingFigure.svelte';
  import Scene from '$lib/ui/drawing/Scene.svelte';
  import StackDrawing from '$lib/ui/drawing/StackDrawing.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { degText, depthText, lengthText, shortDate, stateText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import { stackText } from '$lib/ui/stackText';
  import Why from '$lib/ui/Why.svelte';
  import LadderRow from './LadderRow.svelte';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  let picked = $state<Side>();
  const side = $derived(picked ?? data.goal?.leadSide ?? 'left');
  const grade = $derived(data.grades.find((g) => g.side === side));
  /** A depth that is only looked at; it belongs to the side it was tried on. */
  let tried = $state<{ side: Side; depthCm: number }>();
  const looked = $derived(tried?.side === side ? tried.depthCm : grade?.depthCm);
  const candidates = $derived(grade ? [...grade.rungs, ...grade.near] : []);
  const rung = $derived(candidates.find((r) => r.depthCm === looked) ?? grade?.rung);
  const legs = $derived({
    leadLegCm: side === 'left' ? data.client.body.leftLegCm : data.client.body.rightLegCm,
    trailLegCm: side === 'left' ? data.client.body.rightLegCm : data.client.body.leftLegCm
  });
  const pose = $derived(rung && poseFigure('front split', { side, value: rung.depthCm }, data.client.body));
  const moving = movingFigure(() => pose ?? poseFigure('front split', { side }, data.client.body));
  const measuredPose = $derived(grade && poseFigure('front split', { side, value: grade.reading.depthCm }, data.client.body));
  const nearby = $derived(grade ? [grade.rung, ...grade.near].toSorted((a, b) => b.depthCm - a.depthCm) : []);
  /** Against what is in use; against the measure while nothing is, or the shelf lost it. */
  const stepCm = $derived(
    grade && rung ? (grade.chosen && !grade.tooDeep ? grade.depthCm : grade.reading.depthCm) - rung.depthCm : 0
  );
  const isBigStep = $derived(stepCm > usualStepCm.max + 0.01);

  function says(r: Rung): string {
    if (!grade) return '';
    const off = r.depthCm - grade.reading.depthCm;
    const soft = r.items.some((i) => (data.shelf.find((p) => p.id === i.propId)?.softShare ?? 0) > 0);
    const where =
      Math.abs(off) < 0.6
        ? 'at the measured depth'
        : off > 0
          ? `${lengthText(off, unit)} easier than measured`
          : `${lengthText(-off, unit)} deeper than measured`;
    return `${where} · ${r.items.length === 0 ? 'no props' : r.items.length === 1 ? 'steadiest' : `${r.items.length} props`}${soft ? ', softer' : ''}`;
  }
</script>

<main class="grid lg:grid-cols-[1fr_25rem]">
  <section class="flex flex-col gap-2 p-5">
    <div class="flex flex-wrap items-center gap-4">
      <h1>Today’s stack</h1>
      <SideSwitch {side} onSideChange={(s) => (picked = s)} label="Leg in front" />
    </div>
    {#if !grade || !rung || !pose || !measuredPose}
      <p>This side has no passive measure yet.</p>
      <p><a class="btn btn-primary" href="/people/{data.client.id}/measure">Measure</a></p>
    {:else}
      {#if grade.tooDeep}
        <p class="rounded-soft border-2 border-stop px-4 py-2 font-semibold text-stop" role="alert">
          Nothing on the shelf comes near this height. <a class="underline" href="/props">Put props on the shelf first</a>
        </p>
      {/if}
      <p class="text-ink-soft">
        measured {depthText(grade.reading.depthCm, unit)}, {stateText[grade.reading.bodyState]}, {shortDate(
          grade.reading.takenOn
        )} · shown pale
      </p>
      <div class="relative">
        <Scene
          minX={Math.min(pose.box.minX, measuredPose.box.minX) - 6}
          maxX={Math.max(pose.box.maxX, measuredPose.box.maxX) + 6}
          maxY={Math.max(pose.box.maxY, measuredPose.box.maxY) + 2}
          label="{side} leg in front on {stackText(rung.items, data.shelf)}: {depthText(rung.depthCm, unit)}"
          class="max-h-[46vh] w-full"
        >
          <Figure pose={measuredPose} ghost="pale" />
          <StackDrawing
            items={rung.items}
            shelf={data.shelf}
            x={rung.under === 'lead heel' ? (pose.supports.leadHeel?.x ?? 0) : (pose.supports.pelvis?.x ?? 0)}
          />
          <Figure pose={moving.current} />
        </Scene>
        <p class="absolute top-0 left-0">
          <span class="block text-6xl leading-none font-bold">{depthText(rung.depthCm, unit)}</span>
          <span class="text-lg text-ink-soft">{degText(openingFromDepthDeg({ depthCm: rung.depthCm, ...legs }))} open</span>
        </p>
      </div>
      <div>
        <h2 class="flex items-center gap-2">
          The ladder on this shelf
          <Why about="the ladder">
            <p>
              The stacks this shelf can make, from here to the goal: no step above {lengthText(usualStepCm.max, unit)} where there is
              one, steps as near to
              {lengthText(usualStepCm.wish, unit)} as possible, then the fewest changed props. Above stand rungs to ease to.
            </p>
            <p>
              At most three props, one soft and on top, nothing on an upright block, no tall stack on a narrow foot (common
              practice).
            </p>
          </Why>
        </h2>
        <LadderRow
          rungs={grade.rungs}
          shelf={data.shelf}
          {unit}
          nowCm={grade.depthCm}
          lookedCm={rung.depthCm}
          onLook={(depthCm) => (tried = { side, depthCm })}
        />
        {#each grade.faults as fault (fault.fromCm)}
          <p class="mt-1">
            <strong>{depthText(fault.fromCm, unit)} to {depthText(fault.toCm, unit)}</strong>: {fault.why}; one of {lengthText(
              fault.missingCm,
              unit
            )} would halve it.
            <a class="underline" href="/props">To the shelf</a>
          </p>
        {:else}
          <p class="mt-1 text-ink-soft">The shelf has a step everywhere.</p>
        {/each}
        {#if grade.deepestCm !== null}
          <p class="mt-1 font-semibold">
            The end stops of the two hips end it at {lengthText(grade.deepestCm, unit)}; no stack is deeper.
          </p>
        {/if}
      </div>
    {/if}
  </section>

  {#if grade && rung}
    <aside class="flex flex-col gap-4 border-line bg-paper p-5 max-lg:border-t lg:border-l">
      <h2>Near this height</h2>
      <ul class="flex flex-col gap-2">
        {#each nearby as r (r.depthCm)}
          <li>
            <button
              class="flex min-h-16 w-full items-center gap-3 rounded-soft border p-2 text-left {r.depthCm === rung.depthCm
                ? 'border-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]'
                : 'border-line hover:border-ink'}"
              aria-pressed={r.depthCm === rung.depthCm}
              onclick={() => (tried = { side, depthCm: r.depthCm })}
            >
              <svg width="56" height="46" viewBox="-28 -46 56 48" aria-hidden="true" class="flex-none">
                <g transform="scale(1 -1)"
                  ><StackDrawing items={r.items} shelf={data.shelf} x={0} perCm={1.4} acrossPerCm={1.1} /></g
                >
                <path d="M-28 0H28" stroke="var(--color-ink)" stroke-width="2" />
              </svg>
              <span class="w-20 flex-none text-xl font-bold">{depthText(r.depthCm, unit)}</span>
              <span class="leading-tight"
                ><span class="font-semibold">{stackText(r.items, data.shelf)}</span><span class="block text-ink-soft"
                  >{says(r)}</span
                ></span
              >
            </button>
          </li>
        {/each}
      </ul>
      <p>
        {grade.chosen ? `In use: ${depthText(grade.depthCm, unit)}.` : 'Nothing chosen yet; the nearest stack is shown.'}
        {#if rung.under !== 'floor'}The stack stands under the {rung.under === 'lead heel' ? 'front heel' : 'pelvis'}; it must not
          move.{/if}
        Padding under the rear knee.
      </p>
      {#if isBigStep}
        <p class="font-semibold text-stop">
          {lengthText(stepCm, unit)} deeper than {grade.chosen && !grade.tooDeep ? 'what is in use' : 'what was measured'}: more
          than one step at once. Sure only if the measure says so.
        </p>
      {/if}
      <ProblemNote text={formProblem(form)} />
      <form method="POST" action="?/choose" class="mt-auto flex flex-wrap gap-3" use:enhance>
        <input type="hidden" name="side" value={side} />
        <input type="hidden" name="depthCm" value={rung.depthCm} />
        <button class="btn {grade.chosen && rung.depthCm === grade.depthCm ? '' : 'btn-primary'}">
          {isBigStep
            ? 'Use it all the same'
            : grade.chosen && rung.depthCm === grade.depthCm
              ? 'In use'
              : `Use ${depthText(rung.depthCm, unit)}`}
        </button>
        {#if data.grades.length === 2 && data.grades.every((g) => g.chosen)}
          <a class="btn btn-primary" href="/people/{data.client.id}/plan">To the plan</a>
        {/if}
      </form>
    </aside>
  {/if}
</main>
