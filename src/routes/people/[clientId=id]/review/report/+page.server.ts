import { capsOf } from '$lib/core';
import { limitsOf } from '$lib/server/service/checking';
import { goalCaseOr } from '$lib/server/orNotFound';
import { dateOf } from '$lib/server/service/clientCase';
import { attendedLately } from '$lib/server/service/forecasting';
import { openWeek } from '$lib/server/service/week';
import { winsOf } from '$lib/server/service/history';
import { endedSessions } from '$lib/server/service/sessionRecords';
import { takenOf } from '$lib/server/service/taken';
import { listPhotos, type Photo } from '$lib/server/repo/photoRepo';
import { photoSeries, takenWith } from '$lib/server/service/photoSeries';
import type { GoalCase } from '$lib/server/service/clientCase';
import type { PageServerLoad } from './$types';

const shownWins = 6;

function picturesOf(c: GoalCase, photos: readonly Photo[]) {
  const series = photoSeries(photos).filter((s) => s.measureId === c.goal.headline && s.photos.length > 1);
  return series.map((s) => {
    const shown = (p: Photo) => ({ ...p, value: takenWith(c, p)?.value ?? null });
    return { key: s.key, side: s.side, before: shown(s.photos[0]!), after: shown(s.photos.at(-1)!) };
  });
}

export const load: PageServerLoad = async ({ params, locals: { db, caseOf, memory, today } }) => {
  const c = await memory.withLog(await goalCaseOr(caseOf(Number(params.clientId))));
  const wins = winsOf(c);
  const days = endedSessions(c).map((s) => dateOf(s.startedAt!));
  return {
    outlooks: await memory.outlooksOf(c),
    /** The first and the last picture of what tells the goal, as far as they can be laid side by side. */
    pictures: picturesOf(c, await listPhotos(db, c.client.id)),
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
