<script lang="ts">
  import { onMount } from 'svelte';
  import { invalidate } from '$app/navigation';
  import { demoProgressKey } from '$lib/contract/demo';

  let { progress }: { progress: { done: number; total: number } } = $props();

  const askEveryMs = 2000;
  onMount(() => {
    const timer = setInterval(() => void invalidate(demoProgressKey), askEveryMs);
    return () => clearInterval(timer);
  });
</script>

<!-- A first start opens with one person; the others come while somebody looks around. -->
<div
  role="status"
  class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line bg-paper px-4 py-2 sm:px-5 print:hidden"
>
  <span>Filling the demo: {progress.done} of {progress.total} people are here.</span>
  <progress
    class="h-2 w-40 appearance-none bg-line [&::-moz-progress-bar]:bg-ink [&::-webkit-progress-bar]:bg-line [&::-webkit-progress-value]:bg-ink"
    max={progress.total}
    value={progress.done}
    aria-label="People filled in so far"
  ></progress>
</div>
