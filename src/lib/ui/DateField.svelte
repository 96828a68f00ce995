<script lang="ts">
  import CalendarDays from '@lucide/svelte/icons/calendar-days';
  import { isValid, parseISO } from 'date-fns';
  import type { Component, ComponentProps } from 'svelte';
  import type DayPanel from './DayPanel.svelte';
  import FieldFrame from './FieldFrame.svelte';
  import { dateText } from './format';
  import { messageIn, shownIn, type OfForm } from './formState';

  /** A day, typed as it is written ("31 May 2027", "31.5.2027", "2027-05-31"), or picked from a calendar that comes when it is asked for. */
  type Props = OfForm & { label: string; name: string; hint?: string; optional?: boolean };
  let { label, name, hint, optional, ...of }: Props = $props();
  const id = $props.id();
  const isIso = (text: string) => /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));
  const shown = $derived.by(() => {
    const text = shownIn(of, name);
    return isIso(text) ? dateText(text) : text;
  });
  let input: HTMLInputElement | undefined = $state();
  let Panel = $state<Component<ComponentProps<typeof DayPanel>>>();
  let open = $state(false);
  async function openPanel() {
    Panel ??= await import('./DayPanel.svelte').then(
      (made) => made.default,
      () => undefined
    );
    open = true;
  }
  function pick(on: string) {
    open = false;
    if (!input) return;
    input.value = dateText(on);
    input.dispatchEvent(new Event('input', { bubbles: true }));
    input.focus();
  }
</script>

<FieldFrame {id} {label} {hint} {optional} error={messageIn(of, name)}>
  {#snippet children(aria)}
    <div class="relative flex">
      <input
        {id}
        {name}
        type="text"
        autocomplete="off"
        placeholder="31 May 2027"
        defaultValue={shown}
        bind:this={input}
        class="input w-full pr-12"
        {...aria}
      />
      <button
        type="button"
        class="btn btn-quiet absolute inset-y-0 right-0 min-h-0 px-3"
        aria-label="Pick from a calendar"
        aria-expanded={open}
        onclick={() => (open ? (open = false) : void openPanel())}><CalendarDays size={20} /></button
      >
      {#if open && Panel}<Panel {label} typed={input?.value ?? ''} onpick={pick} onclose={() => (open = false)} />{/if}
    </div>
  {/snippet}
</FieldFrame>
