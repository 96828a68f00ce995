<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    alignmentPolicies,
    compareSchools,
    handPolicies,
    isComparable,
    schoolOf,
    schools,
    takesCycle,
    takesLifts,
    timePolicies,
    type Exercise,
    type Gated,
    type SchoolId,
    type SideCycles,
    type SideLifts
  } from '$lib/core';
  import type { PolicyChanges } from '$lib/contract/exerciseForms';
  import { doseText } from '$lib/ui/dialText';
  import EffortCurve from '$lib/ui/drawing/EffortCurve.svelte';
  import { capital, clockText } from '$lib/ui/format';
  import { policiesText, policyWords } from '$lib/ui/schoolText';
  import Select from '$lib/ui/Select.svelte';
  import { keepTyped } from '$lib/ui/sending';

  /** By which school an exercise is done, and where the rules differ from it; the figures of one school at a time. */
  type Choice = Readonly<{ schoolId: SchoolId | null; policies: PolicyChanges }>;
  type Props = {
    exercise: Exercise;
    choice: (Choice & Readonly<{ cycles: SideCycles | null; lifts: SideLifts | null }>) | null;
    prefers: Choice;
    schoolId: SchoolId | null;
    clientName: string;
    base: string;
    /** What the gate says of it for this person, and their breath. */
    gated: Pick<Gated, 'verdict' | 'caps' | 'longestHoldS'>;
    breathS: number;
  };
  let { exercise, choice, prefers, schoolId, clientName, base, gated, breathS }: Props = $props();

  const school = $derived(schoolId && schoolOf(schoolId));
  const dose = $derived(exercise.doses.find((d) => d.school === schoolId));
  const policies = $derived({ ...school?.policies, ...prefers.policies, ...choice?.policies });
  const optionOf = (value: string, words: Readonly<Record<string, string>>) => ({ value, label: capital(words[value] ?? value) });
  const schoolOptions = (none: string) => [
    { label: '', options: [{ value: '', label: none }, ...schools.map((s) => ({ value: s.id, label: s.name }))] }
  ];
  /** The exercise in every school, inside what this person may do; none where it is barred. */
  const inSchools = $derived(
    gated.verdict === 'barred' || !isComparable(exercise)
      ? []
      : compareSchools(exercise, {
          breathS,
          effortCapPct: gated.caps.effortPct,
          longestHoldS: gated.longestHoldS,
          contractionS: gated.caps.contractionS
        })
  );
  const longestS = $derived(Math.max(...inSchools.map((d) => d.totals.durationS)));
  const policyRows = [
    { name: 'alignment', label: 'Shape', values: alignmentPolicies, words: policyWords.alignment },
    { name: 'hands', label: 'Hands', values: handPolicies, words: policyWords.hands },
    { name: 'time', label: 'Time', values: timePolicies, words: policyWords.time }
  ] as const;
</script>

<section class="flex flex-col gap-2">
  <h2>How it is done</h2>
  {#if school}
    <p>
      <strong>{school.name}</strong>{choice?.schoolId ? '' : `, as ${clientName} prefers`}:
      {#if dose}{doseText(dose)}{dose.unsure ? ' (figures not certain)' : ''}{:else}no figures for this exercise; its usual ones: {school
          .rules.hold?.words ?? 'none'}{/if}
    </p>
    <p class="text-ink-soft">{policiesText(policies)}</p>
  {:else}
    <p class="text-ink-soft">
      No school chosen. {exercise.doses.length > 0
        ? 'Figures of the schools stay apart until one is.'
        : 'None gives figures for it.'}
      <a class="underline" href="/library/schools?exercise={exercise.id}">Compare them</a>
    </p>
  {/if}
  {#if inSchools.length > 0}
    <details>
      <summary class="min-h-11 py-2 font-semibold">As each school would do it, one side</summary>
      <ul class="flex flex-col gap-3">
        {#each inSchools as { school: s, phases, totals } (s.id)}
          <li>
            <p class="flex justify-between gap-3 leading-tight">
              <span class={s.id === schoolId ? 'font-semibold' : ''}>{s.name}{s.id === schoolId ? ', in use' : ''}</span>
              <span>{clockText(totals.durationS)}</span>
            </p>
            <div style:width="{Math.max(6, (totals.durationS / longestS) * 100)}%">
              <EffortCurve
                {phases}
                width={Math.max(20, (320 * totals.durationS) / longestS)}
                height={44}
                scalePct={70}
                fluid
                label="Effort over {clockText(totals.durationS)} in {s.name}"
              />
            </div>
          </li>
        {/each}
      </ul>
      <p class="mt-2 text-ink-soft">
        Inside what {clientName} may do now, on one scale.
        <a class="underline" href="/library/schools?exercise={exercise.id}">All they say</a>
      </p>
    </details>
  {/if}
  {#if choice && takesCycle(exercise)}
    <p>
      {choice.cycles ? 'Its cycle was shaped by hand.' : ''}
      <a class="font-semibold underline" href="{base}/grade/cycle?exercise={exercise.id}">Shape its cycle</a>
    </p>
  {/if}
  {#if choice && takesLifts(exercise)}
    <p>
      {choice.lifts ? 'Its lifts were shaped by hand.' : ''}
      <a class="font-semibold underline" href="{base}/grade/lifts?exercise={exercise.id}">Shape its lifts</a>
    </p>
  {/if}
  <details>
    <summary class="min-h-11 py-2 font-semibold">Change</summary>
    {#if choice}
      <form method="POST" action="?/school" class="grid grid-cols-2 gap-3" use:enhance={keepTyped}>
        <input type="hidden" name="exerciseId" value={exercise.id} />
        <div class="col-span-2">
          <Select
            label="School of this exercise"
            name="schoolId"
            groups={schoolOptions('as the client prefers')}
            value={choice.schoolId ?? ''}
          />
        </div>
        {@render policyFields(choice.policies, 'as the school')}
        <div class="self-end"><button class="btn">Keep for this exercise</button></div>
      </form>
    {/if}
    <form method="POST" action="?/school" class="mt-4 grid grid-cols-2 gap-3 border-t border-line pt-3" use:enhance={keepTyped}>
      <div class="col-span-2">
        <Select label="{clientName} prefers" name="schoolId" groups={schoolOptions('no school')} value={prefers.schoolId ?? ''} />
      </div>
      {@render policyFields(prefers.policies, 'as the school')}
      <div class="self-end"><button class="btn">Keep for {clientName}</button></div>
    </form>
  </details>
</section>

{#snippet policyFields(kept: PolicyChanges, none: string)}
  {#each policyRows as { name, label, values, words } (name)}
    <div class="col-span-2">
      <Select
        {label}
        {name}
        groups={[{ label: '', options: [{ value: '', label: none }, ...values.map((v) => optionOf(v, words))] }]}
        value={kept[name] ?? ''}
      />
    </div>
  {/each}
{/snippet}
