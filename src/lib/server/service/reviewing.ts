import type { Moment, Proposal } from '$lib/contract/review';
import {
  daysBetween,
  decide,
  deepens,
  dialStates,
  endValues,
  isSore,
  loadsJoint,
  measureOf,
  movedMotions,
  otherSide,
  painPlaceOf,
  partOf,
  progressRules,
  retestEveryDays,
  stretchesLine,
  trainedMotions,
  type Decision,
  type DialId,
  type DialState,
  type Exercise,
  type PainEvent,
  type SessionPart,
  type SessionRecord,
  type Side
} from '$lib/core';
import type { Db } from '../db/db';
import type { Session } from '../repo/sessionRepo';
import { dateOf, isPlanned, withLog, type GoalCase, type LoggedCase } from './clientCase';
import { fullMotions, sessionsOfPlan } from './composing';
import { weakerSide } from './comparing';
import { pieceIn } from './goalsServed';
import { settingOf, sideState, tapeEnds } from './gradeExercise';
import { nextExercise } from './nextExercise';
import { takenOf } from './taken';
import { perCase } from './perCase';
import { gateOf, isHurt } from './safety';
import { endedSessions, isOfVariantNow, limitsOfLastSession, painsIn, recordsOf } from './sessionRecords';

/** Parts in the order in which a link is deepened first: the position, then what opens it, then the active work. */
const decidingOrder: readonly SessionPart[] = ['position', 'open', 'own', 'mobilise', 'warm-up', 'settle'];
const rankIn = (c: GoalCase, e: Exercise) => decidingOrder.indexOf(partOf(pieceIn(c, e)));

/** What was asked about in a session, in the order it is decided on. What left the library since is not decided on any more. */
const plannedIn = (c: GoalCase, session: Session) =>
  session.plannedSets
    .flatMap((planned) => {
      const exercise = c.catalogue.find((e) => e.id === planned.exerciseId);
      // What is only looked at has nothing to be made harder.
      return exercise && !planned.isLookedAt ? [{ exercise, ...planned }] : [];
    })
    // One side after the other, left first, whichever was worked first.
    .toSorted(
      (a, b) => rankIn(c, a.exercise) - rankIn(c, b.exercise) || (a.exercise.id === b.exercise.id ? sideRank(a) - sideRank(b) : 0)
    );
const sideRank = ({ side }: { side: Side | null }) => (side === 'right' ? 1 : 0);
type PlannedIn = ReturnType<typeof plannedIn>[number];

/** Motions a step on one side makes harder: of a position both ends, each on its own leg. */
const motionsOn = ({ exercise, side }: PlannedIn): string[] => movedMotions(exercise, side).map((m) => `${m.motion}/${m.side}`);

/**
 * What to do next, exercise by exercise and side by side, after the session that ended last, and on pain told since it was
 * decided. What is decided already is left out.
 */
export const proposalsOf = perCase((c: LoggedCase): Proposal[] => {
  const session = endedSessions(c).at(-1);
  return session ? [...propose(c, session, 'review'), ...propose(c, session, 'afterwards')] : [];
});

/** How many of these wait for a decision; for that no log is read. */
export function verdictsWaiting(c: GoalCase): number {
  const session = endedSessions(c).at(-1);
  if (!session) return 0;
  const waits = (moment: Moment) => plannedIn(c, session).filter((planned) => isUndecided(c, session, planned, moment)).length;
  return waits('review') + waits('afterwards');
}

/** Whether something of a session is decided on at this moment, and was not yet. */
const isUndecided = (c: GoalCase, session: Session, planned: PlannedIn, moment: Moment): boolean =>
  madeOn(c, session, planned).every((d) => d.moment !== moment) &&
  isOpenAt(c, session, planned, moment) &&
  isOfVariantNow(c, session, planned.exerciseId, planned.side);

const madeOn = (c: GoalCase, session: Session, { exerciseId, side }: PlannedIn) =>
  c.decisions.filter((d) => d.sessionId === session.id && d.exerciseId === exerciseId && d.side === side);

/** Steps back that a pause asks for before the next session begins. */
export async function pendingResume(db: Db, c: GoalCase): Promise<Proposal[]> {
  const session = endedSessions(c).at(-1);
  // Nobody was away so long that a pause could be told: no log is read for it.
  if (!session || daysBetween(dateOf(session.startedAt!), c.today) < progressRules.missedDays) return [];
  return propose(await withLog(db, c), session, 'resume').filter((p) => p.rule === 'pause' && p.verdict === 'ease');
}

/**
 * What is proposed of a session, in its order. A motion is made harder once a day: what was made harder longest ago, or never, has its turn
 * first, so that what stands late in a session is not always forestalled.
 */
function propose(c: LoggedCase, session: Session, moment: Moment): Proposal[] {
  const all = plannedIn(c, session);
  const isOpen = (planned: PlannedIn) => isUndecided(c, session, planned, moment);
  const decided = all.filter((p) => !isOpen(p) && madeOn(c, session, p).some((d) => d.verdict === 'deepen'));
  const deepened = new Set<string>(decided.flatMap(motionsOn));
  const lastOn = ({ exercise }: PlannedIn) =>
    c.decisions.findLast((d) => d.exerciseId === exercise.id && d.verdict === 'deepen')?.decidedOn ?? '';
  const inTurn = all.filter(isOpen).toSorted((a, b) => lastOn(a).localeCompare(lastOn(b)));
  const made = inTurn.map((planned): readonly [PlannedIn, Proposal] => {
    const { exercise, side } = planned;
    const motions = motionsOn(planned);
    const history = recordsOf(c, exercise.id, side);
    const linkDeepenedToday = motions.some((m) => deepened.has(m));
    const shared = sharedPains(c, session, planned);
    const { decision, dials } = decideOne(c, planned, { history, linkDeepenedToday, moment, shared });
    if (decision.verdict === 'deepen') motions.forEach((m) => deepened.add(m));
    const named = { exerciseId: exercise.id, exerciseName: exercise.name, side };
    const isAtEnd = decision.because.some((why) => why.code === 'all at their end');
    const next = isAtEnd ? nextExercise(c, exercise) : null;
    return [planned, { ...decision, ...named, dials, sessionId: session.id, moment, next }];
  });
  return made.toSorted(([a], [b]) => all.indexOf(a) - all.indexOf(b)).map(([, proposal]) => proposal);
}

/** Of pain told later only that is decided on which came after the decision on its session. */
function isOpenAt(c: GoalCase, session: Session, { exerciseId, side }: PlannedIn, moment: Moment): boolean {
  if (moment !== 'afterwards') return true;
  const before = c.decisions.find(
    (d) => d.sessionId === session.id && d.moment === 'review' && d.exerciseId === exerciseId && d.side === side
  );
  return before !== undefined && painsIn(c, session.id, exerciseId, side).some((p) => isSore(p) && p.toldAt > before.decidedAt);
}

/** Pains of a session told in other exercises that this one bears on too: the same joint, or the same line. */
function sharedPains(c: GoalCase, session: Session, { exercise, side }: PlannedIn) {
  const bearsOn = ({ place, side: at }: PainEvent) => {
    const { joint, lines } = painPlaceOf(place);
    return (
      (joint !== null && loadsJoint(exercise, side, { joint, side: at })) ||
      lines.some((line) => stretchesLine(exercise, side, { line, side: at }))
    );
  };
  return c.pains.flatMap((pain) =>
    pain.sessionId === session.id && pain.exerciseId !== null && pain.exerciseId !== exercise.id && isHurt(pain) && bearsOn(pain)
      ? [{ pain, exerciseName: c.catalogue.find((e) => e.id === pain.exerciseId)?.name ?? 'another exercise' }]
      : []
  );
}

type Asked = Readonly<{
  history: readonly SessionRecord[];
  linkDeepenedToday: boolean;
  moment: Moment;
  shared: ReturnType<typeof sharedPains>;
}>;

function decideOne(
  c: GoalCase,
  { exercise, side, dials: moved }: PlannedIn,
  { history, linkDeepenedToday, moment, shared }: Asked
): { decision: Decision; dials: DialState[] } {
  const at = side ?? 'left';
  const { setting, rungs, measured } = sideState(c, exercise, at);
  const gated = gateOf(c, exercise, side, setting, measured, limitsOfLastSession(c));
  const dials = dialStates(exercise, setting, { rungs, ends: endValues(gated) }).filter((d) => moved?.includes(d.id) ?? true);
  const lastOn = headlineOn(c, side);
  const steps = (s: Side | null) => c.decisions.filter((d) => d.exerciseId === exercise.id && d.side === s);
  const net = (s: Side | null) =>
    steps(s).filter((d) => d.verdict === 'deepen').length - steps(s).filter((d) => d.verdict === 'ease').length;
  const deeper = (dial: DialId | null) => exercise.dials.some((d) => d.id === dial && deepens(d));
  const decision = decide({
    prescription: {
      exercise,
      dials,
      sensationCap: gated.caps.sensation,
      sessionsPerWeek: c.plan?.sessionsPerWeek ?? c.client.sessionsPerWeek
    },
    side,
    history,
    measures: {
      lastOn,
      retestEveryDays,
      tape: tapeEnds(c, exercise, side),
      isFull: isWeekFull(c, exercise, side),
      deepeningsSince: steps(side).filter(
        (d) => d.verdict === 'deepen' && deeper(d.dial) && lastOn !== null && d.decidedOn > lastOn
      ).length
    },
    gated,
    moment,
    shared,
    ...(side !== null && {
      otherSide: {
        isWeaker: weakerSide(c) !== otherSide(side),
        stepsAhead: net(side) - net(otherSide(side)),
        at: settingOf(c, exercise, otherSide(side))
      }
    }),
    linkDeepenedToday,
    today: c.today
  });
  return { decision, dials };
}

/** True where the weeks to come stretch a motion that an exercise trains for as long as is let. */
function isWeekFull(c: GoalCase, exercise: Exercise, side: Side | null): boolean {
  if (!isPlanned(c) || partOf(pieceIn(c, exercise)) === 'own') return false;
  const full = fullMotions(c);
  return trainedMotions(exercise, side).some((m) => full.has(`${m.motion}/${m.side}`));
}

/** When the headline of the goal was measured last, on a side where it has sides. */
function headlineOn(c: GoalCase, side: Side | null): string | null {
  const { id, modes } = measureOf(c.goal.headline);
  const taken = takenOf(c).filter((r) => r.measureId === id && r.mode === modes[0]);
  return taken.findLast((r) => side === null || r.side === null || r.side === side)?.takenOn ?? null;
}

/** Sessions done of those that were due by today, in the plan in force. */
export function attendanceOf(c: GoalCase): { done: number; due: number } {
  const ofPlan = sessionsOfPlan(c);
  const ended = ofPlan.filter((s) => s.status === 'done' || s.status === 'stopped').length;
  const due = ofPlan.filter((s) => s.plannedOn < c.today || s.status !== 'planned').length;
  return { done: ended, due: Math.max(due, ended) };
}
