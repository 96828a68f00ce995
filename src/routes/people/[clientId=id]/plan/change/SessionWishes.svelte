<script lang="ts">
  import { carefulWeekMin, sessionWorks, stretchMost, trainings, type SessionWish, type SessionWork } from '$lib/core';
  import { trainingText } from '$lib/ui/format';
  import type { PlanWishesState } from './wishes.svelte';

  /** Where each session of the week takes place, when it begins, what training stands beside it, and what it is given to. */
  type Props = { days: readonly Readonly<{ number: number; day: string }>[]; wishes: PlanWishesState; homeProps: number };
  let { days, wishes, homeProps }: Props = $props();
  const works: Readonly<Record<SessionWork, string>> = { stretch: 'Stretch alone', 'own strength': 'Own strength alone' };
  const besideIt = (value: string) => trainings.find((t) => t !== 'alone' && t === value) as SessionWish['training'];
  /** Minutes a week, beside the usual. */
  const stretchChoices = [5, 8, 12, 15, 25, 30, 40];
  const isAtHome = $derived(days.some(({ number }) => wishes.sessions[number]?.atHome));
</script>

<section aria-labelledby="sessions">
  <h2 id="sessions">Each session</h2>
  <ul class="flex flex-col">
    {#each days as { number, day } (number)}
      {@const wish = wishes.sessions[number] ?? {}}
      {@const name = `Session ${number}, ${day}`}
      <li
        class="grid items-center gap-x-3 gap-y-1 border-t border-line py-1.5 sm:grid-cols-[7.25rem_8.5rem_8rem_minmax(11rem,1fr)_12rem]"
      >
        <span class="font-semibold">{name}</span>
        <select
          class="input"
          aria-label="{name}: where"
          value={wish.atHome ? 'home' : 'studio'}
          onchange={(e) => wishes.setSession(number, { atHome: e.currentTarget.value === 'home' ? true : undefined })}
        >
          <option value="studio">In the studio</option>
          <option value="home">At home</option>
        </select>
        <input
          type="time"
          class="input"
          aria-label="{name}: begins at"
          value={wish.beginsAt ?? wishes.beginsAt ?? ''}
          onchange={(e) => wishes.setSession(number, { beginsAt: e.currentTarget.value || undefined })}
        />
        <select
          class="input"
          aria-label="{name}: given to"
          value={wish.only ?? ''}
          onchange={(e) => wishes.setSession(number, { only: (e.currentTarget.value || undefined) as SessionWork | undefined })}
        >
          <option value="">Stretch and own strength</option>
          {#each sessionWorks as work (work)}<option value={work}>{works[work]}</option>{/each}
        </select>
        <select
          class="input"
          aria-label="{name}: other training"
          value={wish.training ?? 'alone'}
          onchange={(e) => wishes.setSession(number, { training: besideIt(e.currentTarget.value) })}
        >
          {#each trainings as at (at)}<option value={at}>{trainingText[at]}</option>{/each}
        </select>
      </li>
    {/each}
  </ul>
  <p class="mt-1 text-ink-soft">
    Before other training nothing hard is done; after it no active work, since tired muscles hold the range less well.
    {#if isAtHome}
      {homeProps === 0
        ? 'Nothing stands on the home shelf: at home only what needs no prop is done.'
        : 'At home only what the home shelf holds is used, and no stack is harder than the one in the studio.'}
    {/if}
  </p>
  <div class="mt-2 flex flex-wrap items-end gap-x-6 gap-y-2">
    <label class="flex flex-col gap-1">
      <span class="font-semibold">Sessions with hard work</span>
      <select
        class="input w-56 max-w-full"
        value={wishes.hardSessions === null ? '' : String(wishes.hardSessions)}
        onchange={(e) => (wishes.hardSessions = e.currentTarget.value === '' ? null : Number(e.currentTarget.value))}
      >
        <option value="">as recovery allows</option>
        {#each days.keys() as n (n)}<option value={String(n)}>{n === 0 ? 'none' : `at most ${n} a week`}</option>{/each}
      </select>
    </label>
    <label class="flex flex-col gap-1">
      <span class="font-semibold">Stretch of one motion</span>
      <select
        class="input w-56 max-w-full"
        aria-describedby="stretch-most"
        value={wishes.stretchMin === null ? '' : String(wishes.stretchMin)}
        onchange={(e) => (wishes.stretchMin = e.currentTarget.value === '' ? null : Number(e.currentTarget.value))}
      >
        <option value="">at most {stretchMost.weekMin} min a week</option>
        {#each stretchChoices as min (min)}<option value={String(min)}>at most {min} min a week</option>{/each}
      </select>
    </label>
    <label class="flex min-h-11 items-center gap-2">
      <input type="checkbox" class="size-5" bind:checked={wishes.themes} />
      One motion a session: they take turns, from week to week too
    </label>
  </div>
  <p id="stretch-most" class="mt-1 text-ink-soft">
    Stretch, press and draw of one motion on one side. Gains level off near {stretchMost.weekMin / 2} minutes a week; for those who
    still grow, and for a joint the Check cautions about, it stays at {carefulWeekMin} whatever is set here.
  </p>
</section>
