<script lang="ts">
  import { messageIn, shownIn, type OfForm } from './formState';

  /** One of many, in groups: the device's own list, which works by touch, keyboard and reader alike. */
  type Option = Readonly<{ value: string; label: string }>;
  type Props = OfForm & {
    label: string;
    name: string;
    groups: readonly Readonly<{ label: string; options: readonly Option[] }>[];
    hint?: string;
    onchange?: (value: string) => void;
  };
  let { label, name, groups, hint, onchange, ...of }: Props = $props();
  const id = $props.id();
  const value = $derived(shownIn(of, name));
  const error = $derived(messageIn(of, name));
</script>

{#snippet optionsOf(options: readonly Option[])}
  {#each options as option (option.value)}
    <option value={option.value} selected={option.value === value}>{option.label}</option>
  {/each}
{/snippet}

<div class="flex flex-col gap-1">
  <label for={id} class="font-semibold">{label}</label>
  <select
    {id}
    {name}
    class="input"
    aria-invalid={error ? 'true' : undefined}
    aria-describedby={error ? `${id}-error` : hint ? `${id}-hint` : undefined}
    onchange={(e) => onchange?.(e.currentTarget.value)}
  >
    {#each groups as group (group.label)}
      {#if group.label}
        <optgroup label={group.label}>{@render optionsOf(group.options)}</optgroup>
      {:else}
        {@render optionsOf(group.options)}
      {/if}
    {/each}
  </select>
  {#if error}
    <p id="{id}-error" class="font-semibold text-stop" role="alert">{error}</p>
  {:else if hint}
    <p id="{id}-hint" class="text-ink-soft">{hint}</p>
  {/if}
</div>
