<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { Dialog } from 'bits-ui';
  import type { Snippet } from 'svelte';

  /** The whole screen for one thing that is measured: read from two metres, one hand free. */
  type Props = {
    title: string;
    /** What must not be done, in view the whole time. */
    caution?: string;
    /** @bindable */
    open: boolean;
    children: Snippet;
  };
  let { title, caution, open = $bindable(), children }: Props = $props();
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-[#1b262e]/70" />
    <Dialog.Content
      class="fixed inset-0 z-50 flex flex-col overflow-y-auto bg-chalk text-ink lg:inset-3 lg:rounded-soft"
      onOpenAutoFocus={(e) => e.preventDefault()}
    >
      <div class="flex flex-wrap items-center gap-x-6 border-b border-line bg-paper px-5 py-2">
        <Dialog.Title class="text-xl leading-tight font-bold">{title}</Dialog.Title>
        <p class="grow font-semibold text-stop">{caution ?? ''}</p>
        <Dialog.Close class="btn btn-quiet" aria-label="Close"><X size={20} /></Dialog.Close>
      </div>
      {@render children()}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
