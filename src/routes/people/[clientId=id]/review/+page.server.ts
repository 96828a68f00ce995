import { z } from 'zod';
import { decideForm } from '$lib/contract/forms';
import { painPlaces, type PainPlaceId } from '$lib/core';
import { sideField } from '$lib/contract/fields';
import { splitCaseOr } from '$lib/server/orNotFound';
import { dateOf } from '$lib/server/service/clientCase';
import { measuringError, readingsOf } from '$lib/server/service/measuring';
import {
  acceptProposals,
  attendanceOf,
  decideProposal,
  doneAgainstPlan,
  proposalsOf,
  tellAfterwards
} from '$lib/server/service/reviewing';
import { submitted } from '$lib/server/submitted';
import type { Actions, PageServerLoad } from './$types';

const shownDecisions = 12;

export const load: PageServerLoad = async ({ params, locals: { caseOf, today } }) => {
  const c = await splitCaseOr(caseOf(Number(params.clientId)));
  const last = doneAgainstPlan(c);
  return {
    last: last && { ...last, on: dateOf(last.startedAt) },
    attendance: attendanceOf(c, today),
    proposals: proposalsOf(c, today),
    decisions: c.decisions.toReversed().slice(0, shownDecisions),
    readings: readingsOf(c).filter((r) => r.mode === 'passive'),
    error: measuringError(c),
    shelf: c.shelf
  };
};

const exerciseAndSide = decideForm.pick({ exerciseId: true, side: true });
const afterwardsForm = exerciseAndSide.extend({
  place: z.enum(painPlaces.map((p) => p.id) as [PainPlaceId, ...PainPlaceId[]]),
  bodySide: sideField
});

export const actions: Actions = {
  acceptAll: async ({ request, params, locals: { db, today } }) => {
    const done = await submitted(request, z.object({}), () => acceptProposals(db, Number(params.clientId), today), {
      form: 'acceptAll'
    });
    return done.ok ? { decided: true } : done.failure;
  },
  decide: async ({ request, params, locals: { db, today } }) => {
    const run = (input: z.output<typeof decideForm>) => decideProposal(db, Number(params.clientId), input, today);
    const done = await submitted(request, decideForm, run, { form: 'decide' });
    return done.ok ? { decided: true } : done.failure;
  },
  afterwards: async ({ request, params, locals: { db } }) => {
    const run = (input: z.output<typeof afterwardsForm>) => tellAfterwards(db, Number(params.clientId), input);
    const done = await submitted(request, afterwardsForm, run, { form: 'afterwards' });
    return done.ok ? { told: true } : done.failure;
  }
};
