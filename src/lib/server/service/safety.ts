import type { Taken } from '$lib/contract/taken';
import {
  addDays,
  gate,
  isHarder,
  loadedJoints,
  measureOf,
  motionIds,
  painKindOf,
  painPlaceOf,
  reachKey,
  reasonBrief,
  sides,
  stretchedLines,
  type Dial,
  type DialId,
  type DialMove,
  type Exercise,
  type Gated,
  type GateReason,
  type Limit,
  type PainEvent,
  type SafetyPerson,
  type Setting,
  type Side,
  type ToldIn,
  type ToldPain
} from '$lib/core';
import { openStops } from '../repo/lockRepo';
import type { PainRecord } from '../repo/logRepo';
import { isCheckPassed, limitsOf } from './checking';
import { dateOf, legOf, type ClientCase } from './clientCase';
import { latestTaken, takenOf } from './taken';
import { perCase } from './perCase';

/** Days a pain that was told keeps what it bears on from being made harder, while nobody decides on it (assumption). */
const toldPainDays = 7;

/** Everything the gate has to know of a client, as it stands today. */
export const safetyOf = perCase((c: ClientCase): SafetyPerson => ({
  closed: closedOf(c),
  limits: limitsOf(c),
  stops: openStops(c.locks),
  told: toldPains(c),
  legCm: { left: legOf(c.client, 'left').value, right: legOf(c.client, 'right').value },
  reachedDeg: reachedOf(c),
  moves: movesOf(c),
  flatHeldOn: { left: flatDays(c, 'left'), right: flatDays(c, 'right') },
  lotusStage: Math.max(0, ...c.goals.filter((g) => g.kind === 'lotus').map((g) => g.stage)),
  measuredOn: c.goal ? (takenOf(c).findLast((r) => r.measureId === c.goal!.headline)?.takenOn ?? null) : null,
  screenedOn: c.screening?.takenOn ?? null
}));

function closedOf({ screening }: ClientCase): SafetyPerson['closed'] {
  if (!screening) return 'not screened';
  if (isCheckPassed(screening)) return null;
  return screening.clearance === 'urgent' ? 'urgent' : 'clinician first';
}

/** The gate for a client. `more` are limits of today alone. */
export function gateOf(
  c: ClientCase,
  exercise: Exercise,
  side: Side | null,
  setting: Setting,
  measured: Readonly<Partial<Record<DialId, number>>> = {},
  more: readonly Limit[] = []
): Gated {
  const person = safetyOf(c);
  return gate({
    exercise,
    side,
    setting,
    measured,
    person: more.length > 0 ? { ...person, limits: [...person.limits, ...more] } : person,
    today: c.today
  });
}

/** Why a person may not do an exercise at all; on one side of it where both are open otherwise. */
export function barsOf(c: ClientCase, exercise: Exercise, side: Side | null = null): readonly GateReason[] {
  const asked = (s: Side | null) => gateOf(c, exercise, s, exercise.start, measuredOf(c, exercise, s)).bars;
  if (exercise.sides !== 'each' || side !== null) return asked(exercise.sides === 'each' ? side : null);
  const both = sides.map(asked);
  // Barred as a whole only where it is so on either side.
  return both.every((b) => b.length > 0) ? both.flat() : [];
}

/** In a few words why an exercise is not done now, on which side where one alone is closed; empty where it is open. */
export function barBrief(c: ClientCase, exercise: Exercise): string {
  const of = (side: Side | null) => barsOf(c, exercise, side)[0];
  const whole = of(null);
  if (whole) return reasonBrief(whole);
  if (exercise.sides !== 'each') return '';
  const barred = sides.filter(of);
  return barred.map((side) => `${side}${barred.length === 1 ? ' only' : ''} (${reasonBrief(of(side)!)})`).join(', ');
}

/** What was taken of the measure a dial on a stack starts from; where both sides stand on one stack, that of the side that needs more. */
export function startTaken(c: ClientCase, exercise: Exercise, dial: Dial, side: Side | null): Taken | null {
  const measure = dial.stack?.startFrom?.measure;
  if (!measure) return null;
  const one = (s: Side | null) => latestTaken(c, measure, s, 'passive') ?? latestTaken(c, measure, s, 'active');
  if (measureOf(measure).sides === 'both together') return one(null);
  if (exercise.sides === 'each' && side !== null) return one(side);
  const [left, right] = [one('left'), one('right')];
  return left && right ? (left.value >= right.value ? left : right) : (left ?? right);
}

/** What was taken as its dial counts: only a split goes below the floor. */
export const dialValue = (dial: Dial, { value }: Taken): number => (dial.stack?.past ? value : Math.max(0, value));

/** What was measured for the dials that start at a measured reach, as they count. */
export function measuredOf(c: ClientCase, exercise: Exercise, side: Side | null): Partial<Record<DialId, number>> {
  return Object.fromEntries(
    exercise.dials.flatMap((dial) => {
      const taken = startTaken(c, exercise, dial, side);
      return taken ? [[dial.id, dialValue(dial, taken)]] : [];
    })
  );
}

/** What an exercise loads and stretches on a side. */
export const toldIn = (exercise: Exercise, side: Side | null): ToldIn => ({
  joints: loadedJoints(exercise, side),
  lines: stretchedLines(exercise, side)
});

export const painText = ({ kind, place, side, grade }: PainEvent): string =>
  `${painKindOf(kind).label}: ${side ? `${side} ` : ''}${painPlaceOf(place).label.toLowerCase()}${grade ? `, ${grade}` : ''}`;

/** Whether a told pain hurts, so that something follows from it. */
export const isHurt = ({ kind }: Pick<PainRecord, 'kind'>): boolean => painKindOf(kind).action !== 'carry on';

function toldPains(c: ClientCase): ToldPain[] {
  return (
    c.pains
      .filter((p) => isHurt(p) && !isDecided(c, p))
      .map((p) => ({ p, again: isAgain(c, p) }))
      // The second time a stop is proposed: the exercise rests until somebody decides, however long that takes.
      .filter(({ p, again }) => again || addDays(p.feltOn, toldPainDays) > c.today)
      .map(({ p, again }) => {
        const place = painPlaceOf(p.place);
        const exercise = c.catalogue.find((e) => e.id === p.exerciseId);
        const told = exercise && place.joint === null ? toldIn(exercise, p.workSide) : { joints: [], lines: [] };
        return {
          text: painText(p).toLowerCase(),
          exerciseId: p.exerciseId,
          side: p.workSide,
          again,
          moderate: p.grade === 'moderate',
          on: p.feltOn,
          joints: place.joint ? [{ joint: place.joint, side: place.sided ? p.side : null }] : told.joints,
          lines: place.lines.length > 0 ? place.lines.map((line) => ({ line, side: place.sided ? p.side : null })) : told.lines
        };
      })
  );
}

/** True where an exercise had hurt on that side on an earlier day. */
const isAgain = (c: ClientCase, p: PainRecord): boolean =>
  c.pains.some(
    (q) => q.exerciseId !== null && q.exerciseId === p.exerciseId && q.feltOn < p.feltOn && isHurt(q) && sameSide(p, q)
  );

const sameSide = (a: PainRecord, b: PainRecord) => a.workSide === null || b.workSide === null || a.workSide === b.workSide;

/** Whether something was decided on the exercise since a pain of it was told. */
export const isDecided = (c: ClientCase, p: PainRecord): boolean =>
  p.exerciseId !== null &&
  c.decisions.some(
    (d) =>
      d.exerciseId === p.exerciseId &&
      (p.workSide === null || d.side === null || d.side === p.workSide) &&
      d.decidedAt >= p.toldAt
  );

function reachedOf(c: ClientCase): Record<string, number> {
  const reached: Record<string, number> = {};
  for (const motion of motionIds)
    for (const side of sides) {
      const taken = latestTaken(c, motion, side, 'passive');
      if (taken) reached[reachKey(motion, side)] = taken.value;
    }
  return reached;
}

/** First settings, and steps that made a dial harder, by hand or by verdict, each on the day it was made. */
function movesOf(c: ClientCase): DialMove[] {
  const dialOf = (exerciseId: string, dial: string) =>
    c.catalogue.find((e) => e.id === exerciseId)?.dials.find((d) => d.id === dial);
  const byHand = c.settingChanges.flatMap(({ exerciseId, side, dial, from, to, changedAt }): DialMove[] => {
    const known = dialOf(exerciseId, dial);
    if (!known || (from !== null && !isHarder(known, to, from))) return [];
    return [{ exerciseId, side, dial, on: dateOf(changedAt), first: from === null }];
  });
  const byVerdict = c.decisions.flatMap(({ verdict, exerciseId, side, dial, decidedOn }): DialMove[] =>
    verdict === 'deepen' && dial !== null
      ? (side === null ? sides : [side]).map((s) => ({ exerciseId, side: s, dial, on: decidedOn, first: false }))
      : []
  );
  return [...byHand, ...byVerdict];
}

/** Days on which the flat split was held long enough, clean, with a leg in front. */
const flatDays = (c: ClientCase, side: Side): string[] => [
  ...new Set(c.flatHolds.filter((h) => h.side === side).map((h) => dateOf(h.startedAt)))
];
