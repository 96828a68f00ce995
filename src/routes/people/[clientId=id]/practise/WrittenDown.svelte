<script lang="ts">
  import { countedIn, isAsked, type Block, type FindExercise } from '$lib/core';
  import { doneWords, type Written } from '$lib/contract/setForms';
  import DateField from '$lib/ui/DateField.svelte';
  import { fieldError, type FormState } from '$lib/ui/formState';
  import SideMark from '$lib/ui/SideMark.svelte';

  /** A session that was done without the player: how every exercise was, in one word each. Part of the form that starts a session. */
  type Props = { blocks: readonly Block[]; find: FindExercise; today: string; form: FormState; painHref: string };
  let { blocks, find, today, form, painHref }: Props = $props();
  const works = $derived([
    ...new Map(
      blocks.flatMap(({ exerciseId, work }) =>
        work
          .filter(isAsked)
          .map((w) => [`${exerciseId}/${w.side}`, { exerciseId, side: w.side, counted: countedIn(w.form) }] as const)
      )
    ).entries()
  ]);
  let words = $state<Record<string, Written['was']>>({});
  let fewer = $state<Record<string, number>>({});
  const written = $derived(
    works.flatMap(([key, { exerciseId, side }]): Written[] => {
      const was = words[key];
      const done = fewer[key];
      return was ? [{ exerciseId, side, was, ...(was === 'not quite' && done !== undefined && { done }) }] : [];
    })
  );
  const isWhole = $derived(written.length === works.length);
  const allClean = () => (words = Object.fromEntries(works.map(([key]) => [key, 'clean'])));
  const label = { clean: 'As planned', 'not quite': 'Not quite', 'not done': 'Not done' } as const;
</script>

<details class="border-t border-line pt-1">
  <summary class="min-h-11 py-2 font-semibold">It was done already: write it down</summary>
  <div class="flex flex-col gap-3">
    <p class="text-ink-soft">
      Answer the questions above as they were before it. Where something hurt,
      <a class="underline" href={painHref}>tell the pain</a> as well.
    </p>
    <DateField label="Done on" name="doneOn" {form} known={today} />
    <button type="button" class="btn" onclick={allClean}>Everything as planned</button>
    <ul>
      {#each works as [key, { exerciseId, side, counted }] (key)}
        <li class="border-t border-line py-2">
          <p class="flex items-start gap-2">
            <span class="pt-1"><SideMark {side} size={14} /></span>{find(exerciseId).name}<span class="sr-only">{side ?? ''}</span
            >
          </p>
          <div role="radiogroup" aria-label="{find(exerciseId).name}{side ? `, ${side}` : ''}" class="mt-1 flex flex-wrap gap-1">
            {#each doneWords as word (word)}
              <label class="btn px-3 has-checked:border-mulberry has-checked:text-mulberry">
                <input type="radio" class="sr-only" name="was/{key}" value={word} bind:group={words[key]} />{label[word]}
              </label>
            {/each}
          </div>
          {#if words[key] === 'not quite' && counted}
            <label class="mt-1 flex items-center gap-2"
              ><span>{counted.many} done, of {counted.planned}</span><input
                class="input w-20 text-center"
                type="number"
                min="0"
                max="500"
                bind:value={fewer[key]}
              /></label
            >
          {/if}
        </li>
      {/each}
    </ul>
    <input type="hidden" name="written" value={JSON.stringify(written)} />
    {#if fieldError(form, 'written')}<p class="font-semibold text-stop">{fieldError(form, 'written')}</p>{/if}
    <button class="btn btn-primary" formaction="?/write" disabled={!isWhole}>Keep it as done</button>
    {#if !isWhole}<p class="text-ink-soft">{written.length} of {works.length} said.</p>{/if}
  </div>
</details>
