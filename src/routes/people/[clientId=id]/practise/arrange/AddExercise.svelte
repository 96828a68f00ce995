<script lang="ts">
  import { enhance } from '$app/forms';
  import { page } from '$app/state';
  import Finder from '$lib/ui/Finder.svelte';
  import { formProblem, type FormState, type OptionGroup } from '$lib/ui/formState';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { sending } from '$lib/ui/sending';

  /** Puts an exercise of the library into the week while its session is arranged; those that wait for a number are told. */
  type Props = {
    groups: readonly OptionGroup[];
    /** Names of what is in the week and waits for a number. */
    waiting: readonly string[];
    sessionHref: string;
    form: FormState;
    /** Called when the week has changed. */
    follow: () => void;
  };
  let { groups, waiting, sessionHref, form, follow }: Props = $props();
  const thenFollow = sending(async ({ update }) => {
    await update({ reset: false });
    follow();
  });
</script>

{#if waiting.length > 0}
  <section class="rounded-soft border-2 border-ink p-3" aria-label="Waiting for a number">
    <p>
      {new Intl.ListFormat('en').format(waiting)} wait{waiting.length === 1 ? 's' : ''} for a number that nobody has set, and {waiting.length ===
      1
        ? 'is'
        : 'are'} not in the session until then.
    </p>
    <p><a class="font-semibold underline" href={sessionHref}>Set it where the session begins</a></p>
  </section>
{/if}
<form
  method="POST"
  action="?/add&session={page.url.searchParams.get('session')}"
  class="flex flex-wrap items-end gap-2"
  novalidate
  use:enhance={thenFollow}
>
  <div class="min-w-64 grow">
    <Finder
      label="Add from the library"
      name="exerciseId"
      {groups}
      hint="It comes into the week, and so into every session that is still to come."
      {form}
    />
  </div>
  <button class="btn">Add</button>
  <ProblemNote text={formProblem(form)} />
</form>
