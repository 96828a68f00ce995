import { redirect } from '@sveltejs/kit';
import { orNotFound } from '$lib/server/orNotFound';
import { nextStation, stationsOf } from '$lib/server/service/stations';
import type { PageServerLoad } from './$types';

/** A client opens where the work goes on. */
export const load: PageServerLoad = async ({ params, locals: { caseOf, today } }) => {
  const found = await orNotFound(caseOf(Number(params.clientId)));
  redirect(
    307,
    found.goal ? `/people/${params.clientId}/${nextStation(stationsOf(found, today))}` : `/people/${params.clientId}/goal`
  );
};
