<script lang="ts">
  import { tick } from 'svelte';
  import { afterNavigate, goto } from '$app/navigation';
  import Plus from '@lucide/svelte/icons/plus';
  import { exercisePhases, goals, motionOf, motions, startPositions } from '$lib/core';
  import { capital, plural } from '$lib/ui/format';
  import MiniFigure from '$lib/ui/drawing/MiniFigure.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import TakenOut from '$lib/ui/TakenOut.svelte';
  import Select from '$lib/ui/Select.svelte';

  let { data } = $props();
  const query = $derived(data.query);
  const client = $derived(data.forClient);
  const families = $derived([...new Set(data.found.map((e) => e.family))]);
  const inWeek = $derived(new Set(client?.week));
  let finder: HTMLInputElement | undefined = $state();
  let filters: HTMLFormElement | undefined = $state();
  /** What stands in the finder: its own while it is typed in, that of the address when that was followed. */
  let typed = $state('');
  afterNavigate(({ type }) => {
    if (type !== 'goto') typed = data.query.q ?? '';
  });
  let typing: ReturnType<typeof setTimeout> | undefined;

  const any = (label: string) => ({ value: '', label });
  const listed = (values: readonly string[]) => values.map((v) => ({ value: v, label: capital(v) }));

  /** The whole form as an address: what is empty is left out. */
  async function look() {
    // A choice reaches the form with the next turn of the page.
    await tick();
    if (!filters) return;
    const asked = new URLSearchParams();
    for (const [name, value] of new FormData(filters)) if (value !== '') asked.set(name, String(value));
    void goto(`/library?${asked}`, { keepFocus: true, noScroll: true, replaceState: true });
  }
  function lookSoon() {
    clearTimeout(typing);
    typing = setTimeout(look, 150);
  }
  const asClient = $derived(client ? `?client=${client.id}` : '');
  const hrefOf = (id: string) => `/library/${id}${asClient}`;
  function viewHref(view: 'list' | 'rows') {
    const asked = new URLSearchParams();
    for (const [name, value] of Object.entries({ ...query, view })) if (value !== undefined) asked.set(name, String(value));
    return `/library?${asked}`;
  }
  const narrowedBy = $derived(
    [query.link, query.position, query.phase, query.goal, query.hand, query.public].filter((v) => v !== undefined).length
  );
  const isNarrowed = $derived(narrowedBy > 0 || (query.q !== undefined && query.q !== ''));
  /** On a narrow screen the filters come when they are asked for. */
  let showsFilters = $state(false);
  /** Ticked to be laid side by side: two at most, the older one gives way. */
  let ticked = $state<string[]>([]);
  const tickToCompare = (id: string) =>
    (ticked = ticked.includes(id) ? ticked.filter((t) => t !== id) : [...ticked.slice(-1), id]);
  const nameOf = (id: string | undefined) => data.found.find((e) => e.id === id)?.name ?? 'the other one';
  const compareHref = $derived(
    `/library/compare?${new URLSearchParams({ a: ticked[0] ?? '', b: ticked[1] ?? '', ...(client && { client: String(client.id) }) })}`
  );
</script>

<svelte:head><title>Library · Calm Reach</title></svelte:head>
<svelte:window
  onkeydown={(e) => {
    if (e.key === '/' && !(e.target instanceof HTMLInputElement) && !(e.target instanceof HTMLTextAreaElement)) {
      e.preventDefault();
      finder?.focus();
    }
  }}
/>

<main class="grid grid-cols-[minmax(0,1fr)] lg:grid-cols-[17rem_minmax(0,1fr)]">
  <form
    method="GET"
    class="flex flex-col gap-3 border-line p-4 max-lg:border-b lg:border-r"
    aria-label="Find an exercise"
    bind:this={filters}
    onsubmit={(e) => {
      e.preventDefault();
      look();
    }}
  >
    {#if query.view}<input type="hidden" name="view" value={query.view} />{/if}
    {#if client}
      <input type="hidden" name="client" value={client.id} />
      <p class="rounded-soft bg-paper px-3 py-2">
        For <strong>{client.name}</strong>, {client.goal.toLowerCase()}
        <a class="block underline" href="/people/{client.id}/grade">Back to Grade</a>
      </p>
    {/if}
    <label class="flex flex-col gap-1">
      <span class="font-semibold">Find <span class="font-normal text-ink-soft">/</span></span>
      <input class="input" type="search" name="q" bind:value={typed} bind:this={finder} oninput={lookSoon} autocomplete="off" />
    </label>
    <button
      type="button"
      class="btn self-start lg:hidden"
      aria-expanded={showsFilters}
      aria-controls="filters"
      onclick={() => (showsFilters = !showsFilters)}
      >{showsFilters ? 'Hide the filters' : `Filters${narrowedBy > 0 ? `: ${narrowedBy} set` : ''}`}</button
    >
    <div id="filters" class="flex flex-col gap-3 {showsFilters ? '' : 'max-lg:hidden'}">
      <Select
        label="Trains"
        name="link"
        value={query.link ?? ''}
        groups={[
          { label: '', options: [any('any motion')] },
          ...(['hip', 'knee', 'ankle', 'wrist', 'shoulder'] as const).map((joint) => ({
            label: capital(joint),
            options: motions.filter((m) => m.joint === joint).map((m) => ({ value: m.id, label: capital(m.name) }))
          }))
        ]}
        onchange={look}
      />
      <Finder
        label="For the goal"
        name="goal"
        value={query.goal ?? ''}
        groups={[{ label: '', options: [any('any goal'), ...goals.map((g) => ({ value: g.id, label: g.name }))] }]}
        onchange={look}
      />
      <Select
        label="Position"
        name="position"
        value={query.position ?? ''}
        groups={[{ label: '', options: [any('any position'), ...listed(startPositions)] }]}
        onchange={look}
      />
      <Select
        label="Used for"
        name="phase"
        value={query.phase ?? ''}
        groups={[{ label: '', options: [any('anything'), ...listed(exercisePhases)] }]}
        onchange={look}
      />
      <Select
        label="Props"
        name="hand"
        value={query.hand ?? ''}
        groups={[
          {
            label: '',
            options: [
              any('any props'),
              { value: 'none', label: 'No props needed' },
              { value: 'shelf', label: 'What is on the shelf' },
              ...(client ? [{ value: 'home', label: `What ${client.name} has at home` }] : [])
            ]
          }
        ]}
        onchange={look}
      />
      <div>
        <label class="choice"
          ><input type="checkbox" name="public" defaultChecked={query.public === 'on'} onchange={look} /> Hide exercises that need a
          private room</label
        >
      </div>
    </div>
    <noscript><button class="btn">Find</button></noscript>
    {#if isNarrowed}<a class="btn btn-quiet self-start" href="/library{asClient}">Everything again</a>{/if}
  </form>

  <section class="min-w-0 p-5">
    <div class="flex flex-wrap items-center gap-3">
      <h1 class="mr-auto">Library</h1>
      <div role="group" aria-label="How it is laid out" class="flex gap-2">
        {#each [['list', 'By family'], ['rows', 'Easier to harder']] as const as [view, label] (view)}
          <a class="btn" aria-current={(query.view ?? 'list') === view ? 'true' : undefined} href={viewHref(view)}>{label}</a>
        {/each}
      </div>
      <a class="btn" href="/library/notes">Notes</a>
      <a class="btn" href="/library/schools">Schools</a>
      <a class="btn btn-primary" href="/library/new{asClient}"><Plus size={20} /> Write one</a>
    </div>
    <div class="mt-1 flex flex-wrap gap-x-4 text-ink-soft">
      <p role="status">
        {isNarrowed ? `${data.found.length} of ${plural(data.total, 'exercise')}` : plural(data.total, 'exercise')}
      </p>
      {#if query.view !== 'rows' && data.found.length > 1}<p>Tick two to compare them.</p>{/if}
    </div>
    {#if data.found.length === 0}
      <p class="mt-6 max-w-xl">
        No exercise matches all of this. Take a filter away, try another word, or
        <a class="underline" href="/library/new{asClient}">write the exercise down</a> as your own.
      </p>
    {:else if query.view === 'rows'}
      <ol class="mt-3 flex flex-col gap-3">
        {#each data.rows as row (row.map((r) => r.id).join())}
          <li>
            <ol class="flex items-stretch overflow-x-auto border-b-[3px] border-ink pb-0">
              {#each row as step, i (step.id)}
                <li class="flex flex-none items-end">
                  <a
                    href={hrefOf(step.id)}
                    class="block min-h-25 w-44 rounded-t-soft border border-b-0 border-line bg-paper px-3 py-1.5 leading-tight hover:border-ink {step.isFound
                      ? 'font-semibold'
                      : 'text-ink-soft'}"
                    style:height="{6.6 + (row.length - 1 - i) * 0.35}rem"
                    ><MiniFigure exercise={step} class="h-10 w-full object-left" />{step.name}{#if step.isBarred}<span
                        class="block text-sm text-stop">not now</span
                      >{/if}</a
                  >
                </li>
              {/each}
            </ol>
          </li>
        {/each}
      </ol>
    {:else}
      {#each query.q ? [''] : families as family (family)}
        <section class="mt-4" aria-label={family || 'Found'}>
          {#if family}<h2 class="border-b border-line pb-1">{family}</h2>{/if}
          <ul class="mt-1 grid gap-x-6 xl:grid-cols-2">
            {#each family ? data.found.filter((e) => e.family === family) : data.found as e (e.id)}
              <li class="flex items-center">
                <a
                  href={hrefOf(e.id)}
                  class="flex min-h-14 min-w-0 grow items-center gap-3 rounded-soft px-2 py-1 leading-tight hover:bg-paper"
                >
                  <MiniFigure exercise={e} />
                  <span>
                    <span class="font-semibold">{e.name}</span>
                    {#if inWeek.has(e.id)}<span class="text-mulberry"> in the week</span>{/if}
                    {#if e.barred}<span class="font-semibold text-stop"> Not now: {e.barred}</span>{/if}
                    {#if e.privatePlace}<span class="text-ink-soft"> private place</span>{/if}
                    <span class="block text-ink-soft">
                      {[e.links.map((l) => motionOf(l).name).join(' + '), e.position, e.phases[0]].filter(Boolean).join(' · ')}
                    </span>
                  </span>
                </a>
                <label class="flex min-h-11 min-w-11 flex-none items-center justify-center">
                  <input
                    type="checkbox"
                    class="size-5"
                    checked={ticked.includes(e.id)}
                    onchange={() => tickToCompare(e.id)}
                    aria-label="Compare {e.name}"
                  />
                </label>
              </li>
            {/each}
          </ul>
        </section>
      {/each}
      {#if ticked.length > 0}
        <div role="status" class="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 border-t border-line bg-chalk py-3">
          {#if ticked.length === 1}
            <span class="grow">{nameOf(ticked[0])}: tick another one to compare.</span>
          {:else}
            <span class="grow">{nameOf(ticked[0])} and {nameOf(ticked[1])}</span>
            <a class="btn btn-primary" href={compareHref}>Compare them</a>
          {/if}
          <button type="button" class="btn btn-quiet" onclick={() => (ticked = [])}>Untick</button>
        </div>
      {/if}
    {/if}
    <TakenOut items={data.removed} field="exerciseId" action={(id) => `/library/${id}?/restore`} />
  </section>
</main>
