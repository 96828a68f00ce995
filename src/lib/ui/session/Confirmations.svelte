<script lang="ts">
  import { typedOr, type FormState } from '$lib/ui/formState';

  /** What somebody has to confirm before a session that would else not begin. */
  type Props = { overdueCheck: boolean; sameDay: boolean; checkHref?: string; form: FormState };
  let { overdueCheck, sameDay, checkHref, form }: Props = $props();
</script>

{#if overdueCheck}
  <div class="rounded-soft border-2 border-ink p-3">
    <p>
      The Check is overdue. {#if checkHref}<a class="font-semibold underline" href={checkHref}>Ask it again</a>, or confirm:{/if}
    </p>
    <label class="choice"
      ><input type="checkbox" name="overdueCheck" defaultChecked={typedOr(form, 'overdueCheck', '') === 'on'} /> Nothing has changed
      in their health since</label
    >
  </div>
{/if}
{#if sameDay}
  <label class="choice rounded-soft border-2 border-ink p-3"
    ><input type="checkbox" name="sameDay" defaultChecked={typedOr(form, 'sameDay', '') === 'on'} /> A session was done today already.
    This second one is meant</label
  >
{/if}
