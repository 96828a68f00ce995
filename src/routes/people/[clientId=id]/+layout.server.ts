import { daysBetween } from '$lib/core';
import { orNotFound } from '$lib/server/orNotFound';
import { bodyOf, withGoal } from '$lib/server/service/clientCase';
import { latestOfGoal } from '$lib/server/service/taken';
import { staircasesOf } from '$lib/server/service/staircase';
import { openLocks } from '$lib/server/repo/lockRepo';
import { painAlertsOf } from '$lib/server/service/pain';
import { stationsOf } from '$lib/server/service/stations';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params, locals: { caseOf, today, hintsLeft }, depends }) => {
  depends('calm:case');
  const found = await orNotFound(caseOf(Number(params.clientId)));
  const inWork = withGoal(found);
  const { client, goal, goals } = found;
  return {
    client: { ...client, body: bodyOf(client) },
    goal: goal && { ...goal, daysLeft: goal.targetOn ? daysBetween(today, goal.targetOn) : null },
    goals: goals.map(({ id, name }) => ({ id, name })),
    stations: stationsOf(found, today),
    stops: openLocks(found.locks).map(({ stop, reason }) => ({
      stop,
      reason,
      exercise: 'exerciseId' in stop ? (found.catalogue.find((e) => e.id === stop.exerciseId)?.name ?? null) : null
    })),
    painAlerts: painAlertsOf(found),
    hintsLeft,
    staircases: inWork ? staircasesOf(inWork) : [],
    latest: inWork ? latestOfGoal(inWork) : []
  };
};
