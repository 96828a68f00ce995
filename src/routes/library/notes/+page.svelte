<script lang="ts">
  import { goto } from '$app/navigation';
  import { tick } from 'svelte';
  import Field from '$lib/ui/Field.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import NotedList from '$lib/ui/NotedList.svelte';
  import { plural } from '$lib/ui/format';

  let { data } = $props();
  let form: HTMLFormElement | undefined = $state();
  const any = (label: string) => ({ value: '', label });
  async function look(): Promise<void> {
    // A choice reaches the form with the next turn of the page.
    await tick();
    form?.requestSubmit();
  }
  function find(event: SubmitEvent): void {
    event.preventDefault();
    const asked = new URLSearchParams();
    for (const [name, value] of new FormData(form)) if (value !== '') asked.set(name, String(value));
    void goto(`/library/notes?${asked}`, { keepFocus: true, noScroll: true });
  }
  function moreHref(most: number): string {
    const asked = new URLSearchParams();
    for (const [name, value] of Object.entries({ ...data.query, most })) if (value !== undefined) asked.set(name, String(value));
    return `/library/notes?${asked}`;
  }
</script>

<svelte:head><title>What was noted · Calm Reach</title></svelte:head>

<main class="mx-auto flex max-w-4xl flex-col gap-4 p-5">
  <div class="flex flex-wrap items-center gap-3">
    <h1>What was noted</h1>
    <a class="btn btn-quiet ml-auto" href="/library">To the library</a>
  </div>
  <p class="text-ink-soft">
    What exercises did for whom, and the judgements of Review. New ones are written there, and beside an exercise in Grade.
  </p>
  <form
    method="GET"
    class="grid items-end gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]"
    bind:this={form}
    onsubmit={find}
    aria-label="Find a note"
  >
    <Finder
      label="Exercise"
      name="exercise"
      value={data.query.exercise ?? ''}
      groups={[{ label: '', options: [any('Any'), ...data.exercises.map((e) => ({ value: e.id, label: e.name }))] }]}
      onchange={() => void look()}
    />
    <Finder
      label="Person"
      name="person"
      value={String(data.query.person ?? '')}
      groups={[{ label: '', options: [any('Anybody'), ...data.people.map((p) => ({ value: String(p.id), label: p.name }))] }]}
      onchange={() => void look()}
    />
    <Field label="Words in it" name="q" value={data.query.q ?? ''} />
    <button class="btn">Find</button>
  </form>
  <p aria-live="polite" class="text-ink-soft">
    {data.noted.length === 0 ? 'Nothing was noted of this.' : `${plural(data.noted.length, 'note')}, the newest first.`}
  </p>
  <NotedList noted={data.noted} />
  {#if data.nextMost !== null}<p><a class="btn" href={moreHref(data.nextMost)}>Show older ones too</a></p>{/if}
</main>
