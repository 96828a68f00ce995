<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import { candidateProps, type Addition, type Evenness, type Substitute } from '$lib/core';
  import { lengthNumber, lengthText, plural } from '$lib/ui/format';
  import Why from '$lib/ui/Why.svelte';

  type Use = {
    ladders: number;
    addition: Addition | null;
    missing: readonly { kind: string; name: string; neededBy: readonly string[]; substitutes: readonly Substitute[] }[];
  };
  let { use, unit }: { use: Use; unit: LengthUnit } = $props();
  const told = (e: Evenness) =>
    `${e.faults === 0 ? 'no step missing' : `${plural(e.faults, 'step')} missing`}, greatest step ${lengthText(e.greatestStepCm, unit)}`;
</script>

<section class="card flex flex-col gap-2">
  <h2 class="flex items-center gap-2">
    What would help most
    <Why about="the purchase">
      <p>
        Every ladder that begins at a measure or at a stack in use is laid again with each of {candidateProps.length} usual props added,
        two of each. Fewest missing steps first, then the steps nearest to the wished one.
      </p>
      <p>
        Sizes: {candidateProps.map((c) => `${c.name} ${lengthNumber(c.faces[0]!.heightCm, unit)}`).join(', ')}
        {unit} (assumption, usual sizes).
      </p>
    </Why>
  </h2>
  {#if use.ladders === 0}
    <p>Nobody uses a stack of this shelf yet. Measure somebody, or choose a stack in Grade.</p>
  {:else if use.addition}
    <p class="text-lg">
      <strong>{use.addition.candidate.name}</strong>, {use.addition.candidate.faces
        .map((f) => lengthNumber(f.heightCm, unit))
        .join(' / ')}
      {unit} high
    </p>
    <dl class="grid grid-cols-[auto_1fr] gap-x-3">
      <dt class="text-ink-soft">before</dt>
      <dd>{told(use.addition.before)}</dd>
      <dt class="text-ink-soft">after</dt>
      <dd>{told(use.addition.after)}</dd>
    </dl>
    <details>
      <summary class="min-h-11 py-2"
        >gives smaller steps in {use.addition.changed.length} of {plural(use.ladders, 'exercise')}</summary
      >
      <ul class="flex flex-col gap-1">
        {#each use.addition.changed as { label, before, after }, i (i)}
          <li>{label}: <span class="text-ink-soft">{told(before)} → {told(after)}</span></li>
        {/each}
      </ul>
    </details>
  {:else}
    <p>Nothing usual would make the {plural(use.ladders, 'ladder')} of this week any smoother.</p>
  {/if}
</section>

<section class="card flex flex-col gap-2">
  <h2>Missing this week, and what will do</h2>
  {#if use.missing.length === 0}
    <p>Everything the exercises of the week ask for is here.</p>
  {:else}
    <ul class="flex flex-col gap-3">
      {#each use.missing as { kind, name, neededBy, substitutes } (kind)}
        <li>
          <strong>{name}</strong>
          <span class="text-ink-soft"
            >for {neededBy.slice(0, 2).join(', ')}{neededBy.length > 2 ? ` and ${neededBy.length - 2} more` : ''}</span
          >
          <br />
          {#if substitutes.length > 0}
            instead:
            {#each substitutes.slice(0, 3) as s, i (i)}{i > 0 ? ', ' : ''}{s.words}{s.onShelf ? ' (on the shelf)' : ''}{/each}
          {:else}
            nothing else will do
          {/if}
        </li>
      {/each}
    </ul>
  {/if}
</section>
