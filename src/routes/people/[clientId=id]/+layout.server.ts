import { daysBetween } from '$lib/core';
import { orNotFound, withGoal } from '$lib/server/orNotFound';
import { bodyOf } from '$lib/server/service/clientCase';
import { staircasesOf } from '$lib/server/service/staircase';
import { stationsOf } from '$lib/server/service/stations';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params, locals: { caseOf, today }, depends }) => {
  depends('calm:case');
  const found = await orNotFound(caseOf(Number(params.clientId)));
  const goalCase = withGoal(found);
  const { client, goal } = found;
  return {
    client: { ...client, body: bodyOf(client) },
    goal: goal && { ...goal, daysLeft: goal.targetOn ? daysBetween(today, goal.targetOn) : null },
    stations: stationsOf(found, today),
    staircases: goalCase ? staircasesOf(goalCase, today) : []
  };
};
