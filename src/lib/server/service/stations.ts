import { daysBetween, retestEveryDays, sides } from '$lib/core';
import { openLocks } from '../repo/lockRepo';
import { isOpenForWork } from './checking';
import { type ClientCase, type GoalCase } from './clientCase';
import { splitExerciseId } from './grading';
import { hasBaseline, readingsOf } from './measuring';
import { proposalsOf } from './reviewing';

export const stationIds = ['check', 'measure', 'read', 'grade', 'plan', 'practise', 'review'] as const;
export type StationId = (typeof stationIds)[number];
export type StationState = 'done' | 'due' | 'blocked' | 'ahead';
export type Station = Readonly<{ id: StationId; state: StationState; why: string }>;

const hasGoal = (c: ClientCase): c is GoalCase => c.goal !== null;

/** The path of the work for one client: what is done, what is due, what is blocked, and why. */
export function stationsOf(c: ClientCase, today: string): Station[] {
  return [
    checkStation(c),
    ...(hasGoal(c)
      ? workStations(c, today)
      : stationIds.slice(1).map((id): Station => ({ id, state: 'ahead', why: 'Set a goal first.' })))
  ];
}

function checkStation(c: ClientCase): Station {
  const { screening } = c;
  const locks = openLocks(c.locks).length;
  if (!screening) return { id: 'check', state: 'due', why: 'Not screened yet.' };
  if (!isOpenForWork(c))
    return {
      id: 'check',
      state: 'blocked',
      why: screening.clearance === 'urgent' ? 'An urgent sign: medical help first.' : 'A clinician first.'
    };
  if (locks > 0) return { id: 'check', state: 'blocked', why: locks === 1 ? 'A stop is open.' : `${locks} stops are open.` };
  return { id: 'check', state: 'done', why: `Screened on ${screening.takenOn}.` };
}

function workStations(c: GoalCase, today: string): Station[] {
  const readings = readingsOf(c);
  const baseline = hasBaseline(readings);
  const open = isOpenForWork(c);
  const lastOn = readings.at(-1)?.takenOn ?? null;
  const days = lastOn === null ? null : daysBetween(lastOn, today);
  const graded = sides.every((s) => c.settings[splitExerciseId]?.[s]?.depthCm !== undefined);
  const next = c.sessions.find((s) => s.status === 'running') ?? c.sessions.find((s) => s.status === 'planned');
  const waiting = proposalsOf(c, today).length;
  const station = (id: StationId, state: StationState, why: string): Station => ({ id, state, why });
  const notYet = 'Both sides are measured first.';

  const measure =
    days === null || !baseline
      ? station('measure', 'due', 'No baseline of both sides yet.')
      : days > retestEveryDays
        ? station('measure', 'due', `Last measured ${days} days ago.`)
        : station('measure', 'done', days === 0 ? 'Measured today.' : `Measured ${days} days ago.`);

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
    measure,
    station('read', baseline ? 'done' : 'ahead', baseline ? 'Figures of both sides.' : notYet),
    baseline
      ? station('grade', graded ? 'done' : 'due', graded ? 'Both stacks are chosen.' : 'No stack chosen yet.')
      : station('grade', 'ahead', notYet),
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
export const nextStation = (stations: readonly Station[]): StationId =>
  stations.find((s) => s.state === 'due' || s.state === 'blocked')?.id ?? 'review';
