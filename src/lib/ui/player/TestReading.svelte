<script lang="ts">
  import { toCm, type Units } from '$lib/contract/fields';
  import type { LastTime } from '$lib/contract/review';
  import type { SetFigures } from '$lib/contract/setForms';
  import type { Exercise } from '$lib/core';
  import { capital, degText, lengthText, shortDate } from '$lib/ui/format';
  import type { Player } from './player.svelte';

  /** A test asks for its number, with the other side, the one before the work and the last time beside it. */
  type Props = { player: Player; exercise: Exercise; reads: NonNullable<Exercise['reads']>; lastTime?: LastTime; units: Units };
  let { player, exercise, reads, lastTime, units }: Props = $props();
  const { side, index } = $derived(player.asked);
  const isLength = $derived(reads.unit === 'cm');
  const text = (value: number) => (isLength ? lengthText(value, units.length) : degText(value));
  const reached = (figures: SetFigures | undefined) => (isLength ? figures?.reachedCm : figures?.reachedDeg);

  const ofExercise = $derived(player.readings.filter((r) => r.exerciseId === exercise.id && r.setIndex < index));
  const beside = $derived.by(() => {
    const other = ofExercise.findLast((r) => r.side !== side);
    const before = ofExercise.find((r) => r.side === side);
    const last = reached(lastTime?.figures);
    return [
      ...(other?.side ? [{ name: `${capital(other.side)}, just now`, value: other.value }] : []),
      ...(before ? [{ name: 'Before the work', value: before.value }] : []),
      ...(last === undefined ? [] : [{ name: `Last time, ${shortDate(lastTime!.on)}`, value: last }])
    ];
  });

  let typed = $state<number | null>(null);
  const isNumber = $derived(typed !== null && Number.isFinite(typed));
  function keep() {
    if (typed === null || !isNumber) return;
    const [least, most] = [-60, 300];
    const value = Math.min(most, Math.max(least, isLength ? toCm(typed, units.length) : typed));
    player.clean(isLength ? { reachedCm: value } : { reachedDeg: value });
  }
  let input: HTMLInputElement | undefined = $state();
  $effect(() => input?.focus());
</script>

<section class="flex grow flex-col justify-center gap-6" aria-label="What the test shows">
  <h2 class="text-4xl">{exercise.name}{side ? `, ${side}` : ''}: what does it show?</h2>
  <form
    class="flex flex-col gap-2"
    onsubmit={(e) => {
      e.preventDefault();
      keep();
    }}
  >
    <label class="text-2xl font-semibold" for="test-reading">{capital(reads.what)}</label>
    <div class="flex flex-wrap items-center gap-4 text-2xl">
      <span class="flex items-center gap-2">
        <input
          id="test-reading"
          bind:this={input}
          bind:value={typed}
          class="input min-h-16 w-40 text-center text-3xl"
          type="number"
          inputmode="decimal"
          step="any"
        />
        {isLength ? units.length : reads.unit}
      </span>
      <button class="btn btn-primary min-h-16 text-2xl" disabled={!isNumber}>Note it</button>
    </div>
  </form>
  {#if beside.length > 0}
    <dl class="grid w-fit grid-cols-[auto_auto] gap-x-6 gap-y-1 text-2xl">
      {#each beside as { name, value } (name)}
        <dt class="text-ink-soft">{name}</dt>
        <dd class="font-semibold">{text(value)}</dd>
      {/each}
    </dl>
  {/if}
  <p class="flex flex-wrap gap-3">
    <button class="btn btn-quiet text-lg" onclick={() => player.clean()}>Looked at, no number</button>
    <button class="btn btn-quiet text-lg" onclick={() => player.askWhyLeftOut()}>Skipped</button>
  </p>
</section>
