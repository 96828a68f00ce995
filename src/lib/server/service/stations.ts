import { sum } from 'd3-array';
import { waitsFor, type Station, type StationId, type StationState, type StationWord } from '$lib/contract/path';
import { daysBetween, isScreeningDue, measureOf, retestEveryDays, screeningVersion, type Clearance } from '$lib/core';
import { openLocks } from '../repo/lockRepo';
import { isCheckPassed, isOpenForWork } from './checking';
import { withGoal, type ClientCase, type GoalCase } from './clientCase';
import { measuresOf, positionReadings } from './reading';
import { verdictsWaiting } from './reviewing';
import { hasBaseline, takenOf } from './taken';

type Counted = Readonly<{ taken: number; all: number }>;

/** What the path stands on: taken from the whole case of one person, or for everybody at once by the list of people. */
export type PathFacts = Readonly<{
  openStops: number;
  /** Nothing closes the person: the check is passed, and no stop is of the whole person. */
  isOpen: boolean;
  isCheckPassed: boolean;
  screening: Readonly<{ clearance: Clearance; takenOn: string; version: string }> | null;
  hasGoal: boolean;
  /** Newest day of the headline in its main mode. */
  headlineOn: string | null;
  /** The headline is there on every side it is taken on. */
  hasBaseline: boolean;
  /** How much of what the goal needs was ever measured; the list of people does without, for it changes nothing that waits. */
  extent: Readonly<{ measures: Counted; links: Counted }> | null;
  /** An exercise is set on both sides. */
  isGraded: boolean;
  planVersion: number | null;
  /** The one that runs, or else the next. */
  session: Readonly<{ status: 'running' | 'planned'; week: number; ordinal: number; on: string }> | null;
  verdictsWait: boolean;
  hasDecisions: boolean;
}>;

/** The facts of one person, from the case. */
export function pathFacts(c: ClientCase): PathFacts {
  const goal = withGoal(c);
  const next = c.sessions.find((s) => s.status === 'running') ?? c.sessions.find((s) => s.status === 'planned');
  return {
    openStops: openLocks(c.locks).length,
    isOpen: isOpenForWork(c),
    isCheckPassed: isCheckPassed(c.screening),
    screening: c.screening,
    hasGoal: c.goal !== null,
    ...headlineFacts(goal),
    isGraded: Object.values(c.settings).some((s) => [s.left, s.right].every((side) => Object.keys(side).length > 0)),
    planVersion: c.plan?.version ?? null,
    session: next
      ? { status: next.status === 'running' ? 'running' : 'planned', week: next.week, ordinal: next.ordinal, on: next.plannedOn }
      : null,
    verdictsWait: goal !== null && verdictsWaiting(goal) > 0,
    hasDecisions: c.decisions.length > 0
  };
}

function headlineFacts(c: GoalCase | null): Pick<PathFacts, 'headlineOn' | 'hasBaseline' | 'extent'> {
  if (!c) return { headlineOn: null, hasBaseline: false, extent: null };
  const [mainMode] = measureOf(c.goal.headline).modes;
  const taken = takenOf(c).filter((r) => r.measureId === c.goal.headline && r.mode === mainMode);
  return {
    headlineOn: taken.at(-1)?.takenOn ?? null,
    hasBaseline: hasBaseline(c),
    extent: extentOf(c)
  };
}

function extentOf(c: GoalCase): NonNullable<PathFacts['extent']> {
  const measures = measuresOf(c, 'full');
  const ever = new Set(takenOf(c).map((r) => r.measureId));
  const readings = positionReadings(c);
  const all = sum(readings, (r) => r.links.length);
  return {
    measures: { taken: measures.filter((id) => ever.has(id)).length, all: measures.length },
    links: { taken: all - sum(readings, (r) => r.neverMeasured.length), all }
  };
}

const station = (id: StationId, state: StationState, word: StationWord): Station => ({ id, state, word });

/** The path of the work: what is done, what is due, what is blocked, and why. */
export function pathOf(f: PathFacts, today: string): Station[] {
  if (!f.hasGoal)
    return [
      checkStation(f, today),
      station('measure', 'due', { code: 'goal first' }),
      ...(['read', 'grade', 'plan', 'practise', 'review'] as const).map((id) => station(id, 'ahead', { code: 'goal first' }))
    ];
  const ahead = (id: StationId) => station(id, 'ahead', { code: 'headline first' });
  return [
    checkStation(f, today),
    measureStation(f, today),
    f.hasBaseline ? readStation(f) : ahead('read'),
    !f.hasBaseline
      ? ahead('grade')
      : f.isGraded
        ? station('grade', 'done', { code: 'both sides set' })
        : station('grade', 'due', { code: 'nothing chosen' }),
    ...sessionStations(f, today)
  ];
}

/** The path of one person. */
export const stationsOf = (c: ClientCase, today: string): Station[] => pathOf(pathFacts(c), today);

function checkStation({ screening, isCheckPassed, openStops }: PathFacts, today: string): Station {
  if (!screening) return station('check', 'due', { code: 'not screened' });
  if (!isCheckPassed)
    return station('check', 'blocked', { code: screening.clearance === 'urgent' ? 'urgent sign' : 'clinician first' });
  if (openStops > 0) return station('check', 'blocked', { code: 'stops open', stops: openStops });
  const { takenOn: on, version } = screening;
  return isScreeningDue(on, version, screeningVersion, today)
    ? station('check', 'due', { code: 'check again', on })
    : station('check', 'done', { code: 'screened', on });
}

function readStation({ extent }: PathFacts): Station {
  if (!extent || extent.links.taken === extent.links.all) return station('read', 'done', { code: 'read' });
  return extent.links.taken === 0
    ? station('read', 'ahead', { code: 'no link measured' })
    : station('read', 'begun', { code: 'some read', ...extent.links });
}

function measureStation({ hasBaseline, headlineOn, extent }: PathFacts, today: string): Station {
  if (!hasBaseline || headlineOn === null) return station('measure', 'due', { code: 'no baseline' });
  const days = daysBetween(headlineOn, today);
  if (days > retestEveryDays) return station('measure', 'due', { code: 'retest', days });
  return extent && extent.measures.taken < extent.measures.all
    ? station('measure', 'begun', { code: 'some measured', ...extent.measures })
    : station('measure', 'done', { code: 'measured', days });
}

function sessionStations(f: PathFacts, today: string): Station[] {
  const plan = !f.isOpen
    ? station('plan', 'blocked', { code: 'cleared first' })
    : !f.hasBaseline
      ? station('plan', 'ahead', { code: 'headline first' })
      : f.planVersion === null
        ? station('plan', 'due', { code: 'no plan' })
        : station('plan', 'done', { code: 'planned', version: f.planVersion });
  const review = f.verdictsWait
    ? station('review', 'due', { code: 'verdicts wait' })
    : f.hasDecisions
      ? station('review', 'done', { code: 'nothing waits' })
      : station('review', 'ahead', { code: 'after the first session' });
  return [plan, practiseStation(f, today), review];
}

function practiseStation({ isOpen, planVersion, session, verdictsWait }: PathFacts, today: string): Station {
  if (!isOpen) return station('practise', 'blocked', { code: 'cleared first' });
  if (planVersion === null || !session)
    return station('practise', 'ahead', { code: planVersion === null ? 'no plan' : 'plan done' });
  if (session.status === 'running') return station('practise', 'due', { code: 'session running' });
  if (verdictsWait) return station('practise', 'ahead', { code: 'verdicts first' });
  const { week, ordinal, on } = session;
  return station('practise', 'due', { code: on < today ? 'session overdue' : 'next session', week, ordinal, on });
}

/** Where the work goes on. */
export const nextStation = (stations: readonly Station[]): StationId => waitsFor(stations)?.id ?? 'review';
