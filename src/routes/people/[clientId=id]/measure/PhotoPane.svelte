<script lang="ts">
  import { onDestroy } from 'svelte';
  import { invalidateAll } from '$app/navigation';
  import type { LengthUnit } from '$lib/contract/fields';
  import { photoLimits } from '$lib/contract/photoForms';
  import type { Result } from '$lib/contract/problem';
  import { poses, positionOf, z95, type Body, type Measure, type Side } from '$lib/core';
  import PoseDrawing from '$lib/ui/drawing/PoseDrawing.svelte';
  import { capital, degText, lengthText, numberText } from '$lib/ui/format';
  import FilmPicker from '$lib/ui/photo/FilmPicker.svelte';
  import { PhotoDesk } from '$lib/ui/photo/photoDesk.svelte';
  import PictureBoard from '$lib/ui/photo/PictureBoard.svelte';
  import { problemText } from '$lib/ui/problemText';
  import Why from '$lib/ui/Why.svelte';
  import Desk from './Desk.svelte';
  import { measureCaution, type MeasureState } from './measureState.svelte';
  import PhotoConsent from './PhotoConsent.svelte';
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
  const fromAbove = $derived(['top', 'facing down on'].includes(poses[positionOf(measure.id).pose].view));
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
  const firstOpen = () => {
    const open = slots.findIndex((s) => measuring.slotText(s) === '');
    return open < 0 ? slots.length : open;
  };
  let at = $state(0);
  const slot = $derived(slots[at] ?? null);
  const reading = $derived(desk.reading(pxPerShownPx));
  const [low, high] = $derived(measure.possible);
  const isImpossible = $derived(reading?.ok && (reading.value.value.value < low || reading.value.value.value > high));
  const shown = (value: number) => (measure.unit === 'cm' ? lengthText(value, unit) : degText(value, 1));
  const activeRow = $derived(desk.rows.find((r) => r.id === desk.active));
  const usesGuess = $derived(measure.ways.includes('photo, line guessed'));

  function open() {
    at = Math.min(firstOpen(), slots.length - 1);
    notice = '';
    isOpen = true;
  }
  function choose(files: FileList | null | undefined) {
    const file = files?.[0];
    if (file) void desk.openFile(file);
  }
  async function keepPicture(place: NonNullable<typeof slot>): Promise<string | undefined> {
    const id = crypto.randomUUID();
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
    if (!slot || !reading?.ok) return;
    if (usesGuess) measuring.way = desk.lineGuessed ? 'photo, line guessed' : 'photo';
    const place = slot;
    notice = '';
    measuring.fill(place, reading.value.value.value, 1);
    if (consent) {
      keeping = true;
      const photoId = await keepPicture(place);
      keeping = false;
      if (photoId) measuring.fill(place, reading.value.value.value, 1, photoId);
    }
    desk.clear();
    at = firstOpen();
    if (at >= slots.length && !notice) isOpen = false;
  }
  const standIn = () => {
    const s = slot ?? slots[0]!;
    const ask = new URLSearchParams({ measure: measure.id, mode: s.mode, trial: String(s.n), ...(s.side && { side: s.side }) });
    return desk.openDrawn(`${location.pathname}/stand-in/picture?${ask}`);
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

<Desk title="{capital(measure.name)}, from a photo" caution={measureCaution(measure)} bind:open={isOpen}>
  <div
    class="grid grow items-start gap-5 p-4 [--board-height:calc(100dvh-7.5rem)] max-lg:[--board-height:60vh] lg:grid-cols-[1fr_22rem]"
  >
    <div class="min-w-0">
      {#if desk.picture}
        <PictureBoard {desk} bind:pxPerShownPx />
      {:else if desk.film}
        <FilmPicker {desk} />
      {:else}
        <div class="card flex min-h-80 flex-col items-center justify-center gap-4 text-center">
          {#if desk.busy}
            <p class="text-xl" role="status">Opening the picture</p>
            <progress class="h-3 w-64"></progress>
            <button type="button" class="btn" onclick={() => desk.cancel()}>Cancel</button>
          {:else}
            <p class="max-w-xl text-lg">
              {fromAbove
                ? 'Camera straight above, looking down, as far up as it gets.'
                : 'Camera level, at the height of the joint, square to the body and some steps away.'}{desk.usesBlock
                ? ' A block whose height you know stands beside the body, as far from the camera.'
                : ''}
            </p>
            <div class="flex flex-wrap justify-center gap-3">
              <label
                class="btn btn-primary has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-mulberry"
              >
                Choose a picture or film
                <input
                  type="file"
                  accept="image/*,video/*"
                  class="sr-only"
                  onchange={(e) => (choose(e.currentTarget.files), (e.currentTarget.value = ''))}
                />
              </label>
              <button type="button" class="btn" onclick={standIn}>Try a drawn one</button>
            </div>
            <p class="text-ink-soft">
              Up to {photoLimits.fileMb} MB and {photoLimits.filePixels / 1e6} million picture elements; a film up to {photoLimits.filmMb}
              MB, of which one frame is used and the film itself is not kept.
            </p>
          {/if}
          {#if desk.trouble}<p class="font-semibold text-stop" role="alert">{desk.trouble}</p>{/if}
          <PoseDrawing
            pose={positionOf(measure.id).pose}
            setting={{ side: slot?.side ?? 'left' }}
            {body}
            reading="landmarks"
            label="Where the points go"
            class="h-72 w-full"
          />
        </div>
      {/if}
    </div>

    <div class="flex flex-col gap-4">
      <Slots {measure} state={measuring} {slots} bind:at />
      {#if desk.picture}
        {#if desk.trouble}<p class="font-semibold text-stop" role="alert">{desk.trouble}</p>{/if}
        <p class="text-lg" role="status">
          {#if activeRow}Tap the <strong>{activeRow.label}</strong> in the picture, or drag to it.{:else}Drag any point, or move
            it with the arrow keys.{/if}
        </p>
        <ol class="grid grid-cols-2 gap-x-1">
          {#each desk.rows as { id, label } (id)}
            <li>
              <button
                type="button"
                class="flex min-h-11 w-full items-center gap-2 rounded-soft px-2 text-left leading-tight {desk.active === id
                  ? 'font-semibold text-mulberry shadow-[inset_0_0_0_1px_var(--color-mulberry)]'
                  : ''}"
                aria-pressed={desk.active === id}
                onclick={() => (desk.active = id)}
                onkeydown={(e) => {
                  if (e.key !== 'Enter' || desk.points[id] || !desk.picture) return;
                  // Without a pointer a point begins in the middle and is moved from there.
                  e.preventDefault();
                  desk.set(id, { x: desk.picture.widthPx / 2, y: desk.picture.heightPx / 2 });
                  desk.next();
                }}
              >
                <span aria-hidden="true">{desk.points[id] ? '●' : '○'}</span>
                {label}
                {#if !desk.points[id]}<span class="sr-only">, not set; Enter puts it in the middle</span>{/if}
              </button>
            </li>
          {/each}
        </ol>
        {#if desk.usesLine}
          <div class="flex flex-wrap gap-x-5">
            {#each [{ id: 'floor', label: 'the floor' }, { id: 'plumb', label: 'something straight up' }] as const as kind (kind.id)}
              <label class="choice"
                ><input type="radio" name="lineKind" value={kind.id} bind:group={desk.lineKind} /> {kind.label}</label
              >
            {/each}
            {#if usesGuess}
              <label class="choice"><input type="checkbox" bind:checked={desk.lineGuessed} /> the line is only guessed</label>
            {/if}
          </div>
        {/if}
        {#if desk.usesBlock}
          <label class="flex items-center gap-3">
            <span class="font-semibold">Height of the block</span>
            <input class="input w-24 text-center" inputmode="decimal" bind:value={desk.blockTyped} />
            <span class="text-ink-soft">{unit}</span>
          </label>
        {/if}
        <div aria-live="polite">
          {#if reading === null}
            <p class="text-ink-soft">The number appears when every point is set.</p>
          {:else if !reading.ok}
            <p class="font-semibold text-stop" role="alert">{problemText(reading.problem)}</p>
          {:else}
            {@const r = reading.value}
            <p class="text-[56px] leading-none font-bold" data-testid="photo-value">{shown(r.value.value)}</p>
            <p>
              ± {shown(z95 * r.value.sd)}
              <span class="text-ink-soft"
                >from the points{r.rollDeg === null ? '' : `, camera turned ${numberText(Math.abs(r.rollDeg))}°`}</span
              >
              <Why about="the number from the photo">
                {#if spec.kind === 'height'}
                  <p>
                    The distance of the point from the floor line, times the height of the block over its length in the picture
                    (plane geometry).
                  </p>
                {:else if spec.from === 'other'}
                  <p>
                    The angle at the {spec.names.vertex} between the ways to the {spec.names.along} and the {spec.names.other} (plane
                    geometry){spec.offsetDeg || spec.sign < 0 ? `, counted from ${Math.abs(spec.offsetDeg)}°` : ''}.
                  </p>
                {:else}
                  <p>
                    The angle at the {spec.names.vertex} between the way to the {spec.names.along} and the {spec.from === 'level'
                      ? 'level'
                      : 'upright'} that the line gives (plane geometry).
                  </p>
                {/if}
                <p>
                  A point is set on the body to about 0.8 cm and on the picture to 1.5 shown picture elements; ± is 1.96 times
                  what that makes of the number. The day and the camera's place come on top: the measure itself counts 1.5° or 1
                  cm a trial, 1.8° with a guessed line (assumptions).
                </p>
              </Why>
            </p>
            {#if isImpossible}
              <p class="font-semibold text-stop" role="alert">
                No body goes there: between {shown(low)} and {shown(high)}. Look at the points again.
              </p>
            {/if}
          {/if}
        </div>
        <div class="flex flex-wrap gap-3">
          <button
            type="button"
            class="btn btn-primary min-h-14 grow text-lg"
            disabled={!reading?.ok || isImpossible || !slot || keeping}
            onclick={take}
          >
            {keeping ? 'Keeping the picture' : reading?.ok ? `Take ${shown(reading.value.value.value)}` : 'Take'}
          </button>
          <button type="button" class="btn min-h-14" onclick={() => desk.clear()}>Another picture</button>
        </div>
      {/if}
      {#if notice}<p class="font-semibold text-stop" role="alert">{notice}</p>{/if}
      <PhotoConsent {clientId} {clientName} {consent} changed={() => void invalidateAll()} />
    </div>
  </div>
</Desk>
