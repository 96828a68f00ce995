<script lang="ts">
  import FieldFrame from '$lib/ui/FieldFrame.svelte';

  /** A field of several lines, one thing a line. */
  type Props = { label: string; name: string; value: string; rows?: number; hint?: string; error?: string };
  let { label, name, value, rows = 3, hint, error }: Props = $props();
  const id = $props.id();
</script>

<FieldFrame {id} {label} {hint} {error}>
  {#snippet children(aria)}
    <textarea {id} {name} {rows} class="input" defaultValue={value} {...aria}></textarea>
  {/snippet}
</FieldFrame>
