<script lang="ts">
  import type { Snippet } from 'svelte';
  import { photoLimits } from '$lib/contract/photoForms';
  import type { PhotoDesk } from './photoDesk.svelte';

  /** The empty desk: how to take the picture, and where it comes from. */
  type Props = {
    desk: PhotoDesk;
    fromAbove: boolean;
    /** Address of a drawn picture, for where there is no camera. */
    drawnAt: () => string;
    /** Where the points will go. */
    children: Snippet;
  };
  let { desk, fromAbove, drawnAt, children }: Props = $props();

  function choose(input: HTMLInputElement) {
    const file = input.files?.[0];
    if (file) void desk.openFile(file);
    input.value = ''; // the same file may be chosen again
  }
</script>

<div class="card flex min-h-80 flex-col items-center justify-center gap-4 text-center">
  {#if desk.busy}
    <p class="text-xl" role="status">Opening the picture</p>
    <progress class="h-3 w-64"></progress>
    <button type="button" class="btn" onclick={() => desk.cancel()}>Cancel</button>
  {:else}
    <p class="max-w-xl text-lg">
      {fromAbove
        ? 'Camera straight above, looking down, as far up as it gets.'
        : 'Camera level, at the height of the joint, square to the body and some steps away.'}{desk.usesBlock
        ? ' A block whose height you know stands beside the body, as far from the camera.'
        : ''}
    </p>
    <div class="flex flex-wrap justify-center gap-3">
      <label
        class="btn btn-primary has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-mulberry"
      >
        Choose a picture or film
        <input type="file" accept="image/*,video/*" class="sr-only" onchange={(e) => choose(e.currentTarget)} />
      </label>
      <button type="button" class="btn" onclick={() => desk.openDrawn(drawnAt())}>Try a drawn one</button>
    </div>
    <p class="text-ink-soft">
      Up to {photoLimits.fileMb} MB and {photoLimits.filePixels / 1e6} million picture elements; a film up to {photoLimits.filmMb}
      MB, of which one frame is used and the film itself is not kept.
    </p>
  {/if}
  {#if desk.trouble}<p class="font-semibold text-stop" role="alert">{desk.trouble}</p>{/if}
  {@render children()}
</div>
