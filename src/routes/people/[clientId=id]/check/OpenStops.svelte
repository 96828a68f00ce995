<script lang="ts">
  import type { FormState } from '$lib/ui/formState';
  import { capital, dateText } from '$lib/ui/format';
  import ClearForm from './ClearForm.svelte';

  type Lock = { id: number; joint: string | null; line: string | null; side: string | null; reason: string; openedOn: string };
  type Props = { locks: readonly Lock[]; form: FormState };
  let { locks, form }: Props = $props();

  const titleOf = ({ line, joint, side }: Lock) =>
    capital(line ? `${side} ${line} line rests` : `${side ?? ''} ${joint} is locked`.trim());
  const textOf = ({ line, reason, openedOn }: Lock) =>
    `${reason}. Since ${dateText(openedOn)}. ${
      line ? 'It is not stretched passively until it is quiet.' : 'Nothing that loads it is planned or played.'
    } Nothing of this client is deepened meanwhile.`;
</script>

{#each locks as lock (lock.id)}
  <ClearForm
    title={titleOf(lock)}
    text={textOf(lock)}
    action="?/clearLock"
    lockId={lock.id}
    form={form?.typed?.lockId === String(lock.id) ? form : null}
  />
{/each}
