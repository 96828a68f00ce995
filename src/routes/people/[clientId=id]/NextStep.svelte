<script lang="ts">
  import { page } from '$app/state';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import { waitsFor, type Station } from '$lib/contract/path';
  import { capital } from '$lib/ui/format';
  import { pathText } from '$lib/ui/pathText';

  /** Where the work goes on from a station that wants nothing more, or is not open yet. */
  type Props = { stations: readonly Station[]; /** Address of the client. */ base: string };
  let { stations, base }: Props = $props();
  const here = $derived(stations.find((s) => page.url.pathname === `${base}/${s.id}`));
  const next = $derived(here && here.state !== 'due' && here.state !== 'blocked' ? waitsFor(stations) : null);
  const hasGoal = $derived(next?.word.code !== 'goal first');
</script>

{#if here && next}
  <nav aria-label="Next step" class="mx-auto flex max-w-7xl flex-wrap items-center gap-x-4 gap-y-2 px-5 pt-1 pb-6 print:hidden">
    <a class="btn {here.state === 'ahead' ? '' : 'btn-primary'}" href="{base}/{hasGoal ? next.id : 'goal'}"
      >{hasGoal ? `Next: ${capital(next.id)}` : 'Set the goal'} <ArrowRight size={18} /></a
    >
    <span class="text-ink-soft">{here.state === 'done' ? '' : `${pathText(here.word)} `}{pathText(next.word)}</span>
  </nav>
{/if}
