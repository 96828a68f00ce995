<script lang="ts">
  import Loupe from './Loupe.svelte';
  import PictureLine from './PictureLine.svelte';
  import type { PhotoDesk, PointId } from './photoDesk.svelte';

  /** The picture with the points on it: a tap sets the next one, each can be dragged or moved with the arrow keys. */
  type Props = {
    desk: PhotoDesk;
    /** Picture elements a shown one stands for. @bindable */
    pxPerShownPx: number;
  };
  let { desk, pxPerShownPx = $bindable() }: Props = $props();
  const picture = $derived(desk.picture!);
  let board: HTMLDivElement | undefined = $state();
  let shownWidth = $state(1);
  $effect(() => {
    pxPerShownPx = picture.widthPx / Math.max(1, shownWidth);
  });
  let held = $state<PointId | null>(null);
  let focused = $state<PointId | null>(null);
  const looked = $derived(held ?? focused);
  const lookedAt = $derived(looked ? desk.points[looked] : undefined);

  const at = (event: PointerEvent) => {
    const box = board!.getBoundingClientRect();
    return {
      x: ((event.clientX - box.left) / box.width) * picture.widthPx,
      y: ((event.clientY - box.top) / box.height) * picture.heightPx
    };
  };
  function press(event: PointerEvent) {
    if (!desk.active || event.button !== 0) return;
    hold(event, desk.active);
  }
  function hold(event: PointerEvent, id: PointId) {
    event.preventDefault();
    event.stopPropagation();
    board!.setPointerCapture(event.pointerId);
    held = id;
    desk.active = id;
    desk.set(id, at(event));
  }
  function move(event: PointerEvent) {
    if (held) desk.set(held, at(event));
  }
  function release() {
    if (!held) return;
    held = null;
    desk.next();
  }
  const steps: Record<string, readonly [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1]
  };
  function nudge(event: KeyboardEvent, id: PointId) {
    const step = steps[event.key];
    const point = desk.points[id];
    if (!step || !point) return;
    event.preventDefault();
    const size = (event.shiftKey ? 20 : 1) * pxPerShownPx;
    desk.set(id, { x: point.x + step[0] * size, y: point.y + step[1] * size });
  }
  const { vertex, along, other, point, lineFrom, lineTo, blockBottom, blockTop } = $derived(desk.points);
  const lines = $derived(
    (
      [
        ['limb', vertex, along],
        ['limb', vertex, other],
        ['line', lineFrom, lineTo],
        ['block', blockBottom, blockTop]
      ] as const
    ).flatMap(([kind, from, to], i) => (from && to ? [{ kind, from, to, i }] : []))
  );
  const isOnRight = $derived((lookedAt?.x ?? 0) > picture.widthPx / 2);
</script>

<!-- The board itself is pressed; each point is a button of its own for the keyboard. -->
<div
  class="relative mx-auto w-full touch-none select-none {desk.active ? 'cursor-crosshair' : ''}"
  style="aspect-ratio: {picture.widthPx} / {picture.heightPx}; max-width: calc(var(--board-height) * {picture.widthPx /
    picture.heightPx})"
  bind:this={board}
  bind:clientWidth={shownWidth}
  role="application"
  aria-label="The picture with its points"
  onpointerdown={press}
  onpointermove={move}
  onpointerup={release}
  onpointercancel={release}
>
  <img src={picture.url} alt="" class="absolute inset-0 h-full w-full" draggable="false" />
  <svg
    viewBox="0 0 {picture.widthPx} {picture.heightPx}"
    class="pointer-events-none absolute inset-0 h-full w-full"
    aria-hidden="true"
  >
    {#each lines as { kind, from, to, i } (i)}
      <PictureLine {from} {to} dashed={kind !== 'limb'} />
    {/each}
    {#if desk.foot && point}<PictureLine from={point} to={desk.foot} />{/if}
  </svg>
  {#each desk.rows as { id, label } (id)}
    {@const p = desk.points[id]}
    {#if p}
      <button
        type="button"
        class="absolute grid size-11 -translate-x-1/2 -translate-y-1/2 cursor-move place-items-center rounded-full"
        style="left: {(p.x / picture.widthPx) * 100}%; top: {(p.y / picture.heightPx) * 100}%"
        aria-label="{label}: {Math.round(p.x)} across, {Math.round(p.y)} down. Arrow keys move it, with shift further."
        onpointerdown={(e) => hold(e, id)}
        onkeydown={(e) => nudge(e, id)}
        onfocus={() => (focused = id)}
        onblur={() => (focused = null)}
      >
        <span
          class="pointer-events-none block size-4 rounded-full border-2 bg-transparent shadow-[0_0_0_2px_var(--color-halo)] {id ===
          looked
            ? 'border-mulberry'
            : 'border-mark'}"
        ></span>
      </button>
    {/if}
  {/each}
  {#if lookedAt}
    <Loupe
      url={picture.url}
      widthPx={picture.widthPx}
      heightPx={picture.heightPx}
      at={lookedAt}
      {pxPerShownPx}
      onLeft={isOnRight}
    />
  {/if}
</div>
