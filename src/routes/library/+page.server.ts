import { queryOf, type LibraryQuery } from '$lib/contract/libraryQuery';
import { chainsOf, everywhere, findExercises, goalOf } from '$lib/core';
import { barBrief, barsOf } from '$lib/server/service/safety';
import { listRemovedExercises } from '$lib/server/repo/exerciseRepo';
import { listProps } from '$lib/server/repo/propRepo';
import { kindsOn } from '$lib/server/service/shelf';
import { loadCatalogue } from '$lib/server/service/library';
import { takenOutSince } from '$lib/server/repo/takenOut';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ url, parent, locals: { db, caseOf, now } }) => {
  const query = queryOf(url);
  const catalogue = await loadCatalogue(db);
  const { forClient } = await parent();
  const c = forClient && (await caseOf(forClient.id));
  const kindsOf = async (hand: NonNullable<LibraryQuery['hand']>) =>
    hand === 'none' ? [] : kindsOn(hand === 'home' ? (c?.homeShelf ?? []) : await listProps(db));
  const found = findExercises(catalogue, {
    text: query.q,
    link: query.link,
    position: query.position,
    phase: query.phase,
    goal: query.goal === undefined ? undefined : goalOf(query.goal),
    atHand: query.hand && new Set([...(await kindsOf(query.hand)), ...everywhere]),
    publicOnly: query.public === 'on'
  });
  const ids = new Set(found.map((e) => e.id));
  const brief = found
    .map((e) => ({ ...e, barred: c ? barBrief(c, e) : '' }))
    .map(({ barred, id, name, family, links, position, phases, kinds, sides, privatePlace, pose, path }) => ({
      id,
      name,
      family,
      links,
      position,
      phases,
      kinds,
      sides,
      privatePlace,
      pose,
      path,
      barred
    }));
  const rows = query.view === 'rows' ? chainsOf(catalogue).filter((row) => row.some((id) => ids.has(id))) : [];
  const named = new Map(catalogue.map((e) => [e.id, { id: e.id, name: e.name, pose: e.pose, path: e.path }]));
  const barredIds = new Set(c ? catalogue.filter((e) => barsOf(c, e).length > 0).map((e) => e.id) : []);
  return {
    query,
    removed: await listRemovedExercises(db, takenOutSince(now)),
    found: brief,
    total: catalogue.length,
    rows: rows.map((row) => row.map((id) => ({ ...named.get(id)!, isFound: ids.has(id), isBarred: barredIds.has(id) })))
  };
};
