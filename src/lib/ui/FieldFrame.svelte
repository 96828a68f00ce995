<script lang="ts">
  import type { Snippet } from 'svelte';

  /** What every field has about it: its name above, and below what is wrong with it, or else a hint. */
  type Aria = Readonly<{ 'aria-invalid': 'true' | undefined; 'aria-describedby': string | undefined }>;
  type Props = {
    /** Of the field inside. */
    id: string;
    label: string;
    /** Shown after the label, small. */
    unit?: string;
    hint?: string;
    error?: string;
    children: Snippet<[Aria]>;
  };
  let { id, label, unit, hint, error, children }: Props = $props();
  const aria = $derived<Aria>({
    'aria-invalid': error ? 'true' : undefined,
    'aria-describedby': error ? `${id}-error` : hint ? `${id}-hint` : undefined
  });
</script>

<div class="flex flex-col gap-1">
  <label for={id} class="font-semibold">
    {label}
    {#if unit}<span class="font-normal text-ink-soft">{unit}</span>{/if}
  </label>
  {@render children(aria)}
  {#if error}
    <p id="{id}-error" class="font-semibold text-stop" role="alert">{error}</p>
  {:else if hint}
    <p id="{id}-hint" class="text-ink-soft">{hint}</p>
  {/if}
</div>
