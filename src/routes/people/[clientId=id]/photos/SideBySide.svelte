<script lang="ts">
  import { pictureFrame, positionOf, type PhotoPoints } from '$lib/core';
  import PictureLine from '$lib/ui/photo/PictureLine.svelte';
  import { dateText, stateText } from '$lib/ui/format';
  import type { BodyState } from '$lib/contract/fields';

  type Picture = Readonly<{
    id: string;
    widthPx: number;
    heightPx: number;
    points: PhotoPoints;
    takenOn: string;
    bodyState: BodyState;
    value: number | null;
  }>;
  /** Two pictures of the same view, turned level and brought to one size, standing on one floor line. */
  type Props = {
    clientId: number;
    measureId: string;
    before: Picture;
    after: Picture | null;
    text: (value: number | null) => string;
  };
  let { clientId, measureId, before, after, text }: Props = $props();
  const spec = $derived(positionOf(measureId).photo!);
  const pictures = $derived(after ? [before, after] : [before]);
  const frames = $derived(pictures.map((p) => pictureFrame(spec, p.points)));
  const size = { width: 620, height: 430 };
  /** Shown length of what is as long in both: so that the smaller picture fills its place. */
  const shownUnit = $derived(
    Math.max(...pictures.map((p, i) => frames[i]!.unitPx * Math.max(size.width / p.widthPx, size.height / p.heightPx) || 1))
  );
  /** Where the common line lies: low, as far as both pictures reach up to the top edge and down to the lower one. */
  const floorY = $derived.by(() => {
    const scale = (i: number) => shownUnit / frames[i]!.unitPx;
    const above = Math.min(...pictures.map((_, i) => frames[i]!.anchor.y * scale(i)));
    const below = Math.min(...pictures.map((p, i) => (p.heightPx - frames[i]!.anchor.y) * scale(i)));
    return Math.max(size.height - below, Math.min(0.86 * size.height, above));
  });
  const hasFloor = $derived(pictures.every((p) => p.points.line?.kind === 'floor'));
  const transformOf = (i: number) => {
    const { anchor, rollDeg, unitPx } = frames[i]!;
    return `translate(${size.width / 2} ${floorY}) scale(${shownUnit / unitPx}) rotate(${-rollDeg}) translate(${-anchor.x} ${-anchor.y})`;
  };
  const linesOf = ({ landmarks: { vertex, along, other, point } }: PhotoPoints, i: number) => {
    if (point) return [[point, frames[i]!.anchor] as const];
    return [along, other].flatMap((end) => (vertex && end ? [[vertex, end] as const] : []));
  };
</script>

<div class="mt-4 grid gap-1 {after ? 'md:grid-cols-2' : 'max-w-2xl'}">
  {#each pictures as picture, i (`${picture.id}/${i}`)}
    <figure>
      <svg
        viewBox="0 0 {size.width} {size.height}"
        class="w-full bg-line"
        role="img"
        aria-label="{i === 0 ? 'Before' : 'After'}: {dateText(picture.takenOn)}, {text(picture.value)}"
      >
        <g transform={transformOf(i)}>
          <image href="/people/{clientId}/photos/{picture.id}" width={picture.widthPx} height={picture.heightPx} />
          {#each linesOf(picture.points, i) as [from, to], n (n)}<PictureLine {from} {to} />{/each}
        </g>
        {#if hasFloor}<PictureLine from={{ x: 0, y: floorY }} to={{ x: size.width, y: floorY }} />{/if}
      </svg>
      <figcaption class="flex flex-wrap items-baseline gap-x-4 pt-1">
        <span class="text-ink-soft">{i === 0 && after ? 'Before' : after ? 'After' : 'Only one'}</span>
        <strong class="text-3xl">{text(picture.value)}</strong>
        <span>{dateText(picture.takenOn)}, {stateText[picture.bodyState]}</span>
      </figcaption>
    </figure>
  {/each}
</div>
