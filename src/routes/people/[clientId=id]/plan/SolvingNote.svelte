<script lang="ts">
  import type { Solving } from './solving.svelte';

  /** How far a plan is that is being solved, and the way to stop it. */
  let { solving }: { solving: Solving } = $props();
  const phase = $derived(
    solving.progress ? ` phase ${Math.min(solving.progress.of, solving.progress.done + 1)} of ${solving.progress.of}` : ''
  );
</script>

<p>Working out the weeks to come …{phase}</p>
<button type="button" class="btn" disabled={solving.isStopping} onclick={() => void solving.stop()}>Stop</button>
