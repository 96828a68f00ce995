<script lang="ts">
  import ChevronLeft from '@lucide/svelte/icons/chevron-left';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import { getLocalTimeZone, parseDate, today, type DateValue } from '@internationalized/date';
  import { Calendar } from 'bits-ui';
  import { readDay } from '$lib/contract/fields';

  /** A calendar of one month, under the field it belongs to. */
  type Props = { label: string; typed: string; onpick: (on: string) => void; onclose: () => void };
  let { label, typed, onpick, onclose }: Props = $props();
  function dayOf(text: string): DateValue | undefined {
    try {
      return parseDate(readDay(text));
    } catch {
      return undefined; // nothing typed yet, or no day
    }
  }
  // It is made anew each time it opens.
  // svelte-ignore state_referenced_locally
  const at = dayOf(typed);
  let box: HTMLElement | undefined = $state();
  $effect(() => box?.querySelector<HTMLElement>('[data-bits-day][tabindex="0"]')?.focus());
</script>

<svelte:window
  onkeydown={(e) => e.key === 'Escape' && onclose()}
  onpointerdown={(e) => !(e.target instanceof Node && box?.parentElement?.contains(e.target)) && onclose()}
/>
<div
  bind:this={box}
  class="absolute top-full right-0 z-40 mt-1 rounded-soft border border-edge bg-paper p-3 shadow-raised"
  role="dialog"
  aria-label={label}
>
  <Calendar.Root
    type="single"
    value={at}
    placeholder={at ?? today(getLocalTimeZone())}
    onValueChange={(day) => day && onpick(day.toString())}
    weekStartsOn={1}
    weekdayFormat="short"
    fixedWeeks
    locale="en-GB"
    calendarLabel={label}
  >
    {#snippet children({ months, weekdays })}
      <Calendar.Header class="flex items-center justify-between">
        <Calendar.PrevButton class="btn btn-quiet px-3"><ChevronLeft size={20} /></Calendar.PrevButton>
        <Calendar.Heading class="font-semibold" />
        <Calendar.NextButton class="btn btn-quiet px-3"><ChevronRight size={20} /></Calendar.NextButton>
      </Calendar.Header>
      {#each months as month (month.value)}
        <Calendar.Grid>
          <Calendar.GridHead>
            <Calendar.GridRow>
              {#each weekdays as day (day)}<Calendar.HeadCell class="w-11 font-normal text-ink-soft">{day}</Calendar.HeadCell
                >{/each}
            </Calendar.GridRow>
          </Calendar.GridHead>
          <Calendar.GridBody>
            {#each month.weeks as week (week[0])}
              <Calendar.GridRow>
                {#each week as date (date)}
                  <Calendar.Cell {date} month={month.value} class="p-0 text-center">
                    <Calendar.Day
                      class="flex h-11 w-11 cursor-pointer items-center justify-center rounded-soft hover:bg-chalk data-outside-month:text-ink-soft data-selected:bg-mulberry data-selected:text-paper data-today:font-bold data-today:underline"
                    />
                  </Calendar.Cell>
                {/each}
              </Calendar.GridRow>
            {/each}
          </Calendar.GridBody>
        </Calendar.Grid>
      {/each}
    {/snippet}
  </Calendar.Root>
</div>
