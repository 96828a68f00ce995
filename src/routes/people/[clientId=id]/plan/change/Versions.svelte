<script lang="ts">
  import { enhance } from '$app/forms';
  import type { PlanVersion } from '$lib/contract/plan';
  import { dateText, plural } from '$lib/ui/format';
  import Field from '$lib/ui/Field.svelte';
  import type { FormState } from '$lib/ui/formState';
  import { keepTyped } from '$lib/ui/sending';
  import SolveButton from '../SolveButton.svelte';
  import { Solving } from '../solving.svelte';

  /** Every version of the plan, the newest first: what it changed, its name, and the way back to it. */
  type Props = { versions: readonly PlanVersion[]; inForce: number; base: string; form: FormState };
  let { versions, inForce, base, form }: Props = $props();
  let naming = $state<number>();
  const solvings = $derived(new Map(versions.map((v) => [v.version, new Solving()])));
</script>

<ol class="flex flex-col gap-3">
  {#each versions as v (v.version)}
    <li class="border-t border-line pt-2">
      <p>
        <strong>Version {v.version}{v.name ? `, ${v.name}` : ''}</strong>{v.version === inForce ? ', in force' : ''}
        <span class="text-ink-soft">{dateText(v.madeOn)}</span>
      </p>
      <p class="text-ink-soft">
        {plural(v.weeks, 'week')}, {plural(v.sessionsPerWeek, 'session')} a week, {v.minutes} minutes, “{v.schoolName}”
      </p>
      {#if v.changed.length > 0}
        <ul>
          {#each v.changed as text (text)}<li>{text}</li>{/each}
        </ul>
      {:else}
        <p>{v.goesOn ? 'Solved again as it was.' : 'A new plan from its first week.'}</p>
      {/if}
      <div class="flex flex-wrap items-end gap-2 pt-1">
        {#if naming === v.version}
          <form
            method="POST"
            action="?/name"
            class="flex items-end gap-2"
            use:enhance={(of) => {
              const then = keepTyped(of);
              naming = undefined;
              return then;
            }}
          >
            <input type="hidden" name="version" value={v.version} />
            <Field label="Name of version {v.version}" name="name" {form} known={v.name} />
            <button class="btn">Keep the name</button>
          </form>
        {:else}
          <button type="button" class="btn btn-quiet" onclick={() => (naming = v.version)}
            >{v.name ? 'Rename' : 'Name it'}<span class="sr-only"> version {v.version}</span></button
          >
        {/if}
        {#if v.version !== inForce}
          {@const solving = solvings.get(v.version)!}
          <form method="POST" action="?/restore" use:enhance={solving.watched(keepTyped)}>
            <input type="hidden" name="basedOnVersion" value={inForce} />
            <input type="hidden" name="version" value={v.version} />
            <SolveButton
              {solving}
              label="{v.version === inForce - 1 ? 'Undo: back to' : 'Back to'} version {v.version}"
              look="btn btn-quiet"
            />
          </form>
          <a class="btn btn-quiet" href="{base}/plan/compare?version.b={v.version}"
            >Compare<span class="sr-only"> version {v.version} with the plan in force</span></a
          >
        {/if}
      </div>
    </li>
  {/each}
</ol>
