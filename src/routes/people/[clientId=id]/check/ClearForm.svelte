<script lang="ts">
  import { enhance } from '$app/forms';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem, type FormState } from '$lib/ui/formState';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';

  /** A stop and the way out of it: a named person, with a note. */
  type Props = { title: string; text?: string; action: '?/clear' | '?/clearLock'; lockId?: number; form: FormState };
  let { title, text, action, lockId, form }: Props = $props();
</script>

<section class="card border-2 border-stop">
  <h2 class="text-stop">{title}</h2>
  {#if text}<p class="mt-1">{text}</p>{/if}
  <form method="POST" {action} class="mt-3 flex flex-col gap-4" use:enhance={keepTyped} novalidate>
    <ProblemNote text={formProblem(form)} />
    {#if lockId !== undefined}<input type="hidden" name="lockId" value={lockId} />{/if}
    <div class="grid gap-4 sm:grid-cols-2">
      <Field label="Cleared by" name="clearedBy" {form} hint="Name and role of who examined them" />
      <Field label="What they said" name="clearNote" {form} />
    </div>
    <div><button class="btn">Cleared today</button></div>
  </form>
</section>
