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
    /** It may stay empty, and says so. */
    optional?: boolean;
    error?: string;
    children: Snippet<[Aria]>;
  };
  let { id, label, unit, hint, optional = false, error, children }: Props = $props();
  const aria = $derived<Aria>({
    'aria-invalid': error ? 'true' : undefined,
    'aria-describedby':
      [error && `${id}-error`, optional && `${id}-optional`, hint && `${id}-hint`].filter(Boolean).join(' ') || undefined
  });
</script>

<div class="flex flex-col gap-1">
  <div class="flex items-baseline gap-2">
    <label for={id} class="font-semibold">
      {label}
      {#if unit}<span class="font-normal text-ink-soft">{unit}</span>{/if}
    </label>
    {#if optional}<span id="{id}-optional" class="ml-auto text-ink-soft">optional</span>{/if}
  </div>
  {@render children(aria)}
  {#if error}
    <p id="{id}-error" class="font-semibold text-stop" role="alert">{error}</p>
  {/if}
  {#if hint}
    <p id="{id}-hint" class="text-ink-soft">{hint}</p>
  {/if}
</div>
