<script lang="ts">
  import {
    dialAtRung,
    isFromAbove,
    movementBetween,
    poseFigure,
    pushArrows,
    sceneOf,
    supportsFor,
    type Body,
    type Exercise,
    type Material,
    type Prop,
    type Rung,
    type Setting,
    type Side
  } from '$lib/core';
  import Arrows from './Arrows.svelte';
  import Furniture from './Furniture.svelte';
  import Figure from './Figure.svelte';
  import { movingFigure } from './movingFigure.svelte';
  import Scene from './Scene.svelte';
  import StackDrawing from './StackDrawing.svelte';

  /**
   * The figure and every stack of the exercise on one floor line, to scale, with arrows for the way it moves, presses and draws;
   * pale, the body at its measure, or where the movement begins.
   */
  type Props = {
    exercise: Exercise;
    side: Side;
    setting: Setting;
    /** The stack of each dial that stands on one. @default none */
    stacks?: readonly { dialId: string; rung: Rung }[];
    /** The setting that was measured, shown pale. */
    measured?: Setting | null;
    shelf?: readonly (Prop & { material: Material })[];
    body: Body;
    label: string;
    /** Which efforts have their arrows. @default both */
    efforts?: readonly ('press' | 'draw')[];
    /** Height of the drawing, as a class. */
    size?: string;
  };
  let {
    exercise,
    side,
    setting,
    stacks = [],
    measured = null,
    shelf = [],
    body,
    label,
    efforts = ['press', 'draw'],
    size = 'max-h-[38vh]'
  }: Props = $props();

  const placed = $derived({
    ...setting,
    ...Object.fromEntries(stacks.map(({ dialId, rung }) => [dialId, dialAtRung(dialOf(dialId), rung)]))
  });
  const dialOf = (id: string) => exercise.dials.find((d) => d.id === id)!;
  const posed = (at: Setting) => {
    const scene = sceneOf(exercise, at);
    return scene && poseFigure(scene.pose, { side, ...scene }, body);
  };
  const pose = $derived(posed(placed));
  const begin = $derived.by(() => {
    const scene = sceneOf(exercise, placed);
    return scene?.from === undefined ? null : poseFigure(scene.pose, { side, ...scene, value: scene.from }, body);
  });
  const ghost = $derived(measured ? posed({ ...placed, ...measured }) : begin);
  const path = $derived(pose && begin && movementBetween(begin, pose));
  const pushes = (kind: 'press' | 'draw') =>
    pose && efforts.includes(kind)
      ? ((kind === 'press' ? exercise.pressWays : exercise.drawWays) ?? []).flatMap((push) => pushArrows(pose, push))
      : [];
  const moving = movingFigure(() => pose ?? poseFigure('standing', { side }, body));
  const spots = $derived(
    stacks.flatMap(({ dialId, rung }) => {
      const { under } = rung.under === 'floor' ? dialOf(dialId).stack! : rung;
      const found = pose ? supportsFor(under).flatMap((s) => (pose.supports[s] ? [pose.supports[s].x] : [])) : [];
      // Of a seat only the first place counts: the others stand in for it where a pose has none.
      return (under === 'seat' ? found.slice(0, 1) : found).map((x) => ({ x, rung, key: `${dialId}/${x}` }));
    })
  );
  /** Stacks for which the figure has no place stand beside it. */
  const beside = $derived(stacks.filter(({ dialId }) => !spots.some((s) => s.key.startsWith(`${dialId}/`))));
  const widthOf = (rung: Rung) =>
    Math.max(20, ...rung.items.map((i) => shelf.find((p) => p.id === i.propId)?.faces[i.face]?.widthCm ?? 0));
  const box = $derived.by(() => {
    const bodies = [pose, ghost].filter((p) => p !== null && p !== undefined).map((p) => p.box);
    const minX = Math.min(-10, ...bodies.map((b) => b.minX), ...spots.map((s) => s.x - widthOf(s.rung) / 2));
    const maxX = Math.max(10, ...bodies.map((b) => b.maxX), ...spots.map((s) => s.x + widthOf(s.rung) / 2));
    const besideX = beside.reduce((sum, s) => sum + widthOf(s.rung) + 14, 0);
    const maxY = Math.max(40, ...bodies.map((b) => b.maxY), ...stacks.map((s) => s.rung.heightCm));
    return { minX, maxX, besideX, maxY };
  });
  const besideAt = (index: number) =>
    box.maxX + beside.slice(0, index).reduce((sum, s) => sum + widthOf(s.rung) + 14, 0) + 14 + widthOf(beside[index]!.rung) / 2;
  const fromAbove = $derived(pose !== null && isFromAbove(pose.view));
  const below = $derived(fromAbove ? 4 - Math.min(...[pose, ghost].filter((p) => p !== null).map((p) => p.box.minY)) : 4);
  const arrowScale = $derived(Math.max(0.4, Math.min(1, (box.maxY + below) / 110, (box.maxX - box.minX) / 150)));
</script>

<Scene
  minX={box.minX - 6}
  maxX={box.maxX + box.besideX + 6}
  maxY={box.maxY + 2}
  {below}
  floor={!fromAbove}
  align="right"
  {label}
  class="{size} w-full"
>
  {#if pose}<Furniture boxes={pose.furniture} />{/if}
  {#if ghost}<Figure pose={ghost} ghost="pale" />{/if}
  {#each spots as { x, rung, key } (key)}
    <StackDrawing items={rung.items} {shelf} {x} />
  {/each}
  {#each beside as { dialId, rung }, i (dialId)}
    <StackDrawing items={rung.items} {shelf} x={besideAt(i)} />
  {/each}
  {#if pose}<Figure pose={moving.current} />{/if}
  <Arrows arrows={[]} {path} colour="var(--color-mulberry)" scale={arrowScale} />
  <Arrows arrows={pushes('press')} colour="var(--color-iris)" scale={arrowScale} />
  <Arrows arrows={pushes('draw')} colour="var(--color-fern)" scale={arrowScale} />
</Scene>
