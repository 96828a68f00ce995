<script lang="ts">
  import { compute } from '$lib/contract/door';
  import type { LengthUnit } from '$lib/contract/fields';
  import { whatIf, type Body, type PoseId, type PositionReading } from '$lib/core';
  import PoseDrawing from '$lib/ui/drawing/PoseDrawing.svelte';
  import { degText, depthText, lengthText } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import SideMark from '$lib/ui/SideMark.svelte';

  /** The position as it is, and as it would be with the ranges that are tried. */
  type Props = {
    reading: PositionReading;
    tried: Readonly<Record<string, number>>;
    unit: LengthUnit;
    body: Body;
    pose: PoseId;
    /** What the angle is called. */
    angleWord: string;
  };
  let { reading, tried, unit, body, pose, angleWord }: Props = $props();
  const now = $derived(compute(() => whatIf(reading, {})));
  const then = $derived(compute(() => whatIf(reading, tried)));
  const isTried = $derived(now.ok && then.ok && Math.abs(now.value.openingDeg - then.value.openingDeg) > 0.05);
  /** What the figure is set by: a depth where the position has one, else the opening. */
  const drawn = (at: typeof now) => (at.ok ? (at.value.depthCm ?? at.value.openingDeg) : null);
</script>

<section
  class="card flex flex-col gap-1 py-3"
  aria-label="What if{reading.leadSide ? `, ${reading.leadSide} leading` : ''}"
  aria-live="polite"
>
  <h2 class="flex items-center gap-2">
    {#if reading.leadSide}<SideMark side={reading.leadSide} />{reading.leadSide === 'left' ? 'Left' : 'Right'} leading{:else}The
      position{/if}
  </h2>
  {#if now.ok && then.ok}
    <PoseDrawing
      {pose}
      setting={{ side: reading.leadSide ?? 'left', value: drawn(then)! }}
      before={isTried ? drawn(now) : null}
      {body}
      label="Figure {then.value.depthCm === null
        ? `opened to ${degText(then.value.openingDeg)}`
        : `at ${depthText(then.value.depthCm, unit)}`}"
      class="max-h-28 w-full"
    />
    <p class="flex flex-wrap items-baseline gap-x-4">
      <span class="text-4xl font-bold">
        {then.value.depthCm === null ? degText(then.value.openingDeg) : depthText(then.value.depthCm, unit)}
      </span>
      <span class="text-ink-soft">
        {then.value.depthCm === null ? angleWord : `${degText(then.value.openingDeg)} open`}
        {#if then.value.cmPerDeg !== null}· 1° is worth {lengthText(then.value.cmPerDeg, unit)}{/if}
        {#if isTried}
          · now {now.value.depthCm === null ? degText(now.value.openingDeg) : depthText(now.value.depthCm, unit)}
        {/if}
      </span>
    </p>
    {#if reading.openingDeg === null}<p class="text-ink-soft">
        The position itself is not measured: this is the sum of its links.
      </p>{/if}
  {:else}
    <p class="text-ink-soft">{problemText(now.ok ? then.problem! : now.problem)}</p>
  {/if}
</section>
