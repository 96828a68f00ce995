<script lang="ts">
  /** What lies under the finger, larger, in the corner away from it. */
  type Props = {
    url: string;
    widthPx: number;
    heightPx: number;
    at: Readonly<{ x: number; y: number }>;
    pxPerShownPx: number;
    onLeft: boolean;
  };
  let { url, widthPx, heightPx, at, pxPerShownPx, onLeft }: Props = $props();
  const size = 168;
  const times = 3;
  /** Shown size of one picture element under the loupe. */
  const scale = $derived(times / pxPerShownPx);
</script>

<div
  class="pointer-events-none absolute top-2 overflow-hidden rounded-full border-2 border-ink bg-chalk shadow-raised {onLeft
    ? 'left-2'
    : 'right-2'}"
  style="width: {size}px; height: {size}px"
  aria-hidden="true"
>
  <img
    src={url}
    alt=""
    class="absolute max-w-none"
    style="width: {widthPx * scale}px; height: {heightPx * scale}px; left: {size / 2 - at.x * scale}px; top: {size / 2 -
      at.y * scale}px"
  />
  <svg viewBox="0 0 100 100" class="absolute inset-0 h-full w-full">
    {#each [{ colour: 'var(--color-halo)', width: 2.4 }, { colour: 'var(--color-mark)', width: 1 }] as pen (pen.width)}
      <path d="M50 22V44M50 56V78M22 50H44M56 50H78" stroke={pen.colour} stroke-width={pen.width} fill="none" />
    {/each}
  </svg>
</div>
