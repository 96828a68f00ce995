<script lang="ts">
  import { reasonText, type GateReason } from '$lib/core';

  /** What the gate says of an exercise: what bars it, what keeps it within, what to keep in mind. */
  type Props = {
    bars?: readonly GateReason[];
    within?: readonly GateReason[];
    remember?: readonly GateReason[];
    /** Where a stop is cleared and a limit relaxed. */
    checkHref?: string;
    /** Smaller, without headings: beside the mat. */
    compact?: boolean;
  };
  let { bars = [], within = [], remember = [], checkHref, compact = false }: Props = $props();
  const barTexts = $derived([...new Set(bars.map(reasonText))]);
  const withinTexts = $derived([...new Set(within.map(reasonText))].filter((t) => !barTexts.includes(t)));
  const rememberTexts = $derived([...new Set(remember.map(reasonText))].filter((t) => !withinTexts.includes(t)));
</script>

{#if barTexts.length > 0}
  <div class="rounded-soft border-2 border-stop px-4 py-2 font-semibold text-stop" role="alert">
    {#each barTexts as text (text)}<p>{text}</p>{/each}
    {#if checkHref}<p><a class="underline" href={checkHref}>To the Check</a></p>{/if}
  </div>
{/if}
{#if compact && (withinTexts.length > 0 || rememberTexts.length > 0)}
  <p class="border-l-4 border-stop pl-2 text-base leading-snug max-sm:text-sm max-sm:leading-tight">
    {[...withinTexts, ...rememberTexts].join(' ')}
  </p>
{:else if withinTexts.length > 0 || rememberTexts.length > 0}
  <ul aria-label="Limits that bear on this" class="flex flex-wrap gap-2 leading-snug">
    {#each withinTexts as text (text)}<li class="rounded-soft border border-stop px-3 py-1 font-semibold">{text}</li>{/each}
    {#each rememberTexts as text (text)}<li class="rounded-soft border border-line px-3 py-1">{text}</li>{/each}
  </ul>
{/if}
