<script lang="ts">
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import { ToggleGroup } from 'bits-ui';
  import { effortSigns, type SetFigures } from '$lib/contract/setForms';
  import { toCm, toKg, type Units } from '$lib/contract/fields';
  import { compileForm, deepenings, type Counted, type Exercise, type Work } from '$lib/core';
  import { capital } from '$lib/ui/format';
  import { deepenedWords } from '$lib/words/cueWords';
  import { checksOf } from './cueText';

  /** What can be written down of a set besides the three questions; all of it may stay open. */
  type Props = {
    exercise: Exercise;
    work: Pick<Work, 'form' | 'rules'>;
    counted: (Counted & { done: number }) | null;
    units: Units;
    figures: SetFigures;
  };
  let { exercise, work, counted, units, figures = $bindable() }: Props = $props();
  const form = $derived(work.form);
  const works = $derived(compileForm(form, { effortCapPct: 100 }).some((p) => p.fromPct !== 0 || p.toPct !== 0));
  const depth = $derived(exercise.dials.find((d) => d.unit === 'cm' || d.unit === '°'));
  const load = $derived(exercise.dials.find((d) => d.unit === 'kg'));
  const isHeld = $derived(form.kind === 'reps' && !form.spec.assisted);
  const checks = $derived(checksOf(exercise, work));
  const done = $derived(figures.done ?? counted?.done ?? 0);

  type Key = keyof SetFigures;
  /** One figure, or back to open. */
  function put<K extends Key>(key: K, value: SetFigures[K] | undefined) {
    const { [key]: _, ...rest } = figures;
    figures = value === undefined ? rest : { ...rest, [key]: value };
  }
  type NumberKey = keyof typeof bounds;
  /** As they are kept: degrees, centimetres, kilograms. */
  const bounds = { dropDeg: [0, 120], reachedCm: [-60, 300], reachedDeg: [-60, 300], loadKg: [0, 200] } as const;
  /** What one of the unit it is typed in comes to. */
  const ratio = $derived({ dropDeg: 1, reachedCm: toCm(1, units.length), reachedDeg: 1, loadKg: toKg(1, units.mass) });
  function shown(key: NumberKey): number | '' {
    const value = figures[key];
    return value === undefined ? '' : Math.round((value / ratio[key]) * 100) / 100;
  }
  function type(key: NumberKey, typed: number) {
    const [min, max] = bounds[key];
    put(key, Number.isFinite(typed) ? Math.min(max, Math.max(min, typed * ratio[key])) : undefined);
  }
  const efforts = [
    { key: 'effortTold', label: 'Effort, as they say' },
    { key: 'effortSeen', label: 'Effort, as you see it' }
  ] as const;
  const tenths = Array.from({ length: 11 }, (_, n) => String(n));
</script>

<div class="flex flex-col gap-4">
  {#if counted}
    <div class="flex flex-wrap items-center gap-3 text-xl">
      <span class="font-semibold">{capital(counted.many)} done</span>
      <button
        class="btn min-h-14 min-w-14"
        aria-label="One {counted.one} fewer"
        onclick={() => put('done', Math.max(0, done - 1))}><Minus /></button
      >
      <output class="min-w-12 text-center text-3xl font-bold" aria-live="polite">{done}</output>
      <button
        class="btn min-h-14 min-w-14"
        aria-label="One {counted.one} more"
        onclick={() => put('done', Math.min(500, done + 1))}><Plus /></button
      >
      <span class="text-ink-soft"
        >of {form.kind === 'reps' && form.spec.leastReps !== undefined ? 'at least ' : ''}{counted.planned}</span
      >
    </div>
  {/if}
  {#if checks.length > 0}
    <ToggleGroup.Root
      type="multiple"
      bind:value={() => [...(figures.checks ?? [])], (v) => put('checks', v.length > 0 ? v : undefined)}
      aria-label="Checks that slipped"
      class="flex flex-wrap items-center gap-2"
    >
      <span class="mr-1 text-xl font-semibold">Slipped</span>
      {#each checks as check (check)}<ToggleGroup.Item value={check} class="btn min-h-12">{check}</ToggleGroup.Item>{/each}
    </ToggleGroup.Root>
  {/if}
  <ToggleGroup.Root
    type="multiple"
    bind:value={
      () => [...(figures.signs ?? [])], (v) => put('signs', v.length > 0 ? effortSigns.filter((s) => v.includes(s)) : undefined)
    }
    aria-label="Signs of effort"
    class="flex flex-wrap items-center gap-2"
  >
    <span class="mr-1 text-xl font-semibold">Signs</span>
    {#each effortSigns as sign (sign)}<ToggleGroup.Item value={sign} class="btn min-h-12">{capital(sign)}</ToggleGroup.Item
      >{/each}
    {#if figures.signs}
      <label class="choice text-lg"
        ><input
          type="checkbox"
          checked={figures.ended ?? false}
          onchange={(e) => put('ended', e.currentTarget.checked || undefined)}
        /> it ended the set</label
      >
    {/if}
  </ToggleGroup.Root>
  {#if form.kind === 'cycle' || form.kind === 'hold' || form.kind === 'breaths'}
    <ToggleGroup.Root
      type="multiple"
      bind:value={
        () => [...(figures.deepened ?? [])],
        (v) => put('deepened', v.length > 0 ? deepenings.filter((d) => v.includes(d)) : undefined)
      }
      aria-label="Deeper by"
      class="flex flex-wrap items-center gap-2"
    >
      <span class="mr-1 text-xl font-semibold">Deeper by</span>
      {#each deepenings as by (by)}<ToggleGroup.Item value={by} class="btn min-h-12">{deepenedWords[by]}</ToggleGroup.Item>{/each}
    </ToggleGroup.Root>
  {/if}
  {#if works}
    {#each efforts as { key, label } (key)}
      <ToggleGroup.Root
        type="single"
        bind:value={() => String(figures[key] ?? ''), (v) => put(key, v === '' ? undefined : Number(v))}
        aria-label="{label}, of 10"
        class="flex flex-wrap items-center gap-1"
      >
        <span class="mr-1 w-52 text-lg font-semibold">{label}</span>
        {#each tenths as n (n)}<ToggleGroup.Item value={n} class="btn min-h-11 min-w-11 px-1">{n}</ToggleGroup.Item>{/each}
      </ToggleGroup.Root>
    {/each}
  {/if}
  <div class="flex flex-wrap gap-5 text-lg">
    {#if isHeld}{@render number('dropDeg', 'Fell by', '°')}{/if}
    {#if depth}{@render number(
        depth.unit === 'cm' ? 'reachedCm' : 'reachedDeg',
        'Reached',
        depth.unit === 'cm' ? units.length : '°'
      )}{/if}
    {#if load}{@render number('loadKg', 'Load', units.mass)}{/if}
  </div>
</div>

{#snippet number(key: NumberKey, label: string, unit: string)}
  <label class="flex items-center gap-2"
    ><span class="font-semibold">{label}</span><input
      class="input w-24 text-center"
      type="number"
      inputmode="decimal"
      step="any"
      value={shown(key)}
      oninput={(e) => type(key, e.currentTarget.valueAsNumber)}
    />
    {unit}</label
  >
{/snippet}
