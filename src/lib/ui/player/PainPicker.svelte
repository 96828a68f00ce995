<script lang="ts">
  import { painKindOf, painKinds, urgentSignsText, type PainPlaceId, type Side } from '$lib/core';
  import BodyMap from '$lib/ui/BodyMap.svelte';
  import { adviceText, placeText, toldText, type Player } from './player.svelte';

  let { player }: { player: Player } = $props();
  let where = $state<{ place: PainPlaceId; side: Side | null }>();
  const kinds = painKinds.filter((k) => k.id !== 'afterwards' && k.id !== 'urgent_sign');
  const isSerious = (action: string) => action === 'stop session' || action === 'urgent';
  const nameOf = (index: number) => {
    const set = player.sets[index]!;
    return `${player.find(set.exerciseId).name.toLowerCase()}${set.side ? `, ${set.side}` : ''}`;
  };
  const named = (indices: readonly number[]) => [...new Set(indices.map(nameOf))].join('; ');
  /** What follows in this session, exercise by exercise. */
  const result = $derived.by(() => {
    const action = player.advice && painKindOf(player.advice.kind).action;
    if (!action || action === 'carry on' || !player.outcome) return [];
    const { dropped, eased } = player.outcome;
    return [
      'This set ends.',
      ...(dropped.length > 0 ? [`Left out from here on: ${named(dropped)}.`] : []),
      ...(eased.length > 0 ? [`One step easier from here on: ${named(eased)}.`] : [])
    ];
  });
</script>

{#if player.mode === 'advice' && player.advice}
  <section class="flex grow flex-col justify-center gap-5" aria-label="What to do">
    <h2 class="text-5xl leading-tight" role="alert">{adviceText(player.advice)}</h2>
    <p class="text-2xl">Told: {toldText(player.advice)}</p>
    {#each result as text (text)}<p class="text-2xl text-ink-soft">{text}</p>{/each}
    <div><button class="btn btn-primary min-h-16 min-w-40 text-xl" onclick={() => player.afterAdvice()}>Go on</button></div>
  </section>
{:else if !where}
  <section class="flex grow flex-col gap-4" aria-label="Where">
    {@render comeOut()}
    <div class="grid gap-2 sm:grid-cols-2">
      <button
        class="btn min-h-16 flex-col items-start border-2 border-stop text-left text-lg leading-tight text-stop"
        onclick={() => player.tellPain({ kind: 'urgent_sign', place: 'nowhere', side: null })}
      >
        An urgent sign: stop, medical help now
        <span class="text-base font-normal">{urgentSignsText}</span>
      </button>
      <button
        class="btn min-h-16 flex-col items-start border-2 border-stop text-left text-lg leading-tight"
        onclick={() => player.tellPain({ kind: 'nerve', place: 'nowhere', side: null })}
      >
        Numb, tingling, electric, spreading
        <span class="text-base font-normal">Anywhere: the session ends</span>
      </button>
    </div>
    <h2 class="text-3xl">Where?</h2>
    <BodyMap onpick={(picked) => (where = picked)} wide />
  </section>
{:else}
  <section class="flex grow flex-col justify-center gap-4" aria-label="What kind">
    {@render comeOut()}
    <div class="flex flex-wrap items-center gap-x-4">
      <h2 class="text-3xl">{placeText(where)}: what kind?</h2>
      <button class="btn btn-quiet text-lg underline underline-offset-4" onclick={() => (where = undefined)}
        >Change the place</button
      >
    </div>
    <div class="grid gap-2 sm:grid-cols-2">
      {#each kinds as kind (kind.id)}
        <button
          class="btn min-h-16 justify-start text-left text-lg {isSerious(kind.action) ? 'border-2 border-stop' : ''}"
          onclick={() => where && player.tellPain({ kind: kind.id, ...where })}>{kind.label}</button
        >
      {/each}
    </div>
  </section>
{/if}

{#snippet comeOut()}
  <p class="text-2xl font-semibold text-stop">Come out slowly, hands first.</p>
{/snippet}
