import { redirect } from '@sveltejs/kit';
import { takeExampleAway } from '$lib/server/service/example';
import type { RequestHandler } from './$types';

/** The example goes again, with all that came with it. */
export const POST: RequestHandler = async ({ locals: { db, photoFiles, now } }) => {
  await takeExampleAway(db, photoFiles, now);
  redirect(303, '/people');
};
