<script lang="ts">
  import { goto } from '$app/navigation';
  import { version } from '$app/environment';
  import { goalFigureHref } from '$lib/contract/figureAsk';
  import { goalFamilies, measureOf, motionOf, type Goal } from '$lib/core';
  import { capital } from '$lib/ui/format';

  /** The goals by their families, each with its figure; one is chosen by opening it. `href`: where a chosen one leads. */
  type Props = { name: string; href: (goalId: string) => string };
  let { name, href }: Props = $props();
  let wanted = $state('');

  const titleOf = (goal: Goal) => (goal.kind === 'joint range' ? capital(measureOf(goal.headline).name) : goal.name);
  const wordsOf = (goal: Goal) => {
    const { name, motion } = measureOf(goal.headline);
    return `${goal.name} ${name} ${motion ? motionOf(motion).term : ''} ${goal.endPoint}`.toLowerCase();
  };
  const families = $derived(
    goalFamilies
      .map((f) => ({ ...f, goals: f.goals.filter((g) => wordsOf(g).includes(wanted.trim().toLowerCase())) }))
      .filter((f) => f.goals.length > 0)
  );
  const found = $derived(families.flatMap((f) => f.goals));
</script>

<div class="flex flex-wrap items-end gap-x-6 gap-y-3">
  <div class="grow">
    <h1>The goal</h1>
    <p class="text-ink-soft">What does {name} work toward? A second goal can be added later.</p>
  </div>
  <label class="flex flex-col gap-1">
    <span class="font-semibold">Find a goal</span>
    <input
      class="input w-64"
      type="search"
      bind:value={wanted}
      onkeydown={(e) => {
        if (e.key === 'Enter' && found.length === 1) void goto(href(found[0]!.id));
      }}
    />
  </label>
</div>
<p class="sr-only" role="status">{wanted ? `${found.length} goals found` : ''}</p>
{#each families as family (family.name)}
  <section class="mt-6" aria-label={family.name}>
    <h2>{family.name}</h2>
    <ul class="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-[repeat(auto-fill,minmax(11rem,1fr))]">
      {#each family.goals as goal (goal.id)}
        {@const figure = goalFigureHref(goal.id, version)}
        <li>
          <a
            class="flex h-full min-h-14 flex-col justify-end gap-1 rounded-soft border border-line bg-paper p-3 leading-tight font-semibold hover:border-ink"
            href={href(goal.id)}
          >
            {#if figure}<img src={figure} alt="" loading="lazy" class="h-20 w-full object-contain" />{/if}
            <span>{titleOf(goal)}</span>
          </a>
        </li>
      {/each}
    </ul>
  </section>
{:else}
  <p class="mt-6 text-ink-soft">
    No goal of that name. <a class="font-semibold underline" href={href('custom')}>Make a goal of your own</a>
  </p>
{/each}
