<script lang="ts">
  import { Popover } from 'bits-ui';
  import type { Snippet } from 'svelte';

  type Props = {
    /** What is asked about, for the button's name. */
    about: string;
    children: Snippet;
  };
  let { about, children }: Props = $props();
  let open = $state(false);
  /** Not inside the line it stands in, which would then read it out too, but in the region of the page. */
  const region = $derived(open ? (document.querySelector('main') ?? undefined) : undefined);
</script>

<Popover.Root bind:open>
  <Popover.Trigger
    class="relative inline-flex h-6 w-6 items-center justify-center rounded-full border border-edge align-middle text-sm font-bold text-ink-soft after:absolute after:-inset-2.5 after:content-[''] hover:border-ink hover:text-ink"
    aria-label="Where this comes from: {about}">?</Popover.Trigger
  >
  <Popover.Portal to={region}>
    <Popover.Content
      sideOffset={6}
      collisionPadding={12}
      class="z-50 flex max-w-96 flex-col gap-2 rounded-soft border border-edge bg-paper p-4 text-ink shadow-raised"
    >
      {@render children()}
    </Popover.Content>
  </Popover.Portal>
</Popover.Root>
