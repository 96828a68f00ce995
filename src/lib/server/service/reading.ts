import { compute } from '$lib/contract/door';
import type { Taken } from '$lib/contract/taken';
import {
  goalOf,
  linkKey,
  measureOf,
  measureSet,
  oncePer,
  otherSide,
  readPosition,
  type LinkValue,
  type PositionReading,
  type Side,
  type Uncertain
} from '$lib/core';
import { legsOf, type GoalCase } from './clientCase';
import { gapOf } from './comparing';
import { comparesKey, latestTaken, takenOf } from './taken';
import { perCase } from './perCase';

const asUncertain = (r: Taken | undefined): Uncertain | null => (r ? { value: r.value, sd: r.levelSd ?? 0 } : null);

const ownKey = oncePer((r: Taken) => comparesKey(r, r.bodyState));
const activeKey = oncePer((r: Taken) => comparesKey({ ...r, mode: 'active' }, r.bodyState));

/** What was known of every link up to a day: the newest passive range, and the active one that was taken like it. */
function linksUpTo(taken: readonly Taken[], until: string): Map<string, LinkValue> {
  const links = new Map<string, LinkValue>();
  const known = taken.filter((r) => r.takenOn <= until);
  const last = new Map(known.map((r) => [ownKey(r), r]));
  for (const passive of known) {
    if (passive.mode !== 'passive') continue;
    const active = last.get(activeKey(passive));
    links.set(linkKey(passive.measureId, passive.side), {
      passive: asUncertain(passive),
      active: asUncertain(active),
      activeGap: active ? gapOf(active, passive) : null
    });
  }
  // A motion measured only by the client's own muscles still tells what is held.
  for (const active of known)
    if (active.mode === 'active' && !links.has(linkKey(active.measureId, active.side)))
      links.set(linkKey(active.measureId, active.side), { passive: null, active: asUncertain(active), activeGap: null });
  return links;
}

/** The legs in front a goal is read for: both where one leads, the goal's own first; none otherwise. */
const leadsOf = ({ goal }: GoalCase): (Side | null)[] =>
  goal.leadSide === null ? [null] : [goal.leadSide, otherSide(goal.leadSide)];

function readFor(c: GoalCase, leadSide: Side | null, until: string, headline: Uncertain | null): PositionReading {
  const ask = {
    goal: goalOf(c.goal.kind),
    demands: c.goal.demands,
    leadSide,
    target: c.goal.target,
    links: linksUpTo(takenOf(c), until),
    legs: legsOf(c.client, leadSide)
  };
  const read = compute(() => readPosition({ ...ask, headline }));
  // A headline that no longer fits the legs, since one was measured anew, says nothing of the links.
  return read.ok ? read.value : readPosition({ ...ask, headline: null });
}

const forever = '9999-12-31';

/** The position read down to its links, once for each leading side. */
export const positionReadings = perCase((c: GoalCase): PositionReading[] =>
  leadsOf(c).map((leadSide) => {
    const headline = measureOf(c.goal.headline);
    const side = headline.sides === 'each' ? leadSide : null;
    const taken = headline.sides === 'each' && side === null ? null : latestTaken(c, headline.id, side, headline.modes[0]!);
    return readFor(c, leadSide, forever, asUncertain(taken ?? undefined));
  })
);

/** What the position showed on a day, and what its links added up to. */
export type UnexplainedPoint = Readonly<{ on: string; openingDeg: number; fromLinksDeg: number; leadSide: Side | null }>;

/** What the links did not explain, each time the position was measured and the links were known. */
export const unexplainedOverTime = perCase((c: GoalCase): UnexplainedPoint[] => {
  const headline = measureOf(c.goal.headline);
  if (goalOf(c.goal.kind).model === 'apart') return [];
  return takenOf(c)
    .filter((r) => r.measureId === headline.id && r.mode === headline.modes[0])
    .flatMap((r): UnexplainedPoint[] => {
      const leadSide = c.goal.leadSide === null ? null : r.side;
      const { openingDeg, openingFromLinksDeg: fromLinksDeg } = readFor(c, leadSide, r.takenOn, asUncertain(r));
      return openingDeg !== null && fromLinksDeg !== null ? [{ on: r.takenOn, openingDeg, fromLinksDeg, leadSide }] : [];
    });
});

/** Ids of the measures of the goal in work: the short set, or all of it. */
export const measuresOf = (c: GoalCase, size: 'short' | 'full'): string[] =>
  measureSet(
    { headline: c.goal.headline, alsoMeasured: goalOf(c.goal.kind).alsoMeasured },
    c.goal.demands,
    positionReadings(c),
    size
  );

/** The full set until every demand was measured once; the short one from then on. */
export const usualSet = (c: GoalCase): 'short' | 'full' =>
  positionReadings(c).some((r) => r.neverMeasured.length > 0) ? 'full' : 'short';
