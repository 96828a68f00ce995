<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { DialChange } from '$lib/contract/grade';
  import type { Dial, Side } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import { shortDate } from '$lib/ui/format';

  type Props = { history: readonly DialChange[]; dials: readonly Dial[]; side: Side | null; unit: LengthUnit };
  let { history, dials, side, unit }: Props = $props();
</script>

<section>
  <h2>History{side ? `, ${side}` : ''}</h2>
  {#if history.length === 0}
    <p class="text-ink-soft">Nothing was changed yet.</p>
  {:else}
    <ol class="mt-1 flex flex-col gap-1">
      {#each history.slice(0, 12) as change, i (i)}
        {@const dial = dials.find((d) => d.id === change.dial)}
        <li class="flex gap-3">
          <span class="w-16 flex-none text-ink-soft">{shortDate(change.on)}</span>
          <span
            >{dial?.name ?? change.dial}
            {#if dial}{change.from === null
                ? dialText(dial, change.to, unit)
                : `${dialText(dial, change.from, unit)} → ${dialText(dial, change.to, unit)}`}{:else}{change.to}{/if}
            <span class="text-ink-soft"
              >{change.by === 'verdict' ? 'decided in Review' : ''}{change.reason ? `before its day: ${change.reason}` : ''}</span
            ></span
          >
        </li>
      {/each}
    </ol>
  {/if}
</section>
