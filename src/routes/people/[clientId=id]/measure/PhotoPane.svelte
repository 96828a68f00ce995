<script lang="ts">
  import { onDestroy } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Result } from '$lib/contract/problem';
  import { isFromAbove, photoFoldDeg, poses, positionOf, type Body, type Measure, type Side } from '$lib/core';
  import PoseDrawing from '$lib/ui/drawing/PoseDrawing.svelte';
  import { degText, lengthText } from '$lib/ui/format';
  import { newId } from '$lib/ui/newId';
  import FilmPicker from '$lib/ui/photo/FilmPicker.svelte';
  import PhotoChooser from '$lib/ui/photo/PhotoChooser.svelte';
  import { PhotoDesk } from '$lib/ui/photo/photoDesk.svelte';
  import PictureBoard from '$lib/ui/photo/PictureBoard.svelte';
  import PointList from '$lib/ui/photo/PointList.svelte';
  import { problemText } from '$lib/ui/problemText';
  import Desk from './Desk.svelte';
  import type { MeasureState } from './measureState.svelte';
  import PhotoConsent from './PhotoConsent.svelte';
  import PhotoNumber from './PhotoNumber.svelte';
  import Slots from './Slots.svelte';

  type Props = {
    measure: Measure;
    state: MeasureState;
    places: readonly (Side | null)[];
    unit: LengthUnit;
    clientId: number;
    clientName: string;
    consent: Readonly<{ givenBy: string; givenOn: string }> | null;
    today: string;
    body: Body;
  };
  let { measure, state: measuring, places, unit, clientId, clientName, consent, today, body }: Props = $props();
  const fromAbove = $derived(isFromAbove(poses[positionOf(measure.id).pose].view));
  const spec = $derived(positionOf(measure.id).photo!);
  const desk: PhotoDesk = new PhotoDesk(
    () => spec,
    () => unit
  );
  onDestroy(() => (desk.cancel(), desk.clear()));

  let isOpen = $state(false);
  let pxPerShownPx = $state(1);
  let keeping = $state(false);
  let notice = $state('');
  const slots = $derived(measuring.slots(places));
  let at = $state(0);
  const slot = $derived(slots[at] ?? null);
  const result = $derived(desk.result(pxPerShownPx));
  const [low, high] = $derived(measure.possible);
  const foldDeg = $derived(photoFoldDeg(spec, measure.possible));
  let isPast = $state(false);
  /** The value of the picture as it stands; null while something is missing. */
  const value = $derived(
    result?.ok ? (foldDeg !== null && isPast ? 2 * foldDeg - result.value.value.value : result.value.value.value) : null
  );
  const isImpossible = $derived(value !== null && (value < low || value > high));
  const shown = (value: number) => (measure.unit === 'cm' ? lengthText(value, unit) : degText(value, 1));
  const usesGuess = $derived(measure.ways.includes('photo, line guessed'));

  function open() {
    at = Math.min(measuring.firstOpen(slots), slots.length - 1);
    notice = '';
    isOpen = true;
  }
  async function keepPicture(place: NonNullable<typeof slot>): Promise<string | undefined> {
    const id = newId();
    const body = new FormData();
    for (const [name, value] of Object.entries({
      measureId: measure.id,
      side: place.side ?? '',
      mode: place.mode,
      takenOn: today
    }))
      body.set(name, value);
    body.set('points', JSON.stringify(desk.placed));
    body.set('file', desk.picture!.blob, 'picture.jpg');
    const answer = await fetch(`/people/${clientId}/photos/${id}`, { method: 'PUT', body })
      .then((r) => r.json() as Promise<Result<null>>)
      .catch(() => null);
    if (answer?.ok) return id;
    notice = answer ? problemText(answer.problem) : 'The picture could not be sent and is not kept. The number is in.';
    return undefined;
  }
  async function take() {
    if (!slot || value === null) return;
    const taken = value;
    if (usesGuess) measuring.way = desk.lineGuessed ? 'photo, line guessed' : 'photo';
    const place = slot;
    notice = '';
    measuring.fill(place, taken, 1);
    if (consent) {
      keeping = true;
      const photoId = await keepPicture(place);
      keeping = false;
      if (photoId) measuring.fill(place, taken, 1, photoId);
    }
    desk.clear();
    at = measuring.firstOpen(slots);
    if (at >= slots.length && !notice) isOpen = false;
  }
  const standIn = () => {
    const s = slot ?? slots[0]!;
    const ask = new URLSearchParams({ measure: measure.id, mode: s.mode, trial: String(s.n), ...(s.side && { side: s.side }) });
    return `${location.pathname}/stand-in/picture?${ask}`;
  };
</script>

<section class="card flex flex-wrap items-center gap-3 py-4" aria-label="Photo">
  <p class="min-w-64 grow">
    {fromAbove ? 'A picture from straight above, some steps up' : 'A picture square to the body, from some steps away'}, the
    camera level. A few points set on it give the number.
    <span class="text-ink-soft">It stays on this machine.</span>
  </p>
  <button type="button" class="btn btn-primary" onclick={open}>Read from a photo</button>
</section>

<Desk {measure} how="from a photo" bind:open={isOpen}>
  <div
    class="grid grow items-start gap-5 p-4 [--board-height:calc(100dvh-7.5rem)] max-lg:[--board-height:60vh] lg:grid-cols-[1fr_22rem]"
  >
    <div class="min-w-0">
      {#if desk.picture}
        <PictureBoard {desk} bind:pxPerShownPx />
      {:else if desk.film}
        <FilmPicker {desk} />
      {:else}
        <PhotoChooser {desk} {fromAbove} drawnAt={standIn}>
          <PoseDrawing
            pose={positionOf(measure.id).pose}
            setting={{ side: slot?.side ?? 'left' }}
            {body}
            mark="landmarks"
            label="Where the points go"
            class="h-72 w-full"
          />
        </PhotoChooser>
      {/if}
    </div>

    <div class="flex flex-col gap-4">
      <Slots {measure} state={measuring} {slots} bind:at />
      {#if desk.picture}
        {#if desk.trouble}<p class="font-semibold text-stop" role="alert">{desk.trouble}</p>{/if}
        <PointList {desk} {unit} {usesGuess} />
        <PhotoNumber {spec} {result} {value} {shown} possible={measure.possible} />
        {#if foldDeg !== null}
          <label class="choice"
            ><input type="checkbox" bind:checked={isPast} /> Past a straight line: counts beyond {foldDeg}°</label
          >
        {/if}
        <div class="flex flex-wrap gap-3">
          <button
            type="button"
            class="btn btn-primary min-h-14 grow text-lg"
            disabled={value === null || isImpossible || !slot || keeping}
            onclick={take}
          >
            {keeping ? 'Keeping the picture' : value !== null ? `Take ${shown(value)}` : 'Take'}
          </button>
          <button type="button" class="btn min-h-14" onclick={() => desk.clear()}>Another picture</button>
        </div>
      {/if}
      {#if notice}<p class="font-semibold text-stop" role="alert">{notice}</p>{/if}
      <PhotoConsent {clientId} {clientName} {consent} changed={() => void invalidateAll()} />
    </div>
  </div>
</Desk>
