import { redirect } from '@sveltejs/kit';
import { sides } from '$lib/core';
import { orNotFound, withGoal } from '$lib/server/orNotFound';
import {
  compareActive,
  compareSides,
  hasBaseline,
  latestReading,
  measuringError,
  readingsOf
} from '$lib/server/service/measuring';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { caseOf } }) => {
  const c = withGoal(await orNotFound(caseOf(Number(params.clientId))));
  if (!c) redirect(307, `/people/${params.clientId}/goal`);
  const readings = readingsOf(c);
  const error = measuringError(c);
  return {
    baseline: hasBaseline(readings),
    figures: sides.map((side) => ({
      side,
      passive: latestReading(readings, side, 'passive'),
      active: latestReading(readings, side, 'active'),
      first: readings.find((r) => r.side === side && r.mode === 'passive') ?? null,
      activeGap: compareActive(readings, side, error)
    })),
    sidesCompared: compareSides(readings, error)
  };
};
