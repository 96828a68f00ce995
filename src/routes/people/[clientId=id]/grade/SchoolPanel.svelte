<script lang="ts">
  import { enhance } from '$app/forms';
  import {
    alignmentPolicies,
    handPolicies,
    schoolOf,
    schools,
    takesCycle,
    takesLifts,
    timePolicies,
    type Exercise,
    type SchoolId,
    type SideCycles,
    type SideLifts
  } from '$lib/core';
  import type { PolicyChanges } from '$lib/contract/exerciseForms';
  import { doseText } from '$lib/ui/dialText';
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
  };
  let { exercise, choice, prefers, schoolId, clientName, base }: Props = $props();

  const school = $derived(schoolId && schoolOf(schoolId));
  const dose = $derived(exercise.doses.find((d) => d.school === schoolId));
  const policies = $derived({ ...school?.policies, ...prefers.policies, ...choice?.policies });
  const asOption = (v: string) => ({ value: v, label: v });
  const schoolOptions = (none: string) => [
    { label: '', options: [{ value: '', label: none }, ...schools.map((s) => ({ value: s.id, label: s.name }))] }
  ];
  const policyRows = [
    { name: 'alignment', label: 'Shape', values: alignmentPolicies },
    { name: 'hands', label: 'Hands', values: handPolicies },
    { name: 'time', label: 'Time in', values: timePolicies }
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
    <p class="text-ink-soft">
      shape {policies.alignment ?? '–'} · hands {policies.hands ?? '–'} · time in {policies.time ?? '–'}
    </p>
  {:else}
    <p class="text-ink-soft">
      No school chosen. {exercise.doses.length > 0
        ? 'Figures of the schools stay apart until one is.'
        : 'None gives figures for it.'}
      <a class="underline" href="/library/schools?exercise={exercise.id}">Compare them</a>
    </p>
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
  {#each policyRows as { name, label, values } (name)}
    <Select
      {label}
      {name}
      groups={[{ label: '', options: [{ value: '', label: none }, ...values.map(asOption)] }]}
      value={kept[name] ?? ''}
    />
  {/each}
{/snippet}
