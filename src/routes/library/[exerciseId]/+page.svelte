<script lang="ts">
  import { enhance } from '$app/forms';
  import { goto } from '$app/navigation';
  import { equipmentOf, motionOf, poseFigure, type Dial } from '$lib/core';
  import { dialText, doseText, settingText } from '$lib/ui/dialText';
  import Furniture from '$lib/ui/drawing/Furniture.svelte';
  import Figure from '$lib/ui/drawing/Figure.svelte';
  import Scene from '$lib/ui/drawing/Scene.svelte';
  import { formProblem } from '$lib/ui/formState';
  import { capital } from '$lib/ui/format';
  import GateNotes from '$lib/ui/GateNotes.svelte';
  import { undoable } from '$lib/ui/sending';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Finder from '$lib/ui/Finder.svelte';
  import Why from '$lib/ui/Why.svelte';

  let { data, form } = $props();
  const e = $derived(data.exercise);
  const unit = $derived(data.units.length);
  const client = $derived(data.forClient);
  const asClient = $derived(client ? `?client=${client.id}` : '');
  const pose = $derived(e.pose ? poseFigure(e.pose, { side: 'right' }, { statureCm: 170, leftLegCm: 89, rightLegCm: 89 }) : null);
  const methods: Readonly<Record<string, string>> = {
    'two phases':
      'Two phases. Press: the muscle that is being lengthened pushes out of the stretch, against something that does not give. Draw: the muscle on the other side pulls further into it. Effort comes up slowly, stays, and goes out slowly; in between the shape is kept and the breath goes on. The first rounds are light.',
    press:
      'One phase. The muscle that is being lengthened pushes out of the stretch, against something that does not give; effort comes up slowly and goes out slowly. Then it lets go, and the limb is taken a little further.',
    draw: 'One phase. The muscle on the other side pulls further into the stretch; effort comes up slowly and goes out slowly, and what was gained is kept.',
    'effort in place':
      'Effort in the shape, against nothing but the position itself: it comes up slowly, stays, and goes out slowly; the breath goes on.',
    hold: 'A still stretch at a mild, bearable pull. Time does the work; the breath out is longer than the breath in.',
    'active end':
      'The joint is moved to its edge by its own muscles and held there without help, so that the range that was reached is owned.',
    mobilise:
      'Movement through the range, small first, growing with the warmth; nothing is held at the end. Where hands or a strap help, it is a trace at the end of the movement.',
    'warm-up': 'Pulse and joints before anything is held: easy, brisk, out of breath a little.',
    settle: 'Rest in a shape that asks for nothing, until the breath is slow again.',
    test: 'The same test, set up the same way, before and after: what changed is read, not felt.',
    strengthen: 'Repetitions with more work than the edge alone asks for: a load, a kick, a lift.'
  };
  const method = $derived(
    methods[
      e.press && e.draw
        ? 'two phases'
        : e.press
          ? 'press'
          : e.draw
            ? 'draw'
            : e.phases[0] === 'contract-relax'
              ? 'effort in place'
              : (e.phases[0] ?? '')
    ]
  );

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
          use:enhance={() =>
            async ({ result }) => {
              if (result.type === 'success') await goto(`/people/${client.id}/grade?exercise=${e.id}`, { invalidateAll: true });
            }}
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
    <a class="btn" href="/library/new?copy={e.id}">Copy and change</a>
  </div>
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

  <section class="mt-4" aria-label="Easier to harder">
    <ol class="flex items-stretch overflow-x-auto border-b-[3px] border-ink">
      {#each data.chain as step, i (step.id)}
        {@const isHere = step.id === e.id}
        <li class="flex flex-none items-end">
          <a
            href="/library/{step.id}{asClient}"
            aria-current={isHere ? 'page' : undefined}
            class="block max-w-56 min-w-28 rounded-t-soft border border-b-0 px-3 py-2 leading-tight {isHere
              ? 'border-mulberry bg-paper font-bold shadow-[inset_0_-5px_0_var(--color-mulberry)]'
              : 'border-line bg-paper hover:border-ink'}"
            style:min-height="{(data.chain.some((s) => s.today) ? 6.2 : 3.6) + (data.chain.length - 1 - i) * 0.35}rem"
          >
            {step.name}
            {#if step.today}
              <span class="block font-normal text-ink-soft">
                {#if step.perSide}L {settingText(step.dials, step.today.left, unit)}<br />R {settingText(
                    step.dials,
                    step.today.right,
                    unit
                  )}{:else}{settingText(step.dials, step.today.left, unit)}{/if}
              </span>
            {/if}
          </a>
        </li>
      {/each}
    </ol>
    <p class="mt-1 text-ink-soft">
      {data.chain.length > 1 ? 'Easier on the left, harder on the right' : 'No neighbour is known yet'}{client &&
      data.chain.some((s) => s.today)
        ? `; below a name, where ${client.name} stands`
        : ''}.
      {#if data.harder.some((n) => n.inferred) || data.easier.some((n) => n.inferred)}Some of these steps are a reading across
        exercises, not a practised one: {[...data.easier, ...data.harder]
          .filter((n) => n.inferred)
          .map((n) => n.name)
          .join(', ')}.{/if}
    </p>
  </section>

  <div class="mt-5 grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_20rem]">
    <div class="flex flex-col gap-4">
      {#if pose}
        <Scene
          minX={pose.box.minX - 6}
          maxX={pose.box.maxX + 6}
          maxY={pose.box.maxY + 2}
          floor={pose.view !== 'top' && pose.view !== 'facing down on'}
          label={e.name}
          class="max-h-52 w-full"><Furniture boxes={pose.furniture} /><Figure {pose} /></Scene
        >
      {/if}
      <p class="border-l-4 border-ink pl-3 text-lg">{e.why}</p>
      <section>
        <h2>Set up</h2>
        <ol class="mt-1 list-decimal pl-6">
          {#each e.setup as line, i (i)}<li>{line}</li>{/each}
        </ol>
        {#if e.press}<p class="mt-2"><strong>Press:</strong> {e.press}.</p>{/if}
        {#if e.draw}<p><strong>Draw:</strong> {e.draw}.</p>{/if}
      </section>
      {#if e.checks.length > 0}
        <section>
          <h2>Look at</h2>
          <ul class="mt-1 flex flex-col">
            {#each e.checks as check, i (i)}
              <li><label class="choice"><input type="checkbox" /> {check}</label></li>
            {/each}
          </ul>
        </section>
      {/if}
      {#if e.mistakes.length > 0}
        <section>
          <h2>What goes wrong</h2>
          <dl class="mt-1">
            {#each e.mistakes as { mistake, fix }, i (i)}
              <dt class="font-semibold">{mistake}</dt>
              <dd class="mb-1 pl-4">{fix}</dd>
            {/each}
          </dl>
        </section>
      {/if}
    </div>

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
          Dials
          <Why about="the dials">
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
                {#if e.asks.includes(d.id)}<span class="text-ink-soft"> no figure is usual</span>{/if}
              </dd>
            {/each}
          </dl>
        {/if}
      </section>
      <section>
        <h2>Doses, by school</h2>
        {#if data.doses.length === 0}<p class="text-ink-soft">No figure is usual. It is the instructor’s to set.</p>{/if}
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
          <p>{e.variants.join('; ')}</p>
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
      {#if data.users.length > 0}<p class="text-ink-soft">In the week of {data.users.join(', ')}.</p>{/if}
      <form method="GET" action="/library/compare" class="flex flex-col gap-2">
        <input type="hidden" name="a" value={e.id} />
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
