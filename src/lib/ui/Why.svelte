<script lang="ts">
  import { Popover } from 'bits-ui';
  import type { Snippet } from 'svelte';

  type Props = {
    /** What is asked about, for the button's name. */
    about: string;
    children: Snippet;
  };
  let { about, children }: Props = $props();
</script>

<Popover.Root>
  <Popover.Trigger
    class="inline-flex h-6 w-6 items-center justify-center rounded-full border border-edge align-middle text-sm font-bold text-ink-soft hover:border-ink hover:text-ink"
    aria-label="Where this comes from: {about}">?</Popover.Trigger
  >
  <Popover.Portal>
    <Popover.Content
      sideOffset={6}
      collisionPadding={12}
      class="z-50 flex max-w-96 flex-col gap-2 rounded-soft border border-edge bg-paper p-4 text-ink shadow-raised"
    >
      {@render children()}
    </Popover.Content>
  </Popover.Portal>
</Popover.Root>
