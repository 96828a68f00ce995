<script lang="ts">
  import { enhance } from '$app/forms';
  import { page } from '$app/state';
  import Finder from '$lib/ui/Finder.svelte';
  import { formProblem, type FormState, type OptionGroup } from '$lib/ui/formState';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { sending } from '$lib/ui/sending';

  /** Puts an exercise of the library into the week while its session is arranged. */
  type Props = {
    groups: readonly OptionGroup[];
    form: FormState;
    /** Called when the week has changed. */
    follow: () => void;
  };
  let { groups, form, follow }: Props = $props();
  const thenFollow = sending(async ({ update }) => {
    await update({ reset: false });
    follow();
  });
</script>

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
