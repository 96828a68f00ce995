<script lang="ts">
  import type { Proposal } from '$lib/contract/review';
  import { whyText } from '$lib/core';
  import { enhance } from '$app/forms';
  import type { LengthUnit } from '$lib/contract/fields';
  import type { Dial, Verdict } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, typedOr, type FormState } from '$lib/ui/formState';
  import { plural } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { verdictText } from '$lib/ui/verdictText';
  import Why from '$lib/ui/Why.svelte';
  import { keepTyped, undoable } from '$lib/ui/sending';
  import { moveText } from './moveText';

  type Props = {
    proposal: Proposal;
    /** Address of the client. */
    base: string;
    unit: LengthUnit;
    form: FormState;
    /** The dials of the exercise, by which a move is told. */
    dials: readonly Dial[];
    done?: { doneSets: number; plannedSets: number; cleanSets: number };
  };
  let { proposal, base, unit, form, dials, done }: Props = $props();
  const own = $derived(
    form?.typed?.exerciseId === proposal.exerciseId && form.typed.side === (proposal.side ?? '') ? form : null
  );
  let opened = $state<'overrule'>();
  const open = $derived(opened ?? (own?.form === 'decide' && own.typed?.overruledBecause !== undefined ? 'overrule' : undefined));
  const { exerciseId, side } = $derived(proposal);
  /** A stop is not taken back: a named person clears it in Check. */
  const decided = undoable(() => ({ told: 'Decided.', action: '?/undo', fields: { exerciseId, side: side ?? '' } }));
  const others = $derived((['deepen', 'stay', 'ease'] as Verdict[]).filter((v) => v !== proposal.verdict));
</script>

{#snippet place()}
  <input type="hidden" name="exerciseId" value={proposal.exerciseId} />
  <input type="hidden" name="side" value={proposal.side ?? ''} />
{/snippet}

<div class="flex flex-col gap-1 border-t border-line px-4 py-3">
  <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
    <span class="flex w-20 items-center gap-2 {proposal.side === 'left' ? 'text-lake' : proposal.side ? 'text-ochre' : ''}"
      ><SideMark side={proposal.side} /> {proposal.side ?? 'both'}</span
    >
    <span class="flex items-center gap-2 text-lg font-bold {proposal.verdict === 'stop' ? 'text-stop' : ''}">
      <VerdictMark verdict={proposal.verdict} />
      {verdictText[proposal.verdict]}
      <span class="font-semibold">{moveText(proposal, dials, unit)}</span>
    </span>
  </div>
  <p class="mt-1 text-ink-soft">
    {proposal.because.map(whyText).join(' ')}
    {#if done}{done.doneSets} of {plural(done.plannedSets, 'set')}, {done.cleanSets} as planned.{/if}
    <Why about="the verdict">
      <p>
        Rule that fired: <strong>{proposal.rule}</strong>. The rules are asked in order: stop sign, ache at the bone, what the
        Check closes, pain, sensation, shape, a pause, something missing, a retest, target met; else stay.
      </p>
      <p>
        Made harder only when the target was met, under the cap and in shape, two sessions running (three after a step easier); a
        depth at most once a week, a step of the knee once a fortnight. Common practice.
      </p>
    </Why>
  </p>
  {#if proposal.next}
    <p>
      Next step up: <strong>{proposal.next.name}</strong>.
      <a class="font-semibold underline" href="{base}/plan/change?swap={proposal.exerciseId}">Exchange it in the week</a>
    </p>
  {/if}
  <div class="mt-auto">
    <span class="flex flex-wrap gap-1">
      <form method="POST" action="?/decide" use:enhance={proposal.verdict === 'stop' ? keepTyped : decided}>
        {@render place()}
        <input type="hidden" name="verdict" value={proposal.verdict} />
        <input type="hidden" name="overruledBecause" value="" />
        <button class="btn">Accept</button>
      </form>
      {#if proposal.verdict !== 'stop'}
        <button
          class="btn btn-quiet"
          aria-expanded={open === 'overrule'}
          onclick={() => (opened = open === 'overrule' ? undefined : 'overrule')}>Overrule</button
        >
      {/if}
      <a class="btn btn-quiet" href="{base}/pain?exercise={proposal.exerciseId}{proposal.side ? `&side=${proposal.side}` : ''}"
        >Hurt afterwards</a
      >
    </span>
  </div>
  {#if open === 'overrule'}
    <form
      method="POST"
      action="?/decide"
      class="mt-3 flex flex-wrap items-end gap-3 rounded-soft bg-chalk p-3"
      use:enhance={decided}
    >
      {@render place()}
      <Choices
        legend="Instead"
        name="verdict"
        form={own}
        known={others[0]}
        choices={others.map((value) => ({ value, label: verdictText[value] }))}
      />
      <div class="min-w-64 grow">
        <Field
          label="Because"
          name="overruledBecause"
          value={typedOr(own, 'overruledBecause', '')}
          error={own?.problem?.code === 'reason_missing' ? 'Write down why' : fieldError(own, 'overruledBecause')}
        />
      </div>
      <button class="btn btn-primary">Save this decision</button>
    </form>
  {/if}
</div>
