<script lang="ts">
  import { dateText, shortDate } from '$lib/ui/format';
  import PainForm from './PainForm.svelte';

  let { data, form } = $props();
  /** What was kept makes room: the next pain begins with an empty form, and a second tap keeps nothing twice. */
  const kept = $derived(data.pains[0]?.id ?? 0);
</script>

<main class="mx-auto grid max-w-6xl gap-6 p-5 lg:grid-cols-[1fr_20rem]">
  {#key kept}
    <PainForm {data} {form} />
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
          </li>
        {/each}
      </ul>
    {/if}
    <p class="text-ink-soft">Calm Reach does not diagnose. Licensed practice and local rules come first.</p>
  </aside>
</main>
