<script lang="ts">
  import type { ArrangementState } from './arrangement.svelte';

  /** A number of the arrangement with its name; while the field is empty what stood there counts. */
  type Props = { hand: ArrangementState; of: 'minutes' | 'setupS' | 'restS'; label: string; min?: number; max?: number };
  let { hand, of, label, min = 0, max = 600 }: Props = $props();
  function take({ currentTarget: { valueAsNumber: value } }: Event & { currentTarget: HTMLInputElement }) {
    if (Number.isFinite(value)) hand.set({ [of]: Math.min(600, Math.max(0, value)) });
  }
</script>

<label class="flex items-center gap-3">
  <span class="grow font-semibold">{label}</span>
  <input class="input w-24 text-center" type="number" {min} {max} value={hand.value[of]} oninput={take} />
</label>
