<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { Dialog } from 'bits-ui';
  import type { Snippet } from 'svelte';
  import type { Measure } from '$lib/core';
  import { capital } from '$lib/ui/format';

  /** The whole screen for one thing that is measured: read from two metres, one hand free. */
  type Props = {
    measure: Measure;
    /** After the name of the measure: how it is taken. */
    how: string;
    /** @bindable */
    open: boolean;
    children: Snippet;
  };
  let { measure, how, open = $bindable(), children }: Props = $props();
  /** What must not be done, in view the whole time: the measure's own, else the usual. */
  const caution = $derived(measure.caution ?? 'Stop at a strong stretch.');
</script>

<Dialog.Root bind:open>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-veil" />
    <Dialog.Content
      class="fixed inset-0 z-50 flex flex-col overflow-y-auto bg-chalk text-ink lg:inset-3 lg:rounded-soft"
      onOpenAutoFocus={(e) => e.preventDefault()}
    >
      <div class="flex items-center gap-4 border-b border-line bg-paper px-5 py-2">
        <div class="flex grow flex-wrap items-center gap-x-6">
          <Dialog.Title class="text-xl leading-tight font-bold">{capital(measure.name)}, {how}</Dialog.Title>
          <p class="font-semibold text-stop">{caution} Sharp pain, tingling or numbness ends the measuring.</p>
        </div>
        <Dialog.Close class="btn btn-quiet flex-none" aria-label="Close"><X size={20} /></Dialog.Close>
      </div>
      {@render children()}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
