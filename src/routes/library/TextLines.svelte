<script lang="ts">
  /** A field of several lines, one thing a line. */
  type Props = { label: string; name: string; value: string; rows?: number; hint?: string; error?: string };
  let { label, name, value, rows = 3, hint, error }: Props = $props();
  const id = $props.id();
</script>

<div class="flex flex-col gap-1">
  <label for={id} class="font-semibold">{label}</label>
  <textarea
    {id}
    {name}
    {rows}
    class="input"
    defaultValue={value}
    aria-invalid={error ? 'true' : undefined}
    aria-describedby={error ? `${id}-error` : hint ? `${id}-hint` : undefined}></textarea>
  {#if error}
    <p id="{id}-error" class="font-semibold text-stop" role="alert">{error}</p>
  {:else if hint}
    <p id="{id}-hint" class="text-ink-soft">{hint}</p>
  {/if}
</div>
