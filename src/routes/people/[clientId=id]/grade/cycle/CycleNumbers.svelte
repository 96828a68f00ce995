<!-- Long because every number of a cycle stands here once, by its own name. -->
<script lang="ts">
  import {
    effortInWords,
    effortsOf,
    mostCycleRounds,
    withPeak,
    type Deepening,
    type Effort,
    type Exercise,
    type Resistance
  } from '$lib/core';
  import { deepeningWords, resistanceWords } from '$lib/words/cueWords';
  import { capital } from '$lib/ui/format';
  import type { CycleDraft } from './cycle.svelte';
  import FigureNumber from '../FigureNumber.svelte';
  import RoundByRound from './RoundByRound.svelte';

  /** Every figure of a cycle, beside its curve: what is dragged there can be typed here. */
  type Props = {
    draft: CycleDraft;
    exercise: Exercise;
    capPct: number;
    mayBrace: boolean;
    /** Nothing goes deeper for now; how it will is kept. */
    stays: boolean;
    breathS: number;
  };
  let { draft, exercise, capPct, mayBrace, stays, breathS }: Props = $props();
  const cycle = $derived(draft.value);
  const inBreaths = $derived(cycle.breathS !== undefined);
  const kinds = ['press', 'draw'] as const;
  const start: Effort = { rampUpS: 5, holdS: 5, rampDownS: 5, peakPct: 30 };
  const rounds = $derived(Array.from({ length: cycle.rounds }, (_, i) => i));
  const pauses = [
    { key: 'turnS', label: 'Between press and draw' },
    { key: 'settleS', label: 'Settle after each round' },
    { key: 'finalSettleS', label: 'Settle at the end' }
  ] as const;
  const tooHigh = (pct: number) => (pct > capPct ? `at most ${capPct} %` : undefined);
  const ramps = [
    ['', 'smoothly'],
    ['10', 'in steps of 10 %'],
    ['20', 'in steps of 20 %']
  ] as const;

  const setEffort = (kind: 'press' | 'draw', change: Partial<Effort>) => draft.set({ [kind]: { ...cycle[kind]!, ...change } });
  function turn(kind: 'press' | 'draw', isOn: boolean) {
    if (isOn) draft.set({ [kind]: { ...start, peakPct: Math.min(start.peakPct, capPct) } });
    else draft.set({ [kind]: undefined });
  }
  const setPause = (key: 'turnS' | 'settleS' | 'finalSettleS', value: number) =>
    draft.set({ [key]: inBreaths ? Math.round(value) * breathS : value });
  function setAtMost(isOn: boolean) {
    const { mostRounds: _, ...rest } = cycle;
    draft.take(isOn ? { ...rest, mostRounds: Math.min(mostCycleRounds, cycle.rounds + 2) } : rest);
  }
</script>

<div class="gap-4 md:columns-2 xl:columns-3">
  <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="First">
    <h2>First</h2>
    <FigureNumber
      label="Hold"
      unit="s"
      value={cycle.holdS}
      min={draft.bounds.holdS.min}
      max={draft.bounds.holdS.max}
      step={draft.bounds.holdS.step}
      onvalue={(holdS) => draft.set({ holdS })}
    />
    <FigureNumber
      label="Effort all through it"
      unit="%"
      value={Math.abs(cycle.holdPct ?? 0)}
      max={100}
      words={cycle.holdPct ? effortInWords(cycle.holdPct) : 'nothing works in it'}
      error={tooHigh(Math.abs(cycle.holdPct ?? 0))}
      onvalue={(pct) => draft.set({ holdPct: pct === 0 ? undefined : cycle.holdPct && cycle.holdPct < 0 ? -pct : pct })}
    />
    {#if cycle.holdPct}
      <label class="flex items-center gap-2">
        <span class="grow">It is a</span>
        <select
          class="input w-36"
          value={cycle.holdPct > 0 ? 'press' : 'draw'}
          onchange={(e) => draft.set({ holdPct: (e.currentTarget.value === 'draw' ? -1 : 1) * Math.abs(cycle.holdPct!) })}
        >
          <option value="press">press</option><option value="draw">draw</option>
        </select>
      </label>
    {/if}
  </section>
  {#each kinds as kind (kind)}
    {@const effort = cycle[kind]}
    <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label={capital(kind)}>
      <h2>{capital(kind)}</h2>
      <label class="choice"
        ><input type="checkbox" checked={effort !== undefined} onchange={(e) => turn(kind, e.currentTarget.checked)} />
        {capital(exercise[kind] ?? `${kind}, in a way the instructor says`)}</label
      >
      {#if effort}
        <FigureNumber
          label="Build up"
          unit="s"
          value={effort.rampUpS}
          max={60}
          onvalue={(rampUpS) => setEffort(kind, { rampUpS })}
        />
        <FigureNumber
          label="Keep it"
          unit="s"
          value={effort.holdS}
          min={draft.bounds.contractionS.min}
          max={draft.bounds.contractionS.max}
          step={draft.bounds.contractionS.step}
          onvalue={(holdS) => setEffort(kind, { holdS })}
        />
        <FigureNumber
          label="Let go"
          unit="s"
          value={effort.rampDownS}
          max={60}
          onvalue={(rampDownS) => setEffort(kind, { rampDownS })}
        />
        {#each rounds as round (round)}
          {@const pct = effortsOf(cycle, round)[kind]!.peakPct}
          <FigureNumber
            label={rounds.length > 1 ? `Effort, round ${round + 1}` : 'Effort'}
            unit="%"
            value={pct}
            max={100}
            step={draft.bounds.effortPct.step}
            words={effortInWords(pct)}
            error={tooHigh(pct)}
            onvalue={(peak) => draft.take(withPeak(cycle, kind, round, peak))}
          />
        {/each}
      {/if}
    </section>
  {/each}
  <RoundByRound {draft} {stays} />
  <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="Between">
    <h2>Between</h2>
    {#each pauses as { key, label } (key)}
      <FigureNumber
        {label}
        unit={!inBreaths ? 's' : cycle[key] === breathS ? 'breath' : 'breaths'}
        value={inBreaths ? Math.round(cycle[key] / breathS) : cycle[key]}
        max={inBreaths ? 15 : 120}
        onvalue={(value) => setPause(key, value)}
      />
    {/each}
    <label class="choice"
      ><input type="checkbox" checked={inBreaths} onchange={(e) => draft.countBreaths(e.currentTarget.checked)} /> Counted in breaths</label
    >
    <label class="choice"
      ><input
        type="checkbox"
        checked={cycle.leaves ?? false}
        onchange={(e) => draft.set({ leaves: e.currentTarget.checked || undefined })}
      />
      Out of the position between rounds</label
    >
  </section>
  <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="How often">
    <h2>How often</h2>
    <FigureNumber
      label="Rounds"
      unit=""
      value={cycle.rounds}
      max={mostCycleRounds}
      onvalue={(n) => draft.setRounds(Math.round(n))}
    />
    <label class="choice"
      ><input type="checkbox" checked={cycle.mostRounds !== undefined} onchange={(e) => setAtMost(e.currentTarget.checked)} /> More,
      until last time is exceeded</label
    >
    {#if cycle.mostRounds !== undefined}
      <FigureNumber
        label="At most"
        unit=""
        value={cycle.mostRounds}
        max={mostCycleRounds}
        onvalue={(n) => draft.set({ mostRounds: Math.max(cycle.rounds, Math.round(n)) })}
      />
    {/if}
    <label class="flex flex-col gap-1">
      <span>Every second round another way</span>
      <input
        class="input"
        maxlength="120"
        value={cycle.secondWay ?? ''}
        placeholder="the same way"
        oninput={(e) => draft.set({ secondWay: e.currentTarget.value || undefined })}
      />
    </label>
  </section>
  <section class="card mb-4 flex break-inside-avoid flex-col gap-1.5" aria-label="How">
    <h2>How</h2>
    {@render choice(
      'Order',
      cycle.drawFirst ? 'draw' : '',
      [
        ['', 'press, then draw'],
        ['draw', 'draw, then press']
      ],
      (id) => draft.set({ drawFirst: id === 'draw' || undefined })
    )}
    {@render choice('Effort climbs', String(cycle.stepPct ?? ''), ramps, (id) =>
      draft.set({ stepPct: id === '' ? undefined : Number(id) })
    )}
    {@render choice(
      'What resists',
      cycle.resistance ?? '',
      [['', 'as the exercise says'], ...Object.entries(resistanceWords)],
      (id) => draft.set({ resistance: (id || undefined) as Resistance | undefined })
    )}
    {#if stays}
      <p class="text-ink-soft">Nothing goes deeper now.</p>
    {:else}
      {@render choice(
        'How it goes deeper',
        cycle.deepening ?? '',
        [['', 'on the out-breath'], ...Object.entries(deepeningWords)],
        (id) => draft.set({ deepening: (id || undefined) as Deepening | undefined })
      )}
    {/if}
    {#if mayBrace}
      <label class="choice"
        ><input
          type="checkbox"
          checked={cycle.brace ?? false}
          onchange={(e) => draft.set({ brace: e.currentTarget.checked || undefined })}
        /> The whole body tightens with it</label
      >
    {:else}
      <p class="text-ink-soft">The whole body is not tightened: this person does not brace or hold the breath.</p>
    {/if}
  </section>
</div>

{#snippet choice(
  label: string,
  value: string,
  options: readonly (readonly [id: string, words: string])[],
  onpick: (id: string) => void
)}
  <label class="flex flex-col gap-1">
    <span>{label}</span>
    <select class="input" {value} onchange={(e) => onpick(e.currentTarget.value)}>
      {#each options as [id, words] (id)}<option value={id}>{words}</option>{/each}
    </select>
  </label>
{/snippet}
