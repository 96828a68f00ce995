<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import { bearsWeight, dialAtRung, type Dial, type Material, type Prop, type Rung } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import StackDrawing from '$lib/ui/drawing/StackDrawing.svelte';
  import { apartText } from '$lib/ui/format';
  import { stackText } from '$lib/ui/stackText';

  /** The heights near the one in use, each with what speaks for it. */
  type Props = {
    dial: Dial;
    rungs: readonly Rung[];
    lookedCm: number;
    measured: number | null;
    shelf: readonly (Prop & { material: Material })[];
    unit: LengthUnit;
    onLook: (depthCm: number) => void;
  };
  let { dial, rungs, lookedCm, measured, shelf, unit, onLook }: Props = $props();

  function says(r: Rung): string {
    const pairs = dial.stack?.pairs === 2 && r.items.length > 0 ? 'twice' : '';
    const steady = r.items.length === 0 ? 'no props' : r.items.length === 1 ? 'steadiest' : `${r.items.length} props`;
    const soft = r.items.some((i) => (shelf.find((p) => p.id === i.propId)?.softShare ?? 0) > 0) ? 'softer' : '';
    const light = bearsWeight(r, shelf) ? '' : 'upright: a light hand only';
    return [where(r), steady, pairs, soft, light].filter(Boolean).join(' · ');
  }
  function where(r: Rung): string {
    if (measured === null) return '';
    const at = dialAtRung(dial, r);
    const off = at - measured;
    if (Math.abs(off) < 0.6) return 'at the measure';
    const easier = dial.harder === 'down' ? off > 0 : off < 0;
    return `${apartText(at, measured, { unit: 'cm' }, unit)} ${easier ? 'easier' : 'harder'} than measured`;
  }
</script>

<ul class="flex flex-col gap-2">
  {#each rungs as r (r.depthCm)}
    <li>
      <button
        class="flex min-h-14 w-full items-center gap-3 rounded-soft border p-2 text-left {r.depthCm === lookedCm
          ? 'border-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]'
          : 'border-line hover:border-ink'}"
        aria-pressed={r.depthCm === lookedCm}
        onclick={() => onLook(r.depthCm)}
      >
        <svg width="52" height="40" viewBox="-26 -40 52 42" aria-hidden="true" class="flex-none">
          <g transform="scale(1 -1)"
            ><StackDrawing items={r.items} {shelf} x={0} perCm={Math.min(1.3, 38 / Math.max(1, r.heightCm))} acrossPerCm={1} /></g
          >
          <path d="M-26 0H26" stroke="var(--color-ink)" stroke-width="2" />
        </svg>
        <span class="w-20 flex-none text-xl leading-tight font-bold">{dialText(dial, dialAtRung(dial, r), unit)}</span>
        <span class="leading-tight"
          ><span class="font-semibold">{stackText(r.items, shelf)}</span><span class="block text-ink-soft">{says(r)}</span></span
        >
      </button>
    </li>
  {/each}
</ul>
