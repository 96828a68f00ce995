<script lang="ts">
  import type { PlanWishesState } from './wishes.svelte';

  /** Which of the weeks to come are easy. */
  let { weeks, wishes }: { weeks: readonly number[]; wishes: PlanWishesState } = $props();
</script>

<section aria-labelledby="easy">
  <h2 id="easy">Easy weeks</h2>
  <p class="mb-2 text-ink-soft">The same exercises with about 60 % of the sets. Usually every fourth week.</p>
  <div class="flex flex-wrap gap-2">
    {#each weeks as week (week)}
      {@const isEasy = wishes.easyWeeks?.includes(week)}
      <button
        type="button"
        class="btn min-w-11 {isEasy ? 'border-mulberry bg-line/60 text-mulberry' : ''}"
        aria-pressed={isEasy}
        onclick={() => wishes.toggleEasy(week)}>Week {week}{isEasy ? ', easy' : ''}</button
      >
    {/each}
  </div>
</section>
