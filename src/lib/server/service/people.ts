import { isCleared } from '$lib/core';
import type { Person } from '../repo/peopleRepo';
import type { PathFacts } from './stations';
import { hasEverySide } from './taken';

/** What the path of a person stands on, from a row of the list of people. */
export function pathFactsOf(p: Person): PathFacts {
  const isCheckPassed = p.screening !== null && isCleared(p.screening.clearance, p.screening.clearedBy);
  const taken = (
    [
      ['left', p.values.left],
      ['right', p.values.right],
      [null, p.values.both]
    ] as const
  ).flatMap(([side, value]) => (value === null ? [] : [side]));
  return {
    openStops: p.openStops,
    isOpen: isCheckPassed && p.personStops === 0,
    isCheckPassed,
    screening: p.screening,
    hasGoal: p.goal !== null,
    headlineOn: p.measuredOn,
    hasBaseline: p.goal !== null && hasEverySide(p.goal.headline, taken),
    extent: null,
    isGraded: p.isGraded,
    planVersion: p.planVersion,
    session: p.session,
    verdictsWait: p.verdictsWait,
    hasDecisions: p.hasDecisions
  };
}
