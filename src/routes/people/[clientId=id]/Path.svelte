<script lang="ts">
  import { page } from '$app/state';
  import type { Station } from '$lib/contract/path';
  import { capital } from '$lib/ui/format';
  import { pathText } from '$lib/ui/pathText';
  import Tip from '$lib/ui/Tip.svelte';

  type Props = { stations: readonly Station[]; /** Address of the client. */ base: string };
  let { stations, base }: Props = $props();
  let nav: HTMLElement | undefined = $state();
  /** On a narrow screen the path scrolls; the station one is at is brought into view. */
  $effect(() => {
    if (page.url.pathname) nav?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' });
  });
  const stateWord = { done: 'done', begun: 'begun', due: 'due', blocked: 'blocked', ahead: 'not yet' } as const;
</script>

{#snippet ring(r: number, width: number, colour: string, dashes?: string)}
  <circle cx="40" cy="10" {r} fill="none" stroke-width={width} stroke-dasharray={dashes} class={colour} />
{/snippet}

<nav
  bind:this={nav}
  aria-label="Path of the work"
  class="ml-auto max-w-full overflow-x-auto max-sm:-mx-2 max-sm:w-[calc(100%+1rem)] lg:flex-none"
>
  <ol class="flex max-sm:grid max-sm:grid-cols-7">
    {#each stations as { id, state, word } (id)}
      {@const why = pathText(word)}
      {@const here = page.url.pathname.startsWith(`${base}/${id}`)}
      <li class="relative flex">
        <Tip text={why}>
          {#snippet children(props)}
            <a
              {...props}
              href="{base}/{id}"
              aria-current={here ? 'step' : undefined}
              class="flex min-h-14 min-w-20 flex-col items-center justify-center gap-0.5 px-2 max-sm:w-full max-sm:min-w-0 max-sm:px-0 max-sm:text-xs {here
                ? 'font-bold text-ink'
                : 'text-ink-soft hover:text-ink'}"
            >
              <svg
                viewBox="0 0 80 20"
                preserveAspectRatio="xMidYMid slice"
                aria-hidden="true"
                class="h-5 w-full sm:-mx-2 sm:w-20"
              >
                <path d="M0 10H28M52 10H80" stroke="var(--color-line)" stroke-width="2" />
                {#if state === 'done'}
                  <circle cx="40" cy="10" r={here ? 8 : 6} class={here ? 'fill-mulberry' : 'fill-ink-soft'} />
                {:else if state === 'begun'}
                  {@render ring(here ? 7 : 6, 1.6, here ? 'stroke-mulberry' : 'stroke-ink-soft')}
                  <path d="M40 4A6 6 0 0 0 40 16Z" class={here ? 'fill-mulberry' : 'fill-ink-soft'} />
                {:else if state === 'due'}
                  {@render ring(here ? 7 : 6, 2.6, here ? 'stroke-mulberry' : 'stroke-ink')}
                  <circle cx="40" cy="10" r="2.4" class={here ? 'fill-mulberry' : 'fill-ink'} />
                {:else if state === 'blocked'}
                  <rect x="33" y="3" width="14" height="14" rx="2" class="fill-stop" />
                  <path d="M36 10H44" stroke="var(--color-paper)" stroke-width="2.6" />
                {:else}
                  {@render ring(6, 1.6, here ? 'stroke-mulberry' : 'stroke-edge', '3 3')}
                {/if}
              </svg>
              <span>{capital(id)}<span class="sr-only">: {stateWord[state]}. {why}</span></span>
            </a>
          {/snippet}
        </Tip>
      </li>
    {/each}
  </ol>
</nav>
