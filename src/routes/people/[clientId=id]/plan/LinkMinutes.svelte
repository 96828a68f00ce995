<script lang="ts">
  import { motionOf, type LinkDose } from '$lib/core';
  import { capital, numberText } from '$lib/ui/format';
  import SideMark from '$lib/ui/SideMark.svelte';

  /** Minutes under stretch, of contraction and of active work, for each motion and side. */
  type Props = {
    doses: readonly LinkDose[];
    /** What of them was done: then it stands before what was planned. */
    done?: readonly LinkDose[];
  };
  let { doses, done }: Props = $props();
  const wasDone = $derived(done && new Map(done.map((d) => [`${d.link}/${d.side}`, d])));
  function minutes(dose: LinkDose, of: 'stretchS' | 'contractionS' | 'activeS'): string {
    if (dose[of] === 0) return '–';
    const planned = numberText(dose[of] / 60);
    const was = wasDone?.get(`${dose.link}/${dose.side}`);
    return was ? `${numberText(was[of] / 60)} of ${planned}` : planned;
  }
</script>

<table class="w-full text-left leading-tight">
  <caption class="pb-1 text-left font-semibold">Minutes for each motion</caption>
  <thead class="text-ink-soft">
    <tr>
      <th scope="col" class="font-normal">motion</th>
      <th scope="col" class="pl-3 text-right font-normal">stretch</th>
      <th scope="col" class="pl-3 text-right font-normal">effort</th>
      <th scope="col" class="pl-3 text-right font-normal">active</th>
    </tr>
  </thead>
  <tbody>
    {#each doses as dose (`${dose.link}/${dose.side}`)}
      <tr class="border-t border-line">
        <th scope="row" class="py-1 font-normal"
          ><span class="flex items-center gap-1"
            ><SideMark side={dose.side} size={13} /><span class="sr-only">{dose.side}</span>
            {capital(motionOf(dose.link).name)}</span
          ></th
        >
        <td class="pl-3 text-right">{minutes(dose, 'stretchS')}</td>
        <td class="pl-3 text-right">{minutes(dose, 'contractionS')}</td>
        <td class="pl-3 text-right">{minutes(dose, 'activeS')}</td>
      </tr>
    {/each}
  </tbody>
</table>
