<script lang="ts">
  import FieldFrame from './FieldFrame.svelte';
  import { messageIn, shownIn, type OfList, type Option } from './formState';

  /** One of several, in groups: the device's own list, which works by touch, keyboard and reader alike. Very many are found (Finder). */
  let { label, name, groups, hint, onchange, ...of }: OfList = $props();
  const id = $props.id();
  const value = $derived(shownIn(of, name));
</script>

{#snippet optionsOf(options: readonly Option[])}
  {#each options as option (option.value)}
    <option value={option.value} selected={option.value === value}>{option.label}</option>
  {/each}
{/snippet}

<FieldFrame {id} {label} {hint} error={messageIn(of, name)}>
  {#snippet children(aria)}
    <select {id} {name} class="input" {...aria} onchange={(e) => onchange?.(e.currentTarget.value)}>
      {#each groups as group (group.label)}
        {#if group.label}
          <optgroup label={group.label}>{@render optionsOf(group.options)}</optgroup>
        {:else}
          {@render optionsOf(group.options)}
        {/if}
      {/each}
    </select>
  {/snippet}
</FieldFrame>
