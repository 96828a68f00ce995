<script lang="ts">
  import { enhance } from '$app/forms';
  import Field from '$lib/ui/Field.svelte';
  import { formProblem, type FormState } from '$lib/ui/formState';
  import NotedList from '$lib/ui/NotedList.svelte';
  import Once from '$lib/ui/Once.svelte';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import Select from '$lib/ui/Select.svelte';
  import TakenOut from '$lib/ui/TakenOut.svelte';
  import { sending, undoable } from '$lib/ui/sending';
  import type { ComponentProps } from 'svelte';

  /** What the instructor thinks of the work and why, dated: found again by exercise and person. */
  type Props = {
    noted: ComponentProps<typeof NotedList>['noted'];
    hasMore: boolean;
    removed: ComponentProps<typeof TakenOut>['items'];
    clientId: number;
    week: readonly Readonly<{ id: string; name: string }>[];
    form: FormState;
  };
  let { noted, hasMore, removed, clientId, week, form }: Props = $props();
</script>

<section class="card" aria-labelledby="judgement">
  <h2 id="judgement">Judgement</h2>
  <form
    method="POST"
    action="?/judge"
    class="mt-2 flex flex-col gap-3"
    use:enhance={sending(async ({ result, update }) => update({ reset: result.type === 'success' }))}
  >
    <Once />
    <ProblemNote text={formProblem(form)} />
    <Field label="What you think of it, and why" name="judgement" {form} known="" />
    <div class="flex flex-wrap items-end gap-3">
      <div class="grow">
        <Select
          label="About"
          name="exerciseId"
          groups={[
            {
              label: '',
              options: [{ value: '', label: 'the work in general' }, ...week.map((e) => ({ value: e.id, label: e.name }))]
            }
          ]}
          {form}
          known=""
        />
      </div>
      <button class="btn">Keep it</button>
    </div>
  </form>
  {#if noted.length > 0}
    <div class="mt-3">
      <NotedList {noted} of="person">
        {#snippet more(n)}
          {#if n.id !== null}
            <form
              method="POST"
              action="?/unjudge"
              use:enhance={undoable(() => ({
                told: 'The note was taken out.',
                action: '?/rejudge',
                fields: { id: n.id! }
              }))}
            >
              <input type="hidden" name="id" value={n.id} />
              <button class="btn btn-quiet">Take it out<span class="sr-only">: {n.text}</span></button>
            </form>
          {/if}
        {/snippet}
      </NotedList>
    </div>
  {/if}
  <TakenOut items={removed} field="id" action="?/rejudge" />
  <p class="mt-2">
    <a class="underline" href="/library/notes?person={clientId}"
      >{hasMore ? 'All notes of this person' : 'Find notes by exercise and person'}</a
    >
  </p>
</section>
