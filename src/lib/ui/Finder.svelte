<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import { Combobox } from 'bits-ui';
  import FieldFrame from './FieldFrame.svelte';
  import { messageIn, shownIn, type OfList, type Option } from './formState';

  /** One of very many: a part of its name finds it. Short lists are the device's own (Select). */
  let { label, name, groups, hint, onchange, ...of }: OfList = $props();
  const id = $props.id();
  let value = $derived(shownIn(of, name));
  const options = $derived(groups.flatMap((g) => g.options));
  const chosen = $derived(options.find((o) => o.value === value));

  let open = $state(false);
  let input: HTMLInputElement | null = $state(null);
  /** What is looked for; null while the name of what is chosen stands in the field. */
  let sought = $state<string | null>(null);
  const words = $derived((sought ?? '').toLowerCase().split(/\s+/).filter(Boolean));
  const found = $derived(
    groups
      .map((g) => ({ ...g, options: g.options.filter((o) => words.every((w) => o.label.toLowerCase().includes(w))) }))
      .filter((g) => g.options.length > 0)
  );
  /** What was only looked for is no choice: the field tells what is chosen again. */
  function settle(isOpen: boolean) {
    if (isOpen) return;
    sought = null;
    if (input) input.value = chosen?.label ?? '';
  }
  function choose(to: string) {
    if (to === '' && !options.some((o) => o.value === '')) return;
    value = to;
    onchange?.(to);
  }
</script>

{#snippet rows(options: readonly Option[])}
  {#each options as option (option.value)}
    <Combobox.Item
      value={option.value}
      label={option.label}
      class="flex min-h-11 items-center rounded-soft px-3 py-1 leading-tight data-highlighted:bg-chalk data-highlighted:shadow-[inset_4px_0_0_var(--color-mulberry)] data-[selected]:font-semibold"
    >
      {option.label}
    </Combobox.Item>
  {/each}
{/snippet}

<FieldFrame {id} {label} {hint} error={messageIn(of, name)}>
  {#snippet children(aria)}
    <Combobox.Root
      type="single"
      bind:value={() => value, choose}
      bind:open
      {name}
      allowDeselect={false}
      items={options as Option[]}
      inputValue={sought ?? chosen?.label ?? ''}
      onOpenChange={settle}
    >
      <div class="relative">
        <Combobox.Input
          {id}
          bind:ref={input}
          class="input pr-11"
          placeholder="Type a part of the name"
          autocomplete="off"
          {...aria}
          onclick={() => (open = true)}
          onfocus={(e) => e.currentTarget.select()}
          oninput={(e) => {
            sought = e.currentTarget.value;
            open = true;
          }}
        />
        <Combobox.Trigger
          tabindex={-1}
          aria-hidden="true"
          class="absolute inset-y-0 right-0 flex w-11 items-center justify-center"
        >
          <ChevronDown size={18} />
        </Combobox.Trigger>
      </div>
      <!-- In its place, not at the end of the page: it belongs to the region it speaks of. -->
      <Combobox.Content
        strategy="fixed"
        sideOffset={4}
        collisionPadding={12}
        class="z-50 max-h-[min(22rem,var(--bits-combobox-content-available-height))] w-[max(var(--bits-combobox-anchor-width),16rem)] overflow-y-auto rounded-soft border border-edge bg-paper p-1 text-ink shadow-raised"
      >
        {#each found as group (group.label)}
          {#if group.label}
            <Combobox.Group>
              <Combobox.GroupHeading class="px-3 pt-2 text-sm text-ink-soft">{group.label}</Combobox.GroupHeading>
              {@render rows(group.options)}
            </Combobox.Group>
          {:else}
            {@render rows(group.options)}
          {/if}
        {:else}
          <p class="px-3 py-2 text-ink-soft">Nothing of that name.</p>
        {/each}
      </Combobox.Content>
    </Combobox.Root>
  {/snippet}
</FieldFrame>
