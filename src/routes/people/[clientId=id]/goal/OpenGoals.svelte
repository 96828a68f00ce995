<script lang="ts">
  import { enhance } from '$app/forms';
  import { keepTyped, undoable } from '$lib/ui/sending';

  type Props = {
    goals: readonly { id: number; name: string; eventName: string }[];
    inWorkId: number | null;
    editingId: number | null;
    base: string;
  };
  let { goals, inWorkId, editingId, base }: Props = $props();
</script>

<aside class="card flex flex-col gap-4 self-start" aria-label="Goals of this person">
  <h2>Goals</h2>
  <ul class="flex flex-col gap-3">
    {#each goals as goal (goal.id)}
      <li class="border-t border-line pt-3 first:border-0 first:pt-0">
        <a
          class="text-lg font-semibold underline-offset-4 hover:underline"
          href="{base}/goal?goal={goal.id}"
          aria-current={goal.id === editingId ? 'true' : undefined}
        >
          {goal.name}
        </a>
        <p class="text-ink-soft">
          {goal.id === inWorkId ? 'in work: every station speaks of it' : goal.eventName || 'beside it'}
        </p>
        <div class="mt-1 flex gap-2">
          {#if goal.id !== inWorkId}
            <form method="POST" action="{base}/goal?/work" use:enhance={keepTyped}>
              <input type="hidden" name="goalId" value={goal.id} />
              <button class="btn" aria-label="Work on: {goal.name}">Work on it</button>
            </form>
          {/if}
          <form
            method="POST"
            action="{base}/goal?/close"
            use:enhance={undoable(() => ({
              told: `${goal.name} is ended; its measures stay`,
              action: `${base}/goal?/reopen`,
              fields: { goalId: goal.id }
            }))}
          >
            <input type="hidden" name="goalId" value={goal.id} />
            <button class="btn btn-quiet" aria-label="End: {goal.name}">End it</button>
          </form>
        </div>
      </li>
    {/each}
  </ul>
  <a class="btn self-start" href="{base}/goal?goal=new">Another goal</a>
</aside>
