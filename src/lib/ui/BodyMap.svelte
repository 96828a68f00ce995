<script lang="ts">
  import { painPlaces, sides, type PainPlaceId, type Side } from '$lib/core';
  import SideMark from './SideMark.svelte';
  import Tip from './Tip.svelte';

  /** Where on the body: on the drawing, and by name beside it. From in front the client's left is on the right, as it is seen. */
  type Picked = { place: PainPlaceId; side: Side | null };
  type Props = {
    picked?: Picked | null;
    onpick: (picked: Picked) => void;
    /** Names in two columns, where there is room. */ wide?: boolean;
  };
  let { picked = null, onpick, wide = false }: Props = $props();

  const drawn = painPlaces.flatMap((place) => {
    if (!place.at || !place.view) return [];
    const { view, at } = place;
    const places: (Side | null)[] = place.sided ? [...sides] : [null];
    return places.map((side) => {
      const isRight = side === 'right';
      // Seen from in front the right side is on the left of the picture, from behind on its right.
      const sign = side === null ? 0 : (view === 'front') === isRight ? -1 : 1;
      return { place, view, side, left: 50 + sign * at[0] * 2, top: at[1] };
    });
  });
  const isPicked = (place: PainPlaceId, side: Side | null) => picked?.place === place && picked.side === side;
  const nameOf = (label: string, side: Side | null) => (side ? `${label}, ${side}` : label);
  const chosen = 'border-mulberry bg-mulberry text-paper';
</script>

<div class="flex flex-wrap items-start gap-x-8 gap-y-4">
  <div class="flex max-w-full min-w-0 gap-2" role="group" aria-label="Places on the body">
    {#each ['front', 'back'] as const as view (view)}
      <figure class="m-0 w-45 min-w-0 shrink">
        <div class="relative aspect-1/2 w-full">
          <svg viewBox="0 0 50 100" class="h-full w-full" aria-hidden="true">
            <g fill="none" stroke="var(--color-line)" stroke-linecap="round" stroke-linejoin="round">
              <path d="M25 14V20" stroke-width="5" />
              <path d="M15.5 21Q25 18.5 34.5 21L32 46Q25 52 18 46Z" fill="var(--color-line)" stroke-width="4" />
              <path d="M14.5 22L9 36L6 50" stroke-width="4.6" />
              <path d="M35.5 22L41 36L44 50" stroke-width="4.6" />
              <path d="M20.5 49L19 74L17.5 94" stroke-width="7.4" />
              <path d="M29.5 49L31 74L32.5 94" stroke-width="7.4" />
              <path d="M17.5 95.5H{view === 'front' ? 14 : 16}M32.5 95.5H{view === 'front' ? 36 : 34}" stroke-width="4" />
            </g>
            <ellipse cx="25" cy="7" rx="5.4" ry="6.4" fill="var(--color-line)" />
            {#if view === 'back'}<path d="M25 20V45" stroke="var(--color-paper)" stroke-width="0.7" />{/if}
          </svg>
          {#each drawn.filter((d) => d.view === view) as { place, side, left, top } (`${place.id}/${side}`)}
            <Tip text={nameOf(place.label, side)}>
              {#snippet children(props)}
                <button
                  {...props}
                  class="absolute size-7 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 {isPicked(place.id, side)
                    ? chosen
                    : 'border-ink bg-paper/80 hover:border-mulberry'}"
                  style:left="{left}%"
                  style:top="{top}%"
                  aria-pressed={isPicked(place.id, side)}
                  aria-label="{nameOf(place.label, side)} (drawing)"
                  onclick={() => onpick({ place: place.id, side })}
                ></button>
              {/snippet}
            </Tip>
          {/each}
        </div>
        <figcaption class="text-center text-ink-soft">{view === 'front' ? 'From the front' : 'From behind'}</figcaption>
      </figure>
    {/each}
  </div>
  <div class="flex min-w-64 flex-1 flex-col gap-2">
    <div class="flex flex-wrap gap-1">
      {#each painPlaces.filter((p) => !p.sided) as place (place.id)}
        <button
          type="button"
          class="btn min-h-11 px-3"
          aria-pressed={isPicked(place.id, null)}
          onclick={() => onpick({ place: place.id, side: null })}>{place.label}</button
        >
      {/each}
    </div>
    <ul class="grid gap-x-6 gap-y-1 {wide ? 'lg:grid-cols-2' : ''}">
      {#each painPlaces.filter((p) => p.sided) as place (place.id)}
        <li class="flex items-center gap-1">
          <span class="min-w-30 flex-1 leading-tight">{place.label}</span>
          {#each sides as side (side)}
            <button
              type="button"
              class="btn min-h-11 gap-1 px-3 {isPicked(place.id, side) ? '' : side === 'left' ? 'text-lake' : 'text-ochre'}"
              aria-pressed={isPicked(place.id, side)}
              aria-label={nameOf(place.label, side)}
              onclick={() => onpick({ place: place.id, side })}><SideMark {side} size={14} /> {side}</button
            >
          {/each}
        </li>
      {/each}
    </ul>
  </div>
</div>
