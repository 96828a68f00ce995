import { capsOf } from '$lib/core';
import { limitsOf } from '$lib/server/service/checking';
import { goalCaseOr } from '$lib/server/orNotFound';
import { dateOf } from '$lib/server/service/clientCase';
import { attendedLately, outlooksOf } from '$lib/server/service/forecasting';
import { openWeek } from '$lib/server/service/week';
import { winsOf } from '$lib/server/service/history';
import { endedSessions } from '$lib/server/service/sessionRecords';
import { takenOf } from '$lib/server/service/taken';
import type { PageServerLoad } from './$types';

const shownWins = 6;

export const load: PageServerLoad = async ({ params, locals: { db, caseOf, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const wins = winsOf(c);
  const days = endedSessions(c).map((s) => dateOf(s.startedAt!));
  return {
    outlooks: await outlooksOf(db, c),
    taken: takenOf(c).filter((r) => r.measureId === c.goal.headline),
    wins: wins.slice(0, shownWins),
    exercises: Object.fromEntries(c.catalogue.map((e) => [e.id, e.name])),
    sessions: { done: days.length, since: days[0] ?? null, lately: attendedLately(c, today, 4) },
    minutes: c.setLogs.reduce((sum, l) => sum + l.actualS, 0) / 60,
    week: openWeek(c).map((e) => e.name),
    sensationCap: capsOf(limitsOf(c)).sensation,
    plan: c.plan
  };
};
