<script lang="ts">
  import { RadioGroup } from 'bits-ui';
  import { messageIn, shownIn, type OfForm } from './formState';

  /** A small set, of which one is chosen, as one row of large targets. */
  type Choice = Readonly<{ value: string; label: string }>;
  type Props = OfForm & {
    legend: string;
    name: string;
    choices: readonly Choice[];
    /** @bindable */
    value?: string;
  };
  let { legend, name, choices, value = $bindable(), ...of }: Props = $props();
  /** Chosen here, or as its form has it; a binding is kept by whoever binds. */
  let picked = $derived(value ?? shownIn(of, name));
  const error = $derived(messageIn(of, name));
  /** Nothing chosen is nothing sent, unless one of the choices says just that. */
  const sent = $derived(choices.some((c) => c.value === picked) ? name : undefined);
</script>

<RadioGroup.Root bind:value={() => picked, (v) => (value = picked = v)} name={sent} orientation="horizontal">
  {#snippet child({ props })}
    <fieldset {...props} class="flex flex-col gap-1" aria-describedby={error ? `choices-${name}-error` : undefined}>
      <legend class="mb-1 font-semibold">{legend}</legend>
      <div class="flex flex-wrap gap-2">
        {#each choices as choice (choice.value)}
          <RadioGroup.Item value={choice.value} class="btn">{choice.label}</RadioGroup.Item>
        {/each}
      </div>
      {#if error}<p id="choices-{name}-error" class="font-semibold text-stop" role="alert">{error}</p>{/if}
    </fieldset>
  {/snippet}
</RadioGroup.Root>
