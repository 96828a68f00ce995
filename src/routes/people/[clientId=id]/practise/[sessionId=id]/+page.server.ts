import { redirect } from '@sveltejs/kit';
import { capsOf } from '$lib/core';
import { goalCaseOr } from '$lib/server/orNotFound';
import { breathOf } from '$lib/server/service/clientCase';
import { limitsOf } from '$lib/server/service/checking';
import { listLeftOut } from '$lib/server/repo/logRepo';
import { barredSince } from '$lib/server/service/practising';
import { lastTimes } from '$lib/server/service/sessionRecords';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { caseOf, db } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const session = c.sessions.find((s) => s.id === Number(params.sessionId));
  if (!session?.prescribed) redirect(307, `/people/${params.clientId}/practise`);
  return {
    session: { id: session.id, week: session.week, ordinal: session.ordinal, status: session.status, retest: session.retest },
    blocks: session.prescribed.blocks,
    options: session.prescribed.options,
    logged: c.setLogs.filter((l) => l.sessionId === session.id).map((l) => l.setIndex),
    leftOut: await listLeftOut(db, session.id),
    pains: c.pains.flatMap((p) => (p.sessionId === session.id && p.setIndex !== null ? [{ ...p, setIndex: p.setIndex }] : [])),
    barred: barredSince(c, session.prescribed.blocks),
    lastTimes: lastTimes(c, session),
    breathS: breathOf(c),
    sensationCap: capsOf(limitsOf(c)).sensation,
    shelf: c.shelf
  };
};
