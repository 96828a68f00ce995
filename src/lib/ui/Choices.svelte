<script lang="ts">
  import { messageIn, shownIn, type OfForm } from './formState';

  /** A small set, of which one is chosen, as one row of large targets: the browser's own radios, which work before the page is alive. */
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
</script>

<fieldset
  role="radiogroup"
  class="flex flex-col gap-1"
  aria-invalid={error ? 'true' : undefined}
  aria-describedby={error ? `choices-${name}-error` : undefined}
>
  <legend class="mb-1 font-semibold">{legend}</legend>
  <div class="flex flex-wrap gap-2">
    {#each choices as choice (choice.value)}
      <label
        class="btn relative has-checked:border-mulberry has-checked:text-mulberry has-checked:shadow-[inset_0_0_0_1px_var(--color-mulberry)] has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-mulberry"
      >
        <input
          type="radio"
          {name}
          value={choice.value}
          checked={picked === choice.value}
          onchange={() => (value = picked = choice.value)}
          class="absolute inset-0 cursor-pointer opacity-0"
        />
        {choice.label}
      </label>
    {/each}
  </div>
  {#if error}<p id="choices-{name}-error" class="font-semibold text-stop" role="alert">{error}</p>{/if}
</fieldset>
