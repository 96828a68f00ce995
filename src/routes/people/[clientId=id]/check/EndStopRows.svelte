<script lang="ts" module>
  export type StopRow = { motion: MotionId; side: Side | ''; deg: string };
</script>

<script lang="ts">
  import { endStopMotions, motionOf, type MotionId, type Side } from '$lib/core';
  import Field from '$lib/ui/Field.svelte';
  import { fieldError, type FormState } from '$lib/ui/formState';

  /** Ranges that end where a clinician, or a build, says. */
  type Props = { /** @bindable */ stops: StopRow[]; form: FormState };
  let { stops = $bindable(), form }: Props = $props();
</script>

{#each stops as stop, i (i)}
  {@const norm = motionOf(stop.motion).norms.find((n) => n.source === 'AAOS 1965')}
  <fieldset class="flex flex-wrap items-end gap-4 border-t border-line pt-3 first-of-type:border-0">
    <legend class="sr-only">End stop {i + 1}</legend>
    <label class="flex flex-col gap-1">
      <span class="font-semibold">Motion</span>
      <select class="input" name="stop_{i}_motion" bind:value={stop.motion}>
        {#each endStopMotions as id (id)}<option value={id}>{motionOf(id).name}</option>{/each}
      </select>
    </label>
    <label class="flex flex-col gap-1">
      <span class="font-semibold">Side</span>
      <select class="input" name="stop_{i}_side" bind:value={stop.side}>
        <option value="">both</option><option value="left">left</option><option value="right">right</option>
      </select>
    </label>
    <div class="w-40">
      <Field
        label="Stop at"
        unit="°"
        name="stop_{i}_deg"
        inputmode="decimal"
        value={stop.deg}
        oninput={(v) => (stop.deg = v)}
        error={fieldError(form, `stop_${i}_deg`)}
      />
    </div>
    {#if norm}
      <button type="button" class="btn" onclick={() => (stop.deg = String(norm.deg))}
        >{norm.deg}°, the norm of {norm.source}</button
      >
    {/if}
  </fieldset>
{/each}
<p class="text-ink-soft">An artificial joint ends where its clinician says; there is no usual angle for it.</p>
