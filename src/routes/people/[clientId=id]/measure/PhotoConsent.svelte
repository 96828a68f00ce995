<script lang="ts">
  import { deserialize } from '$app/forms';
  import { shortDate } from '$lib/ui/format';

  /** Whether pictures are kept, and who said so. Without consent a number can be read and the picture goes. */
  type Props = {
    clientId: number;
    clientName: string;
    consent: Readonly<{ givenBy: string; givenOn: string }> | null;
    changed: () => void;
  };
  let { clientId, clientName, consent, changed }: Props = $props();
  let typed = $state<string | null>(null);
  const givenBy = $derived(typed ?? clientName);
  let problem = $state('');

  async function give() {
    const body = new FormData();
    body.set('givenBy', givenBy);
    const answer = deserialize(await (await fetch(`/people/${clientId}/photos?/consent`, { method: 'POST', body })).text());
    problem = answer.type === 'success' ? '' : 'A name is needed.';
    if (answer.type === 'success') changed();
  }
</script>

<div class="rounded-soft border border-line px-3 py-2">
  {#if consent}
    <p>
      Pictures are kept on this machine, with the consent of {consent.givenBy} of {shortDate(consent.givenOn)}.
      <a class="underline underline-offset-4" href="/people/{clientId}/photos">See them, or take it back</a>
    </p>
  {:else}
    <p>Without consent the number is read and the picture is not kept.</p>
    <div class="mt-2 flex flex-wrap items-end gap-2">
      <label class="flex grow flex-col gap-1">
        <span class="font-semibold">Consent to keep pictures, given by</span>
        <input
          class="input"
          value={givenBy}
          oninput={(e) => (typed = e.currentTarget.value)}
          aria-invalid={problem ? 'true' : undefined}
          autocomplete="off"
        />
      </label>
      <button type="button" class="btn" onclick={give}>Keep pictures</button>
    </div>
    {#if problem}<p class="font-semibold text-stop" role="alert">{problem}</p>{/if}
    <p class="mt-1 text-ink-soft">
      A parent or guardian speaks for a minor. It can be taken back at any time; that deletes them.
    </p>
  {/if}
</div>
