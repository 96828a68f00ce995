<script lang="ts">
  import { enhance } from '$app/forms';
  import type { DialAsked, Exercise, Side } from '$lib/core';
  import { fieldError, formProblem, type FormState } from '$lib/ui/formState';
  import { keepTyped } from '$lib/ui/sending';

  /** Figures that nobody gave: asked for before the session begins, never filled in. */
  type Props = { asks: readonly DialAsked[]; exercises: readonly Exercise[]; form: FormState; base: string };
  let { asks, exercises, form, base }: Props = $props();
  const id = $props.id();
  type Asked = { exercise: Exercise; dialId: string; sides: Side[] };
  const asked = $derived(
    asks.reduce<Asked[]>((list, { exerciseId, side, dial }) => {
      const known = list.find((a) => a.exercise.id === exerciseId && a.dialId === dial);
      const exercise = exercises.find((e) => e.id === exerciseId);
      // What is done with both sides together is set by either.
      if (known) known.sides.push(side ?? 'left');
      else if (exercise) list.push({ exercise, dialId: dial, sides: [side ?? 'left'] });
      return list;
    }, [])
  );
  const own = (a: Asked) => (form?.typed?.exerciseId === a.exercise.id && form.typed.dial === a.dialId ? form : null);
  const unit = {
    s: 'seconds',
    reps: 'times',
    breaths: 'breaths',
    rounds: 'rounds',
    '%': '%',
    kg: 'kg',
    cm: 'cm',
    '°': '°',
    level: ''
  };
</script>

<section class="card flex flex-col gap-3 border-2 border-ink" aria-label="Numbers to set first">
  <h2>Set these first</h2>
  <p class="text-ink-soft">
    Neither the exercise nor the way of working gives a number, so you decide. It is kept for the next session too.
  </p>
  {#each asked as a (`${a.exercise.id}/${a.dialId}`)}
    {@const dial = a.exercise.dials.find((d) => d.id === a.dialId)}
    {#if dial}
      <form method="POST" action="?/dial" class="flex flex-wrap items-end gap-2" novalidate use:enhance={keepTyped}>
        <input type="hidden" name="exerciseId" value={a.exercise.id} />
        <input type="hidden" name="dial" value={a.dialId} />
        {#each a.sides as side (side)}<input type="hidden" name="sides" value={side} />{/each}
        <label class="flex grow flex-col gap-1" for="{id}-{a.exercise.id}-{a.dialId}">
          <span class="font-semibold">{a.exercise.name}: {dial.name}</span>
          <span class="text-ink-soft">{dial.min} to {dial.max} {unit[dial.unit]}</span>
        </label>
        <input
          id="{id}-{a.exercise.id}-{a.dialId}"
          name="value"
          class="input w-24 text-center"
          inputmode="decimal"
          value={String(own(a)?.typed?.value ?? '')}
        />
        <button class="btn">Set</button>
        {#if own(a)}<p class="w-full font-semibold text-stop" role="alert">
            {fieldError(own(a), 'value') ?? formProblem(own(a))}
          </p>{/if}
      </form>
    {/if}
  {/each}
  <p><a class="font-semibold underline" href="{base}/grade">Change the week</a></p>
</section>
