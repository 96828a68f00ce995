<script lang="ts">
  import { postAction } from '$lib/ui/sending';

  /** Which of several goals the stations speak of. */
  type Props = { goals: readonly { id: number; name: string }[]; goalId: number; base: string };
  let { goals, goalId, base }: Props = $props();
</script>

<select
  class="input max-w-44"
  aria-label="Goal in work"
  onchange={(e) => void postAction(`${base}/goal?/work`, { goalId: e.currentTarget.value })}
>
  {#each goals as goal (goal.id)}<option value={goal.id} selected={goal.id === goalId}>{goal.name}</option>{/each}
</select>
