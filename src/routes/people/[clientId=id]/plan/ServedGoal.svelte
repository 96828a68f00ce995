<script lang="ts">
  import type { Outlook } from '$lib/contract/forecast';
  import type { LengthUnit } from '$lib/contract/fields';
  import { followed } from '$lib/ui/forecast/foretelling.svelte';
  import OutlookLine from '$lib/ui/forecast/OutlookLine.svelte';

  /** Another goal that shares the minutes of this plan, with where it is going. */
  type Props = {
    goal: Readonly<{ name: string; headline: string; targetOn: string | null; leadSide: 'left' | 'right' | null }>;
    shared: string;
    outlooks: readonly Outlook[];
    today: string;
    unit: LengthUnit;
    isStopped: boolean;
    base: string;
  };
  let { goal, shared, outlooks, today, unit, isStopped, base }: Props = $props();
  const outlook = $derived(
    outlooks.find((o) => o.side === goal.leadSide && o.ask) ?? outlooks.find((o) => o.ask) ?? outlooks[0]!
  );
  const foretelling = followed(() => outlook.ask);
</script>

<section aria-label="The plan also serves {goal.name}">
  <h2 class="text-base">Also for “{goal.name}”</h2>
  <p class="text-ink-soft">{shared}</p>
  <OutlookLine
    {outlook}
    told={foretelling.told}
    state={foretelling.state}
    {today}
    targetOn={goal.targetOn}
    headline={goal.headline}
    {unit}
    {isStopped}
    more="{base}/goal"
    moreText="Make it the goal in work"
  />
</section>
