import { json } from '@sveltejs/kit';
import { progressOf, stopSolving } from '$lib/server/solvingNow';
import type { RequestHandler } from './$types';

/** How far the solving of this client's plan is; null while nothing is solved. */
export const GET: RequestHandler = ({ params }) => json(progressOf(Number(params.clientId)));

/** Stops it: the page that asked for it is told, and nothing of it is kept. */
export const DELETE: RequestHandler = ({ params }) => json({ stopped: stopSolving(Number(params.clientId)) });
