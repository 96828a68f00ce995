<script lang="ts">
  import { enhance } from '$app/forms';
  import type { Exercise } from '$lib/core';
  import { capital } from '$lib/ui/format';
  import { sending } from '$lib/ui/sending';

  /** In which of its variants an exercise is done; each keeps a log of its own. Tapped is kept. */
  type Props = { exercise: Exercise; chosen: string | null };
  let { exercise, chosen }: Props = $props();
  const now = $derived(exercise.variants.includes(chosen ?? '') ? chosen : exercise.variants[0]);
</script>

<form
  method="POST"
  action="?/variant"
  use:enhance={sending(({ update }) => update())}
  aria-label="Variant"
  class="flex flex-wrap items-center gap-2"
>
  <input type="hidden" name="exerciseId" value={exercise.id} />
  <span class="font-semibold">Variant</span>
  {#each exercise.variants as variant (variant)}
    <button class="btn" name="variant" value={variant} aria-pressed={variant === now}>{capital(variant)}</button>
  {/each}
</form>
