<script lang="ts">
  import { enhance } from '$app/forms';
  import { goto } from '$app/navigation';
  import ArrowRight from '@lucide/svelte/icons/arrow-right';
  import Ellipsis from '@lucide/svelte/icons/ellipsis';
  import Archive from '@lucide/svelte/icons/archive';
  import Trash from '@lucide/svelte/icons/trash-2';
  import Undo from '@lucide/svelte/icons/undo-2';
  import UserPlus from '@lucide/svelte/icons/user-plus';
  import { longestSnapshotDays } from '$lib/contract/snapshots';
  import Confirm from '$lib/ui/Confirm.svelte';
  import { capital, dateText, headlineText, plural, targetText } from '$lib/ui/format';
  import { pathText } from '$lib/ui/pathText';
  import { undoable } from '$lib/ui/sending';
  import SideMark from '$lib/ui/SideMark.svelte';
  import Begin from './Begin.svelte';

  let { data } = $props();
  let wanted = $state('');
  const found = $derived(data.people.filter((p) => p.name.toLowerCase().includes(wanted.trim().toLowerCase())));
  /** A list that is longer than anyone reads through is found in, or shown whole on asking. */
  const longest = 50;
  let all = $state(false);
  const shown = $derived(all ? found : found.slice(0, longest));
  let finder: HTMLInputElement | undefined = $state();
  type Person = (typeof data.people)[number];
  /** Where what is due is done. */
  const dueHref = ({ id, waits }: Person) => `/people/${id}/${waits?.word.code === 'goal first' ? 'goal' : waits?.id}`;
</script>

<svelte:head><title>People · Calm Reach</title></svelte:head>
<svelte:window
  onkeydown={(e) => {
    if (e.key === '/' && !(e.target instanceof HTMLInputElement)) {
      e.preventDefault();
      finder?.focus();
    }
  }}
/>

<main class="mx-auto max-w-6xl p-5">
  <div class="flex flex-wrap items-end gap-3">
    <h1 class="mr-auto">{data.which === 'archived' ? 'Archived people' : 'People'}</h1>
    {#if data.people.length > 0}
      <label class="flex items-center gap-2">
        <span class="sr-only">Find a person</span>
        <input
          class="input w-56"
          type="search"
          placeholder="Find a person  /"
          bind:value={wanted}
          bind:this={finder}
          onkeydown={(e) => {
            if (e.key === 'Enter' && found.length === 1) void goto(`/people/${found[0]!.id}`);
          }}
        />
      </label>
    {/if}
    {#if data.isStart}
      <!-- The first page leads by itself. -->
    {:else if data.which === 'active'}
      <a class="btn btn-quiet" href="/people?show=archived">Archived</a>
      <a class="btn btn-primary" href="/people/new"><UserPlus size={20} /> Add a person</a>
    {:else}
      <a class="btn" href="/people">Back to the people</a>
    {/if}
  </div>

  {#if data.people.length === 0}
    {#if data.which === 'archived'}
      <p class="mt-8 text-ink-soft">Nobody is archived.</p>
    {:else}
      <Begin shelfCount={data.shelfCount} isStart={data.isStart} />
    {/if}
  {:else}
    <div class="mt-5 rounded-soft border border-line bg-paper">
      <table class="w-full text-left">
        <thead class="text-ink-soft max-sm:hidden">
          <tr class="border-b border-line">
            <th scope="col" class="px-4 py-2 font-normal">Name</th>
            <th scope="col" class="px-4 py-2 font-normal">Next step</th>
            <th scope="col" class="px-4 py-2 font-normal">Goal</th>
            <th scope="col" class="px-4 py-2 text-right font-normal"><SideMark side="left" size={14} /> left</th>
            <th scope="col" class="px-4 py-2 text-right font-normal"><SideMark side="right" size={14} /> right</th>
            <th scope="col" class="px-2 py-2"><span class="sr-only">More</span></th>
          </tr>
        </thead>
        <tbody>
          {#each shown as p (p.id)}
            <tr
              class="relative border-b border-line last:border-0 hover:bg-chalk max-sm:grid max-sm:grid-cols-[1fr_auto] max-sm:items-center max-sm:py-2"
            >
              <th scope="row" class="px-4 py-1 font-semibold">
                <!-- The whole row opens the person; what has a way of its own lies above it. -->
                <a
                  class="flex min-h-11 items-center underline-offset-4 after:absolute after:inset-0 hover:underline"
                  href="/people/{p.id}">{p.name}</a
                >
                {#if p.isExample}<span class="block pb-1 font-normal text-ink-soft">example</span>{/if}
              </th>
              <td class="px-4 py-1 max-sm:order-3 max-sm:col-span-2">
                {#if p.waits}
                  <a
                    class="relative inline-flex min-h-11 items-center gap-2 leading-tight underline-offset-4 hover:underline {p
                      .waits.state === 'blocked'
                      ? 'font-semibold text-stop'
                      : ''}"
                    href={dueHref(p)}
                  >
                    <span><strong>{capital(p.waits.id)}:</strong> {pathText(p.waits.word)}</span>
                    <ArrowRight size={16} class="flex-none" />
                  </a>
                {:else}<span class="text-ink-soft">Nothing to do now.</span>{/if}
              </td>
              <td class="px-4 py-1 text-ink-soft max-sm:order-4 max-sm:col-span-2">
                {#if p.goal}
                  {p.goal.name}{targetText(p.goal, data.units.length)}{p.goal.targetOn ? `, ${dateText(p.goal.targetOn)}` : ''}{p
                    .goal.others > 0
                    ? ` · and ${p.goal.others} more`
                    : ''}
                {:else}—{/if}
              </td>
              {#each ['left', 'right'] as const as side (side)}
                {#if p.goal && p.values.both !== null}
                  {#if side === 'left'}
                    <td class="px-4 py-1 text-center text-lg max-sm:order-5 max-sm:col-span-2 max-sm:text-left" colspan="2">
                      {headlineText(p.values.both, p.goal.headline, data.units.length)}
                    </td>
                  {/if}
                {:else}
                  <td class="px-4 py-1 text-right text-lg max-sm:order-5 max-sm:text-left">
                    <span class="sm:hidden"><SideMark {side} size={14} /></span>
                    {#if p.goal && p.values[side] !== null}
                      {headlineText(p.values[side], p.goal.headline, data.units.length)}
                    {:else}<span class="text-ink-soft">—</span>{/if}
                  </td>
                {/if}
              {/each}
              <td class="px-2 py-1 text-right whitespace-nowrap max-sm:order-2">
                {#if data.which === 'active'}
                  <details class="relative z-1 inline-block open:z-10">
                    <summary class="btn btn-quiet list-none" aria-label="More about {p.name}"><Ellipsis size={18} /></summary>
                    <form
                      method="POST"
                      action="?/archive"
                      class="absolute right-0 rounded-soft border border-edge bg-paper p-1 shadow"
                      use:enhance={undoable(() => ({
                        told: `${p.name} is archived`,
                        action: '?/restore',
                        fields: { clientId: p.id }
                      }))}
                    >
                      <input type="hidden" name="clientId" value={p.id} />
                      <button class="btn btn-quiet"><Archive size={18} /> Archive {p.name}</button>
                    </form>
                  </details>
                {:else}
                  <form
                    method="POST"
                    action="?/restore"
                    class="relative inline-block"
                    use:enhance={undoable(() => ({
                      told: `${p.name} is back`,
                      action: '?/archive',
                      fields: { clientId: p.id }
                    }))}
                  >
                    <input type="hidden" name="clientId" value={p.id} />
                    <button class="btn btn-quiet" aria-label="Bring back {p.name}"><Undo size={18} /></button>
                  </form>
                  <span class="relative">
                    <Confirm
                      label="Delete {p.name} for good"
                      title="Delete {p.name}?"
                      text="Everything of {p.name} goes: check, measures, pictures, plans, logs. It cannot be undone. Snapshots of the data, kept for going back, hold it for up to {longestSnapshotDays} days more."
                      yes="Delete {p.name} for good"
                      action="?/delete"
                      fields={{ clientId: p.id }}
                    >
                      <Trash size={18} />
                    </Confirm>
                  </span>
                {/if}
              </td>
            </tr>
          {:else}
            <tr><td colspan="6" class="px-4 py-4 text-ink-soft">No one of that name.</td></tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#if shown.length < found.length}
      <p class="mt-3">
        <button type="button" class="btn" onclick={() => (all = true)}>Show all {found.length} people</button>
      </p>
    {/if}
    <p class="mt-3 text-ink-soft">
      {plural(data.people.length, 'person', 'people')}. The figures are each goal’s own measure, as last taken; a split by the leg
      in front.
    </p>
  {/if}
</main>
