<script lang="ts">
  import { page } from '$app/state';
  import { hintsCookie, hintsRead, noHints } from '$lib/contract/hints';
  import type { StationId } from '$lib/contract/path';
  import { capital } from '$lib/ui/format';
  import { stationText } from '$lib/ui/stationText';

  /** What a station is for, told until it was read once on this device. */
  type Props = { left: readonly StationId[]; /** Address of the client. */ base: string };
  let { left, base }: Props = $props();
  let still = $derived(left);
  const id = $derived(still.find((s) => page.url.pathname === `${base}/${s}`));
  const yearS = 365 * 24 * 3600;

  function keep(cookie: string, then: readonly StationId[]) {
    document.cookie = `${hintsCookie}=${cookie}; path=/; max-age=${yearS}; samesite=lax`;
    still = then;
  }
  function read() {
    const then = still.filter((s) => s !== id);
    keep(hintsRead(then), then);
  }
</script>

{#if id}
  <aside
    aria-label="What this station is for"
    class="flex flex-wrap items-center gap-x-4 border-b border-line bg-paper px-4 py-1 sm:px-5 print:hidden"
  >
    <p class="flex-1 basis-80 py-1 leading-snug">
      <strong>{capital(id)}.</strong>
      {stationText[id]} <a class="underline underline-offset-4" href="/help">More</a>
    </p>
    <span>
      <button type="button" class="btn btn-quiet" onclick={read}>Got it</button>
      <button type="button" class="btn btn-quiet text-ink-soft" onclick={() => keep(noHints, [])}>No more hints</button>
    </span>
  </aside>
{/if}
