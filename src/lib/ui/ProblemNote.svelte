<script lang="ts">
  /** What went wrong with a form or a page, above it. */
  let { text }: { text?: string } = $props();
</script>

{#if text}
  <p class="rounded-soft border-2 border-stop bg-paper px-4 py-3 font-semibold text-stop" role="alert">{text}</p>
{/if}
