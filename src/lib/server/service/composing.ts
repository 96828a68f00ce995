import { group } from 'd3-array';
import { compute } from '$lib/contract/door';
import type { ChosenSession, SessionView, WeekNoteTold, WeekView } from '$lib/contract/plan';
import {
  CoreError,
  doseByLink,
  easyWeeksOf,
  exercises,
  fittedSession,
  lackedBy,
  mendOf,
  minutesNotes,
  phasesJoined,
  recipePlaces,
  rungsIn,
  weekFlags,
  isRetestWeek,
  motionOfDemand,
  schoolOf,
  shareOf,
  smallCurve,
  stretchMostOf,
  sessionComposer,
  timelineOf,
  uncutSession,
  weekNotes,
  weekNoteText,
  weekAmount,
  weekStepTexts,
  type Block,
  type FindName,
  type LinkId,
  type Place,
  type PlanWishes,
  type Policies,
  type School,
  type SchoolId,
  type StretchMost,
  type WeekOutline,
  type WeekWork
} from '$lib/core';
import type { Db } from '../db/db';
import type { Plan } from '../repo/planRepo';
import { listPrescribed, type Prescribed, type Session } from '../repo/sessionRepo';
import { breathOf, type ClientCase, type GoalCase, type PlannedCase } from './clientCase';
import { tighterSideOf, weakerSide } from './comparing';
import { demandedLinks, goalsServed, pieceIn, type Served } from './goalsServed';
import { homeState, sideState } from './gradeExercise';
import { exchangesOf } from './nextExercise';
import { perCase } from './perCase';
import { positionReadings } from './reading';
import { safetyOf } from './safety';
import { hardYesterday } from './sessionRecords';
import { kindsOn } from './shelf';
import { openWeek, plainChoice, standInsAtHome, weekOf } from './week';

const shipped = new Set(exercises.map((e) => e.id));

/** The week as sessions are built from it, in a place. Of the schools the nearest counts: the exercise's own, the person's, the plan's. */
function weekWork(c: GoalCase, planSchool: SchoolId, served: readonly Served[], place: Place = 'studio'): WeekWork[] {
  const places = recipePlaces(recipesServed(served, planSchool));
  const state = place === 'home' ? homeState : sideState;
  const atHome = kindsOn(c.homeShelf);
  const also = place === 'home' ? standInsIn(c, planSchool, served) : [];
  return [...weekOf(c).map((w) => ({ ...w, standsFor: undefined })), ...also].map(
    ({ exercise, schoolId, choice, standsFor }) => ({
      standsFor,
      exercise: pieceIn(c, exercise),
      cycles: choice.cycles,
      lifts: choice.lifts,
      // Of an own exercise it may have been taken out again.
      variant: exercise.variants.includes(choice.variant ?? '') ? choice.variant : null,
      school: schoolOf(schoolId ?? planSchool),
      rules: chosenRules(schoolOf(schoolId ?? planSchool), { ...c.client.policies, ...choice.policies }),
      isOwn: !shipped.has(exercise.id),
      place: places.get(exercise.id),
      effect: effectOf(c, exercise.id),
      ...(place === 'home' && { lacks: lackedBy(exercise, atHome) }),
      states: { left: state(c, exercise, 'left'), right: state(c, exercise, 'right') }
    })
  );
}

/** Whose recipes a plan follows. */
const recipesServed = (served: readonly Served[], school: SchoolId) =>
  served.map(({ of }) => ({ goal: of.goal.kind, stage: of.goal.stage, school }));

const standInsIn = (c: GoalCase, planSchool: SchoolId, served: readonly Served[]) =>
  standInsAtHome(
    c,
    planSchool,
    served.map((s) => s.of)
  ).map(({ exercise, standsFor }) => ({
    exercise,
    schoolId: c.client.schoolId,
    choice: plainChoice(exercise.id),
    standsFor: standsFor.id
  }));

/** Returns the rules somebody chose that the school does not have anyway. */
const chosenRules = ({ policies }: School, chosen: Partial<Policies>): Partial<Policies> => ({
  ...(chosen.alignment && chosen.alignment !== policies.alignment && { alignment: chosen.alignment }),
  ...(chosen.hands && chosen.hands !== policies.hands && { hands: chosen.hands }),
  ...(chosen.time && chosen.time !== policies.time && { time: chosen.time })
});

const hasHomeSessions = (sessions: PlanWishes['sessions']): boolean => Object.values(sessions).some((s) => s.atHome);

/** The same week at home; nothing of its own where no session of the plan is there. */
export const homeWeek = (
  c: GoalCase,
  planSchool: SchoolId,
  sessions: PlanWishes['sessions'],
  served = goalsServed(c)
): Readonly<{ homeWeek?: WeekWork[] }> =>
  hasHomeSessions(sessions) ? { homeWeek: weekWork(c, planSchool, served, 'home') } : {};

const effectOf = (c: ClientCase, exerciseId: string) => c.notes.find((n) => n.exerciseId === exerciseId)?.effect;

/** The links of the goals, those of the first before the others and what limits it most first; as goals name them where nothing is measured yet. */
function limitingLinks(served: readonly Served[]): LinkId[] {
  const read = (of: GoalCase) => positionReadings(of).flatMap((r) => r.links.filter((l) => l.givesDeg > 0).map((l) => l.measure));
  return [...new Set(served.flatMap((s) => [...read(s.of).flatMap((m) => motionOfDemand(m) ?? []), ...demandedLinks([s])]))];
}

/** What every session of this client is made from, whatever the week. */
export const blocksBase = (c: GoalCase, planSchool: SchoolId, served = goalsServed(c)) => ({
  week: weekWork(c, planSchool, served),
  rungs: rungsIn(
    recipesServed(served, planSchool),
    weekOf(c).map((w) => w.exercise.id),
    c.catalogue
  ),
  level: c.client.level,
  leadSide: c.goal.leadSide ?? ('left' as const),
  weakerSide: weakerSide(c),
  tighterSide: tighterSideOf(c),
  limiting: limitingLinks(served),
  breathS: breathOf(c),
  person: safetyOf(c),
  today: c.today
});

type PlannedSession = Pick<Session, 'week' | 'phase' | 'easy' | 'light' | 'allotment' | 'place'>;

/** How much of the usual work a session of the plan holds. */
const amountOf = ({ plan }: PlannedCase, session: Pick<Session, 'week' | 'phase' | 'easy'>) =>
  weekAmount(session, plan.wishes.joinedInWeek);

const sessionAsk = (c: PlannedCase, session: PlannedSession) => ({
  ...blocksBase(c, c.plan.schoolId),
  ...(session.place === 'home' && { week: weekWork(c, c.plan.schoolId, goalsServed(c), session.place) }),
  phase: session.phase,
  amount: amountOf(c, session),
  light: session.light,
  allotment: session.allotment,
  minutes: c.plan.minutes
});

/**
 * One session with today's settings, as it is arranged, cut to the minutes. What was worked hard yesterday is not worked hard today, whatever
 * was planned: who came a day late would else train it on two days running.
 */
export const prepareSession = (c: PlannedCase, session: PlannedSession & Pick<Session, 'arranged'>) =>
  fittedSession({ ...sessionAsk(c, session), rested: new Set(hardYesterday(c)) }, session.arranged ?? undefined);

/** One session as it is arranged, whatever was done yesterday. */
export const arrangedAs = (c: PlannedCase, session: PlannedSession & Pick<Session, 'arranged'>) =>
  fittedSession(sessionAsk(c, session), session.arranged ?? undefined);

/** Everything a session could hold, for whoever arranges it; what the plan does on other days of the week is named. */
export function openSession(c: PlannedCase, session: PlannedSession) {
  const elsewhere = new Set(session.allotment?.filter((a) => a.sets === 0).map((a) => a.exerciseId));
  return { ...uncutSession({ ...sessionAsk(c, session), putIn: elsewhere }), elsewhere };
}

/** Sessions of the plan in force and of the versions it goes on from, in their order. */
export const sessionsOfPlan = (c: ClientCase): Session[] =>
  c.sessions
    .filter((s) => s.lineId === c.plan?.lineId && (s.status !== 'planned' || s.planId === c.plan.id))
    .toSorted((a, b) => a.week - b.week || a.ordinal - b.ordinal || a.id - b.id);

/** The plan in force as it would run with today's settings; sessions that were done with how long they took. */
export const planView = perCase((c: PlannedCase): readonly WeekView[] =>
  Array.from({ length: c.plan.weeks }, (_, i) => weekView(c, i + 1))
);

type Outline = Omit<WeekView, 'steps' | 'notes'> & Readonly<{ share: number }>;

/** What the sessions of a plan are made with, whichever is asked for; each is made once. */
const composerOf = perCase((c: PlannedCase) => {
  const { plan } = c;
  const compose = sessionComposer({
    ...blocksBase(c, plan.schoolId),
    ...homeWeek(c, plan.schoolId, plan.wishes.sessions),
    minutes: plan.minutes
  });
  const rows = group(sessionsOfPlan(c), (s) => s.week);
  const phases = phasesJoined(plan.weeks, plan.wishes.joinedInWeek, easyWeeksOf(plan.weeks, plan.wishes));
  const curveOf = perCase((shown: Pick<Prescribed, 'blocks' | 'options'>) => smallCurve(timelineOf(shown).phases));
  // Sessions of one kind have one curve: it is sent once.
  const curves = new Map<string, SessionView['curve']>();
  const once = (curve: SessionView['curve']) => {
    const key = JSON.stringify(curve);
    return curves.get(key) ?? (curves.set(key, curve), curve);
  };
  const viewOf = (row: Session): SessionView => {
    const { light, allotment, arranged, place } = row;
    const at = whereOf(row);
    // What was done is not composed anew: what it was stands with it.
    if (row.status !== 'planned') {
      const { durationS, curve } = row.outline ?? { durationS: 0, curve: [] };
      return { ...nothingGiven, ...at, durationS, curve: once(curve) };
    }
    // One that was arranged and does not fit any more is told where it would begin; the plan goes on with the usual.
    const byHand = arranged && compute(() => arrangedAs(c, row));
    const shown = byHand?.ok ? byHand.value : compose({ phase: row.phase, amount: amountOf(c, row), light, place }, allotment);
    return { ...shown, ...at, curve: once(curveOf(shown)) };
  };
  const weekOfViews = (number: number, view = viewOf): Outline => {
    const ofWeek = rows.get(number) ?? [];
    const easy = ofWeek.some((s) => s.easy);
    const share = ofWeek[0] ? shareOf(amountOf(c, ofWeek[0]), c.client.level) : 1;
    return { week: number, phase: phases[number - 1]!, easy, share, retest: isRetestWeek(number), sessions: ofWeek.map(view) };
  };
  const known = new Map<number, Outline>();
  const outlineOf = (number: number): Outline => {
    const made = known.get(number) ?? weekOfViews(number);
    known.set(number, made);
    return made;
  };
  return { phases, viewOf, weekOfViews, outlineOf };
});

const whereOf = (row: Session) => {
  const { id, ordinal, plannedOn: on, status, endedAt: doneOn, beginsAt, theme, week, place, light, allotment } = row;
  return { week, ordinal, on, place, beginsAt, theme, light, id, status, doneOn, allotment: allotment ?? [] };
};

/** A week of it; of the sessions in `given` with all they were given. */
function weekView(c: PlannedCase, number: number, given: ReadonlyMap<number, Prescribed> = new Map()): WeekView {
  const { plan } = c;
  const { phases, viewOf, weekOfViews, outlineOf } = composerOf(c);
  const asGiven = (row: Session): SessionView => {
    const began = given.get(row.id);
    if (!began) return viewOf(row);
    const { durationS, phases: drawn } = timelineOf(began);
    return { ...began, ...whereOf(row), durationS, curve: smallCurve(drawn) };
  };
  const of = given.size > 0 ? weekOfViews(number, asGiven) : outlineOf(number);
  const find = findIn(c);
  // Far enough back to meet a week that is not easy.
  const earlier = [number - 3, number - 2, number - 1].filter((n) => n > 0);
  // Themes take turns over the weeks: what has none this week may have its turn in the next.
  const alike = phases.flatMap((phase, i) => (phase === of.phase && i + 1 !== number ? [i + 1] : []));
  const turns = plan.wishes.themes ? [of, ...alike.map(outlineOf)].toSorted((a, b) => a.week - b.week) : [of];
  const allotments = turns.flatMap((o) => o.sessions).flatMap((s) => (s.allotment.length > 0 ? [s.allotment] : []));
  const demands = demandedLinks(goalsServed(c));
  const week = weekOf(c).map((w) => w.exercise);
  return {
    ...of,
    steps: weekStepTexts(earlier.map(outlineOf), of, find),
    notes:
      allotments.length > 0
        ? [
            ...weekNotes(week, allotments, demands, (id) => effectOf(c, id), plan.wishes.themes ? [] : plan.wishes.pins),
            ...weekFlags(turns.flatMap((o) => o.sessions)),
            ...(of.share === 1 ? minutesNotes(withBlocks(of.sessions), plan.minutes, stretchLimit(c)) : []),
            ...emptySessions(plan, of.sessions)
          ]
            .map((n): WeekNoteTold => ({ text: weekNoteText(n, find), mend: mendOf(n) }))
            .concat(exchangeNotes(c))
        : []
  };
}

/** Sessions whose parts are at hand. */
const withBlocks = (sessions: readonly SessionView[]) => sessions.filter((s) => s.blocks.length > 0);

/** Exercises at their hardest setting, each with the one that could take its place. */
const exchangeNotes = perCase((c: PlannedCase): WeekNoteTold[] =>
  exchangesOf(c).map(({ exercise, next }) => ({
    text: `${exercise.name} is at its hardest setting; the next step up is ${next.name}.`,
    mend: { code: 'swap', exerciseId: exercise.id }
  }))
);

const nothingGiven = { blocks: [], cuts: [], leftOut: [] } as const;

/** A session in all its parts, with what its week does otherwise, goes without, and gives each motion. Throws: CoreError 'not_found'. */
export async function chosenSession(db: Db, c: PlannedCase, sessionId: number | null): Promise<ChosenSession | null> {
  const all = sessionsOfPlan(c);
  const row =
    sessionId === null
      ? (all.find((s) => s.status === 'running') ?? all.find((s) => s.status === 'planned') ?? all[0])
      : all.find((s) => s.id === sessionId);
  if (!row) {
    if (sessionId === null) return null;
    throw new CoreError('not_found', { what: 'session' });
  }
  const { sessions, ...week } = weekView(c, row.week, await listPrescribed(db, c.plan.lineId, row.week));
  return { session: sessions.find((s) => s.id === row.id)!, week, doses: doseByLink(sessions.flatMap((s) => s.blocks)) };
}

/** The next usual week: still to come as a whole, neither easy nor the first. Null where none is. */
export const usualWeekAhead = perCase((c: PlannedCase): WeekOutline | null => {
  const rows = sessionsOfPlan(c);
  const next = [...new Set(rows.map((s) => s.week))].find((week) =>
    rows.every((s) => s.week !== week || (s.status === 'planned' && amountOf(c, s) === 'whole'))
  );
  return next === undefined ? null : composerOf(c).outlineOf(next);
});

/** Motions, with their side, that a usual week ahead stretches for as long as is let, in all or in one of its sessions. */
export const fullMotions = perCase((c: PlannedCase): ReadonlySet<string> => {
  const sessions = usualWeekAhead(c)?.sessions ?? [];
  const mostOf = stretchLimit(c);
  const stretchedFor = (blocks: readonly Block[], time: keyof StretchMost) =>
    doseByLink(blocks).flatMap((d) => (d.stretchS >= mostOf(d.link)[time] * 60 ? [`${d.link}/${d.side}`] : []));
  return new Set([
    ...sessions.flatMap((s) => stretchedFor(s.blocks, 'sessionMin')),
    ...stretchedFor(
      sessions.flatMap((s) => s.blocks),
      'weekMin'
    )
  ]);
});

/** How long a motion may be stretched in the plan of a person. */
const stretchLimit = (c: PlannedCase) => {
  const person = safetyOf(c);
  return (link: LinkId): StretchMost => stretchMostOf(person, link, c.plan.wishes.stretchMin);
};

/** Sessions with wishes of their own that found nothing to hold: they fell out of the week. */
function emptySessions({ wishes, sessionsPerWeek }: Plan, sessions: readonly Readonly<{ ordinal: number }>[]) {
  const numbers = Object.keys(wishes.sessions).map(Number);
  return numbers
    .filter((n) => n <= sessionsPerWeek && sessions.every((s) => s.ordinal !== n))
    .map((session) => ({ code: 'empty session' as const, session }));
}

/** What came into the week, and what of it is not done any more, since the sessions to come were solved. */
export function movedOn(c: PlannedCase): Readonly<{ came: readonly string[]; gone: readonly string[] }> {
  const solved = sessionsOfPlan(c).find((s) => s.status === 'planned')?.allotment;
  if (!solved || solved.length === 0) return { came: [], gone: [] };
  const find = findIn(c);
  const atHome = hasHomeSessions(c.plan.wishes.sessions) ? standInsIn(c, c.plan.schoolId, goalsServed(c)) : [];
  const open = new Set([...openWeek(c), ...atHome.map((s) => s.exercise)].map((e) => e.id));
  const known = new Set(solved.map((a) => a.exerciseId));
  return {
    came: [...open].filter((id) => !known.has(id)).map((id) => find(id).name),
    gone: [...known].filter((id) => !open.has(id)).map((id) => find(id).name)
  };
}

/** Names of the exercises of the studio, its own ones too. */
export const findIn =
  ({ catalogue }: ClientCase): FindName =>
  (id) =>
    catalogue.find((e) => e.id === id) ?? { name: 'An exercise that is gone' };
