<script lang="ts">
  import { Tooltip } from 'bits-ui';
  import type { Snippet } from 'svelte';

  /** A word more about what stands there, by pointer or keyboard; the page must be whole without it. */
  type Props = { text: string; children: Snippet<[Record<string, unknown>]> };
  let { text, children }: Props = $props();
</script>

<Tooltip.Provider>
  <Tooltip.Root delayDuration={300}>
    <Tooltip.Trigger>
      {#snippet child({ props })}{@render children(props)}{/snippet}
    </Tooltip.Trigger>
    <!-- In its place, not at the end of the page: it belongs to the region it speaks of. -->
    <Tooltip.Content
      strategy="fixed"
      sideOffset={4}
      collisionPadding={12}
      class="z-50 max-w-72 rounded-soft border border-edge bg-paper px-3 py-2 leading-tight text-ink shadow-raised"
    >
      {text}
    </Tooltip.Content>
  </Tooltip.Root>
</Tooltip.Provider>
