<script lang="ts">
  import type { Snippet } from 'svelte';

  /** What is wider than a narrow screen: it scrolls sideways by itself, by touch, and by keyboard once it is reached. */
  type Props = { label: string; class?: string; children: Snippet };
  let { label, class: className = '', children }: Props = $props();
  let box: HTMLElement | undefined = $state();
  let width = $state(0);
  let inner = $state(0);
  const scrolls = $derived(box !== undefined && inner > 0 && box.scrollWidth > width);
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  bind:this={box}
  bind:clientWidth={width}
  class="overflow-x-auto {className}"
  role={scrolls ? 'region' : undefined}
  aria-label={scrolls ? label : undefined}
  tabindex={scrolls ? 0 : undefined}
>
  <div bind:clientWidth={inner}>{@render children()}</div>
</div>
