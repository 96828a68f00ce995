<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import { changeRules, type Change, type ChangeSoFar, type Measure } from '$lib/core';
  import { changeText, valueText } from './format';
  import Why from './Why.svelte';

  type Props = {
    /** Of two occasions, or of all that were taken alike. */
    change: Change | ChangeSoFar | null;
    measure: Pick<Measure, 'unit'>;
    unit: LengthUnit;
    /** When the other measure was taken. */
    since?: string;
  };
  let { change, measure, unit, since = '' }: Props = $props();
  const otherText = { measurer: 'by another measurer', 'time of day': 'at another time of day' } as const;
  const others = $derived(change && 'others' in change ? change.others.map((o) => otherText[o]).join(' and ') : '');
  const size = (value: number) => valueText(value, { unit: measure.unit }, unit);
</script>

{#if change}
  <span class="text-ink"
    >{changeText(change.before, change.after, measure, unit)}{since ? ` since ${since}` : ''}:
    <strong>{change.verdict}</strong>{#if 'others' in change && others}; taken {others}, which alone may account for up to {size(
        change.othersMargin
      )}{/if}</span
  >
  <Why about="whether the change is real">
    {#if 'measures' in change}
      <p>
        A straight line through {change.measures === 2 ? 'both' : `all ${change.measures}`} measures since then, each weighed by its
        error, against the error of the line. Each further measure is a further chance to be wrong, so that a word needs more of them:
        of a hundred people who do not change, at most {100 * changeRules.realChance} are ever told a real change of a side, and
        {100 * changeRules.likelyChance} a likely one.
      </p>
      {#if others}<p>What was measured by another person or at another hour counts as less sure.</p>{/if}
    {:else}
      <p>
        Both occasions have an error; together {size(change.sd)}. A change is real from 1.96 times that, {size(change.mdc95)};
        likely from 1.28 times, {size(change.mdc80)}. Below that it is not shown: it may be there or not.
      </p>
    {/if}
    <p>
      Only measures taken alike are compared: state, way and support. Source: {'measures' in change
        ? 'weighted least squares, and a chance of error shared over all looks'
        : 'minimal detectable change'}, the textbook form.
    </p>
  </Why>
{:else if !since}
  First measure taken this way in this state.
{/if}
