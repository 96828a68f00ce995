<script lang="ts">
  import '../app.css';
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import { page } from '$app/state';
  import CircleHelp from '@lucide/svelte/icons/circle-question-mark';
  import { loadToaster } from '$lib/ui/toasts';
  import DemoFilling from './DemoFilling.svelte';
  import Preferences from './Preferences.svelte';
  import Restored from './Restored.svelte';
  import Waiting from './Waiting.svelte';

  let { data, children } = $props();
  const stations = [
    { href: '/people', label: 'People' },
    { href: '/props', label: 'Props' },
    { href: '/library', label: 'Library' },
    { href: '/forecasts', label: 'Forecasts' }
  ];
  // What is pressed before the page is alive is lost: browser tests wait for this mark.
  onMount(() => document.documentElement.setAttribute('data-alive', ''));
  let Toaster = $state<Awaited<ReturnType<typeof loadToaster>>>();
  onMount(async () => {
    Toaster = await loadToaster();
  });
  /** The player, and what a device holds by itself, have the page to themselves. */
  const isBare = $derived(
    page.route.id === '/kept' || (page.route.id?.startsWith('/people/[clientId=id]/practise/[sessionId=id]') ?? false)
  );
</script>

<svelte:head><title>Calm Reach</title></svelte:head>
<svelte:window
  onkeydown={(e) => {
    const typing = e.target instanceof HTMLElement && e.target.closest('input, textarea, select, [contenteditable]');
    if (e.key === '?' && !typing && !isBare) void goto('/help');
  }}
/>

{#if isBare}
  {@render children()}
{:else}
  <!-- Of a person past the strip with their name and path as well. -->
  <a
    href={page.params.clientId ? '#station' : '#work'}
    class="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-paper focus:p-3">Skip to the work</a
  >
  <header class="flex h-12 items-center gap-2 border-b border-line px-4 sm:gap-6 sm:px-5 print:hidden">
    <a href="/people" class="flex items-center gap-2 text-lg font-bold">
      <svg width="28" height="22" viewBox="0 0 28 22" aria-hidden="true">
        <path d="M2 3H9V9H16V15H22V18" fill="none" stroke="currentColor" stroke-width="2.4" class="text-mulberry" />
        <path d="M0 20.5H28" stroke="currentColor" stroke-width="2.4" />
      </svg>
      <span class="max-sm:sr-only">Calm Reach</span>
    </a>
    <nav aria-label="Main" class="flex h-full min-w-0 overflow-x-auto sm:gap-1">
      {#each stations as { href, label } (href)}
        {@const here = page.url.pathname.startsWith(href)}
        <a
          {href}
          aria-current={here ? 'page' : undefined}
          class="flex h-full items-center px-2 sm:px-3 {here
            ? 'font-bold shadow-[inset_0_-3px_0_var(--color-ink)]'
            : 'text-ink-soft hover:text-ink'}">{label}</a
        >
      {/each}
    </nav>
    <div class="ml-auto flex items-center">
      <Waiting /><a class="btn btn-quiet px-3" href="/help" aria-current={page.url.pathname === '/help' ? 'page' : undefined}
        ><CircleHelp size={20} /><span class="sr-only">Help</span></a
      ><Preferences units={data.units} theme={data.theme} hasHints={data.hasHints} />
    </div>
  </header>
  {#if data.restored}<Restored restored={data.restored} />{/if}
  {#if data.demoProgress}<DemoFilling progress={data.demoProgress} />{/if}
  <div id="work" tabindex="-1" class="outline-none">{@render children()}</div>
{/if}
{#if Toaster}<Toaster position="bottom-center" closeButton theme={data.theme} />{/if}
