<script lang="ts">
  import Slide from '../Slide.svelte';
  import type { PhotoDesk } from './photoDesk.svelte';

  /** A short film, and the frame of it that becomes the picture. */
  let { desk }: { desk: PhotoDesk } = $props();
  let video: HTMLVideoElement | undefined = $state();
  let lengthS = $state(0);
  let atS = $state(0);
  const frameS = 1 / 30;
  function seek(to: number) {
    atS = Math.min(lengthS, Math.max(0, to));
    if (video) video.currentTime = atS;
  }
  /** A film that was recorded as it ran does not know its length until its end was seen. */
  function known() {
    if (!video) return;
    if (Number.isFinite(video.duration)) {
      lengthS = video.duration;
      if (video.currentTime > lengthS - 0.01) seek(0);
    } else video.currentTime = 1e6;
  }
</script>

<div class="flex flex-col gap-3">
  <video
    bind:this={video}
    src={desk.film}
    muted
    playsinline
    preload="auto"
    class="mx-auto max-h-[60vh] w-full bg-ink object-contain"
    onloadedmetadata={known}
    ondurationchange={known}
    onerror={() => desk.filmFailed()}
  ></video>
  <div>
    <p class="font-semibold">Frame at {atS.toFixed(2)} s of {lengthS.toFixed(1)} s</p>
    <Slide label="Frame of the film" max={lengthS} step={frameS} value={atS} text="{atS.toFixed(2)} seconds" onmove={seek} />
  </div>
  <div class="flex flex-wrap gap-2">
    <button type="button" class="btn" onclick={() => seek(atS - frameS)}>One frame back</button>
    <button type="button" class="btn" onclick={() => seek(atS + frameS)}>One frame on</button>
    <button type="button" class="btn btn-primary" disabled={lengthS === 0} onclick={() => video && desk.openFrame(video)}
      >Use this frame</button
    >
  </div>
</div>
