<script lang="ts">
  import { ToggleGroup } from 'bits-ui';
  import type { Units } from '$lib/contract/fields';
  import { feltPlaces, leftOutReasons, type SetFigures } from '$lib/contract/setForms';
  import type { LastTime } from '$lib/contract/review';
  import BodyMap from '$lib/ui/BodyMap.svelte';
  import { placeText } from '$lib/ui/figuresText';
  import { capital, clockText } from '$lib/ui/format';
  import { lastTimeText, slipsOf } from './cueText';
  import type { Notes, Player } from './player.svelte';
  import SetFiguresForm from './SetFigures.svelte';
  import TestReading from './TestReading.svelte';

  type Props = { player: Player; sensationCap: number; lastTime?: LastTime; units: Units };
  let { player, sensationCap, lastTime, units }: Props = $props();
  const exercise = $derived(player.find(player.asked.exerciseId));
  /** Of the set that was just done, or of one before by its name. */
  const question = $derived.by(() => {
    const { side, setNo, setCount, index } = player.asked;
    const sideText = side ? `, ${side} ${exercise.sideWords}` : '';
    if (index === player.setIndex) return `How was that set${sideText}?`;
    return `${exercise.name}${setCount > 1 ? `, set ${setNo}` : ''}${sideText}: how was it?`;
  });
  let notes = $state<Notes>({ sensation: null, felt: null, slipped: null });
  let figures = $state.raw<SetFigures>({});
  let isWriting = $state(false);
  const feltText = $derived<Record<(typeof feltPlaces)[number], string>>({
    expected: exercise.felt,
    elsewhere: 'another muscle',
    'closing side': 'closing side, a pinch',
    joint: 'in a joint'
  });
  type Answer = Readonly<{ value: string; label: string }>;
  const scale: readonly Answer[] = Array.from({ length: 11 }, (_, n) => ({ value: String(n), label: String(n) }));
  const places = $derived<readonly Answer[]>(feltPlaces.map((id) => ({ value: id, label: capital(feltText[id]) })));
  const slipped = $derived<readonly Answer[]>(slipsOf(player.asked.work).map((id) => ({ value: id, label: capital(id) })));
  /** An answer taken back stands open again. */
  function answer(of: keyof Notes, value: string) {
    notes = { ...notes, [of]: value === '' ? null : of === 'sensation' ? Number(value) : value };
  }
  const isOverCap = $derived(notes.sensation !== null && notes.sensation > sensationCap);
  function keep(eases = false) {
    const { feltAt, ...others } = figures;
    const isElsewhere = notes.felt !== null && notes.felt !== 'expected';
    const kept = isElsewhere && feltAt ? figures : others;
    if (eases) player.keepNotesAndEase(notes, kept);
    else player.keepNotes(notes, kept);
  }
  let cleanButton: HTMLButtonElement | undefined = $state();
  $effect(() => cleanButton?.focus());
</script>

{#snippet answersTo(legend: string, of: keyof Notes, answers: readonly Answer[], size: string)}
  <div>
    <p id="asked-{of}" class="mb-2 text-2xl font-semibold">{legend}</p>
    <ToggleGroup.Root
      type="single"
      bind:value={() => String(notes[of] ?? ''), (v) => answer(of, v)}
      aria-labelledby="asked-{of}"
      class="flex flex-wrap gap-2"
    >
      {#each answers as { value, label } (value)}
        <ToggleGroup.Item {value} class="btn min-h-14 {size}">{label}</ToggleGroup.Item>
      {/each}
      {#if of === 'sensation'}<span class="self-center text-ink-soft">cap {sensationCap}</span>{/if}
    </ToggleGroup.Root>
  </div>
{/snippet}

{#snippet figuresForm()}
  {#if isWriting}
    <SetFiguresForm {exercise} work={player.asked.work} counted={player.askedCount} {units} bind:figures />
  {:else}
    <p>
      <button class="btn btn-quiet text-lg" aria-expanded="false" onclick={() => (isWriting = true)}
        >Write down {player.askedCount ? `${player.askedCount.many}, ` : ''}effort, signs</button
      >
    </p>
  {/if}
{/snippet}

{#if player.mode === 'leave out'}
  <section class="flex grow flex-col justify-center gap-6" aria-label="Why it is left out">
    <h2 class="text-4xl">Why is this set left out?</h2>
    <div class="grid gap-4 sm:grid-cols-2">
      {#each leftOutReasons as reason (reason)}
        <button class="btn min-h-24 text-2xl" onclick={() => player.leaveOut(reason)}>{capital(reason)}</button>
      {/each}
    </div>
    <p class="text-xl text-ink-soft">Where it hurts, press Pain: then what bears on it is kept out.</p>
    <p><button class="btn btn-quiet text-lg" onclick={() => player.goBack()}>Back</button></p>
  </section>
{:else if player.mode === 'ask' && exercise.reads}
  <TestReading {player} {exercise} reads={exercise.reads} {lastTime} {units} />
{:else if player.mode === 'ask'}
  <section class="flex grow flex-col justify-center gap-6" aria-label="How was the set">
    <div>
      {#if player.toAsk > 1}<p class="mb-2 text-xl text-ink-soft">{player.toAsk} sets to answer</p>{/if}
      <h2 class="text-4xl">{question}</h2>
      {#if lastTime}<p class="mt-2 text-xl text-ink-soft">{lastTimeText(lastTime, units)}</p>{/if}
    </div>
    <div class="grid gap-4 lg:grid-cols-2">
      <button
        class="btn min-h-44 flex-col gap-1 border-2 border-ink text-4xl"
        bind:this={cleanButton}
        onclick={() => player.clean(figures)}
      >
        As planned
        <span class="text-lg font-normal text-ink-soft"
          >{player.askedShort
            ? `${clockText(player.askedShort.spentS)} of ${clockText(player.askedShort.plannedS)}: it counts as that`
            : 'whole time'}, right place, at most {sensationCap} of 10, shape kept</span
        >
      </button>
      <button class="btn min-h-44 flex-col gap-1 text-4xl" onclick={() => (player.mode = 'notes')}>
        Not quite
        <span class="text-lg font-normal text-ink-soft">three small questions</span>
      </button>
    </div>
    {@render figuresForm()}
    <p><button class="btn btn-quiet text-lg" onclick={() => player.askWhyLeftOut()}>Skipped</button></p>
  </section>
{:else}
  <section class="flex grow flex-col justify-center gap-5" aria-label="What was not quite">
    {@render answersTo('How strong, at its most?', 'sensation', scale, 'min-w-14 text-xl')}
    {@render answersTo('Where felt?', 'felt', places, 'text-lg')}
    {#if notes.felt && notes.felt !== 'expected'}
      <details>
        <summary class="min-h-11 py-2 text-lg font-semibold"
          >{figures.feltAt ? `Felt: ${placeText(figures.feltAt)}` : 'Show it on the body'}</summary
        >
        <p class="mb-2 text-lg text-ink-soft">It should be felt: {exercise.felt}. If it hurt there, press Pain instead.</p>
        <BodyMap picked={figures.feltAt ?? null} onpick={(feltAt) => (figures = { ...figures, feltAt })} wide />
      </details>
    {/if}
    {@render answersTo('What went out of shape?', 'slipped', slipped, 'text-lg')}
    {@render figuresForm()}
    {#if isOverCap}
      <p class="text-xl font-semibold" role="status">
        Over the cap of {sensationCap}. {player.easierNext
          ? 'Take the next set one step easier.'
          : 'Do what is left of it shorter today, or leave it out; the next decision makes it easier.'}
      </p>
    {/if}
    <div class="flex flex-wrap gap-3">
      {#if isOverCap && player.easierNext}
        <button class="btn btn-primary min-h-14 text-xl" onclick={() => keep(true)}>Keep, next set easier</button>
        <button class="btn min-h-14 text-lg" onclick={() => keep()}>Keep as it is</button>
      {:else}
        <button class="btn btn-primary min-h-14 text-xl" onclick={() => keep()}>Keep</button>
      {/if}
      <button class="btn min-h-14 text-lg" onclick={() => (player.mode = 'ask')}>Back</button>
      <p class="self-center text-ink-soft">Unanswered questions count as unknown: this exercise will not be made harder.</p>
    </div>
  </section>
{/if}
