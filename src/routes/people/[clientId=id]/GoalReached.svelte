<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import { headlineText, shortDate } from '$lib/ui/format';
  import { isGoalReached, type LatestOfGoal } from '$lib/ui/goalReached';

  /** Tells that a goal is reached, with the three ways to go on. Nothing where it is not. */
  type Props = {
    goal: { id: number; headline: string; target: number | null };
    latest: readonly LatestOfGoal[];
    unit: LengthUnit;
    /** Address of the client. */
    base: string;
  };
  let { goal, latest, unit, base }: Props = $props();
  const isReached = $derived(isGoalReached(goal, latest, unit));
  const measures = $derived(
    latest.map(
      ({ side, value, takenOn }) =>
        `${side ? `${side} ` : ''}${headlineText(value!, goal.headline, unit)}, ${shortDate(takenOn!)}`
    )
  );
</script>

{#if isReached}
  <div
    role="status"
    class="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b-2 border-mulberry bg-paper px-5 py-1.5 leading-snug print:hidden"
  >
    <p><strong>The goal is reached</strong>: {measures.join('; ')}.</p>
    <p class="flex flex-wrap gap-x-4 gap-y-1">
      <a class="inline-flex min-h-6 items-center font-semibold underline" href="{base}/plan?then=hold">Hold it, twice a week</a>
      <a class="inline-flex min-h-6 items-center font-semibold underline" href="{base}/goal?goal={goal.id}">Go further</a>
      <a class="inline-flex min-h-6 items-center font-semibold underline" href="{base}/goal?goal=new">Another goal</a>
    </p>
  </div>
{/if}
