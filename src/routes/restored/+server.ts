import { redirect } from '@sveltejs/kit';
import type { RequestHandler } from './$types';

/** Somebody has read that a snapshot stands in for damaged data. */
export const POST: RequestHandler = async ({ locals: { studio } }) => {
  await studio.restoredRead();
  redirect(303, '/people');
};
