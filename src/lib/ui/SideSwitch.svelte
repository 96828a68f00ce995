<script lang="ts">
  import { RadioGroup } from 'bits-ui';
  import { sides, type Side } from '$lib/core';
  import SideMark from './SideMark.svelte';

  /** `words`: which limb the side means; a leg in front leads. */
  type Props = { side: Side; onSideChange: (side: Side) => void; label: string; words?: string };
  let { side, onSideChange, label, words = 'leg in front' }: Props = $props();
  const isLead = $derived(words === 'leg in front');
</script>

<RadioGroup.Root
  value={side}
  onValueChange={(v) => onSideChange(v as Side)}
  aria-label={label}
  orientation="horizontal"
  class="flex gap-2"
>
  {#each sides as s (s)}
    <RadioGroup.Item value={s} class="btn text-ink">
      <SideMark side={s} />
      {s === 'left' ? 'Left' : 'Right'}{isLead ? ' leads' : ` ${words}`}
    </RadioGroup.Item>
  {/each}
</RadioGroup.Root>
