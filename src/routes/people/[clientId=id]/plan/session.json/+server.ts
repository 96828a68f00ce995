import { json } from '@sveltejs/kit';
import { isPlanned } from '$lib/server/service/clientCase';
import { goalCaseOr, orNotFound } from '$lib/server/orNotFound';
import { chosenSession } from '$lib/server/service/composing';
import type { RequestHandler } from './$types';

/** One session of the plan in all its parts, with its week. */
export const GET: RequestHandler = async ({ params, url, locals: { db, caseOf } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const sessionId = Number(url.searchParams.get('session'));
  return json(isPlanned(c) ? await orNotFound(chosenSession(db, c, sessionId)) : null);
};
