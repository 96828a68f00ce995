import { error, redirect } from '@sveltejs/kit';
import { z } from 'zod';
import { whole } from '$lib/contract/fields';
import { measureForm } from '$lib/contract/forms';
import { frontSplit, occasionSd, sides, z95, type Occasion } from '$lib/core';
import { orNotFound, withGoal } from '$lib/server/orNotFound';
import { updateOccasionRemoved } from '$lib/server/repo/occasionRepo';
import { legOf, shorterLegCm } from '$lib/server/service/clientCase';
import { measuringError, readingsOf, saveOccasion } from '$lib/server/service/measuring';
import { submitted } from '$lib/server/submitted';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load: PageServerLoad = async ({ params, locals: { caseOf } }) => {
  const c = withGoal(await orNotFound(caseOf(Number(params.clientId))));
  if (!c) redirect(307, `/people/${params.clientId}/goal`);
  const readings = readingsOf(c);
  // The last occasion of each side, mode and state: what today is compared with.
  const before: Record<string, Occasion & { takenOn: string }> = {};
  for (const r of readings)
    before[`${r.side}/${r.mode}/${r.bodyState}`] = { value: r.depthCm, trials: r.trials, takenOn: r.takenOn };
  return {
    before,
    error: measuringError(c),
    usualMarginCm: z95 * occasionSd(2, measuringError(c)),
    ownTrials: c.occasions.reduce((sum, o) => sum + o.trials.length, 0),
    typicalTrialSdCm: frontSplit.error.trialSdCm,
    legs: Object.fromEntries(sides.map((s) => [s, legOf(c.client, s)])) as Record<
      (typeof sides)[number],
      ReturnType<typeof legOf>
    >,
    shorterLegCm: shorterLegCm(c.client),
    lastState: c.occasions.at(-1)?.bodyState ?? 'cold',
    recent: readings.slice(-12).toReversed()
  };
};

export const actions: Actions = {
  save: async ({ request, params, locals: { db, caseOf, today } }) => {
    const found = await orNotFound(caseOf(Number(params.clientId)));
    const form = measureForm(found.units.length, shorterLegCm(found.client));
    const past = form.refine((m) => m.takenOn <= today, { message: 'This day is still to come', path: ['takenOn'] });
    const done = await submitted(request, past, (input) => saveOccasion(db, found.client.id, input), { form: 'save' });
    if (!done.ok) return done.failure;
    redirect(303, `/people/${params.clientId}/read`);
  },
  remove: (event) => setRemoved(event, event.locals.now.toISOString()),
  restore: (event) => setRemoved(event, null)
};

async function setRemoved({ request, params, locals: { db, caseOf } }: RequestEvent, removedAt: string | null) {
  const found = await orNotFound(caseOf(Number(params.clientId)));
  if (!found.goal) error(404, 'There is no such page.');
  const goalId = found.goal.id;
  const form = z.object({ occasionId: whole(1, 2 ** 31 - 1) });
  const done = await submitted(request, form, ({ occasionId }) => updateOccasionRemoved(db, goalId, occasionId, removedAt), {
    form: 'remove'
  });
  return done.ok ? { changed: true } : done.failure;
}
