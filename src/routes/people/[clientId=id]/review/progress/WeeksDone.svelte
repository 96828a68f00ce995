<script lang="ts">
  import Sideways from '$lib/ui/Sideways.svelte';
  import type { LinkDone, WeekDone } from '$lib/contract/history';
  import { motionOf } from '$lib/core';
  import { capital, numberText, plural, shortDate } from '$lib/ui/format';

  /** What was done of what was planned, week by week, and for which motions lately. */
  type Props = { weeks: readonly WeekDone[]; links: readonly LinkDone[] };
  let { weeks, links }: Props = $props();
  const names = $derived([...new Set(links.map((l) => l.link))]);
  const most = $derived(Math.max(1, ...links.map((l) => l.passiveS + l.activeS)));
  const of = (link: string, side: string) => links.find((l) => l.link === link && l.side === side);
  const minutes = (s: number) => numberText(s / 60, 0);
</script>

<section class="flex flex-col gap-2" aria-label="Weeks">
  <h2 class="text-xl">Done of what was planned</h2>
  <Sideways label="Week by week">
    <table class="w-full text-left">
      <caption class="sr-only">Sessions, sets and minutes of each week, newest first</caption>
      <thead class="text-ink-soft">
        <tr>
          <th scope="col" class="font-normal">Week from</th>
          <th scope="col" class="text-right font-normal">sessions</th>
          <th scope="col" class="text-right font-normal">sets</th>
          <th scope="col" class="text-right font-normal">minutes</th>
          <th scope="col" class="text-right font-normal">pain told</th>
        </tr>
      </thead>
      <tbody>
        {#each weeks as w (w.startOn)}
          <tr class="border-t border-line {w.sessions === 0 ? 'text-ink-soft' : ''}">
            <th scope="row" class="py-1 font-normal">{shortDate(w.startOn)}</th>
            <td class="text-right">{w.sessions}{w.planned === null ? '' : ` of ${w.planned}`}</td>
            <td class="text-right">{w.plannedSets === 0 ? '–' : `${w.sets} of ${w.plannedSets}`}</td>
            <td class="text-right">{w.sessions === 0 ? '–' : numberText(w.minutes, 0)}</td>
            <td class="text-right {w.pains > 0 ? 'font-bold text-stop' : ''}">{w.pains === 0 ? '–' : w.pains}</td>
          </tr>
        {/each}
      </tbody>
    </table>
  </Sideways>

  {#if names.length > 0}
    <h3 class="mt-3 font-semibold">Minutes for each motion, the last four weeks</h3>
    <Sideways label="Set by set">
      <table class="w-full text-left">
        <caption class="sr-only">Minutes worked for each motion and side; active work filled, passive hollow</caption>
        <thead class="text-ink-soft">
          <tr>
            <th scope="col" class="font-normal">motion</th>
            {#each ['left', 'right'] as side (side)}
              <th scope="col" class="font-normal">{side}: passive, active</th>
            {/each}
          </tr>
        </thead>
        <tbody>
          {#each names as link (link)}
            <tr class="border-t border-line">
              <th scope="row" class="py-1 pr-3 font-normal">{capital(motionOf(link).name)}</th>
              {#each ['left', 'right'] as const as side (side)}
                {@const d = of(link, side)}
                {@const colour = side === 'left' ? 'var(--color-lake)' : 'var(--color-ochre)'}
                <td>
                  {#if d}
                    <span class="flex items-center gap-2">
                      <svg width="120" height="14" viewBox="0 0 120 14" aria-hidden="true">
                        <rect
                          x="1"
                          y="2"
                          width={(118 * d.passiveS) / most}
                          height="10"
                          fill="none"
                          stroke={colour}
                          stroke-width="1.6"
                        />
                        <rect
                          x={1 + (118 * d.passiveS) / most}
                          y="2"
                          width={(118 * d.activeS) / most}
                          height="10"
                          fill={colour}
                        />
                      </svg>
                      <span class="whitespace-nowrap">{minutes(d.passiveS)}, {minutes(d.activeS)}</span>
                    </span>
                  {:else}–{/if}
                </td>
              {/each}
            </tr>
          {/each}
        </tbody>
      </table>
    </Sideways>
    <p class="text-ink-soft">
      Outline: stretched. Solid: active work. {names.some((n) => links.filter((l) => l.link === n).every((l) => l.activeS === 0))
        ? `Nothing active for ${plural(names.filter((n) => links.filter((l) => l.link === n).every((l) => l.activeS === 0)).length, 'motion')}: range that is not owned.`
        : ''}
    </p>
  {/if}
</section>
