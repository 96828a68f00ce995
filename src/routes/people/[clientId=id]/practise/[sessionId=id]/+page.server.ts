import { redirect } from '@sveltejs/kit';
import { capsOf, exerciseOf, reasonText, type Block } from '$lib/core';
import { splitCaseOr } from '$lib/server/orNotFound';
import { limitsOf } from '$lib/server/service/checking';
import type { SplitCase } from '$lib/server/service/clientCase';
import { barsOf } from '$lib/server/service/safety';
import type { PageServerLoad } from './$types';

/** What of a running session the gate bars by now: a stop may have come since it began, from another page or device. */
const barredIn = (c: SplitCase, blocks: readonly Block[]) =>
  blocks.flatMap(({ exerciseId, work }) =>
    work.flatMap(({ side }) => {
      const [bar] = barsOf(c, exerciseOf(exerciseId), side);
      return bar ? [{ exerciseId, side, why: reasonText(bar) }] : [];
    })
  );

export const load: PageServerLoad = async ({ params, locals: { caseOf } }) => {
  const c = await splitCaseOr(caseOf(Number(params.clientId)));
  const session = c.sessions.find((s) => s.id === Number(params.sessionId));
  if (!session?.prescribed) redirect(307, `/people/${params.clientId}/practise`);
  return {
    session: { id: session.id, week: session.week, ordinal: session.ordinal, status: session.status, retest: session.retest },
    blocks: session.prescribed.blocks,
    logged: c.setLogs.filter((l) => l.sessionId === session.id).map((l) => l.setIndex),
    pains: c.pains.flatMap((p) => (p.sessionId === session.id && p.setIndex !== null ? [{ ...p, setIndex: p.setIndex }] : [])),
    barred: barredIn(c, session.prescribed.blocks),
    sensationCap: capsOf(limitsOf(c)).sensation,
    shelf: c.shelf
  };
};
