<script lang="ts">
  import { measureOf, motions, z95, type Link, type PositionReading } from '$lib/core';
  import { capital, degApart, degText } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import Slide from '$lib/ui/Slide.svelte';
  import Why from '$lib/ui/Why.svelte';
  import { balanceRows, fullShare } from './balance';

  /** Each link against what the goal demands of it, left and right mirrored about the middle. */
  type Props = {
    readings: readonly PositionReading[];
    /** Ranges tried out, by key of the link. */
    tried: Readonly<Record<string, number>>;
    canTry: boolean;
    ontry: (key: string, deg: number) => void;
  };
  let { readings, tried, canTry, ontry }: Props = $props();
  const rows = $derived(balanceRows(readings));
  const percent = (deg: number, need: number) => `${Math.max(0, Math.min(100, (deg / need / fullShare) * 100))}%`;
  const reserveText = (value: number, need: number) => `${degApart(value, need)} ${value >= need ? 'to spare' : 'short'}`;
  const normsOf = (measure: string) => motions.find((m) => m.id === measure)?.norms ?? [];
</script>

{#snippet bar(link: Link, way: 'left' | 'right', tone: string)}
  {@const start = way === 'left' ? 'right' : 'left'}
  {@const value = tried[link.key] ?? link.passive?.value}
  <div class="relative h-11" style:--share={percent(link.needDeg, link.needDeg)}>
    <span class="absolute inset-y-0 w-px bg-ink" style="{start}: {percent(link.needDeg, link.needDeg)}"></span>
    {#if link.passive && value !== undefined}
      <span
        class="absolute top-2 h-7 rounded-soft border-2 bg-paper {tone}"
        style="{start}: 0; width: {percent(value, link.needDeg)}"
      ></span>
      {#if link.active}
        <span
          class="absolute top-3.5 h-4 rounded-soft bg-current {tone}"
          style="{start}: 4px; width: calc({percent(link.active.value, link.needDeg)} - 8px)"
        ></span>
      {/if}
      <span
        class="absolute top-5.5 h-px bg-ink"
        style="{start}: {percent(value - z95 * link.passive.sd, link.needDeg)}; width: calc({percent(
          value + z95 * link.passive.sd,
          link.needDeg
        )} - {percent(value - z95 * link.passive.sd, link.needDeg)})"
      ></span>
      {#if canTry && link.coupled}
        <Slide
          label="What if: {measureOf(link.measure).name}, {link.side ?? 'both'}"
          max={Math.round(link.needDeg * fullShare)}
          value={Math.round(value)}
          text="{Math.round(value)} degrees"
          over={way}
          onmove={(deg) => ontry(link.key, deg)}
        />
      {/if}
    {:else}
      <span class="absolute inset-x-0 top-5 border-t border-dashed border-edge"></span>
    {/if}
  </div>
{/snippet}

{#snippet words(link: Link | null)}
  {#if link?.passive}
    <strong class="text-lg">{degText(tried[link.key] ?? link.passive.value)}</strong>
    <span class="text-ink-soft">
      {#if link.active}{degText(link.active.value)} held ·
      {/if}
      {reserveText(tried[link.key] ?? link.passive.value, link.needDeg)}
    </span>
  {:else if link}
    <span class="text-ink-soft">never measured</span>
  {/if}
{/snippet}

<section class="card flex flex-col gap-1" aria-label="The balance">
  <div class="grid grid-cols-[1fr_12rem_1fr] items-center gap-3 text-ink-soft max-sm:grid-cols-[1fr_1fr]">
    <span class="text-right text-lake"><SideMark side="left" size={14} /> left</span>
    <span class="text-center max-sm:hidden">what it needs</span>
    <span class="text-ochre"><SideMark side="right" size={14} /> right</span>
  </div>
  {#each rows as row (row.measure)}
    {@const measure = measureOf(row.measure)}
    <div class="grid grid-cols-[1fr_12rem_1fr] items-center gap-x-3 border-t border-line pt-2 max-sm:grid-cols-[1fr_1fr]">
      <p class="text-right leading-tight max-sm:order-2">{@render words(row.left)}</p>
      <p class="row-span-2 text-center leading-tight max-sm:order-1 max-sm:col-span-2 max-sm:row-span-1">
        <strong>{capital(measure.name)}</strong><br />
        <span class="text-ink-soft"
          >needs {degText(row.needDeg)}{normsOf(row.measure)[0] ? `, norm ${degText(normsOf(row.measure)[0]!.deg)}` : ''}</span
        >
        <Why about={measure.name}>
          {#each [row.left, row.right, row.both] as link, i (i)}
            {#if link}
              <p>
                {capital(link.side ?? 'both')}: needs {degText(link.needDeg)} ({link.basis}).
                {#if link.passive}Passive reach {degText(link.passive.value)}, give or take {degText(z95 * link.passive.sd)}.{/if}
                {#if link.active}Active hold {degText(link.active.value)}, give or take {degText(z95 * link.active.sd)}.{/if}
                {#if link.givesDeg > 0}Closing it gives {degText(link.givesDeg)}{link.coupled ? ' of the position' : ''}.{/if}
              </p>
            {/if}
          {/each}
          {#each normsOf(row.measure) as norm (norm.source)}
            <p class="text-ink-soft">
              Norm, as context and no goal: {degText(norm.deg, 1)}{norm.sd ? ` (sd ${degText(norm.sd, 1)})` : ''}, {norm.source};
              {norm.standing}.
            </p>
          {/each}
          {#if normsOf(row.measure).length === 0}<p class="text-ink-soft">No published norm is recorded for this motion.</p>{/if}
        </Why>
      </p>
      <p class="leading-tight max-sm:order-3">{@render words(row.both ?? row.right)}</p>
      <div class="max-sm:order-4">
        {#if row.left}{@render bar(row.left, 'left', 'border-lake text-lake')}{/if}
      </div>
      <div class="max-sm:order-5">
        {#if row.both}{@render bar(row.both, 'right', 'border-ink text-ink')}
        {:else if row.right}{@render bar(row.right, 'right', 'border-ochre text-ochre')}{/if}
      </div>
    </div>
  {/each}
  <p class="border-t border-line pt-2 text-ink-soft">
    Outline: passive reach. Solid: active hold. Upright line: what the goal needs. The main limit stands at the top{canTry
      ? '; drag the end of a bar to try what more would give'
      : ''}.
  </p>
</section>
