<script lang="ts">
  import { poseFigure, type Body, type FigurePose, type PoseId, type Side } from '$lib/core';
  import Figure from './Figure.svelte';
  import Furniture from './Furniture.svelte';
  import Landmarks from './Landmarks.svelte';
  import Scene from './Scene.svelte';

  /** A position on its floor, to scale. */
  type Props = {
    pose: PoseId;
    setting: { side: Side; value?: number };
    body: Body;
    label: string;
    /** The same position another day, pale behind. */
    before?: number | null;
    /** Where a reading is taken. */
    reading?: 'tape' | 'inclinometer' | 'landmarks' | null;
    class?: string;
  };
  let { pose, setting, body, label, before = null, reading = null, class: className = '' }: Props = $props();
  const figure = $derived(poseFigure(pose, setting, body));
  const earlier = $derived(before === null ? null : poseFigure(pose, { ...setting, value: before }, body));
  const boxes = $derived([figure.box, ...(earlier ? [earlier.box] : [])]);
  const margin = 4;
  const edge = (pick: (b: FigurePose['box']) => number, of: (...values: number[]) => number) => of(...boxes.map(pick));
  const fromAbove = $derived(figure.view === 'top' || figure.view === 'facing down on');
  const minY = $derived(
    fromAbove
      ? edge((b) => b.minY, Math.min) - margin
      : Math.min(
          0,
          edge((b) => b.minY, Math.min)
        ) - 2
  );
</script>

<Scene
  minX={edge((b) => b.minX, Math.min) - margin}
  maxX={edge((b) => b.maxX, Math.max) + margin}
  maxY={edge((b) => b.maxY, Math.max) + 2}
  below={-minY}
  floor={!fromAbove}
  {label}
  class={className}
>
  <Furniture boxes={figure.furniture} />
  {#if earlier}<Figure pose={earlier} ghost />{/if}
  <Figure pose={figure} />
  {#if reading}<Landmarks {figure} {reading} />{/if}
</Scene>
