import { goalCaseOr } from '$lib/server/orNotFound';
import { attendedLately, outlooksOf } from '$lib/server/service/forecasting';
import { takenOf } from '$lib/server/service/taken';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, locals: { db, caseOf, today } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  return {
    outlooks: await outlooksOf(db, c),
    taken: takenOf(c).filter((r) => r.measureId === c.goal.headline),
    attended: attendedLately(c, today),
    verdicts: c.decisions
      .filter((d) => d.verdict === 'deepen' || d.verdict === 'stop')
      .map(({ decidedOn, verdict, side }) => ({ decidedOn, verdict, side }))
  };
};
