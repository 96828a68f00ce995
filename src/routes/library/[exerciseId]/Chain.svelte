<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Dial, Setting } from '$lib/core';
  import { settingText } from '$lib/ui/dialText';

  /** The neighbours from easier to harder, as stairs; below a name, where the client stands. */
  type ChainStep = Readonly<{
    id: string;
    name: string;
    dials: readonly Dial[];
    perSide: boolean;
    today: Readonly<{ left: Setting; right: Setting }> | null;
  }>;
  type Props = {
    chain: readonly ChainStep[];
    hereId: string;
    /** Neighbours whose place is our own judgement. */
    judged: readonly string[];
    asClient: string;
    clientName: string | undefined;
    unit: LengthUnit;
  };
  let { chain, hereId, judged, asClient, clientName, unit }: Props = $props();
</script>

<section class="mt-4" aria-label="Easier to harder">
  <ol class="flex items-stretch overflow-x-auto border-b-[3px] border-ink">
    {#each chain as step, i (step.id)}
      {@const isHere = step.id === hereId}
      <li class="flex flex-none items-end">
        <a
          href="/library/{step.id}{asClient}"
          aria-current={isHere ? 'page' : undefined}
          class="block max-w-56 min-w-28 rounded-t-soft border border-b-0 px-3 py-2 leading-tight {isHere
            ? 'border-mulberry bg-paper font-bold shadow-[inset_0_-5px_0_var(--color-mulberry)]'
            : 'border-line bg-paper hover:border-ink'}"
          style:min-height="{(chain.some((s) => s.today) ? 6.2 : 3.6) + (chain.length - 1 - i) * 0.35}rem"
        >
          {step.name}
          {#if step.today}
            <span class="block font-normal text-ink-soft">
              {#if step.perSide}L {settingText(step.dials, step.today.left, unit)}<br />R {settingText(
                  step.dials,
                  step.today.right,
                  unit
                )}{:else}{settingText(step.dials, step.today.left, unit)}{/if}
            </span>
          {/if}
        </a>
      </li>
    {/each}
  </ol>
  <p class="mt-1 text-ink-soft">
    {#if chain.length === 1}
      No easier and no harder exercise is listed.
    {:else}
      Easier on the left, harder on the right.
      {#if hereId === chain[0]?.id}This is the easiest of the row.{:else if hereId === chain.at(-1)?.id}This is the hardest of the
        row.{/if}
    {/if}
    {#if clientName && chain.some((s) => s.today)}Below a name stands where {clientName} is.{/if}
    {#if judged.length > 0}Part of this order is our own judgement: {judged.join(', ')}.{/if}
  </p>
</section>
