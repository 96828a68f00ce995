<script lang="ts">
  import type { Corner, CycleSpec } from '$lib/core';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { clockText } from '$lib/ui/format';
  import type { CycleDraft } from './cycle.svelte';
  import { cornerText } from './cycleText';

  /** The curve of a cycle, with a handle at every corner: dragged, or moved by the arrow keys. */
  type Props = { draft: CycleDraft; capPct: number };
  let { draft, capPct }: Props = $props();

  const height = 220;
  /** The edges leave room above the cap and above every peak. */
  const scalePct = $derived(
    Math.min(110, Math.ceil((Math.max(capPct, ...draft.corners.map((c) => Math.abs(c.pct))) + 15) / 10) * 10)
  );
  const endS = $derived(draft.totals.durationS || 1);
  const left = (s: number) => `${(s / endS) * 100}%`;
  // The curve keeps three units of its height free at each edge.
  const top = (pct: number) => `${((height / 2 - (pct / scalePct) * (height / 2 - 3)) / height) * 100}%`;

  let box = $state<HTMLElement>();
  /** Where the hand took hold: the cycle and the scale stay as they were then until it lets go. */
  let held: { corner: Corner; x: number; y: number; spec: CycleSpec; sPerPx: number; pctPerPx: number } | null = null;

  function take(event: PointerEvent & { currentTarget: HTMLElement }, corner: Corner) {
    const { width, height: tall } = box!.getBoundingClientRect();
    event.currentTarget.setPointerCapture(event.pointerId);
    const pctPerPx = (2 * scalePct) / tall;
    held = { corner, x: event.clientX, y: event.clientY, spec: draft.value, sPerPx: endS / width, pctPerPx };
  }
  function drag(event: PointerEvent) {
    if (!held) return;
    const { corner, x, y, spec, sPerPx, pctPerPx } = held;
    const up = (y - event.clientY) * pctPerPx;
    draft.move(
      corner.id,
      {
        s: corner.moves.time ? (event.clientX - x) * sPerPx : 0,
        pct: corner.moves.effort ? (isDraw(corner) ? -up : up) : 0
      },
      spec
    );
  }
  const isDraw = ({ id }: Corner): boolean => id.startsWith('draw');

  function key(event: KeyboardEvent, corner: Corner) {
    const { moves } = corner;
    const outward = isDraw(corner) ? -1 : 1;
    const pctStep = draft.bounds.effortPct.step;
    const sStep = corner.id === 'hold' ? draft.bounds.holdS.step : (timeStep(corner) ?? 1);
    const by = {
      ArrowRight: moves.time && { s: sStep },
      ArrowLeft: moves.time && { s: -sStep },
      ArrowUp: moves.effort && { pct: outward * pctStep },
      ArrowDown: moves.effort && { pct: -outward * pctStep }
    }[event.key];
    if (!by) return;
    event.preventDefault();
    draft.move(corner.id, by);
  }
  const timeStep = ({ id }: Corner): number | undefined =>
    ['turn', 'settle', 'last settle'].includes(id) ? draft.value.breathS : undefined;
  const says = ({ atS, pct, moves }: Corner): string =>
    `${clockText(Math.round(atS))}, ${Math.round(Math.abs(pct))} %${moves.effort ? '' : '; time only'}`;
</script>

<div class="overflow-x-auto rounded-soft border border-line bg-paper px-5 py-2">
  <div class="relative min-w-[36rem] [&>svg]:block" bind:this={box}>
    <div class="pointer-events-none absolute inset-x-0 border-t-2 border-dashed border-stop" style:top={top(capPct)}></div>
    <div class="pointer-events-none absolute inset-x-0 border-t-2 border-dashed border-stop" style:top={top(-capPct)}></div>
    <span class="pointer-events-none absolute top-0 left-0 text-sm text-iris">press, at most {capPct} %</span>
    <span class="pointer-events-none absolute bottom-0 left-0 text-sm text-fern">draw, at most {capPct} %</span>
    <EffortCurve phases={draft.phases} width={1000} {height} {scalePct} fluid label="Effort over the cycle" />
    {#each draft.corners as corner (corner.id)}
      <button
        type="button"
        role="slider"
        aria-label={cornerText(corner.id)}
        aria-valuenow={Math.round(corner.atS)}
        aria-valuemin={0}
        aria-valuemax={3600}
        aria-valuetext={says(corner)}
        class="group absolute grid size-11 -translate-1/2 touch-none place-items-center rounded-full {corner.moves.effort
          ? corner.moves.time
            ? 'cursor-move'
            : 'cursor-ns-resize'
          : 'cursor-ew-resize'}"
        style:left={left(corner.atS)}
        style:top={top(corner.pct)}
        onpointerdown={(e) => take(e, corner)}
        onpointermove={drag}
        onpointerup={() => (held = null)}
        onpointercancel={() => (held = null)}
        onkeydown={(e) => key(e, corner)}
      >
        <span
          class="block border-2 border-paper bg-ink group-hover:bg-mulberry group-focus-visible:bg-mulberry {corner.moves.effort
            ? 'size-4 rounded-full'
            : 'h-5 w-2 rounded-soft'}"
        ></span>
      </button>
    {/each}
  </div>
  <div class="flex min-w-[36rem] justify-between text-sm text-ink-soft">
    <span>0:00</span><span>{clockText(endS / 2)}</span><span>{clockText(endS)}</span>
  </div>
</div>
