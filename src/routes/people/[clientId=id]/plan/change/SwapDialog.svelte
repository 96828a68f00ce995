<script lang="ts">
  import { enhance } from '$app/forms';
  import { page } from '$app/state';
  import ArrowLeftRight from '@lucide/svelte/icons/arrow-left-right';
  import X from '@lucide/svelte/icons/x';
  import { Dialog } from 'bits-ui';
  import { formProblem, type FormState } from '$lib/ui/formState';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { sending } from '$lib/ui/sending';
  import SolvingNote from '../SolvingNote.svelte';
  import { Solving } from '../solving.svelte';

  /** Another exercise in the place of one of the week: its neighbours first, then what works the same motion. What is not open is not offered. */
  type Props = { exercise: Readonly<{ id: string; name: string }>; base: string; version: number; form: FormState };
  let { exercise, base, version, form }: Props = $props();
  type Offered = { id: string; name: string; why: string };
  const solving = new Solving();
  /** Opened by whoever comes from where the exchange was proposed. */
  let isOpen = $derived(page.url.searchParams.get('swap') === exercise.id);
  let offered = $state.raw<readonly Offered[] | 'lost' | null>(null);
  async function ask(): Promise<void> {
    offered = null;
    const told = await fetch(`${base}/plan/change/swap.json?exercise=${exercise.id}`).catch(() => null);
    offered = told?.ok ? ((await told.json()) as Offered[]) : 'lost';
  }
  $effect(() => {
    if (isOpen) void ask();
  });
</script>

<Dialog.Root bind:open={isOpen}>
  <Dialog.Trigger type="button" class="btn btn-quiet min-w-11 px-2" aria-label="Swap {exercise.name} for another"
    ><ArrowLeftRight size={16} /></Dialog.Trigger
  >
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-black/40" />
    <Dialog.Content
      class="fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[min(34rem,94vw)] -translate-x-1/2 -translate-y-1/2 flex-col gap-3 overflow-y-auto rounded-soft border border-edge bg-paper p-5"
    >
      <div class="flex items-start justify-between gap-3">
        <Dialog.Title class="text-xl font-bold">In place of {exercise.name}</Dialog.Title>
        <Dialog.Close class="btn btn-quiet" aria-label="Close"><X size={20} /></Dialog.Close>
      </div>
      <Dialog.Description class="text-ink-soft">
        It takes its place in the week and in what was wished of it, and what is to come is solved again.
      </Dialog.Description>
      <ProblemNote text={formProblem(form)} />
      {#if offered === null}
        <p aria-live="polite">Looking for what is open to this person …</p>
      {:else if offered === 'lost'}
        <p role="alert">
          The exercises did not arrive. <button type="button" class="font-semibold underline" onclick={() => void ask()}
            >Ask once more</button
          >
        </p>
      {:else if offered.length === 0}
        <p>Nothing else that is open to this person works the same motion.</p>
      {:else}
        <form
          method="POST"
          action="?/swap"
          use:enhance={solving.watched(
            sending(async ({ result, update }) => {
              await update({ reset: false });
              isOpen = result.type !== 'redirect';
            })
          )}
        >
          <input type="hidden" name="basedOnVersion" value={version} />
          <input type="hidden" name="exerciseId" value={exercise.id} />
          {#if solving.isRunning}
            <div class="mb-2 flex flex-wrap items-center gap-3" aria-live="polite"><SolvingNote {solving} /></div>
          {/if}
          <ul>
            {#each offered as other (other.id)}
              <li class="border-t border-line">
                <button
                  class="flex min-h-11 w-full flex-wrap items-baseline gap-x-2 rounded-soft px-2 py-2 text-left hover:bg-chalk"
                  name="by"
                  value={other.id}
                  ><span class="font-semibold">{other.name}</span><span class="text-ink-soft">{other.why}</span></button
                >
              </li>
            {/each}
          </ul>
        </form>
      {/if}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
