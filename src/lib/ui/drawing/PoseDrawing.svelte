<script lang="ts">
  import { compute } from '$lib/contract/door';
  import { isFromAbove, poseFigure, type Body, type FigurePose, type PoseId, type Side } from '$lib/core';
  import Figure from './Figure.svelte';
  import Furniture from './Furniture.svelte';
  import Landmarks from './Landmarks.svelte';
  import type { Mark } from './mark';
  import { movingFigure } from './movingFigure.svelte';
  import Scene from './Scene.svelte';

  /** A position on its floor, to scale. What no body can be is drawn as the position usually is. */
  type Props = {
    pose: PoseId;
    setting: { side: Side; value?: number };
    body: Body;
    label: string;
    /** The same position another day, pale behind. */
    before?: number | null;
    /** Where it is measured. */
    mark?: Mark | null;
    class?: string;
  };
  let { pose, setting, body, label, before = null, mark = null, class: className = '' }: Props = $props();
  const at = (value: number | undefined): FigurePose => {
    const { side } = setting;
    const drawn = compute(() => poseFigure(pose, { side, ...(value !== undefined && { value }) }, body));
    return drawn.ok ? drawn.value : poseFigure(pose, { side }, body);
  };
  const figure = $derived(at(setting.value));
  const moving = movingFigure(() => figure);
  const earlier = $derived(before === null ? null : at(before));
  const boxes = $derived([figure.box, moving.current.box, ...(earlier ? [earlier.box] : [])]);
  const margin = 4;
  const edge = (pick: (b: FigurePose['box']) => number, of: (...values: number[]) => number) => of(...boxes.map(pick));
  const fromAbove = $derived(isFromAbove(figure.view));
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
  {#if earlier}<Figure pose={earlier} ghost="pale" />{/if}
  <Figure pose={moving.current} />
  <!-- Seen from the front the earlier one would hide behind the body. -->
  {#if earlier && figure.view !== 'side'}<Figure pose={earlier} ghost="outline" />{/if}
  {#if mark}<Landmarks {figure} {mark} />{/if}
</Scene>
