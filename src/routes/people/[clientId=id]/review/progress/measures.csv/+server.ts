import { measureRow } from '$lib/contract/history';
import { csvFile } from '$lib/server/csv';
import { orNotFound } from '$lib/server/orNotFound';
import { takenOf } from '$lib/server/service/taken';
import type { RequestHandler } from './$types';

/** Every measure of a person, oldest first. */
export const GET: RequestHandler = async ({ params, locals: { caseOf } }) =>
  csvFile(takenOf(await orNotFound(caseOf(Number(params.clientId)))).map(measureRow), `measures-${params.clientId}`);
