<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import { motionOf, propWords, type Exercise } from '$lib/core';
  import { doseText } from '$lib/ui/dialText';
  import MiniFigure from '$lib/ui/drawing/MiniFigure.svelte';
  import { capital } from '$lib/ui/format';

  let { data } = $props();
  /** What the two are laid side by side by; a line that is alike is told once. */
  const lines: readonly (readonly [label: string, text: (e: Exercise) => string])[] = [
    ['Why', (e) => e.why || '–'],
    ['Trains', (e) => [...e.links.map((l) => motionOf(l).name), ...e.also].join(', ')],
    ['Position', (e) => e.position],
    ['Used for', (e) => e.phases.join(', ')],
    ['Moved by', (e) => e.kinds.join(', ')],
    ['Felt', (e) => e.felt],
    ['Not felt', (e) => e.notFelt],
    ['Props', (e) => propWords(e).join(', ') || 'none'],
    ['Settings', (e) => e.dials.map((d) => d.name).join(', ') || 'none'],
    ['Loads', (e) => [...new Set(e.loads.map((l) => l.joint))].join(', ') || 'no joint in particular'],
    ['Mind', (e) => e.cautions.join(' ') || '–'],
    ['Stop', (e) => e.stops.join(' ')]
  ];
  /** What tells them apart comes first. */
  const differs = ([, text]: (typeof lines)[number]) => text(data.two[0]!.exercise) !== text(data.two[1]!.exercise);
  const ordered = $derived([...lines.filter(differs), ...lines.filter((line) => !differs(line))]);
  const [a, b] = $derived(data.two.map((t) => t.exercise));
  const harderText = $derived.by(() => {
    if (!data.harder) return 'They stand in no row together: neither is simply the harder one.';
    const [harder, easier] = data.harder.id === a!.id ? [a!, b!] : [b!, a!];
    const { steps } = data.harder;
    return `${harder.name} is the harder one: ${steps === 1 ? 'the next' : `${steps} steps`} after ${easier.name.toLowerCase()} in its row.`;
  });
</script>

<svelte:head><title>Two exercises · Library · Calm Reach</title></svelte:head>

<main class="mx-auto max-w-6xl p-5">
  <p><a class="underline" href="/library">Library</a></p>
  <h1 class="mt-1">Side by side</h1>
  <p class="mt-1">{harderText}</p>
  <Sideways label="The exercises side by side" class="mt-4">
    <table class="w-full table-fixed border-collapse">
      <thead>
        <tr class="border-b-[3px] border-ink text-left align-bottom">
          <th class="w-28 py-2" scope="col"><span class="sr-only">What</span></th>
          {#each data.two as { exercise, barred } (exercise.id)}
            <th scope="col" class="px-3 py-2 text-lg"
              ><MiniFigure {exercise} class="h-24 w-full object-left" /><a class="underline" href="/library/{exercise.id}"
                >{exercise.name}</a
              >{#if barred}<span class="block text-base text-stop">Not now: {barred}</span>{/if}</th
            >
          {/each}
        </tr>
      </thead>
      <tbody>
        {#each ordered as [label, text] (label)}
          {@const [a, b] = data.two.map((t) => text(t.exercise))}
          <tr class="border-b border-line align-top">
            <th scope="row" class="py-2 pr-3 text-left font-normal text-ink-soft">{label}</th>
            {#if a === b}
              <td colspan="2" class="px-3 py-2">{capital(a ?? '')} <span class="text-ink-soft">(both)</span></td>
            {:else}
              <td class="px-3 py-2">{capital(a ?? '')}</td>
              <td class="px-3 py-2">{capital(b ?? '')}</td>
            {/if}
          </tr>
        {/each}
        <tr class="align-top">
          <th scope="row" class="py-2 pr-3 text-left font-normal text-ink-soft">Doses</th>
          {#each data.two as { exercise, doses } (exercise.id)}
            <td class="px-3 py-2">
              {#each doses as { dose, school } (dose.school)}<p><strong>{school}:</strong> {doseText(dose)}</p>{:else}no figure is
                usual{/each}
            </td>
          {/each}
        </tr>
      </tbody>
    </table>
  </Sideways>
</main>
