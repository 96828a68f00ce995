<script lang="ts">
  import { measureOf, sides, wayOf, type Side } from '$lib/core';
  import Foretold from '$lib/ui/forecast/Foretold.svelte';
  import { followed } from '$lib/ui/forecast/foretelling.svelte';
  import { rateText } from '$lib/ui/forecast/outlookText';
  import { capital, changeText, dateText, modeText, plural, stateText } from '$lib/ui/format';
  import MeasureChart from '$lib/ui/MeasureChart.svelte';
  import { savePng, saveSvg } from '$lib/ui/saveDrawing';
  import SideSwitch from '$lib/ui/SideSwitch.svelte';
  import MeasureTable from '../MeasureTable.svelte';
  import ReviewParts from '../ReviewParts.svelte';
  import WeeksDone from './WeeksDone.svelte';
  import { winText } from '$lib/ui/winText';
  import PlateauNote from './PlateauNote.svelte';

  let { data } = $props();
  const unit = $derived(data.units.length);
  const goal = $derived(data.goal!);
  const measure = $derived(measureOf(goal.headline));
  const base = $derived(`/people/${data.client.id}`);
  let picked = $state<Side>();
  const side = $derived(picked ?? goal.leadSide ?? sides[0]);
  const outlook = $derived(data.outlooks.find((o) => o.side === null || o.side === side)!);
  const taken = $derived(data.taken.filter((r) => r.side === outlook.side));
  const rows = $derived(data.rows.filter((r) => r.side === outlook.side));
  /** What is drawn as one line was taken alike; the rest stands in the table. */
  const alike = $derived(
    taken.filter(
      (r) => r.bodyState === outlook.takenAs?.bodyState && r.way === outlook.takenAs.way && r.support === outlook.takenAs.support
    )
  );
  const drawn = $derived(alike.map((r) => ({ ...r, ...(measure.modes.length > 1 ? {} : { mode: undefined }) })));
  const first = $derived(alike.find((r) => r.mode === measure.modes[0]));
  const marks = $derived(goal.stageOn && goal.stage > 0 ? [{ on: goal.stageOn, text: 'stage opened' }] : []);

  const foretelling = followed(() => outlook.ask);
  const told = $derived(foretelling.told);
  let chart = $state<ReturnType<typeof MeasureChart>>();
  const name = $derived(`${data.client.name} ${measure.name}`.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-'));
  const nameOf = (id: string) => data.exercises[id] ?? 'an exercise that is gone';
  const withChart = async (keep: (svg: SVGSVGElement, name: string) => unknown) => keep(await chart!.picture(), name);
</script>

<main class="mx-auto flex max-w-7xl flex-col gap-5 p-5">
  <div class="flex flex-wrap items-center gap-4">
    <h1>Progress</h1>
    {#if outlook.side !== null}
      <SideSwitch {side} onSideChange={(s) => (picked = s)} label="Side in view" words={measure.sideWords} />
    {/if}
    <div class="ml-auto"><ReviewParts {base} /></div>
  </div>

  {#if taken.length === 0}
    <section class="card max-w-2xl">
      <h2>Nothing measured yet</h2>
      <p class="mt-2">After the first measure of the goal stands here how far it is, and what is likely.</p>
      <p class="mt-4"><a class="btn btn-primary" href="{base}/measure?m={measure.id}">Measure</a></p>
    </section>
  {:else}
    <div class="grid gap-5 lg:grid-cols-[1fr_23rem] lg:grid-rows-[auto_1fr]">
      <section class="card min-w-0" aria-label={measure.name}>
        <div class="flex flex-wrap items-baseline gap-x-4">
          <h2>{measure.name}</h2>
          {#if outlook.takenAs}
            <p class="text-ink-soft">
              {stateText[outlook.takenAs.bodyState]}, {wayOf(outlook.takenAs.way).label.toLowerCase()}{outlook.takenAs.support
                ? `, ${outlook.takenAs.support}`
                : ''}
            </p>
          {/if}
        </div>
        <MeasureChart
          bind:this={chart}
          {measure}
          points={drawn}
          target={goal.target}
          {unit}
          {marks}
          height={330}
          ahead={told ? { from: data.today, band: [{ week: 0, ...told.now }, ...told.weeks] } : undefined}
          unshown={first?.margin ? { from: first.value, by: first.margin * Math.SQRT2 } : undefined}
        />
        <p class="text-ink-soft">
          {measure.modes.length > 1 ? 'Thick: reached. Thin: held. ' : ''}Upright lines: 95 of 100 of the error of a measure.{first?.margin
            ? ' Grey: within it a change since the first measure is not shown.'
            : ''}{told ? ' Band: half of what is likely, and nine in ten of it.' : ''}
        </p>
        <div class="mt-2 flex flex-wrap gap-2">
          <button type="button" class="btn" onclick={() => withChart(savePng)}>Save as PNG</button>
          <button type="button" class="btn" onclick={() => withChart(saveSvg)}>Save as SVG</button>
          <a class="btn" href="{base}/review/progress/measures.csv" download>All measures as CSV</a>
        </div>
      </section>

      <div class="flex flex-col gap-5 lg:row-span-2">
        <Foretold
          {outlook}
          {told}
          state={foretelling.state}
          today={data.today}
          targetOn={goal.targetOn}
          headline={goal.headline}
          {unit}
          isStopped={data.stops.length > 0}
          onAgain={() => outlook.ask && foretelling.ask(outlook.ask)}
        />
        <section class="card" aria-label="Gain so far">
          <h2>Gain so far</h2>
          {#each outlook.gains as g (g.mode)}
            <p class="mt-1">
              {modeText[g.mode]}: {changeText(g.from, g.to, measure, unit)} since {dateText(g.fromOn)}, {g.word}.
            </p>
          {:else}
            <p class="mt-1">One measure taken alike so far: a gain needs two.</p>
          {/each}
          {#if outlook.trend}
            <p class="mt-2">
              Rate over {plural(outlook.trend.measures, 'measure')}: {rateText(outlook.trend.rate, goal.headline, unit)}.
              {outlook.trend.kendall.p < 0.05
                ? 'That it moves at all is shown.'
                : 'So few measures could look like this by chance.'}
            </p>
          {/if}
          {#if data.wins.length > 0}
            <h3 class="mt-3 font-semibold">Small wins</h3>
            <ul class="mt-1 list-disc pl-5">
              {#each data.wins as win, i (i)}
                <li>{winText(win, nameOf, goal.headline, unit)} <span class="text-ink-soft">{dateText(win.on)}</span></li>
              {/each}
            </ul>
          {/if}
          <PlateauNote plateau={outlook.plateau} attended={data.attended} {base} />
        </section>
      </div>

      <div class="flex min-w-0 flex-col gap-5">
        <section class="flex flex-col gap-2">
          <h2 class="text-xl">{capital(measure.name)}{outlook.side ? `, ${outlook.side} ${measure.sideWords}` : ''}</h2>
          <MeasureTable readings={rows} headline={goal.headline} {unit} />
          {#if rows.length < taken.length}
            <a class="btn self-start" href="?measures=all" data-sveltekit-noscroll>Show all {taken.length} measures</a>
          {/if}
        </section>
        {#if data.weeks.length > 0}<WeeksDone weeks={data.weeks} links={data.links} />{/if}
      </div>
    </div>
  {/if}
</main>
