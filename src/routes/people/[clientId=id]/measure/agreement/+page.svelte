<script lang="ts">
  import { measureOf, measures } from '$lib/core';
  import AgreementChart from './AgreementChart.svelte';
  import { capital, changeText, dateText, numberText, plural, valueText } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import Finder from '$lib/ui/Finder.svelte';
  import Select from '$lib/ui/Select.svelte';
  import Why from '$lib/ui/Why.svelte';

  let { data } = $props();
  const unit = $derived(data.units.length);
  const measure = $derived(measureOf(data.measureId));
  const names = $derived(data.measurers.map((m) => ({ value: m, label: m })));
  const size = (value: number) => valueText(value, { unit: measure.unit }, unit);
</script>

<main class="mx-auto flex max-w-5xl flex-col gap-5 p-5">
  <div>
    <h1>Two measurers</h1>
    <p class="text-ink-soft">
      Everyone whom both measured on one day, in the same state, side and mode. Write who measured under the conditions of a
      measure.
    </p>
  </div>
  <form class="flex flex-wrap items-end gap-4">
    <Finder
      label="Measure"
      name="m"
      groups={[
        {
          label: '',
          options: measures.filter((m) => m.unit === 'cm' || m.unit === '°').map((m) => ({ value: m.id, label: capital(m.name) }))
        }
      ]}
      value={data.measureId}
    />
    {#if names.length > 0}
      <Select label="First" name="a" groups={[{ label: '', options: names }]} value={data.first} />
      <Select label="Second" name="b" groups={[{ label: '', options: names }]} value={data.second} />
    {/if}
    <button class="btn">Compare</button>
  </form>
  {#if data.pairs.length === 0}
    <section class="card max-w-2xl">
      <h2>No pairs yet</h2>
      <p class="mt-1">
        Two measurers take the same measure of the same client on the same day, each writing their name under “Measured by”. Two
        clients are the least; ten tell something.
      </p>
    </section>
  {:else if !data.agreement.ok}
    <section class="card max-w-2xl">
      <h2>Too few people yet</h2>
      <p class="mt-1">
        {plural(data.pairs.length, 'pair')} of one person: how far two measurers differ on one body tells nothing of the next. Two people
        are the least; ten tell something.
      </p>
    </section>
  {:else}
    {@const a = data.agreement.value}
    <section class="card flex flex-col gap-3">
      <p class="text-xl">
        <strong
          >{data.first} reads {size(Math.abs(a.meanDifference))}
          {a.meanDifference >= 0 ? 'more' : 'less'} than {data.second}</strong
        >, and 95 of 100 differences lie between {changeText(0, a.lower, measure, unit)} and {changeText(
          0,
          a.upper,
          measure,
          unit
        )}.
        <Why about="the limits of agreement">
          <p>
            Mean difference ± 1.96 times the spread of the differences ({size(a.sd)}).
            {#if a.parts}Sides and days of one person count as repeats: {size(a.parts.withinSd)} of the spread lies within a person,
              {size(a.parts.betweenSd)} between people. The published form of limits of agreement for repeated measures.{:else}The
              published form of limits of agreement.{/if}
          </p>
        </Why>
      </p>
      <p>
        {#if data.icc.ok}
          ICC {numberText(data.icc.value.icc21, 2)} for single measures, absolute agreement
          <Why about="the ICC">
            <p>
              One row a person, the mean of their pairs. Two-way analysis of variance, the form in which measurers are a sample:
              the share of the spread that is between people. It is high where people differ much, whatever the error; the limits
              above are what a change is held against.
            </p>
          </Why>
        {:else}{problemText(data.icc.problem)}{/if}
        <span class="text-ink-soft"
          >· {plural(a.pairs, 'pair')} of {plural(a.people, 'person', 'people')}{a.people < 10
            ? ', too few people to lean on'
            : ''}</span
        >
      </p>
      <AgreementChart pairs={data.pairs} agreement={a} unitWord={measure.unit === 'cm' ? 'cm' : '°'} />
      <details>
        <summary class="text-ink-soft">The pairs</summary>
        <table class="mt-2 w-full text-left">
          <thead class="text-ink-soft">
            <tr>
              <th scope="col" class="font-normal">Person</th><th scope="col" class="font-normal">Day</th><th
                scope="col"
                class="font-normal">Side, mode</th
              ><th scope="col" class="font-normal">{data.first}</th><th scope="col" class="font-normal">{data.second}</th>
            </tr>
          </thead>
          <tbody>
            {#each data.pairs as pair, i (i)}
              <tr class="border-t border-line">
                <td>{pair.name}</td>
                <td>{dateText(pair.takenOn)}</td>
                <td>{pair.side ?? 'both'}, {pair.mode}</td>
                <td>{size(pair.first)}</td>
                <td>{size(pair.second)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      </details>
    </section>
  {/if}
  <p><a class="btn" href="/people/{data.client.id}/measure">Back to measuring</a></p>
</main>
