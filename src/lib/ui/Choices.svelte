<script lang="ts">
  /** A small set of radio buttons as one row of large targets. */
  type Choice = Readonly<{ value: string; label: string }>;
  type Props = {
    legend: string;
    name: string;
    choices: readonly Choice[];
    /** @bindable */
    value?: string;
    error?: string;
  };
  let { legend, name, choices, value = $bindable(''), error }: Props = $props();
</script>

<fieldset class="flex flex-col gap-1" aria-describedby={error ? `choices-${name}-error` : undefined}>
  <legend class="mb-1 font-semibold">{legend}</legend>
  <div class="flex flex-wrap gap-2">
    {#each choices as choice (choice.value)}
      <label
        class="btn has-checked:border-mulberry has-checked:text-mulberry has-checked:shadow-[inset_0_0_0_1px_var(--color-mulberry)] has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-mulberry"
      >
        <input type="radio" {name} value={choice.value} bind:group={value} class="sr-only" />
        {choice.label}
      </label>
    {/each}
  </div>
  {#if error}<p id="choices-{name}-error" class="font-semibold text-stop" role="alert">{error}</p>{/if}
</fieldset>
