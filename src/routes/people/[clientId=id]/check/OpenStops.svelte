<script lang="ts">
  import type { FormState } from '$lib/ui/formState';
  import { isJointStop, isLineStop, isPersonStop, stopPlaceText, type Stop } from '$lib/core';
  import { dateText } from '$lib/ui/format';
  import ClearForm from './ClearForm.svelte';

  type Lock = { id: number; stop: Stop; reason: string; openedOn: string };
  type Props = { locks: readonly Lock[]; names: Readonly<Record<string, string>>; form: FormState };
  let { locks, names, form }: Props = $props();

  function titleOf({ stop }: Lock): string {
    if (isPersonStop(stop)) return 'Medical help first. Nothing is trained.';
    if (isJointStop(stop)) return `${stopPlaceText(stop)} is locked`;
    if (isLineStop(stop)) return `${stopPlaceText(stop)}: resting`;
    return `${names[stop.exerciseId] ?? 'This exercise'}${stop.side ? `, ${stop.side}` : ''}: taken out`;
  }
  function takesOut({ stop }: Lock): string {
    if (isPersonStop(stop)) return 'Nothing is planned or played.';
    if (isJointStop(stop)) return 'Nothing that loads it is graded, planned or played.';
    if (isLineStop(stop)) return 'Nothing stretches it passively until it is quiet.';
    return 'It is in no coming session.';
  }
  const textOf = (lock: Lock) =>
    `${lock.reason}. Since ${dateText(lock.openedOn)}. ${takesOut(lock)} Nothing else of this person is made harder meanwhile.`;
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
