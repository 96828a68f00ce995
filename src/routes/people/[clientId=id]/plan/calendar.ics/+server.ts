import { error } from '@sveltejs/kit';
import { sessionTime } from '$lib/contract/planForms';
import { goalCaseOr } from '$lib/server/orNotFound';
import { calendarOf } from '$lib/server/service/calendar';
import type { RequestHandler } from './$types';

/** The sessions to come as a calendar; `at` is the time of the day they begin, or nothing. */
export const GET: RequestHandler = async ({ params, url, locals: { db, caseOf, now } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const at = sessionTime.safeParse(url.searchParams.get('at') ?? '');
  if (!at.success) error(400, 'A time of the day is written as 18:30.');
  return new Response(await calendarOf(db, c, now, at.data), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; filename="plan-${params.clientId}.ics"`
    }
  });
};
