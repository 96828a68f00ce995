<script lang="ts">
  import type { Plateau } from '$lib/core';
  import { numberText, plural } from '$lib/ui/format';

  type Props = { plateau: Plateau; attended: { done: number; due: number }; base: string };
  let { plateau, attended, base }: Props = $props();
  const weeks = $derived(plural(Math.round(plateau.weeks), 'week'));
</script>

{#if plateau.verdict === 'attendance first'}
  <p class="mt-2 rounded-soft border-2 border-ink px-3 py-2" role="status">
    <strong>It stands still, and few sessions were done:</strong>
    {attended.done} of {attended.due} due. The plan is not to blame before they are.
    <a class="font-semibold underline" href="{base}/plan">Fewer or shorter sessions a week</a> may be kept better.
  </p>
{:else if plateau.verdict === 'change the stimulus'}
  <p class="mt-2 rounded-soft border-2 border-ink px-3 py-2" role="status">
    <strong>It stands still:</strong> over {weeks} and {plural(plateau.measures, 'measure')} the rate is very likely under {numberText(
      plateau.leastPerWeek
    )} a week, with {attended.done} of {attended.due} sessions done. Another stimulus is due:
    <a class="font-semibold underline" href="{base}/read">what limits it now</a>,
    <a class="font-semibold underline" href="{base}/grade">another exercise or school</a>.
  </p>
{/if}
