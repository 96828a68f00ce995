<script lang="ts">
  import { painKindOf, painKinds, painPlaces, sides, type PainPlaceId, type Side } from '$lib/core';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { adviceText, type Player } from './player.svelte';

  let { player }: { player: Player } = $props();
  let where = $state<{ place: PainPlaceId; side: Side | null }>();
  const kinds = painKinds.filter((k) => k.id !== 'afterwards');
  const isSerious = (action: string) => action === 'stop session' || action === 'urgent';
  const result = $derived.by(() => {
    const action = player.advice && painKindOf(player.advice.kind).action;
    if (action === 'ease') return 'This set ends; what is left of this exercise on this side takes the easier setting.';
    if (action === 'stop exercise') return 'The rest of this exercise is left out, on both sides.';
    if (action === 'stop line') return 'Whatever stretches that line is left out from here on, and until it is cleared.';
    return '';
  });
</script>

{#if player.mode === 'advice' && player.advice}
  <section class="flex grow flex-col justify-center gap-5" aria-label="What to do">
    <h2 class="text-5xl leading-tight" role="alert">{adviceText(player.advice)}</h2>
    {#if result}<p class="text-2xl text-ink-soft">{result}</p>{/if}
    <div><button class="btn btn-primary min-h-16 min-w-40 text-xl" onclick={() => player.afterAdvice()}>Go on</button></div>
  </section>
{:else if !where}
  <section class="flex grow flex-col justify-center gap-4" aria-label="Where">
    <h2 class="text-3xl">Where?</h2>
    <div class="grid gap-3 sm:grid-cols-2">
      {#each sides as side (side)}
        <div class="flex flex-col gap-2">
          <h3 class="flex items-center gap-2 text-xl {side === 'left' ? 'text-lake' : 'text-ochre'}">
            <SideMark {side} size={22} />
            {side}
          </h3>
          <div class="grid grid-cols-2 gap-2">
            {#each painPlaces.filter((p) => p.sided) as place (place.id)}
              <button
                class="btn min-h-16 text-lg"
                aria-label="{place.label}, {side}"
                onclick={() => (where = { place: place.id, side })}>{place.label}</button
              >
            {/each}
          </div>
        </div>
      {/each}
    </div>
    {#each painPlaces.filter((p) => !p.sided) as place (place.id)}
      <button class="btn min-h-16 text-lg" onclick={() => (where = { place: place.id, side: null })}>{place.label}</button>
    {/each}
  </section>
{:else}
  <section class="flex grow flex-col justify-center gap-4" aria-label="What kind">
    <h2 class="text-3xl">What kind?</h2>
    <div class="grid gap-2 sm:grid-cols-2">
      {#each kinds as kind (kind.id)}
        <button
          class="btn min-h-16 justify-start text-left text-lg {isSerious(kind.action) ? 'border-2 border-stop' : ''}"
          onclick={() => where && player.tellPain({ kind: kind.id, ...where })}>{kind.label}</button
        >
      {/each}
    </div>
    <p><button class="btn btn-quiet text-lg" onclick={() => (where = undefined)}>Another place</button></p>
  </section>
{/if}
