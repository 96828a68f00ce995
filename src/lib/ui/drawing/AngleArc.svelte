<script lang="ts">
  /** An angle to scale: one arm lying, the other as far open as the angle says. */
  type Props = { deg: number; x: number; y: number; radius: number; pale?: boolean };
  let { deg, x, y, radius, pale = false }: Props = $props();
  const at = (angle: number, r: number) => {
    const rad = (angle * Math.PI) / 180;
    return `${(x + r * Math.cos(rad)).toFixed(1)} ${(y - r * Math.sin(rad)).toFixed(1)}`;
  };
  const open = $derived(Math.max(0, Math.min(359, deg)));
  // An angle over a right one is drawn about the upright, so that it does not hang under the line.
  const from = $derived(open > 90 ? Math.max(-20, 90 - open / 2) : 0);
</script>

<g opacity={pale ? 0.5 : 1} fill="none">
  <path
    d="M{x} {y}L{at(from, radius)}A{radius} {radius} 0 {open > 180 ? 1 : 0} 0 {at(from + open, radius)}Z"
    fill="var(--color-cork)"
    stroke="var(--color-cork-edge)"
    stroke-width="1.2"
  />
</g>
