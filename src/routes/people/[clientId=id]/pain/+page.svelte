<script lang="ts">
  import { enhance } from '$app/forms';
  import Field from '$lib/ui/Field.svelte';
  import { dateText, dateTimeText, shortDate } from '$lib/ui/format';
  import { formProblem } from '$lib/ui/formState';
  import ProblemNote from '$lib/ui/ProblemNote.svelte';
  import { keepTyped } from '$lib/ui/sending';
  import PainForm from './PainForm.svelte';

  let { data, form } = $props();
  /** What was kept makes room: the next pain begins with an empty form, and a second tap keeps nothing twice. */
  const kept = $derived(data.pains[0]?.id ?? 0);
  const failed = $derived(form && 'form' in form ? form : null);
  const withdrawing = $derived(failed?.form === 'withdraw' ? failed : null);
</script>

<main class="mx-auto grid max-w-6xl gap-6 p-5 lg:grid-cols-[1fr_20rem]">
  {#key kept}
    <PainForm {data} form={withdrawing ? null : failed} />
  {/key}

  <aside class="card flex flex-col gap-3 self-start" aria-label="What was told">
    <h2>What was told</h2>
    {#each data.alerts as alert (alert.text)}
      <p class="rounded-soft border-2 border-stop px-3 py-2 font-semibold text-stop">
        Told twice: {alert.text}, {shortDate(alert.days[0])} and {shortDate(alert.days[1])}. Ease, or leave it out and refer.
      </p>
    {/each}
    {#if data.pains.length === 0}
      <p class="text-ink-soft">No pain was told yet.</p>
    {:else}
      <ul class="flex flex-col">
        {#each data.pains as pain (pain.id)}
          <li class="border-t border-line py-2 leading-snug first:border-0">
            <span class="text-ink-soft">{dateText(pain.on)}{pain.inSession ? ', in the session' : ''}</span>
            <span class="block font-semibold">{pain.text}</span>
            {#if pain.exercise}<span class="block">{pain.exercise}{pain.workSide ? `, ${pain.workSide}` : ''}</span>{/if}
            {#if pain.note}<span class="block text-ink-soft">“{pain.note}”</span>{/if}
            <details open={withdrawing?.typed.painId === pain.id}>
              <summary class="min-h-11 py-2 text-ink-soft" aria-label="Told in error: {pain.text}, {dateText(pain.on)}"
                >Told in error?</summary
              >
              <form method="POST" action="?/withdraw" class="flex flex-col gap-2" novalidate use:enhance={keepTyped}>
                <input type="hidden" name="painId" value={pain.id} />
                <p>
                  It counts no more. What it stopped stays stopped until the Check clears it. To correct it, take it back and tell
                  it anew.
                </p>
                {#if withdrawing?.typed.painId === pain.id}<ProblemNote text={formProblem(withdrawing)} />{/if}
                <Field label="Who says so" name="by" form={withdrawing?.typed.painId === pain.id ? withdrawing : null} />
                <Field
                  label="What was wrong with it"
                  name="why"
                  form={withdrawing?.typed.painId === pain.id ? withdrawing : null}
                />
                <button class="btn self-start">Take it back</button>
              </form>
            </details>
          </li>
        {/each}
      </ul>
    {/if}
    {#if data.withdrawn.length > 0}
      <details>
        <summary class="min-h-11 py-2 font-semibold">Taken back</summary>
        <ul class="flex flex-col">
          {#each data.withdrawn as pain (pain.id)}
            <li class="border-t border-line py-2 leading-snug first:border-0">
              <span class="text-ink-soft">{dateText(pain.on)}</span>
              <s class="block">{pain.text}</s>
              <span class="block text-ink-soft">{pain.by}, {dateTimeText(pain.at)}: “{pain.why}”</span>
            </li>
          {/each}
        </ul>
      </details>
    {/if}
    <p class="text-ink-soft">Calm Reach does not diagnose. Licensed practice and local rules come first.</p>
  </aside>
</main>
