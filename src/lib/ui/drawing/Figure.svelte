<script lang="ts">
  import { limbOutline, type FigurePose, type Side } from '$lib/core';

  type Limb = FigurePose['limbs'][number];
  type Props = {
    pose: FigurePose;
    /** Which limbs carry their side's colour. @default what the pose is about */
    coloured?: FigurePose['coloured'];
    /** The pose of another day: 'pale' behind, or the bare 'outline' of what is measured over it. */
    ghost?: 'pale' | 'outline';
  };
  let { pose, coloured = pose.coloured, ghost }: Props = $props();

  function isColoured({ name, chain, near, side }: Limb): boolean {
    if (ghost === 'pale' || side === null || chain === 'trunk') return false;
    if (coloured === 'feet') return name === 'heel' || name === 'instep';
    if (coloured === 'both legs') return chain === 'leg';
    return near && chain === coloured;
  }
  function fillOf(limb: Limb): string {
    if (ghost === 'pale') return 'var(--color-line)';
    if (isColoured(limb)) return limb.side === 'left' ? 'var(--color-lake)' : 'var(--color-ochre)';
    return limb.near || limb.chain === 'trunk' ? 'var(--color-pale)' : 'var(--color-pale-far)';
  }
  const firstLimb = $derived(pose.limbs.find((l) => l.near && l.chain === (coloured === 'arm' ? 'arm' : 'leg')));
  const isThin = (limb: Limb) => pose.seeThrough && !isColoured(limb);
  /** Runs of limbs that are one shape, farthest first. */
  const shapes = $derived(
    pose.limbs.reduce<{ group: string; thin: boolean; limbs: Limb[] }[]>((runs, limb) => {
      const last = runs.at(-1);
      const thin = isThin(limb);
      if (last?.group === limb.group && last.thin === thin) last.limbs.push(limb);
      else runs.push({ group: limb.group, thin, limbs: [limb] });
      return runs;
    }, [])
  );
  /** The thigh or upper arm of a side that carries its colour: there its mark is set. */
  const marked = $derived(
    pose.limbs
      .filter(
        (l) => isColoured(l) && (l.name === 'thigh' || l.name === 'upper arm' || (coloured === 'feet' && l.name === 'instep'))
      )
      .map((l) => ({ side: l.side!, near: l.near, at: markAt(l) }))
      // Where the near limb hides the far one, only the near one is marked.
      .filter(({ near, at }, _, all) => near || all.every((m) => !m.near || Math.hypot(m.at.x - at.x, m.at.y - at.y) > 9))
  );
  const markR = $derived(coloured === 'feet' ? 1.5 : 2.6);
  function markAt({ from, to }: Limb) {
    return { x: from.x + (to.x - from.x) * 0.62, y: from.y + (to.y - from.y) * 0.62 };
  }
  /** Half a disc: the left one has its flat edge on the right, the right one on the left. */
  const markPath = (side: Side, { x, y }: { x: number; y: number }) =>
    `M${x} ${y - markR}A${markR} ${markR} 0 0 ${side === 'left' ? 0 : 1} ${x} ${y + markR}Z`;
</script>

{#if ghost === 'outline'}
  {#each pose.limbs.filter(isColoured) as limb (`${limb.name}/${limb.side}`)}
    <path d={limbOutline(limb)} fill="none" stroke="var(--color-ink)" stroke-width="0.7" stroke-dasharray="2.4 1.8" />
  {/each}
{:else}
  <g opacity={ghost ? 0.8 : 1}>
    {#each shapes as { group, thin, limbs }, i (`${group}/${i}`)}
      <g opacity={thin ? 0.4 : 1}>
        {#if !ghost && !pose.seeThrough}
          {#each limbs as limb (`${limb.name}/${limb.side}`)}
            <path d={limbOutline(limb)} fill="none" stroke="var(--color-chalk)" stroke-width="1.4" />
          {/each}
        {/if}
        {#each limbs as limb (`${limb.name}/${limb.side}`)}
          <path d={limbOutline(limb)} fill={fillOf(limb)} />
        {/each}
        {#if group === pose.head.group}
          {@const { centre, alongCm, acrossCm, tiltDeg } = pose.head}
          <ellipse
            cx={centre.x}
            cy={centre.y}
            rx={acrossCm}
            ry={alongCm}
            transform="rotate({tiltDeg} {centre.x} {centre.y})"
            fill={ghost ? 'var(--color-line)' : 'var(--color-pale)'}
          />
        {/if}
      </g>
    {/each}
    {#each marked as { side, at } (side)}
      <path d={markPath(side, at)} fill="var(--color-paper)" />
    {/each}
    {#if !ghost && firstLimb && coloured !== 'none' && pose.view === 'side'}
      <circle cx={firstLimb.from.x} cy={firstLimb.from.y} r="1.6" fill="var(--color-paper)" />
    {/if}
  </g>
{/if}
