import { goalCaseOr } from '$lib/server/orNotFound';
import { attendedLately, outlooksOf } from '$lib/server/service/forecasting';
import { linksDone, weeksDone, winsOf } from '$lib/server/service/history';
import { takenOf } from '$lib/server/service/taken';
import type { PageServerLoad } from './$types';

const shownWins = 6;

export const load: PageServerLoad = async ({ params, locals: { db, caseOf, memory, today } }) => {
  const c = await memory.withLog(await goalCaseOr(caseOf(Number(params.clientId))));
  return {
    outlooks: await outlooksOf(db, c),
    taken: takenOf(c).filter((r) => r.measureId === c.goal.headline),
    attended: attendedLately(c, today),
    weeks: weeksDone(c),
    links: linksDone(c),
    wins: winsOf(c).slice(0, shownWins),
    exercises: Object.fromEntries(c.catalogue.map((e) => [e.id, e.name]))
  };
};
