<script lang="ts">
  import { effortsOf, withRound, type Deepening } from '$lib/core';
  import { deepeningWords } from '$lib/words/cueWords';
  import FigureNumber from '../FigureNumber.svelte';
  import type { CycleDraft } from './cycle.svelte';

  /** What a round has of its own: how long its efforts are kept and how it goes deeper. Its peaks stand with the efforts. */
  type Props = {
    draft: CycleDraft;
    /** Nothing goes deeper for now. */
    stays: boolean;
  };
  let { draft, stays }: Props = $props();
  const cycle = $derived(draft.value);
  const rounds = $derived(Array.from({ length: cycle.rounds }, (_, i) => i));
  const keeps = { press: 'Keep the press', draw: 'Keep the draw' } as const;
  const kinds = $derived((['press', 'draw'] as const).filter((kind) => cycle[kind]));
  const deepeningAt = (round: number) => cycle.perRound?.[round]?.deepening ?? '';
</script>

{#if cycle.rounds > 1}
  <details class="card mb-4 break-inside-avoid">
    <summary class="min-h-11 cursor-pointer font-semibold">Round by round</summary>
    {#each rounds as round (round)}
      <fieldset class="mt-2 flex flex-col gap-1.5 border-t border-line pt-2">
        <legend class="sr-only">Round {round + 1}</legend>
        {#each kinds as kind (kind)}
          <FigureNumber
            label="{keeps[kind]}, round {round + 1}"
            unit="s"
            value={effortsOf(cycle, round)[kind]!.holdS}
            min={draft.bounds.contractionS.min}
            max={draft.bounds.contractionS.max}
            step={draft.bounds.contractionS.step}
            onvalue={(holdS) => draft.take(withRound(cycle, round, { [kind]: { holdS } }))}
          />
        {/each}
        {#if !stays}
          <label class="flex flex-col gap-1">
            <span>How it goes deeper, round {round + 1}</span>
            <select
              class="input"
              value={deepeningAt(round)}
              onchange={(e) =>
                draft.take(withRound(cycle, round, { deepening: (e.currentTarget.value || undefined) as Deepening | undefined }))}
            >
              <option value="">as in every round</option>
              {#each Object.entries(deepeningWords) as [id, words] (id)}<option value={id}>{words}</option>{/each}
            </select>
          </label>
        {/if}
      </fieldset>
    {/each}
  </details>
{/if}
