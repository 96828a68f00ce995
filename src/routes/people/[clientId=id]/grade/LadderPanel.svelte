<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { GradedDial, GradedStack } from '$lib/contract/grade';
  import { dialAtRung, reasonText, usualStepCm, type LadderFault, type Material, type Prop, type Rung } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import { lengthText } from '$lib/ui/format';
  import Slide from '$lib/ui/Slide.svelte';
  import Why from '$lib/ui/Why.svelte';
  import LadderRow from './LadderRow.svelte';

  /** The stacks from here to the goal, and where the shelf or the gate ends them. */
  type Props = {
    graded: GradedDial;
    stack: GradedStack;
    /** The rung that is looked at. */
    rung: Rung;
    shelf: readonly (Prop & { material: Material })[];
    shelfHref: string;
    unit: LengthUnit;
    onLook: (depthCm: number) => void;
  };
  let { graded, stack, rung, shelf, shelfHref, unit, onLook }: Props = $props();
  const value = $derived(dialAtRung(graded.dial, rung));
  const faultText: Readonly<Record<LadderFault['why'], string>> = {
    'no height between': 'the shelf has no height between',
    'goal not reached': 'the shelf does not reach the goal'
  };
</script>

<div>
  <h2 class="flex items-center gap-2">
    The steps on this shelf
    <Why about="the steps">
      <p>
        The stacks this shelf can make, from here to the goal: no step above {lengthText(usualStepCm.max, unit)} where there is one,
        steps as near to
        {lengthText(usualStepCm.wish, unit)} as possible, then the fewest changed props. Before it stand steps to go back to.
      </p>
      <p>
        {graded.dial.harder === 'up' ? 'Here a higher stack is harder.' : 'A higher stack is easier.'}
        {graded.dial.stack?.pairs === 2 ? 'The same stack is needed twice at once.' : ''} At most three props, one soft and on top,
        nothing on an upright block, no tall stack on a narrow foot (common practice).
      </p>
    </Why>
  </h2>
  {#if stack.rungs.length > 1}
    <Slide
      label="{graded.dial.name}: along the steps"
      max={stack.rungs.length - 1}
      value={Math.max(
        0,
        stack.rungs.findIndex((r) => r.depthCm === rung.depthCm)
      )}
      text={dialText(graded.dial, value, unit)}
      onmove={(i) => onLook(stack.rungs[i]?.depthCm ?? rung.depthCm)}
    />
  {/if}
  <LadderRow dial={graded.dial} rungs={stack.rungs} {shelf} {unit} nowCm={stack.rung.depthCm} lookedCm={rung.depthCm} {onLook} />
  {#each stack.faults as fault (fault.fromCm)}
    <p class="mt-1">
      <strong>{lengthText(Math.abs(fault.fromCm), unit)} to {lengthText(Math.abs(fault.toCm), unit)}</strong>: {faultText[
        fault.why
      ]}; one of
      {lengthText(fault.missingCm, unit)} would halve it.
      <a class="underline" href={shelfHref}>To the shelf</a>
    </p>
  {:else}
    <p class="mt-1 text-ink-soft">No gaps: the shelf covers every step.</p>
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
