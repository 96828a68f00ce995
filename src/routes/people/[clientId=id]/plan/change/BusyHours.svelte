<script lang="ts">
  import Field from '$lib/ui/Field.svelte';
  import { plural } from '$lib/ui/format';

  /** Busy hours read from a calendar file: it stays on this device, and only the days on which the session would not fit are kept. */
  type Props = {
    beginsAt: string | null;
    busyOn: readonly string[];
    from: string;
    to: string;
    minutes: number;
    onBusy: (busyOn: readonly string[]) => void;
    onBeginsAt: (at: string | null) => void;
  };
  let { beginsAt, busyOn, from, to, minutes, onBusy, onBeginsAt }: Props = $props();
  const id = $props.id();
  let text = $state.raw<string>();
  let problem = $state('');
  const largest = 5_000_000;

  async function read(file: File | undefined): Promise<void> {
    if (!file) return;
    text = file.size > largest ? undefined : await file.text();
    problem = file.size > largest ? 'This file is larger than a calendar. Choose the calendar file itself.' : '';
    await look();
  }
  async function look(): Promise<void> {
    if (text === undefined) return;
    if (beginsAt === null) {
      problem = 'Say when sessions begin, so that the hours can be held against it.';
      return;
    }
    const { busyDays } = await import('$lib/ui/calendar/busyDays');
    try {
      onBusy(busyDays(text, { from, to, beginsAt, minutes }));
      problem = '';
    } catch {
      problem = 'This is no calendar file. Choose one that ends in .ics.';
    }
  }
</script>

<section class="flex flex-col gap-2" aria-labelledby="{id}-busy">
  <h2 id="{id}-busy">Busy hours</h2>
  <div class="flex flex-wrap items-end gap-3">
    <Field
      label="Sessions begin at"
      name="beginsAt"
      type="time"
      value={beginsAt ?? ''}
      oninput={(at) => {
        onBeginsAt(at === '' ? null : at);
        void look();
      }}
    />
    <label class="flex flex-col gap-1">
      <span class="font-semibold">Calendar file (.ics)</span>
      <input
        type="file"
        accept=".ics,text/calendar"
        class="input"
        aria-describedby={problem ? `${id}-problem` : undefined}
        onchange={(e) => void read(e.currentTarget.files?.[0])}
      />
    </label>
    {#if busyOn.length > 0}
      <button type="button" class="btn btn-quiet" onclick={() => onBusy([])}>No day is busy</button>
    {/if}
  </div>
  {#if problem}<p id="{id}-problem" class="font-semibold text-stop" role="alert">{problem}</p>{/if}
  <p class="text-ink-soft" aria-live="polite">
    {busyOn.length > 0
      ? `${plural(busyOn.length, 'busy day')}: a session on one goes to the nearest free day of its week.`
      : 'The file stays on this device; only the days on which a session would not fit are kept.'}
  </p>
</section>
