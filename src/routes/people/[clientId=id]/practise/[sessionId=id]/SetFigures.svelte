<script lang="ts">
  import Minus from '@lucide/svelte/icons/minus';
  import Plus from '@lucide/svelte/icons/plus';
  import { ToggleGroup } from 'bits-ui';
  import { effortSigns, type SetFigures } from '$lib/contract/forms';
  import { compileForm, type Counted, type Exercise, type Form } from '$lib/core';
  import { capital } from '$lib/ui/format';

  /** What can be written down of a set besides the three questions; all of it may stay open. */
  type Props = { exercise: Exercise; form: Form; counted: Counted | null; figures: SetFigures };
  let { exercise, form, counted, figures = $bindable() }: Props = $props();
  const works = $derived(compileForm(form, { effortCapPct: 100 }).some((p) => p.fromPct !== 0 || p.toPct !== 0));
  const depth = $derived(exercise.dials.find((d) => d.unit === 'cm' || d.unit === '°'));
  const load = $derived(exercise.dials.find((d) => d.unit === 'kg'));
  const isHeld = $derived(form.kind === 'reps' && !form.spec.assisted);
  const done = $derived(figures.done ?? counted?.planned ?? 0);

  type Key = keyof SetFigures;
  /** One figure, or back to open. */
  function put<K extends Key>(key: K, value: SetFigures[K] | undefined) {
    const { [key]: _, ...rest } = figures;
    figures = value === undefined ? rest : { ...rest, [key]: value };
  }
  const typed = (key: 'dropDeg' | 'reached' | 'loadKg', most: number) => (event: Event & { currentTarget: HTMLInputElement }) => {
    const value = event.currentTarget.valueAsNumber;
    put(key, Number.isFinite(value) ? Math.min(most, Math.max(key === 'reached' ? -60 : 0, value)) : undefined);
  };
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
      <span class="text-ink-soft">of {counted.planned}</span>
    </div>
  {/if}
  {#if exercise.checks.length > 0}
    <ToggleGroup.Root
      type="multiple"
      bind:value={() => [...(figures.checks ?? [])], (v) => put('checks', v.length > 0 ? v : undefined)}
      aria-label="Checks that slipped"
      class="flex flex-wrap items-center gap-2"
    >
      <span class="mr-1 text-xl font-semibold">Slipped</span>
      {#each exercise.checks as check (check)}<ToggleGroup.Item value={check} class="btn min-h-12">{check}</ToggleGroup.Item
        >{/each}
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
    {#if isHeld}
      <label class="flex items-center gap-2"
        ><span class="font-semibold">Fell by</span><input
          class="input w-24 text-center"
          type="number"
          inputmode="decimal"
          min="0"
          max="120"
          value={figures.dropDeg ?? ''}
          oninput={typed('dropDeg', 120)}
        /> °</label
      >
    {/if}
    {#if depth}
      <label class="flex items-center gap-2"
        ><span class="font-semibold">Reached</span><input
          class="input w-24 text-center"
          type="number"
          inputmode="decimal"
          step="0.5"
          value={figures.reached ?? ''}
          oninput={typed('reached', 300)}
        />
        {depth.unit}</label
      >
    {/if}
    {#if load}
      <label class="flex items-center gap-2"
        ><span class="font-semibold">Load</span><input
          class="input w-24 text-center"
          type="number"
          inputmode="decimal"
          min="0"
          step="0.5"
          value={figures.loadKg ?? ''}
          oninput={typed('loadKg', 200)}
        /> kg</label
      >
    {/if}
  </div>
</div>
