<script lang="ts">
  import { poseFigure, sides } from '$lib/core';
  import ChangeText from '$lib/ui/ChangeText.svelte';
  import Figure from '$lib/ui/drawing/Figure.svelte';
  import Scene from '$lib/ui/drawing/Scene.svelte';
  import { dateText, degText, depthText, lengthText, stateText } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';

  let { data } = $props();
  const unit = $derived(data.units.length);
  const target = $derived(data.goal?.targetDepthCm ?? 0);
  const ordered = $derived(data.goal?.leadSide === 'right' ? data.figures.toReversed() : data.figures);
  const sentence = $derived.by(() => {
    const both = data.sidesCompared;
    if (!both) return 'Only one side is measured. The other is needed for a baseline.';
    const { difference } = both;
    if (!difference.exceedsError) return 'Both sides stand alike, within what measuring can tell.';
    return `${difference.difference > 0 ? 'Left' : 'Right'} leading trails by ${lengthText(Math.abs(difference.difference), unit)}, more than the error.`;
  });
  const poses = $derived(
    Object.fromEntries(
      sides.map((side) => {
        const reading = data.figures.find((f) => f.side === side)?.passive;
        return [side, reading ? poseFigure('front split', { side, depthCm: reading.depthCm }, data.client.body) : null];
      })
    )
  );
</script>

<main class="mx-auto max-w-7xl p-5">
  {#if !data.figures.some((f) => f.passive)}
    <section class="card max-w-2xl">
      <h1>Nothing to read yet</h1>
      <p class="mt-2">Measure both sides first; it takes two trials a side.</p>
      <p class="mt-4"><a class="btn btn-primary" href="/people/{data.client.id}/measure">Measure</a></p>
    </section>
  {:else}
    <h1>{sentence}</h1>
    <div class="mt-5 grid gap-5 lg:grid-cols-2">
      {#each ordered as { side, passive, active, first, activeGap } (side)}
        {@const pose = poses[side]}
        <section class="card flex flex-col gap-3" aria-label="{side} leg in front">
          <h2 class="flex items-center gap-2 {side === 'left' ? 'text-lake' : 'text-ochre'}">
            <SideMark {side} />
            {side === 'left' ? 'Left' : 'Right'} leg in front
          </h2>
          {#if passive && pose}
            <Scene
              minX={pose.box.minX - 4}
              maxX={pose.box.maxX + 4}
              maxY={pose.box.maxY + 2}
              label="Figure in the front split, {side} in front, pelvis {depthText(passive.depthCm, unit)}"
              class="max-h-64 w-full"
            >
              <Figure {pose} />
            </Scene>
            <p class="flex flex-wrap items-baseline gap-x-5">
              <span class="text-5xl font-bold">{depthText(passive.depthCm, unit)}</span>
              <span class="text-xl"
                >{degText(passive.openingDeg)} open
                <span class="text-ink-soft">± {degText(passive.openingMarginDeg)}</span></span
              >
            </p>
            <p class="text-ink-soft">{stateText[passive.bodyState]}, {dateText(passive.takenOn)}, {passive.trials} trials</p>
            <p><ChangeText change={passive.change} {unit} /></p>
            <p>
              {#if passive.depthCm > target + 0.05}
                {lengthText(passive.depthCm - target, unit)} to the goal{first &&
                first.occasionId !== passive.occasionId &&
                first.bodyState === passive.bodyState
                  ? `, ${lengthText(Math.abs(first.depthCm - passive.depthCm), unit)} ${first.depthCm >= passive.depthCm ? 'gone' : 'lost'} since the first measure`
                  : ''}.
              {:else}
                The goal is reached in this state.
              {/if}
            </p>
            {#if active}
              <p>
                Held without hands: <strong>{depthText(active.depthCm, unit)}</strong>.
                {#if activeGap}
                  {activeGap.difference.exceedsError
                    ? `It trails what is reached by ${lengthText(Math.abs(activeGap.difference.difference), unit)}.`
                    : 'No more than the error from what is reached.'}
                {/if}
              </p>
            {:else}
              <p class="text-ink-soft">What is held without hands is not measured yet.</p>
            {/if}
          {:else}
            <p>Not measured yet.</p>
            <p><a class="btn" href="/people/{data.client.id}/measure">Measure this side</a></p>
          {/if}
        </section>
      {/each}
    </div>
    <p class="mt-5 flex flex-wrap gap-3">
      <a class="btn btn-primary" href="/people/{data.client.id}/{data.baseline ? 'grade' : 'measure'}"
        >{data.baseline ? 'Grade the stack' : 'Measure the other side'}</a
      >
    </p>
  {/if}
</main>
