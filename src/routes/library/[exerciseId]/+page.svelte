<!-- Long because it is one sheet: everything the library knows of an exercise, a short section for each. -->
<script lang="ts">
  import { enhance } from '$app/forms';
  import { goto } from '$app/navigation';
  import { equipmentOf, motionOf, type Dial } from '$lib/core';
  import { dialText, doseText } from '$lib/ui/dialText';
  import { formProblem } from '$lib/ui/formState';
  import { capital } from '$lib/ui/format';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import { sending, undoable } from '$lib/ui/sending';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import NotedList from '$lib/ui/NotedList.svelte';
  import Why from '$lib/ui/Why.svelte';
  import Chain from './Chain.svelte';
  import HowTo from './HowTo.svelte';
  import { methodText } from './methodText';

  let { data, form } = $props();
  const e = $derived(data.exercise);
  const unit = $derived(data.units.length);
  const client = $derived(data.forClient);
  const asClient = $derived(client ? `?client=${client.id}` : '');
  const method = $derived(methodText(e));

  const rangeOf = (d: Dial): string =>
    d.kind === 'level'
      ? (d.levels ?? []).join(' → ')
      : d.harder === 'up'
        ? `${dialText(d, d.min, unit)} → ${dialText(d, d.max, unit)}`
        : `${dialText(d, d.max, unit)} → ${dialText(d, d.min, unit)}`;
</script>

<svelte:head><title>{e.name} · Library · Calm Reach</title></svelte:head>

<main class="mx-auto max-w-7xl p-5">
  <p><a class="underline" href="/library{asClient}">Library</a> <span class="text-ink-soft">/ {e.family}</span></p>
  <div class="mt-1 flex flex-wrap items-start gap-x-4 gap-y-2">
    <div class="mr-auto max-w-3xl">
      <h1>{e.name}</h1>
      <p class="text-ink-soft">
        {[e.standardTerm, ...e.aliases].filter(Boolean).join(' · ')}
        {#if e.added}<span class="block">Ordinary work of the trade, added where the collected practice had a gap.</span>{/if}
        {#if data.copyOf}<span class="block"
            >Your copy of <a class="underline" href="/library/{data.copyOf.id}">{data.copyOf.name}</a>.</span
          >{/if}
      </p>
    </div>
    {#if client}
      {#if client.week.includes(e.id)}
        <a class="btn btn-primary" href="/people/{client.id}/grade?exercise={e.id}">Grade it for {client.name}</a>
      {:else}
        <form
          method="POST"
          action="/people/{client.id}/grade?/add"
          use:enhance={sending(async ({ result }) => {
            if (result.type === 'success') await goto(`/people/${client.id}/grade?exercise=${e.id}`, { invalidateAll: true });
          })}
        >
          <input type="hidden" name="exerciseId" value={e.id} />
          <button class="btn btn-primary" disabled={data.isBarred}>Into the week of {client.name}</button>
        </form>
      {/if}
    {/if}
    {#if data.isOwn}
      <a class="btn" href="/library/{e.id}/edit">Edit</a>
      <form
        method="POST"
        action="?/remove"
        use:enhance={undoable(
          () => ({
            told: `${e.name} is out of the library`,
            action: `/library/${e.id}?/restore`,
            fields: { exerciseId: e.id }
          }),
          () => goto('/library')
        )}
      >
        <input type="hidden" name="exerciseId" value={e.id} />
        <button class="btn btn-quiet">Take out of the library</button>
      </form>
    {/if}
    <a class="btn" href="/library/new?copy={e.id}{client ? `&client=${client.id}` : ''}">Copy and change</a>
  </div>
  {#if !client && data.people.length > 0}
    <details class="mt-2">
      <summary class="min-h-11 py-2 font-semibold">Try it in Grade</summary>
      <ul class="flex max-h-60 flex-wrap gap-2 overflow-y-auto">
        {#each data.people as person (person.id)}
          <li><a class="btn" href="/people/{person.id}/grade?exercise={e.id}">{person.name}</a></li>
        {/each}
      </ul>
    </details>
  {/if}
  <ProblemNote text={formProblem(form)} />
  {#if data.gated}
    <div class="mt-3 flex flex-col gap-2">
      <GateNotes
        bars={data.gated.bars}
        within={data.gated.within}
        remember={data.gated.remember}
        checkHref={data.forClient ? `/people/${data.forClient.id}/check` : undefined}
      />
    </div>
  {/if}

  <Chain
    chain={data.chain}
    hereId={e.id}
    judged={[...data.easier, ...data.harder].filter((n) => n.inferred).map((n) => n.name)}
    {asClient}
    clientName={client?.name}
    {unit}
  />

  <div class="mt-5 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_20rem]">
    <HowTo exercise={e} />

    <div class="flex flex-col gap-4">
      <section>
        <h2>Felt</h2>
        <p><strong>{capital(e.felt)}</strong></p>
        <p>Not: {e.notFelt}.</p>
        {#if e.normal.length > 0}<p class="text-ink-soft">Normal, no reason to stop: {e.normal.join(', ')}.</p>{/if}
      </section>
      <section class="rounded-soft border-2 border-stop p-3">
        <h2>Stop</h2>
        <ul class="mt-1 flex flex-col gap-1">
          {#each e.stops as stop, i (i)}<li>{stop}</li>{/each}
        </ul>
      </section>
      {#if e.cautions.length > 0 || e.clothing || e.privatePlace}
        <section>
          <h2>Mind</h2>
          <ul class="mt-1 flex flex-col gap-1">
            {#each e.cautions as caution, i (i)}<li>{caution}</li>{/each}
            {#if e.privatePlace}<li>Not for a public place.</li>{/if}
            {#if e.clothing}<li>{e.clothing}</li>{/if}
            <li class="text-ink-soft">Licensed practice and local rules come first.</li>
          </ul>
        </section>
      {/if}
      <section>
        <h2 class="flex items-center gap-2">
          Settings
          <Why about="the settings">
            <p>
              In the order in which they are moved, one at a time; the easier end first. Practitioners differ: a copy of yours may
              have others.
            </p>
          </Why>
        </h2>
        {#if e.dials.length === 0}
          <p class="text-ink-soft">None.</p>
        {:else}
          <dl class="mt-1 grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
            {#each e.dials as d (d.id)}
              <dt class="font-semibold">{d.name}</dt>
              <dd>
                {rangeOf(d)}
                {#if d.stack}<span class="text-ink-soft">
                    a stack under the {d.stack.under}{d.stack.pairs === 2 ? ', twice' : ''}; higher is {d.stack.higherIs}</span
                  >{/if}
                {#if e.asks.includes(d.id)}<span class="text-ink-soft"> no standard value</span>{/if}
              </dd>
            {/each}
          </dl>
        {/if}
      </section>
      <section>
        <h2>Doses, by school</h2>
        {#if data.doses.length === 0}<p class="text-ink-soft">
            There is no standard value. It is the instructor’s to choose.
          </p>{/if}
        <dl class="mt-1">
          {#each data.doses as { dose, school } (dose.school)}
            <dt class="font-semibold">{school}</dt>
            <dd class="mb-1 pl-4">
              {doseText(dose)}{#if dose.unsure}
                <em>figures not certain</em>{/if}
            </dd>
          {/each}
        </dl>
        <a class="underline" href="/library/schools?exercise={e.id}">The schools side by side on this exercise</a>
      </section>
    </div>

    <aside class="flex flex-col gap-4">
      <section class="card flex flex-col gap-2">
        <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
          <dt class="text-ink-soft">trains</dt>
          <dd>{[...e.links.map((l) => motionOf(l).name), ...e.also].join(', ') || 'nothing in particular'}</dd>
          <dt class="text-ink-soft">position</dt>
          <dd>{e.position}</dd>
          <dt class="text-ink-soft">used for</dt>
          <dd>{e.phases.join(', ')}</dd>
          <dt class="text-ink-soft">moved by</dt>
          <dd>{e.kinds.join(', ')}</dd>
          <dt class="text-ink-soft">sides</dt>
          <dd>{e.sides}{e.sides === 'each' && e.sideWords ? `: ${e.sideWords}` : ''}</dd>
        </dl>
      </section>
      <section>
        <h2>Props</h2>
        {#if data.props.length === 0 && e.padding.length === 0}<p class="text-ink-soft">
            None{e.dials.some((d) => d.stack) ? ' besides the stacks' : ''}.
          </p>{/if}
        <ul class="flex flex-col gap-1">
          {#each data.props as { need, atHand, substitutes } (need.id)}
            <li>
              <strong>{capital(need.words ?? equipmentOf(need.id).name)}</strong>{need.optional ? ', if wished' : ''}
              {#if !atHand && substitutes.length > 0}<span class="block text-ink-soft"
                  >not on the shelf; instead {substitutes.map((s) => s.words).join(', ')}</span
                >{/if}
              {#if equipmentOf(need.id).mayMove}<span class="block">{equipmentOf(need.id).mayMove}</span>{/if}
            </li>
          {/each}
          {#each e.padding as pad, i (i)}<li>{capital(pad)}</li>{/each}
        </ul>
      </section>
      {#if e.variants.length > 0}
        <section>
          <h2>Variants</h2>
          <p>{capital(e.variants.join('; '))}. Which one is done is chosen in Grade.</p>
        </section>
      {/if}
      {#if data.then.length > 0 || data.mirrors}
        <section>
          <h2>Usually followed by</h2>
          <ul>
            {#each data.then as next (next.id)}<li>
                <a class="underline" href="/library/{next.id}{asClient}">{next.name}</a>
              </li>{/each}
            {#if data.mirrors}<li>
                the other way round: <a class="underline" href="/library/{data.mirrors.id}{asClient}">{data.mirrors.name}</a>
              </li>{/if}
          </ul>
        </section>
      {/if}
      {#if method}
        <section>
          <h2>The method</h2>
          <p>{method}</p>
        </section>
      {/if}
      {#if data.note}
        <section>
          <h2>For {client?.name}</h2>
          <p>
            {{ works: 'It works', nothing: 'It does nothing', worse: 'It makes it worse' }[data.note.effect]}{data.note.note
              ? `: ${data.note.note}`
              : ''}
          </p>
        </section>
      {/if}
      {#if data.noted.noted.length > 0}
        <section>
          <h2>What was noted of it</h2>
          <NotedList noted={data.noted.noted.map((n) => ({ ...n, exerciseName: null }))} of="exercise" />
          {#if data.noted.hasMore}<a class="underline" href="/library/notes?exercise={e.id}">All of it</a>{/if}
        </section>
      {/if}
      {#if data.users.length > 0}<p class="text-ink-soft">In the week of {data.users.join(', ')}.</p>{/if}
      <form method="GET" action="/library/compare" class="flex flex-col gap-2">
        <input type="hidden" name="a" value={e.id} />
        {#if client}<input type="hidden" name="client" value={client.id} />{/if}
        <Finder
          label="Compare with"
          name="b"
          value={data.harder[0]?.id ?? data.easier[0]?.id ?? ''}
          groups={[{ label: '', options: data.others.map((o) => ({ value: o.id, label: o.name })) }]}
        />
        <button class="btn self-start">Compare the two</button>
      </form>
    </aside>
  </div>
</main>
