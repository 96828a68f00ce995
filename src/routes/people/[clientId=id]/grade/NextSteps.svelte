<script lang="ts">
  import type { LengthUnit } from '$lib/contract/fields';
  import type { OpenStep } from '$lib/contract/grade';
  import { reasonText, type Dial, type Step } from '$lib/core';
  import { dialText } from '$lib/ui/dialText';
  import Why from '$lib/ui/Why.svelte';

  /** One step either way: one dial at a time, in their order; at the end, the neighbours. */
  type Props = {
    next: Readonly<{ harder: OpenStep; easier: OpenStep }>;
    dials: readonly Dial[];
    names: Readonly<Record<string, string>>;
    base: string;
    unit: LengthUnit;
  };
  let { next, dials, names, base, unit }: Props = $props();
  const rows = $derived([
    { word: 'Harder', step: next.harder },
    { word: 'Easier', step: next.easier }
  ]);
  /** Where no step is left, neither in the exercise nor beside it. */
  const endWords: Partial<Record<Step['why'], string>> = {
    'all at their end': 'This is the hardest setting, and no harder exercise is listed.',
    'all at their easiest': 'This is the easiest setting, and no easier exercise is listed.'
  };
  const whys: Readonly<Record<Step['why'], string>> = {
    'first not at its end': 'the first setting that is not at its hardest',
    'moved last': 'the setting that was moved last goes back',
    'last not at its easiest': 'the last setting that is not at its easiest',
    'all at their end': 'everything is at its hardest',
    'all at their easiest': 'everything is at its easiest'
  };
</script>

<dl class="grid grid-cols-[auto_1fr] gap-x-3">
  {#each rows as { word, step } (word)}
    <dt class="text-ink-soft">{word}</dt>
    <dd>
      {#if step.kind === 'dial'}
        {@const dial = dials.find((d) => d.id === step.dial)!}
        <strong>{dial.name} {dialText(dial, step.to, unit)}</strong>
      {:else if step.ids.length === 0}
        <span class="text-ink-soft"
          >{step.barred ? reasonText(step.barred) : (endWords[step.why] ?? 'No other exercise is listed.')}</span
        >
      {:else}
        {#each step.ids as id, i (id)}{i > 0 ? ', ' : ''}<a class="underline" href="{base}/grade?exercise={id}"
            >{names[id] ?? id}</a
          >{/each}
      {/if}
      {#if word === 'Harder'}
        <Why about="the next step">
          <p>One setting at a time, in the order in which they are moved: {whys[next.harder.why]}.</p>
          <p>Easing takes back what was moved last: {whys[next.easier.why]}.</p>
        </Why>
      {/if}
    </dd>
  {/each}
</dl>
