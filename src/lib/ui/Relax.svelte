<script lang="ts">
  import type { FormState } from './formState';
  import { relaxationsOf, type Relaxed } from './relax';

  /** Where nothing fits: the wishes that could be relaxed, each of which sends the form again with it. It stands inside the form. */
  let { form }: { form: FormState } = $props();
  function relax(button: HTMLButtonElement, { field, value }: Relaxed): void {
    const input = button.form?.elements.namedItem(field);
    if (!(input instanceof HTMLInputElement)) return;
    input.value = String(value);
    button.form!.requestSubmit();
  }
</script>

{#each relaxationsOf(form) as relaxed (relaxed.field)}
  <button type="button" class="btn self-start" onclick={(e) => relax(e.currentTarget, relaxed)}>{relaxed.label}</button>
{/each}
