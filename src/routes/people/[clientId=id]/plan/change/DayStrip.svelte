<script lang="ts">
  import GripVertical from '@lucide/svelte/icons/grip-vertical';
  import Plus from '@lucide/svelte/icons/plus';
  import X from '@lucide/svelte/icons/x';
  import { dayNames } from '$lib/core';
  import { dragHandle, dragHandleZone, type DndEvent } from 'svelte-dnd-action';

  /** The days of the week with their sessions: one is dragged to another day, or moved by the arrow keys on its handle. */
  type Props = { days: readonly number[]; onDays: (days: readonly number[]) => void };
  let { days, onDays }: Props = $props();

  type Token = { id: string };
  const tokensOf = (of: readonly number[]): Token[][] =>
    dayNames.map((_, i) => (of.includes(i + 1) ? [{ id: `session-${of.indexOf(i + 1) + 1}` }] : []));
  /** While one is dragged its zones hold what the hand holds. */
  let zones = $derived(tokensOf(days));

  function consider(i: number, { detail }: CustomEvent<DndEvent<Token>>): void {
    zones = zones.with(i, detail.items);
  }
  function finalize(i: number, event: CustomEvent<DndEvent<Token>>): void {
    consider(i, event);
    const held = zones.flatMap((tokens, day) => (tokens.length > 0 ? [day + 1] : []));
    // Two on one day are one too many: it goes back.
    if (zones.every((tokens) => tokens.length <= 1) && held.length === days.length) onDays(held);
    else if (zones.flat().length === days.length) zones = tokensOf(days);
  }
  function move(day: number, by: -1 | 1): void {
    let to = day + by;
    while (days.includes(to)) to += by;
    if (to >= 1 && to <= 7) onDays([...days.filter((d) => d !== day), to].toSorted((a, b) => a - b));
  }
  function onkeydown(event: KeyboardEvent, day: number): void {
    const by = event.key === 'ArrowLeft' ? -1 : event.key === 'ArrowRight' ? 1 : 0;
    if (by === 0) return;
    event.preventDefault();
    move(day, by);
  }
</script>

<div class="grid grid-cols-7 gap-1" role="group" aria-label="Days with a session">
  {#each dayNames as name, i (name)}
    <div class="flex min-h-24 flex-col gap-1 rounded-soft border border-line bg-paper p-1">
      <p class="text-center text-ink-soft">
        <span aria-hidden="true">{name.slice(0, 2)}</span><span class="sr-only">{name}</span>
      </p>
      <div
        class="min-h-11 flex-1"
        use:dragHandleZone={{ items: zones[i]!, type: 'session', flipDurationMs: 0, dropTargetStyle: {}, zoneTabIndex: -1 }}
        onconsider={(e) => consider(i, e)}
        onfinalize={(e) => finalize(i, e)}
      >
        {#each zones[i]! as token (token.id)}
          <div class="flex flex-col items-center rounded-soft border border-mulberry bg-chalk" data-day={name}>
            <span
              use:dragHandle
              role="button"
              tabindex="0"
              class="flex min-h-11 w-full cursor-grab items-center justify-center"
              aria-label="Session on {name}. Arrow keys move it to another day"
              onkeydown={(e) => onkeydown(e, i + 1)}><GripVertical size={18} /></span
            >
            <button
              type="button"
              class="flex min-h-11 w-full items-center justify-center text-ink-soft hover:text-ink"
              aria-label="Take the session on {name} out"
              onclick={() => onDays(days.filter((d) => d !== i + 1))}><X size={16} /></button
            >
          </div>
        {/each}
      </div>
      {#if zones[i]!.length === 0}
        <button
          type="button"
          class="flex min-h-11 items-center justify-center rounded-soft text-ink-soft hover:bg-chalk hover:text-ink"
          aria-label="Add a session on {name}"
          onclick={() => onDays([...days, i + 1].toSorted((a, b) => a - b))}><Plus size={16} /></button
        >
      {/if}
    </div>
  {/each}
</div>
