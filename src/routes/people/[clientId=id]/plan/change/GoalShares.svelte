<script lang="ts">
  import { goalWeights, type AlsoServed } from '$lib/core';
  import type { PlanWishesState } from './wishes.svelte';

  /** Other goals of the same person, and what their minutes count in this plan. */
  type Props = {
    goals: readonly Readonly<{ id: number; name: string; shared: string }>[];
    goalName: string;
    wishes: PlanWishesState;
  };
  let { goals, goalName, wishes }: Props = $props();
</script>

<section aria-labelledby="goals">
  <h2 id="goals">Goals that share the minutes</h2>
  <ul class="flex flex-col">
    {#each goals as goal (goal.id)}
      <li class="border-t border-line py-1.5">
        <label class="flex flex-wrap items-center gap-x-3 gap-y-1">
          <span class="min-w-48 font-semibold">{goal.name}</span>
          <select
            class="input w-72"
            value={wishes.also.find((a) => a.goalId === goal.id)?.weight ?? ''}
            onchange={(e) => wishes.setServed(goal.id, (e.currentTarget.value || null) as AlsoServed['weight'] | null)}
          >
            <option value="">not in this plan</option>
            {#each goalWeights as weight (weight)}<option value={weight}>counts {weight} as “{goalName}”</option>{/each}
          </select>
        </label>
        <p class="text-ink-soft">{goal.shared}</p>
      </li>
    {/each}
  </ul>
  <p class="text-ink-soft">A goal that comes in brings its exercises of the week; they stand in Grade beside the others.</p>
</section>
