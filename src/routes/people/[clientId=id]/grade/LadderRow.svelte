<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import { dialAtRung, type Dial, type Material, type Prop, type Rung } from '$lib/core';
  import StackDrawing from '$lib/ui/drawing/StackDrawing.svelte';
  import { dialText } from '$lib/ui/dialText';
  import { lengthNumber } from '$lib/ui/format';
  import { stackText } from '$lib/ui/stackText';

  type Props = {
    dial: Dial;
    rungs: readonly Rung[];
    shelf: readonly (Prop & { material: Material })[];
    unit: LengthUnit;
    /** The rung in use. */
    nowCm: number;
    lookedCm: number;
    onLook: (depthCm: number) => void;
  };
  let { dial, rungs, shelf, unit, nowCm, lookedCm, onLook }: Props = $props();
  const perCm = $derived(Math.min(2.2, 110 / Math.max(20, ...rungs.map((r) => r.heightCm))));
  const height = $derived(Math.max(20, ...rungs.map((r) => r.heightCm)) * perCm + 6);
  const isHarderUp = $derived(dial.harder === 'up');
</script>

<ol class="flex max-w-full items-end overflow-x-auto border-b-[3px] border-ink" aria-label="Steps, from easier to the goal">
  {#each rungs as rung (rung.depthCm)}
    <li class="flex-1">
      <button
        class="flex min-h-11 w-full min-w-14 flex-col items-center justify-end rounded-t-soft px-1 pt-1 hover:bg-paper {rung.depthCm ===
        lookedCm
          ? 'bg-paper shadow-[inset_0_-5px_0_var(--color-mulberry)]'
          : ''}"
        aria-label="{dialText(dial, dialAtRung(dial, rung), unit)}: {stackText(rung.items, shelf)}{rung.depthCm === nowCm
          ? ', in use'
          : ''}"
        aria-pressed={rung.depthCm === lookedCm}
        onclick={() => onLook(rung.depthCm)}
      >
        <span class={rung.depthCm === nowCm ? 'text-lg font-bold' : 'text-ink-soft'}>
          {rung.depthCm === 0 ? 'floor' : `${rung.depthCm < 0 && !isHarderUp ? '−' : ''}${lengthNumber(rung.heightCm, unit)}`}
        </span>
        <svg width="54" {height} viewBox="-27 {-height} 54 {height}" aria-hidden="true">
          <g transform="scale(1 -1)"
            ><StackDrawing items={rung.items} {shelf} x={0} {perCm} acrossPerCm={1.7} pale={rung.depthCm > nowCm} /></g
          >
        </svg>
      </button>
    </li>
  {/each}
</ol>
