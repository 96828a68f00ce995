<script lang="ts">
  import { enhance } from '$app/forms';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { GradedDial, GradedStack } from '$lib/contract/grade';
  import {
    dialAtRung,
    isHarder,
    jumpOf,
    reasonText,
    type Exercise,
    type Material,
    type Prop,
    type Rung,
    type Side
  } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import { lengthText } from '$lib/ui/format';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import NearStacks from './NearStacks.svelte';

  /** The heights near the one that is looked at, and the button that puts it into use. */
  type Props = {
    exercise: Exercise;
    side: Side;
    graded: GradedDial;
    stack: GradedStack;
    /** The rung that is looked at. */
    rung: Rung;
    shelf: readonly (Prop & { material: Material })[];
    unit: LengthUnit;
    atHome: boolean;
    isBarred: boolean;
    problem: string | undefined;
    onLook: (depthCm: number) => void;
    /** Where the work goes on once both sides are chosen. */
    planHref: string | null;
  };
  let { exercise, side, graded, stack, rung, shelf, unit, atHome, isBarred, problem, onLook, planHref }: Props = $props();
  const nearby = $derived([stack.rung, ...stack.near].toSorted((a, b) => b.depthCm - a.depthCm));
  const value = $derived(dialAtRung(graded.dial, rung));
  const atNow = $derived(dialAtRung(graded.dial, stack.rung));
  const jump = $derived(jumpOf(graded.dial, graded.from, value, stack.rungs));
  const isEasier = $derived(stack.chosen && isHarder(graded.dial, atNow, value));
  /** Harder than what is in use, before its day. */
  const waits = $derived(graded.wait !== null && stack.chosen && isHarder(graded.dial, value, atNow));
  const inUse = $derived(stack.chosen && rung.depthCm === stack.rung.depthCm);
</script>

<section class="flex flex-col gap-3">
  <h2>Near this height</h2>
  <NearStacks
    dial={graded.dial}
    rungs={nearby}
    lookedCm={rung.depthCm}
    measured={stack.measured?.value ?? null}
    {shelf}
    {unit}
    {onLook}
  />
  <p>
    {stack.chosen
      ? `In use: ${dialText(graded.dial, dialAtRung(graded.dial, stack.rung), unit)}.`
      : stack.tooFar
        ? 'Nothing chosen yet. No stack of this shelf is as easy as what was measured; the easiest is shown.'
        : stack.measured
          ? 'Nothing chosen yet. The nearest stack that is no harder than what was measured is shown.'
          : 'Nothing chosen yet.'}
    {#if rung.under !== 'floor'}The stack stands under the {rung.under === 'lead heel' ? 'front heel' : rung.under}; it must not
      move.{/if}
  </p>
  {#if jump}
    <p class="font-semibold text-stop">
      {lengthText(jump.by, unit)} harder than {stack.chosen && !stack.tooFar ? 'what is in use' : 'what was measured'}: more than
      one step at once. Sure only if the measure says so.
    </p>
  {/if}
  <ProblemNote text={problem} />
  {#if atHome}
    <p class="text-ink-soft">At home the nearest stack is taken; what is in use is set on the studio’s shelf.</p>
  {:else}
    <form method="POST" action="?/dial" class="flex flex-wrap gap-3" use:enhance={keepTyped}>
      <input type="hidden" name="exerciseId" value={exercise.id} />
      <input type="hidden" name="side" value={side} />
      <input type="hidden" name="dial" value={graded.dial.id} />
      <input type="hidden" name="value" {value} />
      {#if jump}<input type="hidden" name="sure" value="on" />{/if}
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
        {jump ? 'Use it all the same' : inUse ? 'In use' : `Use ${dialText(graded.dial, value, unit)}`}
      </button>
      {#if exercise.sides === 'each' && !jump && !waits && !inUse && !isBarred}
        <button class="btn" name="both" value="on">{dialText(graded.dial, value, unit)} on both sides</button>
      {/if}
      {#if planHref}
        <a class="btn btn-primary" href={planHref}>To the plan</a>
      {/if}
    </form>
  {/if}
</section>
