import { json } from '@sveltejs/kit';
import { progressOf } from '$lib/server/solvingNow';
import type { RequestHandler } from './$types';

/** How far the solving of this client's plan is; null while nothing is solved. */
export const GET: RequestHandler = ({ params }) => json(progressOf(Number(params.clientId)));
