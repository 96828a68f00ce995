<script lang="ts">
  import { version } from '$app/environment';
  import { figureHref } from '$lib/contract/figureAsk';
  import type { Exercise } from '$lib/core';

  /** The small figure of an exercise beside its name, fetched when it comes into view; an empty place where it has none. */
  type Props = { exercise: Pick<Exercise, 'pose' | 'path'>; class?: string };
  let { exercise, class: className = 'h-11 w-14' }: Props = $props();
  const href = $derived(figureHref(exercise, version));
</script>

{#if href}
  <img src={href} alt="" loading="lazy" class="{className} flex-none object-contain" />
{:else}
  <span class="{className} flex-none"></span>
{/if}
