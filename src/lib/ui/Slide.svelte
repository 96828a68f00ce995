<script lang="ts">
  import { Slider } from 'bits-ui';

  /** A value that is tried by dragging, or by the arrow keys. */
  type Props = {
    label: string;
    value: number;
    min?: number;
    max: number;
    step?: number;
    /** The value in words. */
    text: string;
    /** Only a handle over what is drawn already, `left` growing to the left; else its own track. */
    over?: 'left' | 'right';
    onmove: (value: number) => void;
  };
  let { label, value, min = 0, max, step = 1, text, over, onmove }: Props = $props();
</script>

<Slider.Root
  type="single"
  {value}
  {min}
  {max}
  {step}
  dir={over === 'left' ? 'rtl' : 'ltr'}
  thumbPositioning={over ? 'exact' : 'contain'}
  onValueChange={onmove}
  class="flex h-11 w-full touch-pan-y items-center select-none {over
    ? 'absolute inset-0 cursor-ew-resize'
    : 'relative cursor-pointer'}"
>
  {#if !over}
    <span class="relative h-1.5 w-full overflow-hidden rounded-soft bg-edge"
      ><Slider.Range class="absolute h-full bg-mulberry" /></span
    >
  {/if}
  <Slider.Thumb
    index={0}
    aria-label={label}
    aria-valuetext={text}
    class="rounded-soft border-2 border-paper bg-mulberry {over ? 'h-9 w-3.5' : 'h-8 w-5'}"
  />
</Slider.Root>
