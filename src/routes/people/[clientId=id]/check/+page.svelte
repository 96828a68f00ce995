<script lang="ts">
  import { answeredDraft, type CardAnswers } from '$lib/contract/checkForms';
  import { isCleared, screen, topicsFor, type Clearance } from '$lib/core';
  import Answered from './Answered.svelte';
  import ClearForm from './ClearForm.svelte';
  import Limits from './Limits.svelte';
  import OpenStops from './OpenStops.svelte';
  import TopicCard from './TopicCard.svelte';

  let { data, form } = $props();
  const s = $derived(data.screening);
  const of = (name: string) => (form && 'form' in form && form.form === name ? form : null);
  /** What the open card says so far: the limits beside it follow at once. */
  let typed = $state<CardAnswers | null>(null);
  const current = $derived(typed && typed.topic === data.topicId ? answeredDraft(data.draft, typed) : data.draft);
  const live = $derived(screen({ ...(data.topicId ? current : (s ?? data.draft)), ...data.ages }));
  const cards = $derived(topicsFor({ ...data.ages, ...current, joints: data.joints }));
  const isShut = (x: { clearance: Clearance; clearedBy: string | null }) => !isCleared(x.clearance, x.clearedBy);
  const topic = $derived(cards.find((t) => t.id === data.topicId) ?? null);
</script>

<main class="mx-auto grid max-w-6xl gap-6 p-5 lg:grid-cols-[1fr_20rem]">
  <div class="flex min-w-0 flex-col gap-5">
    <OpenStops locks={data.openLocks} names={data.exerciseNames} form={of('clearLock')} />
    {#if s && isShut(s) && !topic}
      <ClearForm
        title={s.clearance === 'urgent'
          ? 'Medical help now. Nothing is trained.'
          : 'A clinician first. Nothing is planned or played yet.'}
        action="?/clear"
        form={of('clear')}
      />
    {/if}
    {#if topic}
      {#key topic.id}
        <TopicCard
          {topic}
          {cards}
          draft={data.draft}
          week={data.week}
          ages={data.ages}
          answeredBefore={s !== null || data.draft.topics.includes(topic.id)}
          form={of('topic')}
          base="/people/{data.client.id}/check"
          onanswer={(a) => (typed = a)}
        />
      {/key}
    {:else if s}
      <Answered
        screening={s}
        isOpen={data.isOpen}
        isDue={data.isDue}
        unasked={data.unasked}
        photoConsent={data.photoConsent}
        hasLocks={data.openLocks.length > 0}
        begunAt={data.begun ? data.goesOnAt : null}
        clearedLocks={data.clearedLocks}
        week={data.week}
        ages={data.ages}
        names={data.exerciseNames}
        form={of('relax')}
      />
    {/if}
  </div>
  <Limits
    screening={live}
    ages={data.ages}
    birthDate={data.birthDate}
    hasPersonStop={data.openLocks.some((l) => 'person' in l.stop)}
    hasStops={data.openLocks.length > 0}
    relaxed={topic ? [] : (s?.relaxed ?? [])}
    sessionsDone={data.sessionsDone}
    soFar={topic !== null}
  />
</main>
