<script lang="ts">
  import type { Restored } from '$lib/contract/snapshots';
  import { dateTimeText } from '$lib/ui/format';

  let { restored }: { restored: Restored } = $props();
</script>

<!-- Where a snapshot stands in for damaged data: on every page until somebody has read it. -->
<form
  method="POST"
  action="/restored"
  role="alert"
  class="flex flex-wrap items-center gap-x-6 gap-y-3 border-b-2 border-stop bg-paper px-4 py-3 sm:px-5"
>
  <p class="max-w-[80ch] flex-1 basis-80">
    <strong>The data could not be opened.</strong> You see them as they were on {dateTimeText(restored.takenAt)}. What was kept
    after that is missing, stops and limits too: ask each person before their next session, and look through the last measures.
    The damaged files are kept in
    <span class="break-all">{restored.damagedDir}</span>.
  </p>
  <button class="btn">I have read this</button>
</form>
