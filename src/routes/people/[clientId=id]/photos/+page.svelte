<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import { enhance } from '$app/forms';
  import { measureOf } from '$lib/core';
  import ChangeText from '$lib/ui/ChangeText.svelte';
  import Confirm from '$lib/ui/Confirm.svelte';
  import { capital, dateText, headlineText, plural, shortDate, stateText } from '$lib/ui/format';
  import Field from '$lib/ui/Field.svelte';
  import SideMark from '$lib/ui/SideMark.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import SideBySide from './SideBySide.svelte';

  let { data, form } = $props();
  const unit = $derived(data.units.length);
  const chosen = $derived(data.chosen);
  const measure = $derived(chosen ? measureOf(chosen.measureId) : null);
  const base = $derived(`/people/${data.client.id}/photos`);
  const modeWord = { passive: 'reached', active: 'held' } as const;
  const placeOf = (s: { measureId: string; side: 'left' | 'right' | null; mode: 'passive' | 'active' }) =>
    `${s.side ? `${s.side} ${measureOf(s.measureId).sideWords}, ` : ''}${modeWord[s.mode]}`;
  const addressOf = (change: { before?: string; after?: string }) => {
    const ask = new URLSearchParams({
      of: chosen!.key,
      before: data.before!.id,
      ...(data.after && { after: data.after.id }),
      ...change
    });
    return `${base}?${ask}`;
  };
  const text = (value: number | null) => (value === null || !measure ? '' : headlineText(value, measure.id, unit));
  const otherState = $derived(data.before && data.after && data.before.bodyState !== data.after.bodyState);
</script>

<main class="mx-auto max-w-7xl p-5">
  <div class="flex flex-wrap items-start gap-x-8 gap-y-3">
    <h1 class="grow">Pictures, before and after</h1>
    {#if data.consent}
      <p class="flex max-w-2xl flex-wrap items-center gap-x-3 text-ink-soft">
        Kept on this machine with the consent of {data.consent.givenBy}, {dateText(data.consent.givenOn)}.
        <Confirm
          title="Take back the consent?"
          text="It deletes {data.count === 0 ? 'nothing: there is no picture' : plural(data.count, 'picture')} of {data.client
            .name}, and cannot be undone. The measures stay."
          yes="Take it back{data.count > 0 ? ', delete the pictures' : ''}"
          action="?/revoke">Take it back</Confirm
        >
      </p>
    {/if}
  </div>

  {#if !data.consent}
    <section class="card mt-4 max-w-2xl">
      <h2>No consent, no pictures</h2>
      <p class="mt-2">
        A number can be read from a photo without keeping it. To keep pictures beside the measures, write down who agrees: {data
          .client.name}, or a parent or guardian of a minor. Taken back, it deletes them.
      </p>
      <form method="POST" action="?/consent" use:enhance={keepTyped} class="mt-3 flex flex-wrap items-end gap-3">
        <Field label="Consent given by" name="givenBy" {form} known={data.client.name} />
        <button class="btn btn-primary">Keep pictures from now on</button>
      </form>
    </section>
  {:else if !chosen || !measure || !data.before}
    <section class="card mt-4 max-w-2xl">
      <p>No picture yet. In Measure choose the way “Photo”; what is taken there stands here afterwards.</p>
      <p class="mt-3"><a class="btn btn-primary" href="/people/{data.client.id}/measure">Measure</a></p>
    </section>
  {:else}
    <nav class="mt-3 flex flex-wrap gap-2" aria-label="Which measure">
      {#each data.series as s (s.key)}
        <a class="btn leading-tight" href="{base}?of={s.key}" aria-current={s.key === chosen.key ? 'true' : undefined}>
          {#if s.side}<SideMark side={s.side} size={14} filled={s.mode === 'active'} />{/if}
          {capital(measureOf(s.measureId).name)}, {placeOf(s)} <span class="font-normal text-ink-soft">{s.count}</span>
        </a>
      {/each}
    </nav>

    <SideBySide clientId={data.client.id} measureId={measure.id} before={data.before} after={data.after} {text} />

    <div class="mt-3 text-lg" aria-live="polite">
      {#if otherState}
        <p>
          {capital(stateText[data.before.bodyState])} against {stateText[data.after!.bodyState]}: the body is another, so no
          change is told.
        </p>
      {:else if data.change}
        <p><ChangeText change={data.change} {measure} {unit} since={shortDate(data.before.takenOn)} /></p>
      {:else if data.after && data.before.takenOn === data.after.takenOn}
        <p class="text-ink-soft">Two of one day: a change needs another day.</p>
      {:else if data.after}
        <p class="text-ink-soft">Taken otherwise, or on another support: no change is told.</p>
      {:else}
        <p class="text-ink-soft">One picture so far. The next one stands beside it.</p>
      {/if}
    </div>

    <section class="mt-4" aria-label="All pictures of this measure">
      <Sideways label="The pictures">
        <table class="w-full text-left">
          <thead class="text-ink-soft">
            <tr>
              <th scope="col" class="font-normal">Day, state</th><th scope="col" class="font-normal">Value</th><th
                scope="col"
                class="font-normal">Beside each other</th
              ><th scope="col"><span class="sr-only">Delete</span></th>
            </tr>
          </thead>
          <tbody>
            {#each chosen.photos as photo (photo.id)}
              <tr class="border-t border-line">
                <td>{dateText(photo.takenOn)}, {stateText[photo.bodyState]}</td>
                <td>{text(photo.value)}</td>
                <td>
                  <span class="flex gap-2 py-1">
                    {#each [{ name: 'before', now: data.before.id }, { name: 'after', now: data.after?.id }] as place (place.name)}
                      <a
                        class="btn"
                        aria-current={place.now === photo.id ? 'true' : undefined}
                        aria-label="{dateText(photo.takenOn)} as {place.name}"
                        href={addressOf({ [place.name]: photo.id })}>{capital(place.name)}</a
                      >
                    {/each}
                  </span>
                </td>
                <td class="text-right">
                  <Confirm
                    label="Delete the picture of {dateText(photo.takenOn)}"
                    title="Delete the picture of {dateText(photo.takenOn)}?"
                    text="It cannot be undone. The measure stays."
                    yes="Delete it for good"
                    action="?/remove"
                    fields={{ photoId: photo.id }}>Delete</Confirm
                  >
                </td>
              </tr>
            {/each}
          </tbody>
        </table>
      </Sideways>
    </section>
  {/if}
</main>
