<script lang="ts">
  import { AlertDialog } from 'bits-ui';
  import type { Snippet } from 'svelte';
  import type { SubmitFunction } from '@sveltejs/kit';
  import { enhance } from '$app/forms';
  import { sending } from './sending';

  /** What cannot be undone is asked once more, with what goes by it. */
  type Props = {
    title: string;
    text: string;
    /** On the button that does it. */
    yes: string;
    action?: string;
    /** Does it on this device instead, where no server has a part in it. */
    run?: () => Promise<void>;
    fields?: Readonly<Record<string, string | number>>;
    /** Name of the button that asks, where its face does not say it. */
    label?: string;
    /** Face of the button that asks. */
    children: Snippet;
  };
  let { title, text, yes, action, run, fields = {}, label, children }: Props = $props();
  let open = $state(false);

  const sent = sending(async ({ update }) => {
    await update();
    open = false;
  });
  const here: SubmitFunction = ({ cancel }) => {
    cancel();
    void run?.().then(() => (open = false));
  };
</script>

<AlertDialog.Root bind:open>
  <AlertDialog.Trigger class="btn btn-quiet" aria-label={label}>{@render children()}</AlertDialog.Trigger>
  <AlertDialog.Portal>
    <AlertDialog.Overlay class="fixed inset-0 z-40 bg-veil" />
    <AlertDialog.Content
      class="fixed top-1/2 left-1/2 z-50 w-[min(30rem,calc(100vw-2rem))] -translate-x-1/2 -translate-y-1/2 rounded-soft border border-edge bg-paper p-5 text-ink"
    >
      <AlertDialog.Title class="text-xl font-bold">{title}</AlertDialog.Title>
      <AlertDialog.Description class="mt-2">{text}</AlertDialog.Description>
      <form method="POST" {action} class="mt-4 flex flex-wrap justify-end gap-3" use:enhance={run ? here : sent}>
        {#each Object.entries(fields) as [name, value] (name)}<input type="hidden" {name} {value} />{/each}
        <AlertDialog.Cancel class="btn" type="button">Leave it as it is</AlertDialog.Cancel>
        <button class="btn border-2 border-stop text-stop">{yes}</button>
      </form>
    </AlertDialog.Content>
  </AlertDialog.Portal>
</AlertDialog.Root>
