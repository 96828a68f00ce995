<script lang="ts">
  import { page } from '$app/state';

  let { base }: { base: string } = $props();
  const parts = $derived([
    { href: `${base}/review`, label: 'Decisions' },
    { href: `${base}/review/progress`, label: 'Progress' },
    { href: `${base}/review/report`, label: 'Report' }
  ]);
</script>

<nav aria-label="Review" class="flex flex-wrap gap-2 print:hidden">
  {#each parts as { href, label } (href)}
    {@const here = page.url.pathname === href}
    <a
      {href}
      class="btn btn-quiet {here ? 'font-bold text-ink shadow-[inset_0_-3px_0_var(--color-ink)]' : ''}"
      aria-current={here ? 'page' : undefined}>{label}</a
    >
  {/each}
</nav>
