<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';
  import { messageIn, shownIn, type OfForm } from './formState';

  type Props = OfForm & {
    label: string;
    name: string;
    /** Shown after the label, small. */
    unit?: string;
    hint?: string;
    type?: HTMLInputAttributes['type'];
    inputmode?: HTMLInputAttributes['inputmode'];
    autocomplete?: HTMLInputAttributes['autocomplete'];
    list?: string;
    /** @bindable */
    input?: HTMLInputElement;
    oninput?: (value: string) => void;
  };
  let {
    label,
    name,
    unit,
    hint,
    type = 'text',
    inputmode,
    autocomplete = 'off',
    list,
    input = $bindable(),
    oninput,
    ...of
  }: Props = $props();
  const id = $props.id();
  const value = $derived(shownIn(of, name));
  const error = $derived(messageIn(of, name));
</script>

<div class="flex flex-col gap-1">
  <label for={id} class="font-semibold">
    {label}
    {#if unit}<span class="font-normal text-ink-soft">{unit}</span>{/if}
  </label>
  <input
    {id}
    {name}
    {type}
    {inputmode}
    {autocomplete}
    {list}
    defaultValue={value}
    bind:this={input}
    class="input"
    aria-invalid={error ? 'true' : undefined}
    aria-describedby={error ? `${id}-error` : hint ? `${id}-hint` : undefined}
    oninput={(e) => oninput?.(e.currentTarget.value)}
  />
  {#if error}
    <p id="{id}-error" class="font-semibold text-stop" role="alert">{error}</p>
  {:else if hint}
    <p id="{id}-hint" class="text-ink-soft">{hint}</p>
  {/if}
</div>
