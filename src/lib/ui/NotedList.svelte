<script lang="ts">
  import type { Snippet } from 'svelte';
  import { dateText } from './format';

  type Noted = Readonly<{
    id: number | null;
    clientId: number;
    clientName: string;
    exerciseId: string | null;
    exerciseName: string | null;
    effect: 'works' | 'nothing' | 'worse' | null;
    text: string;
    notedOn: string;
  }>;
  /** What was noted, the newest first; `of` is what the page is about already, and is not said again. */
  type Props = { noted: readonly Noted[]; of?: 'person' | 'exercise'; more?: Snippet<[Noted]> };
  let { noted, of, more }: Props = $props();
  const effectText = { works: 'It works.', nothing: 'It does nothing.', worse: 'It makes it worse.' } as const;
</script>

<ul>
  {#each noted as n (`${n.id}/${n.clientId}/${n.exerciseId}`)}
    <li class="flex flex-wrap items-baseline gap-x-3 border-t border-line py-2">
      <span class="whitespace-nowrap text-ink-soft">{dateText(n.notedOn)}</span>
      {#if of !== 'person'}<a class="font-semibold underline" href="/people/{n.clientId}/review">{n.clientName}</a>{/if}
      {#if of !== 'exercise'}
        {#if n.exerciseId}<a class="underline" href="/library/{n.exerciseId}">{n.exerciseName}</a>{:else}<span
            class="text-ink-soft">in general</span
          >{/if}
      {/if}
      {#if more}<span class="ml-auto">{@render more(n)}</span>{/if}
      <span class="w-full"
        >{#if n.effect}<strong class={n.effect === 'worse' ? 'text-stop' : ''}>{effectText[n.effect]}</strong>{/if}
        <span class="whitespace-pre-line">{n.text}</span></span
      >
    </li>
  {/each}
</ul>
