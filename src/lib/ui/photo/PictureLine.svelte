<script lang="ts">
  type Point = Readonly<{ x: number; y: number }>;

  /** A line over a picture, dark on a light halo, of one weight at any size. */
  type Props = { from: Point; to: Point; dashed?: boolean };
  let { from, to, dashed = false }: Props = $props();
  const pens = [
    { colour: 'var(--color-halo)', width: 4.5 },
    { colour: 'var(--color-mark)', width: 2.2 }
  ] as const;
</script>

{#each pens as pen (pen.width)}
  <line
    x1={from.x}
    y1={from.y}
    x2={to.x}
    y2={to.y}
    stroke={pen.colour}
    stroke-width={pen.width}
    stroke-dasharray={dashed ? '8 5' : undefined}
    vector-effect="non-scaling-stroke"
  />
{/each}
