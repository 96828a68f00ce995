<script lang="ts">
  import { enhance } from '$app/forms';
  import { effects, type Effect } from '$lib/core';
  import Choices from '$lib/ui/Choices.svelte';
  import Field from '$lib/ui/Field.svelte';
  import type { FormState } from '$lib/ui/formState';
  import { shortDate } from '$lib/ui/format';
  import { keepTyped } from '$lib/ui/sending';

  /** What this exercise did for this client: it works, does nothing, or makes it worse. */
  type Note = Readonly<{ effect: Effect; note: string; notedOn: string }>;
  type Props = { exerciseId: string; note: Note | null; form: FormState };
  let { exerciseId, note, form }: Props = $props();
  const mine = $derived(form?.form === 'note' ? form : null);
  const words = { works: 'Works', nothing: 'Does nothing', worse: 'Makes it worse' } as const;
</script>

<section>
  <h2>For this client</h2>
  {#if note}
    <p>
      <strong>{words[note.effect]}</strong>{note.note ? `: ${note.note}` : ''}
      <span class="text-ink-soft">{shortDate(note.notedOn)}</span>
    </p>
  {/if}
  <details open={mine?.problem !== undefined}>
    <summary class="min-h-11 py-2 font-semibold">{note ? 'Change the note' : 'Note what it does'}</summary>
    {#key exerciseId}
      <form method="POST" action="?/note" class="flex flex-col gap-3" use:enhance={keepTyped}>
        <input type="hidden" name="exerciseId" value={exerciseId} />
        <Choices
          legend="It"
          name="effect"
          form={mine}
          known={note?.effect}
          choices={effects.map((e) => ({ value: e, label: words[e] }))}
        />
        <Field label="Note" name="note" form={mine} known={note?.note} />
        <div><button class="btn">Keep the note</button></div>
      </form>
    {/key}
  </details>
</section>
