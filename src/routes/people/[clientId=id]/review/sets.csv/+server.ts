import { setRow } from '$lib/contract/history';
import { csvFile } from '$lib/server/csv';
import { goalCaseOr } from '$lib/server/orNotFound';
import { dateOf } from '$lib/server/service/clientCase';
import { endedSessions } from '$lib/server/service/sessionRecords';
import type { RequestHandler } from './$types';

/** Every set of the goal in work that was done, oldest first. */
export const GET: RequestHandler = async ({ params, locals: { caseOf, memory } }) => {
  const c = await memory.withLog(await goalCaseOr(caseOf(Number(params.clientId))));
  const days = new Map(endedSessions(c).map((s) => [s.id, dateOf(s.startedAt!)]));
  const names = new Map(c.catalogue.map((e) => [e.id, e.name]));
  const rows = c.setLogs
    .filter((l) => days.has(l.sessionId))
    .map((l) => setRow(l, days.get(l.sessionId)!, names.get(l.exerciseId) ?? l.exerciseId))
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : 0));
  return csvFile(rows, `sets-${params.clientId}`);
};
