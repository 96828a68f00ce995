<script lang="ts">
  import type { Alert } from '$lib/core';
  import type { LengthUnit } from '$lib/contract/fields';
  import { alertText } from '$lib/ui/alertText';

  type Props = {
    alerts: readonly Alert[];
    names: Readonly<Record<string, string>>;
    headline: string;
    unit: LengthUnit;
    base: string;
  };
  let { alerts, names, headline, unit, base }: Props = $props();
  const told = $derived(alerts.map((a) => alertText(a, (id) => names[id] ?? 'An exercise that is gone', headline, unit)));
</script>

{#if told.length > 0}
  <section class="card" aria-label="To look at">
    <h2>To look at</h2>
    <ul class="mt-1">
      {#each told as { text, mend, to, link }, i (i)}
        <li class="border-t border-line py-1.5 first:border-t-0">
          <span class="font-semibold">{text}</span>
          {mend}
          <a class="font-semibold whitespace-nowrap underline" href="{base}/{to}">{link}</a>
        </li>
      {/each}
    </ul>
  </section>
{/if}
