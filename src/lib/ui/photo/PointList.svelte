<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { PhotoDesk, PointId } from './photoDesk.svelte';

  /** The points to set, in their order, and what the line and the block are. */
  type Props = {
    desk: PhotoDesk;
    unit: LengthUnit;
    /** Whether a guessed line may be told. */
    usesGuess: boolean;
  };
  let { desk, unit, usesGuess }: Props = $props();
  const activeRow = $derived(desk.rows.find((r) => r.id === desk.active));

  /** Without a pointer a point begins in the middle and is moved from there. */
  function startInMiddle(event: KeyboardEvent, id: PointId) {
    if (event.key !== 'Enter' || desk.points[id] || !desk.picture) return;
    event.preventDefault();
    desk.set(id, { x: desk.picture.widthPx / 2, y: desk.picture.heightPx / 2 });
    desk.next();
  }
</script>

<p class="text-lg" role="status">
  {#if activeRow}Tap the <strong>{activeRow.label}</strong> in the picture, or drag to it.{:else}Drag any point, or move it with
    the arrow keys.{/if}
</p>
<ol class="grid grid-cols-2 gap-x-1">
  {#each desk.rows as { id, label } (id)}
    <li>
      <button
        type="button"
        class="flex min-h-11 w-full items-center gap-2 rounded-soft px-2 text-left leading-tight {desk.active === id
          ? 'font-semibold text-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]'
          : ''}"
        aria-pressed={desk.active === id}
        onclick={() => (desk.active = id)}
        onkeydown={(e) => startInMiddle(e, id)}
      >
        <span aria-hidden="true">{desk.points[id] ? '●' : '○'}</span>
        {label}
        {#if !desk.points[id]}<span class="sr-only">, not set; Enter puts it in the middle</span>{/if}
      </button>
    </li>
  {/each}
</ol>
{#if desk.usesLine}
  <div class="flex flex-wrap gap-x-5">
    {#each [{ id: 'floor', label: 'the floor' }, { id: 'plumb', label: 'something straight up' }] as const as kind (kind.id)}
      <label class="choice"><input type="radio" name="lineKind" value={kind.id} bind:group={desk.lineKind} /> {kind.label}</label>
    {/each}
    {#if usesGuess}
      <label class="choice"><input type="checkbox" bind:checked={desk.lineGuessed} /> the line is only guessed</label>
    {/if}
  </div>
{/if}
{#if desk.usesBlock}
  <label class="flex items-center gap-3">
    <span class="font-semibold">Height of the block</span>
    <input class="input w-24 text-center" inputmode="decimal" bind:value={desk.blockTyped} />
    <span class="text-ink-soft">{unit}</span>
  </label>
{/if}
