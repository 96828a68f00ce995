<script lang="ts">
  import type { Result } from '$lib/contract/problem';
  import { z95, type PhotoResult, type PhotoSpec } from '$lib/core';
  import { numberText } from '$lib/ui/format';
  import { problemText } from '$lib/ui/problemText';
  import Why from '$lib/ui/Why.svelte';

  /** What the points say, with its error and where it comes from. */
  type Props = {
    spec: PhotoSpec;
    /** Null until every point is set. */
    result: Result<PhotoResult> | null;
    /** What the result comes to, past a straight line too. */
    value: number | null;
    shown: (value: number) => string;
    /** Beyond it no body goes. */
    possible: readonly [number, number];
  };
  let { spec, result, value, shown, possible }: Props = $props();
  const [low, high] = $derived(possible);
</script>

<div aria-live="polite">
  {#if result === null}
    <p class="text-ink-soft">The number appears when every point is set.</p>
  {:else if !result.ok}
    <p class="font-semibold text-stop" role="alert">{problemText(result.problem)}</p>
  {:else}
    {@const r = result.value}
    <p class="text-[56px] leading-none font-bold" data-testid="photo-value">{value === null ? '' : shown(value)}</p>
    <p>
      give or take {shown(z95 * r.value.sd)}
      <span class="text-ink-soft"
        >from the points{r.rollDeg === null ? '' : `, camera turned ${numberText(Math.abs(r.rollDeg))}°`}</span
      >
      <Why about="the number from the photo">
        {#if spec.kind === 'height'}
          <p>
            The distance of the point from the floor line, times the height of the block over its length in the picture (plane
            geometry).
          </p>
        {:else if spec.from === 'other'}
          <p>
            The angle at the {spec.names.vertex} between the ways to the {spec.names.along} and the {spec.names.other} (plane geometry){spec.offsetDeg ||
            spec.sign < 0
              ? `, counted from ${Math.abs(spec.offsetDeg)}°`
              : ''}.
          </p>
        {:else}
          <p>
            The angle at the {spec.names.vertex} between the way to the {spec.names.along} and the {spec.from === 'level'
              ? 'level'
              : 'upright'} that the line gives (plane geometry).
          </p>
        {/if}
        <p>
          A point is set on the body to about 0.8 cm and on the picture to 1.5 shown picture elements; “give or take” is 1.96
          times what that makes of the number. The day and the camera's place come on top: the measure itself counts 1.5° or 1 cm
          a trial, 1.8° with a guessed line (assumptions).
        </p>
      </Why>
    </p>
    {#if value !== null && (value < low || value > high)}
      <p class="font-semibold text-stop" role="alert">
        No body goes there: between {shown(low)} and {shown(high)}. Look at the points again.
      </p>
    {/if}
  {/if}
</div>
