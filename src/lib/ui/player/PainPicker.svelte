<script lang="ts">
  import { painKindOf, painKinds, urgentSignsText, type PainEvent, type PainGrade, type PainPlaceId, type Side } from '$lib/core';
  import { capital } from '$lib/ui/format';
  import BodyMap from '$lib/ui/BodyMap.svelte';
  import { adviceText, placeText, toldText, type Player } from './player.svelte';

  let { player }: { player: Player } = $props();
  let where = $state<{ place: PainPlaceId; side: Side | null }>();
  const kinds = painKinds.filter((k) => k.id !== 'afterwards' && k.id !== 'urgent_sign');
  const hurts = ({ kind }: PainEvent) => painKindOf(kind).action !== 'carry on';
  const grades = [
    { id: 'mild', text: 'Mild, to 3' },
    { id: 'moderate', text: 'Moderate, 4 to 6' },
    { id: 'severe', text: 'Severe, 7 and more' }
  ] as const satisfies readonly { id: PainGrade; text: string }[];
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
  <section class="flex grow flex-col justify-center gap-5 max-sm:gap-3" aria-label="What to do">
    <h2 class="text-5xl leading-tight max-sm:text-3xl" role="alert">{adviceText(player.advice)}</h2>
    <p class="text-2xl max-sm:text-lg">Told: {toldText(player.advice)}</p>
    {#each result as text (text)}<p class="text-2xl text-ink-soft max-sm:text-lg">{text}</p>{/each}
    {#if hurts(player.advice)}
      <div class="flex flex-col gap-2">
        <h3 class="text-2xl max-sm:text-xl">
          How strong, of 10?{player.advice.grade ? ` ${capital(player.advice.grade)}.` : ''}
        </h3>
        {#if !player.advice.grade}
          <div class="flex flex-wrap gap-2">
            {#each grades as { id, text } (id)}
              <button
                class="btn min-h-16 px-3 text-lg max-sm:grow max-sm:text-base {id === 'severe' ? 'border-2 border-stop' : ''}"
                onclick={() => player.gradePain(id)}>{text}</button
              >
            {/each}
          </div>
          <p class="text-lg text-ink-soft">Moderate rests what loads that joint; severe ends the session.</p>
        {/if}
      </div>
    {/if}
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
