<script lang="ts">
  import { enhance } from '$app/forms';
  import { removedDays } from '$lib/contract/fields';
  import { keepTyped } from '$lib/ui/sending';
  import { dateTimeText } from '$lib/ui/format';

  /** What was taken out of a list and can still be put back. */
  type Item = Readonly<{ id: number | string; text: string; removedAt: string }>;
  /** `field` names the id in the form; `action` may hang on the item. */
  type Props = { items: readonly Item[]; field: string; action: string | ((id: Item['id']) => string) };
  let { items, field, action }: Props = $props();
</script>

{#if items.length > 0}
  <details class="card mt-5">
    <summary class="font-semibold">Taken out in the last {removedDays} days</summary>
    <ul class="mt-2 flex flex-col gap-1">
      {#each items as { id, text, removedAt } (id)}
        <li class="flex flex-wrap items-center gap-x-4">
          <span class="min-w-0 grow wrap-anywhere">{text}, taken out {dateTimeText(removedAt)}</span>
          <form method="POST" action={typeof action === 'string' ? action : action(id)} use:enhance={keepTyped}>
            <input type="hidden" name={field} value={id} />
            <button class="btn" aria-label="Put back: {text}">Put back</button>
          </form>
        </li>
      {/each}
    </ul>
  </details>
{/if}
