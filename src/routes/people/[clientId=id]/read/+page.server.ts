import type { Taken } from '$lib/contract/taken';
import {
  endStopOf,
  measureOf,
  motionIds,
  motionOfDemand,
  reachKey,
  reasonText,
  sides,
  type MeasureMode,
  type Side
} from '$lib/core';
import type { BodyState } from '$lib/contract/fields';
import { goalCaseOr } from '$lib/server/orNotFound';
import { compareActive, compareSides } from '$lib/server/service/comparing';
import { hasBaseline, latestTaken, pointOf, takenOf } from '$lib/server/service/taken';
import { frontSplitGap, takenSplits } from '$lib/server/service/takenSplit';
import type { GoalCase } from '$lib/server/service/clientCase';

import { safetyOf } from '$lib/server/service/safety';
import { positionReadings, unexplainedOverTime } from '$lib/server/service/reading';
import type { PageServerLoad } from './$types';

/** The newest reading of the headline on one side, with what it is told beside. */
function figureOf(c: GoalCase, side: Side | null, mode: MeasureMode) {
  const latest = latestTaken(c, c.goal.headline, side, mode);
  const alike = (r: Taken) =>
    r.measureId === c.goal.headline && r.side === side && r.mode === mode && r.bodyState === latest?.bodyState;
  const first = takenOf(c).find(alike);
  return { latest, first: first && first.occasionId !== latest?.occasionId ? first : null };
}

/** The state of the body the headline was taken in most often. */
function mostTakenState(taken: readonly Taken[]): BodyState {
  const count = (state: BodyState) => taken.filter((r) => r.bodyState === state).length;
  return (['cold', 'warm', 'after'] as const).toSorted((a, b) => count(b) - count(a))[0]!;
}

/** The end stops that bear on the goal, each with what was measured of it. */
function endStopsOf(c: GoalCase): string[] {
  const person = safetyOf(c);
  return c.goal.demands.flatMap(({ measure }) =>
    motionIds
      .filter((m) => m === motionOfDemand(measure))
      .flatMap((motion) =>
        sides.flatMap((side) => {
          const limit = endStopOf(person.limits, motion, side);
          return limit
            ? [reasonText({ code: 'end stop', limit, side, deg: person.reachedDeg[reachKey(motion, side)] ?? null })]
            : [];
        })
      )
  );
}

export const load: PageServerLoad = async ({ params, locals: { caseOf } }) => {
  const c = await goalCaseOr(caseOf(Number(params.clientId)));
  const headline = measureOf(c.goal.headline);
  const places: readonly (Side | null)[] = headline.sides === 'each' ? sides : [null];
  const [mainMode] = headline.modes;
  const ofHeadline = takenOf(c).filter((r) => r.measureId === headline.id);
  // One state alone can be followed: the one measured most.
  const followed = mostTakenState(ofHeadline);
  return {
    baseline: hasBaseline(c),
    figures: places.map((side) => ({
      side,
      ...figureOf(c, side, mainMode!),
      held: headline.modes.length > 1 ? latestTaken(c, headline.id, side, 'active') : null,
      activeGap: headline.modes.length > 1 ? compareActive(ofHeadline, side) : null,
      openingDeg:
        headline.id === frontSplitGap
          ? (takenSplits(c).findLast((r) => r.side === side && r.mode === 'passive')?.openingDeg ?? null)
          : null
    })),
    sidesCompared: headline.sides === 'each' ? compareSides(ofHeadline, mainMode!) : null,
    readings: positionReadings(c),
    endStops: endStopsOf(c),
    unexplained: unexplainedOverTime(c),
    history: ofHeadline.filter((r) => r.mode === mainMode && r.bodyState === followed).map(pointOf)
  };
};
