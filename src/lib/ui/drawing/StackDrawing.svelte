<script lang="ts">
  import type { PropFace, StackItem } from '$lib/core';

  type DrawnProp = { id: string; material: 'cork' | 'felt' | 'steel'; softShare?: number; faces: readonly PropFace[] };
  type Props = {
    items: readonly StackItem[];
    shelf: readonly DrawnProp[];
    /** Middle of the stack, in units of the drawing. */
    x: number;
    /** Units of the drawing for a centimetre of height. @default 1 */
    perCm?: number;
    /** Units of the drawing for a centimetre of width. @default perCm */
    acrossPerCm?: number;
    /** Ahead, or of another day. @default false */
    pale?: boolean;
  };
  let { items, shelf, x, perCm = 1, acrossPerCm = perCm, pale = false }: Props = $props();

  const boxes = $derived.by(() => {
    let y = 0;
    return items.flatMap(({ propId, face }) => {
      const prop = shelf.find((p) => p.id === propId);
      const side = prop?.faces[face];
      if (!prop || !side) return [];
      const height = side.heightCm * (1 - (prop.softShare ?? 0)) * perCm; // as it stands under the body
      const box = { y, height, width: side.widthCm * acrossPerCm, material: prop.material };
      y += height;
      return [box];
    });
  });
</script>

<!-- Drawn with y upward. -->
<g opacity={pale ? 0.5 : 1}>
  {#each boxes as box, i (i)}
    <rect
      x={x - box.width / 2}
      y={box.y}
      width={box.width}
      height={box.height}
      rx={box.material === 'felt' ? Math.min(box.height / 2, 7) : Math.min(box.height / 2, 0.8)}
      fill="var(--color-{box.material})"
      stroke="var(--color-{box.material}-edge)"
      stroke-width="1.2"
      vector-effect="non-scaling-stroke"
    />
  {/each}
</g>
