<script lang="ts">
  import { limbOutline, type FigurePose, type Limb } from '$lib/core';

  type Props = {
    pose: FigurePose;
    /** Which legs carry their side's colour. @default 'both' */
    coloured?: 'both' | 'near' | 'none';
    /** The pose of another day, pale behind. @default false */
    ghost?: boolean;
  };
  let { pose, coloured = 'both', ghost = false }: Props = $props();

  const isLeg = (limb: Limb) => limb.side !== null;
  function fillOf(limb: Limb): string {
    if (ghost) return 'var(--color-line)';
    if (!isLeg(limb) || coloured === 'none' || (coloured === 'near' && !limb.near))
      return limb.near ? 'var(--color-pale)' : 'var(--color-pale-far)';
    return limb.side === 'left' ? 'var(--color-lake)' : 'var(--color-ochre)';
  }
  // The head lies over the trunk and under the near leg.
  const behind = $derived(pose.limbs.filter((l) => !(isLeg(l) && l.near) && !l.name.includes('arm')));
  const before = $derived(pose.limbs.filter((l) => (isLeg(l) && l.near) || l.name.includes('arm')));
</script>

{#snippet limbs(some: readonly Limb[])}
  {#each some as limb (`${limb.name}/${limb.near}/${limb.side}`)}
    <path d={limbOutline(limb)} fill={fillOf(limb)} />
  {/each}
{/snippet}

<g opacity={ghost ? 0.8 : 1}>
  {@render limbs(behind)}
  <ellipse
    cx={pose.head.centre.x}
    cy={pose.head.centre.y}
    rx={pose.head.rxCm}
    ry={pose.head.ryCm}
    transform="rotate({pose.head.tiltDeg} {pose.head.centre.x} {pose.head.centre.y})"
    fill={ghost ? 'var(--color-line)' : 'var(--color-pale)'}
  />
  {@render limbs(before)}
  {#if !ghost && coloured !== 'none'}
    <circle cx={pose.joints.hip?.x} cy={pose.joints.hip?.y} r="1.8" fill="var(--color-paper)" />
  {/if}
</g>
