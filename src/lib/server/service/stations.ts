import { daysBetween, retestEveryDays, sides, type Side } from '$lib/core';
import { openLocks } from '../repo/lockRepo';
import { isCheckDue, isOpenForWork } from './checking';
import { withGoal, withSplit, type ClientCase, type GoalCase, type SplitCase } from './clientCase';
import { weekOf } from './week';
import { hasBaseline, takenOf } from './taken';
import { proposalsOf } from './reviewing';

export const stationIds = ['check', 'measure', 'read', 'grade', 'plan', 'practise', 'review'] as const;
export type StationId = (typeof stationIds)[number];
/** 'closed': this goal has nothing there. */
export type StationState = 'done' | 'due' | 'blocked' | 'ahead' | 'closed';
export type Station = Readonly<{ id: StationId; state: StationState; why: string }>;

const station = (id: StationId, state: StationState, why: string): Station => ({ id, state, why });

/** The path of the work for one client: what is done, what is due, what is blocked, and why. */
export function stationsOf(c: ClientCase, today: string): Station[] {
  const goalCase = withGoal(c);
  if (!goalCase) return [checkStation(c, today), ...stationIds.slice(1).map((id) => station(id, 'ahead', 'Set a goal first.'))];
  const split = withSplit(c);
  const baseline = hasBaseline(goalCase);
  return [
    checkStation(c, today),
    measureStation(goalCase, baseline, today),
    station('read', baseline ? 'done' : 'ahead', baseline ? 'Read down to its links.' : notYet),
    gradeStation(goalCase, baseline),
    ...(split
      ? splitStations(split, baseline)
      : stationIds.slice(4).map((id) => station(id, 'closed', 'Plans and sessions are made for the front split.')))
  ];
}

const notYet = 'The headline is measured first.';

function checkStation(c: ClientCase, today: string): Station {
  const { screening } = c;
  const locks = openLocks(c.locks).length;
  if (!screening) return station('check', 'due', 'Not screened yet.');
  if (!isOpenForWork(c))
    return station(
      'check',
      'blocked',
      screening.clearance === 'urgent' ? 'An urgent sign: medical help first.' : 'A clinician first.'
    );
  if (locks > 0) return station('check', 'blocked', locks === 1 ? 'A stop is open.' : `${locks} stops are open.`);
  if (isCheckDue(c, today)) return station('check', 'due', `Asked on ${screening.takenOn}: time to ask again.`);
  return station('check', 'done', `Screened on ${screening.takenOn}.`);
}

function measureStation(c: GoalCase, baseline: boolean, today: string): Station {
  const last = takenOf(c).findLast((r) => r.measureId === c.goal.headline);
  if (!last || !baseline) return station('measure', 'due', 'No baseline of the headline yet.');
  const days = daysBetween(last.takenOn, today);
  if (days > retestEveryDays) return station('measure', 'due', `Last measured ${days} days ago.`);
  return station('measure', 'done', days === 0 ? 'Measured today.' : `Measured ${days} days ago.`);
}

/** What the goal itself stands on is chosen first; the other exercises of the week follow. */
function gradeStation(c: GoalCase, baseline: boolean): Station {
  if (!baseline) return station('grade', 'ahead', notYet);
  const position = weekOf(c).find((w) => w.exercise.positionOf.includes(c.goal.kind))?.exercise ?? weekOf(c)[0]?.exercise;
  const stack = position?.dials.find((d) => d.stack)?.id;
  const set = (side: Side) => {
    const kept = position && c.settings[position.id]?.[side];
    return stack ? kept?.[stack] !== undefined : kept !== undefined && Object.keys(kept).length > 0;
  };
  const graded = sides.every(set);
  return station('grade', graded ? 'done' : 'due', graded ? 'Both sides are set.' : 'Nothing chosen yet.');
}

function splitStations(c: SplitCase, baseline: boolean): Station[] {
  const open = isOpenForWork(c);
  const next = c.sessions.find((s) => s.status === 'running') ?? c.sessions.find((s) => s.status === 'planned');
  const waiting = proposalsOf(c).length;

  const practise = !open
    ? station('practise', 'blocked', 'Cleared by a named person first.')
    : !c.plan || !next
      ? station('practise', 'ahead', c.plan ? 'Every session of the plan is done.' : 'There is no plan yet.')
      : next.status === 'running'
        ? station('practise', 'due', 'A session is running.')
        : waiting > 0
          ? station('practise', 'ahead', 'Decide the last session first.')
          : station('practise', 'due', `Week ${next.week}, session ${next.ordinal} is next.`);

  return [
    !open
      ? station('plan', 'blocked', 'Cleared by a named person first.')
      : !baseline
        ? station('plan', 'ahead', notYet)
        : station('plan', c.plan ? 'done' : 'due', c.plan ? `Version ${c.plan.version}.` : 'No plan yet.'),
    practise,
    waiting > 0
      ? station('review', 'due', `${waiting} verdicts wait for you.`)
      : station(
          'review',
          c.decisions.length > 0 ? 'done' : 'ahead',
          c.decisions.length > 0 ? 'Nothing waits.' : 'After the first session.'
        )
  ];
}

/** Where the work goes on: the first station that waits for something. */
export function nextStation(stations: readonly Station[]): StationId {
  const open = stations.filter((s) => s.state !== 'closed');
  return open.find((s) => s.state === 'due' || s.state === 'blocked')?.id ?? open.at(-1)?.id ?? 'review';
}
