import { json } from '@sveltejs/kit';
import { goalCaseOr } from '$lib/server/orNotFound';
import { swapsFor } from '$lib/server/service/week';
import type { RequestHandler } from './$types';

/** What could take the place of an exercise of the week: open by the gate, the nearest first. */
export const GET: RequestHandler = async ({ params, url, locals: { caseOf } }) =>
  json(swapsFor(await goalCaseOr(caseOf(Number(params.clientId))), url.searchParams.get('exercise') ?? ''));
