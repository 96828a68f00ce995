<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { HeightGap, Stack } from '$lib/core';
  import { lengthNumber, lengthText } from '$lib/ui/format';

  /** Heights along a tape: a mark for each one the shelf makes, a hatched stretch where a step is missing. */
  type Props = {
    label: string;
    stacks: readonly Stack[];
    gaps: readonly HeightGap[];
    uptoCm: number;
    unit: LengthUnit;
  };
  let { label, stacks, gaps, uptoCm, unit }: Props = $props();
  const shown = $derived(stacks.filter((s) => s.heightCm > 0));
  const inside = $derived(shown.filter((s) => s.heightCm <= uptoCm));
  const above = $derived(shown.filter((s) => s.heightCm > uptoCm));
  const tens = $derived(Array.from({ length: Math.floor(uptoCm / 10) + 1 }, (_, i) => i * 10));
  const id = $props.id();
</script>

<div class="mt-4">
  <h3>{label}</h3>
  <svg
    viewBox="0 -26 {uptoCm * 10 + 10} 58"
    class="mt-1 h-16 w-full"
    preserveAspectRatio="none"
    role="img"
    aria-label="{label}: {inside.length} heights up to {lengthText(uptoCm, unit)}"
  >
    <pattern id="{id}-gap" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <path d="M0 0V8" stroke="var(--color-stop)" stroke-width="3" />
    </pattern>
    {#each gaps as gap (gap.fromCm)}
      <rect x={gap.fromCm * 10} y="-14" width={(gap.toCm - gap.fromCm) * 10} height="14" fill="url(#{id}-gap)" opacity="0.7" />
    {/each}
    <path d="M0 0H{uptoCm * 10 + 10}" stroke="var(--color-ink)" stroke-width="2.5" vector-effect="non-scaling-stroke" />
    {#each tens as ten (ten)}
      <path d="M{ten * 10} 0V8" stroke="var(--color-ink-soft)" stroke-width="1" vector-effect="non-scaling-stroke" />
    {/each}
    {#each inside as stack (stack.heightCm)}
      <path d="M{stack.heightCm * 10} 0V-22" stroke="var(--color-ink)" stroke-width="3" vector-effect="non-scaling-stroke" />
    {/each}
  </svg>
  <div class="relative h-5 text-sm text-ink-soft" aria-hidden="true">
    {#each tens as ten (ten)}
      <span class="absolute -translate-x-1/2 first:translate-x-0" style:left="{((ten * 10) / (uptoCm * 10 + 10)) * 100}%">
        {lengthNumber(ten, unit)}
      </span>
    {/each}
  </div>
  <p class="mt-1">
    {shown.length === 0 ? 'none' : inside.map((s) => lengthNumber(s.heightCm, unit)).join(' · ')}
    <span class="text-ink-soft">{unit}</span>
    {#if above.length > 0}<span class="text-ink-soft">
        and {above.length} above, up to {lengthText(above.at(-1)!.heightCm, unit)}</span
      >{/if}
  </p>
  {#if gaps.length > 0}
    <p class="font-semibold">
      No step between {gaps.map((g) => `${lengthNumber(g.fromCm, unit)} and ${lengthText(g.toCm, unit)}`).join(', ')}.
    </p>
  {/if}
</div>
