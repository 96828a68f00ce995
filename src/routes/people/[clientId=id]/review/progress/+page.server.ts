import { goalCaseOr } from '$lib/server/orNotFound';
import { attendedLately, headlineSides } from '$lib/server/service/forecasting';
import { linksDone, weeksDone, winsOf } from '$lib/server/service/history';
import { pointOf, rowOf, takenOf } from '$lib/server/service/taken';
import type { PageServerLoad } from './$types';

const shownWins = 6;
/** Measures of a side that the table begins with. */
const shownMeasures = 12;

export const load: PageServerLoad = async ({ params, url, locals: { caseOf, memory, today } }) => {
  const c = await memory.withLog(await goalCaseOr(caseOf(Number(params.clientId))));
  const taken = takenOf(c).filter((r) => r.measureId === c.goal.headline);
  return {
    outlooks: await memory.outlooksOf(c),
    taken: taken.map(pointOf),
    /** The newest of each side, all of them on asking. */
    rows: headlineSides(c).flatMap((side) => {
      const ofSide = taken.filter((r) => r.side === side);
      return (url.searchParams.get('measures') === 'all' ? ofSide : ofSide.slice(-shownMeasures)).map(rowOf);
    }),
    attended: attendedLately(c, today),
    weeks: weeksDone(c),
    links: linksDone(c),
    wins: winsOf(c).slice(0, shownWins),
    exercises: Object.fromEntries(c.catalogue.map((e) => [e.id, e.name]))
  };
};
