import { redirect } from '@sveltejs/kit';
import { toldPainForm, withdrawPainForm, type WithdrawPainInput } from '$lib/contract/forms';
import { orNotFound } from '$lib/server/orNotFound';
import { openLocks } from '$lib/server/repo/lockRepo';
import { listWithdrawnPains, type PainRecord } from '$lib/server/repo/logRepo';
import { withGoal } from '$lib/server/service/clientCase';
import { painAlertsOf, tellLater, withdrawPain } from '$lib/server/service/pain';
import { painText } from '$lib/server/service/safety';
import { weekOf } from '$lib/server/service/week';
import { runForm, runFormOnce } from '$lib/server/runForm';
import type { Actions, PageServerLoad } from './$types';

const shownPains = 20;

export const load: PageServerLoad = async ({ params, url, locals: { db, caseOf, today } }) => {
  const c = await orNotFound(caseOf(Number(params.clientId)));
  const goalCase = withGoal(c);
  const nameOf = (id: string | null) => c.catalogue.find((e) => e.id === id)?.name ?? null;
  // What was done last stands first, then the rest of the week.
  const done =
    c.sessions
      .filter((s) => s.endedAt !== null)
      .at(-1)
      ?.plannedSets.map((p) => p.exerciseId) ?? [];
  const week = goalCase ? weekOf(goalCase).map((w) => w.exercise.id) : [];
  const side = url.searchParams.get('side');
  const shownPain = (p: PainRecord) => ({
    id: p.id,
    on: p.feltOn,
    text: painText(p),
    exercise: nameOf(p.exerciseId),
    workSide: p.workSide,
    inSession: p.setIndex !== null,
    note: p.note
  });
  return {
    today,
    exercises: [...new Set([...done, ...week])].map((id) => ({ id, name: nameOf(id) ?? id })),
    asked: { exerciseId: url.searchParams.get('exercise') ?? '', side: side === 'left' || side === 'right' ? side : '' },
    told: url.searchParams.get('told') === 'yes',
    alerts: painAlertsOf(c),
    hasStops: openLocks(c.locks).length > 0,
    pains: c.pains.toReversed().slice(0, shownPains).map(shownPain),
    withdrawn: (await listWithdrawnPains(db, c.client.id)).map(({ withdrawnAt, withdrawnBy, withdrawnWhy, ...p }) => ({
      ...shownPain(p),
      at: withdrawnAt,
      by: withdrawnBy,
      why: withdrawnWhy
    }))
  };
};

export const actions: Actions = {
  tell: async ({ request, params, locals: { db, now, today } }) => {
    const done = await runFormOnce(
      request,
      db,
      toldPainForm(today),
      (input, tx) => tellLater(tx, Number(params.clientId), input, now),
      { form: 'tell' }
    );
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/pain?told=yes`);
  },
  withdraw: async ({ request, params, locals: { db, now } }) => {
    const run = (input: WithdrawPainInput) => withdrawPain(db, Number(params.clientId), input, now);
    const done = await runForm(request, withdrawPainForm, run, { form: 'withdraw' });
    return done.ok ? { withdrawn: true } : done.failure;
  }
};
