<script lang="ts">
  /** One figure of a shape, typed; while the field is empty or is no number, what stood there counts. */
  type Props = {
    label: string;
    value: number;
    unit: string;
    max: number;
    min?: number;
    /** Kept to once it is typed whole. */
    step?: number;
    /** What it comes to in other words. */
    words?: string;
    /** Why it may not stay as it is. */
    error?: string;
    onvalue: (value: number) => void;
  };
  let { label, value, unit, max, min = 0, step = 1, words, error, onvalue }: Props = $props();
  const id = $props.id();
  function typed({ currentTarget: { valueAsNumber } }: Event & { currentTarget: HTMLInputElement }) {
    if (Number.isFinite(valueAsNumber)) onvalue(Math.min(max, Math.max(0, valueAsNumber)));
  }
  const onStep = () => onvalue(Math.min(max, Math.max(min, min + Math.round((value - min) / step) * step)));
</script>

<div class="flex flex-col">
  <div class="flex items-center gap-2">
    <label for="{id}-field" class="grow leading-tight">{label}</label>
    <input
      id="{id}-field"
      class="input w-20 flex-none px-1 text-center"
      type="number"
      {min}
      {max}
      {step}
      {value}
      aria-describedby={words || error ? id : undefined}
      aria-invalid={error ? 'true' : undefined}
      oninput={typed}
      onchange={onStep}
    />
    <span class="w-13 flex-none text-ink-soft">{unit}</span>
  </div>
  {#if error}<p {id} class="text-right text-sm font-semibold text-stop">{error}</p>
  {:else if words}<p {id} class="text-right text-sm text-ink-soft">{words}</p>{/if}
</div>
