<script lang="ts">
  import type { HTMLInputAttributes } from 'svelte/elements';
  import FieldFrame from './FieldFrame.svelte';
  import { messageIn, shownIn, type OfForm } from './formState';

  type Props = OfForm & {
    label: string;
    name: string;
    unit?: string;
    hint?: string;
    optional?: boolean;
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
    optional,
    type = 'text',
    inputmode,
    autocomplete = 'off',
    list,
    input = $bindable(),
    oninput,
    ...of
  }: Props = $props();
  const id = $props.id();
</script>

<FieldFrame {id} {label} {unit} {hint} {optional} error={messageIn(of, name)}>
  {#snippet children(aria)}
    <input
      {id}
      {name}
      {type}
      {inputmode}
      {autocomplete}
      {list}
      defaultValue={shownIn(of, name)}
      bind:this={input}
      class="input"
      {...aria}
      oninput={(e) => oninput?.(e.currentTarget.value)}
    />
  {/snippet}
</FieldFrame>
