import { listForecasts } from '$lib/server/repo/forecastRepo';
import { listNoted } from '$lib/server/repo/judgementRepo';
import { goalCaseOr } from '$lib/server/orNotFound';
import { takenOf } from '$lib/server/service/taken';
import type { RequestHandler } from './$types';

/** More than anybody writes of one person. */
const mostJudgements = 10_000;

/** The goal in work with everything that was planned, measured, done, decided, told and foretold for it. */
export const GET: RequestHandler = async ({ params, locals: { db, caseOf, memory } }) => {
  const c = await memory.withLog(await goalCaseOr(caseOf(Number(params.clientId))));
  const { id: _, contact: __, ...client } = c.client;
  const history = {
    madeOn: c.today,
    client,
    goal: c.goal,
    plan: c.plan,
    week: c.choices,
    settings: c.settings,
    settingChanges: c.settingChanges,
    measures: takenOf(c),
    sessions: c.sessions.map(({ prescribed: _prescribed, outline: _outline, ...s }) => s),
    sets: c.setLogs,
    decisions: c.decisions,
    pains: c.pains,
    notes: c.notes,
    judgements: (await listNoted(db, { clientId: c.client.id }, mostJudgements)).noted.filter((n) => n.id !== null),
    forecasts: await listForecasts(db, c.goal.id)
  };
  return new Response(JSON.stringify(history, null, 1), {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="history-${params.clientId}.json"`
    }
  });
};
