<script lang="ts">
  import type { BodyPosition } from '$lib/core';
  import { capital, plural } from '$lib/ui/format';

  /** What to measure, in the order in which the client turns over least. */
  type Item = { id: string; name: string; daysSince: number | null; due: boolean };
  type Props = {
    groups: readonly { position: BodyPosition; measures: readonly Item[] }[];
    measureId: string;
    size: 'short' | 'full';
    counts: Readonly<{ short: number; full: number }>;
    base: string;
  };
  let { groups, measureId, size, counts, base }: Props = $props();
  const sizeText = { short: 'Quick', full: 'Full' } as const;
  const ageText = (days: number | null) =>
    days === null ? 'never taken' : days === 0 ? 'taken today' : days === 1 ? 'yesterday' : `${days} days ago`;
</script>

<nav class="flex flex-col gap-4 self-start max-lg:order-last" aria-label="What to measure">
  <div class="flex gap-2">
    {#each ['short', 'full'] as const as kind (kind)}
      <a class="btn grow" href="{base}?set={kind}" aria-current={kind === size ? 'true' : undefined}
        >{sizeText[kind]}: {plural(counts[kind], 'measure')}</a
      >
    {/each}
  </div>
  <p class="text-ink-soft">
    {size === 'short'
      ? 'The goal’s own measure, and the main limits.'
      : `Everything the goal needs, ${plural(groups.length, 'position')}. It may be spread over two visits: measuring is a stretch too.`}
  </p>
  {#each groups as { position, measures } (position)}
    <section>
      <h2 class="text-base font-normal text-ink-soft">{capital(position)}</h2>
      <ul class="mt-1 flex flex-col gap-1">
        {#each measures as item (item.id)}
          <li>
            <a
              href="{base}?set={size}&m={item.id}"
              aria-current={item.id === measureId ? 'step' : undefined}
              class="flex min-h-11 flex-col justify-center rounded-soft border px-3 py-1 leading-tight {item.id === measureId
                ? 'border-mulberry bg-paper shadow-[inset_0_0_0_1px_var(--color-mulberry)]'
                : 'border-transparent hover:border-line'}"
            >
              <span class="font-semibold">{capital(item.name)}</span>
              <span class={item.due ? 'text-ink' : 'text-ink-soft'}
                >{ageText(item.daysSince)}{item.due && item.daysSince !== null ? ', due' : ''}</span
              >
            </a>
          </li>
        {/each}
      </ul>
    </section>
  {/each}
  <a class="text-ink-soft underline underline-offset-4" href={base.replace(/measure$/, 'photos')}>Pictures, before and after</a>
  <a class="text-ink-soft underline underline-offset-4" href="{base}/agreement">Two measurers: how well they agree</a>
</nav>
