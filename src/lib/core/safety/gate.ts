import { sidesMeet } from '../body/body';
import { addDays } from '../days';
import { isStretching, isThroughTheKnee } from '../exercise/bearing';
import type { Dial, DialId, Setting } from '../exercise/dial';
import { isHarder } from '../exercise/dials';
import { loadedJoints, movedMotions, stretchedLines, type Exercise, type ExerciseTrait } from '../exercise/exercise';
import { motionOf } from '../goal/motions';
import type { Limit, LimitKind } from '../screen/limit';
import { isJointStop, isLineStop, isPersonStop, type OpenStop } from '../screen/stop';
import { setByInstructor } from '../screen/screen';
import type { Side } from '../side';
import { capsOf, type Caps } from './caps';
import { boundMotions, deepestDepthCm, splitOfDial } from './endStops';
import type { SafetyPerson } from './person';
import type { GateReason } from './reason';
import { flatHeld, kneeBendDeg, leastShortCm, liftAndLowerS, longestHoldS, waitDays } from './rules';

export type GateAsk = Readonly<{
  exercise: Exercise;
  /** Null where it is done with both sides together. */
  side: Side | null;
  /** Where its dials stand; a dial nobody set yet is not in it. */
  setting: Setting;
  /** What was measured for the dials that start at a measured reach. */
  measured?: Readonly<Partial<Record<DialId, number>>>;
  person: SafetyPerson;
  today: string;
  /** Of a session that is composed: whether the back is warmed in it before. Not asked where there is no session. */
  session?: Readonly<{ backWarm: boolean }>;
}>;

/** The hardest a dial may stand at, and why. */
export type DialEnd = Readonly<{ at: number; why: GateReason }>;
/** The day on which a dial may be made harder again, and why. An instructor may go past it with a written reason. */
export type DialWait = Readonly<{ opensOn: string; why: GateReason }>;

export type Gated = Readonly<{
  verdict: 'allowed' | 'allowed within' | 'barred';
  bars: readonly GateReason[];
  ends: Readonly<Partial<Record<DialId, DialEnd>>>;
  waits: Readonly<Partial<Record<DialId, DialWait>>>;
  /** Why nothing of it is made harder than it stands; null where it may be. */
  noHarder: GateReason | null;
  /** Why no verdict makes it harder, though it may be set by hand inside its ends; null where one may. */
  keeps: GateReason | null;
  caps: Caps;
  /** What keeps it within, each once. */
  within: readonly GateReason[];
  /** What bears on it and is for the people in the room to keep. */
  remember: readonly GateReason[];
}>;

/**
 * What a person may do of an exercise on a side, and how far: the one question every list, grade, plan and page asks.
 *
 * Model:  barred by a closed person, a stop, a resting line, a limit or a stage; else held within the ends of its dials, caps and
 *         waits. One more limit, stop or lock never allows more.
 * Source: docs/safety.md, docs/sources.md#safety
 */
export function gate(ask: GateAsk): Gated {
  const bars = barsOf(ask);
  const noHarder = noHarderOf(ask);
  const ends = endsOf(ask, noHarder);
  const waits = waitsOf(ask);
  const caps = capsOf(ask.person.limits);
  const within = distinct([
    // The usual cap is no limit of the answers: it is told once, at the head of a session.
    ...Object.values(ends).flatMap((end) => (end && !isUsual(end.why) ? [end.why] : [])),
    ...capReasons(ask),
    ...endStopReasons(ask),
    ...(noHarder ? [noHarder] : []),
    ...Object.values(waits).flatMap((w) => (w ? [w.why] : []))
  ]);
  return {
    verdict: bars.length > 0 ? 'barred' : within.length > 0 ? 'allowed within' : 'allowed',
    bars,
    ends,
    waits,
    noHarder,
    keeps: noHarder ?? firstAttempt(ask),
    caps,
    within,
    remember: rememberOf(ask)
  };
}

/** The ends alone, as dials ask for them. */
export const endValues = ({ ends }: Pick<Gated, 'ends'>): Readonly<Partial<Record<DialId, number>>> =>
  Object.fromEntries(Object.entries(ends).map(([id, end]) => [id, end!.at]));

const isUsual = (why: GateReason): boolean => why.code === 'limit' && why.limit.reason === setByInstructor;

const limitReason = (limit: Limit): GateReason => ({ code: 'limit', limit });

// What bars ——————————————————————————————————————————————————————————————————————————

const barring: Readonly<Record<ExerciseTrait, readonly LimitKind[]>> = {
  ballistic: ['no ballistic'],
  'loaded stretch': ['no loaded stretch'],
  'loaded roll-down': ['no loaded roll-down'],
  'rounded fold': ['no rounded fold'],
  'head down': ['no inversion'],
  lotus: ['no lotus'],
  'heel-sit': ['no heel-sit'],
  'lever on the foot': ['no lever on the foot'],
  'long time on the back': ['no long time on the back'],
  partner: ['no partner', 'no hands-on'],
  'end range': [],
  'past flat': ['no past-flat'],
  'lean back': []
};

function barsOf(ask: GateAsk): GateReason[] {
  const { exercise, person } = ask;
  return [
    ...(person.closed ? [{ code: 'closed', closed: person.closed } as const] : []),
    ...person.stops.filter((stop) => stopBars(stop, ask)).map((stop): GateReason => ({ code: 'stop', stop, bears: true })),
    ...person.told
      .filter((p) => p.again && p.exerciseId === exercise.id && sidesMeet(p.side, ask.side))
      .map((p): GateReason => ({ code: 'told pain', text: p.text, on: p.on, again: true })),
    ...person.limits.filter((limit) => limitBars(limit, ask)).map(limitReason),
    ...kneeBars(ask),
    ...stageBars(ask),
    ...(ask.session?.backWarm === false && exercise.traits.includes('lean back') ? [{ code: 'back not warm' } as const] : []),
    ...pastFlatBars(ask)
  ];
}

function stopBars(stop: OpenStop, { exercise, side }: GateAsk): boolean {
  if (isPersonStop(stop)) return true;
  if (isJointStop(stop)) return loadedJoints(exercise, side).some((j) => j.joint === stop.joint && sidesMeet(j.side, stop.side));
  if (isLineStop(stop)) return stretchedLines(exercise, side).some((l) => l.line === stop.line && sidesMeet(l.side, stop.side));
  return stop.exerciseId === exercise.id && sidesMeet(stop.side, side);
}

function limitBars(limit: Limit, ask: GateAsk): boolean {
  const { exercise, side } = ask;
  const { kind } = limit;
  if (kind === 'no passive stretch of a line')
    return stretchedLines(exercise, side).some((l) => l.line === limit.line && sidesMeet(l.side, limit.side));
  if (kind === 'no end-range work') return isAtEnd(ask, limit) && !hasRoomToStayShort(ask);
  if (kind === 'no bend with inward turn')
    return movedMotions(exercise, side).some((m) => isCrossing(m.motion) && sidesMeet(m.side, limit.side));
  if (kind === 'nothing lying on the front') return exercise.position === 'lying on the front';
  if (kind === 'no head-down') return exercise.traits.includes('head down') && !hasHold(exercise);
  return exercise.traits.some((t) => barring[t].includes(kind)) && sidesMeet(side, limit.side);
}

const hasHold = ({ dials }: Exercise): boolean => dials.some((d) => d.id === 'holdS');

/** Turned inward with the hip bent, or across the middle. */
const isCrossing = (motion: string): boolean => motion === 'HIR90' || motion === 'HIR0' || motion === 'HAD';

/** Whether it works where the range ends, by its form: a hold, a press or a load there, or lifts at the edge. */
const isAtEnd = ({ exercise, side, setting }: GateAsk, limit: Limit): boolean =>
  (exercise.traits.includes('end range') ||
    exercise.phases.some((p) => p === 'hold' || p === 'contract-relax' || p === 'active end') ||
    exercise.position === 'in the split' ||
    (setting.loadKg ?? 0) > 0) &&
  movedMotions(exercise, side).some(
    (m) => (limit.joint === undefined || motionOf(m.motion).joint === limit.joint) && sidesMeet(m.side, limit.side)
  );

/** A height that starts at a measured reach can be kept clearly short of it. */
const hasRoomToStayShort = ({ exercise, measured = {} }: GateAsk): boolean =>
  !exercise.traits.includes('end range') &&
  exercise.dials.some((d) => d.stack?.startFrom && d.stack.bears === 'weight' && measured[d.id] !== undefined);

/** A knee that may not bend as far as a heel-sit or a lotus folds it is not folded. */
const kneeBars = ({ exercise, side, person }: GateAsk): GateReason[] =>
  (['heel-sit', 'lotus'] as const).flatMap((trait) => {
    if (!exercise.traits.includes(trait) || exercise.dials.some((d) => d.stack?.under === 'seat')) return [];
    return boundMotions({ ...exercise, moves: [{ motion: 'KF', on: 'same' }] }, side, person)
      .filter(({ stop }) => stop.value < kneeBendDeg[trait])
      .map(({ stop, side: s, reachedDeg }): GateReason => ({ code: 'end stop', limit: stop, side: s, deg: reachedDeg }));
  });

/** Of the lotus, which stage a position belongs to. */
const lotusStageOf = ({ positionOf, pose }: Exercise): number => (!positionOf.includes('lotus') ? 0 : pose === 'lotus' ? 2 : 1);

const stageBars = ({ exercise, person }: GateAsk): GateReason[] => {
  const needed = lotusStageOf(exercise);
  return needed > person.lotusStage ? [{ code: 'lotus order', stage: person.lotusStage, needed }] : [];
};

/** Whether past flat is open to the leg in front: the flat split was held long enough on enough days. */
export const isFlatHeld = (person: SafetyPerson, side: Side | null): boolean =>
  (side === null ? (['left', 'right'] as const) : [side]).every((s) => new Set(person.flatHeldOn[s]).size >= flatHeld.days);

const flatFirst = (person: SafetyPerson, side: Side | null): GateReason => ({
  code: 'flat first',
  heldDays: Math.min(...(side === null ? (['left', 'right'] as const) : [side]).map((s) => new Set(person.flatHeldOn[s]).size)),
  neededDays: flatHeld.days,
  holdS: flatHeld.holdS
});

/** Work that is past flat whatever its dials say: the flat split first, and no end stop short of it. */
function pastFlatBars({ exercise, side, person }: GateAsk): GateReason[] {
  if (!exercise.traits.includes('past flat')) return [];
  const end = deepestDepthCm(person, 'front', side ?? 'left');
  return [
    ...(isFlatHeld(person, side) ? [] : [flatFirst(person, side)]),
    ...(end && end.depthCm > 1e-9
      ? end.stops.map((s): GateReason => ({ code: 'end stop', limit: s.stop, side: s.side, deg: s.reachedDeg }))
      : [])
  ];
}

// How far ————————————————————————————————————————————————————————————————————————————

/** Dials that say how much is done; the others say how deep. */
const doseUnits: ReadonlySet<Dial['unit']> = new Set(['s', 'reps', 'breaths', 'rounds', '%', 'kg']);
/** Whether a dial takes somebody further into a position. */
export const deepens = (dial: Pick<Dial, 'unit'>): boolean => !doseUnits.has(dial.unit);

/** Why nothing at all is made harder: an open stop anywhere, a limit, a measure that is due, a pain nobody decided on. */
function noHarderOf(ask: GateAsk): GateReason | null {
  const { person, exercise, side } = ask;
  const stop = person.stops[0];
  if (stop) return { code: 'stop', stop, bears: stopBars(stop, ask) };
  const limit = person.limits.find(
    (l) =>
      (l.kind === 'no deepening' && sidesMeet(l.side, side)) ||
      (l.kind === 'measure first' && (person.measuredOn === null || person.measuredOn < (person.screenedOn ?? '')))
  );
  if (limit) return limitReason(limit);
  const told = person.told.find(
    (p) =>
      loadedJoints(exercise, side).some((j) => p.joints.some((x) => x.joint === j.joint && sidesMeet(x.side, j.side))) ||
      stretchedLines(exercise, side).some((l) => p.lines.some((x) => x.line === l.line && sidesMeet(x.side, l.side)))
  );
  return told ? { code: 'told pain', text: told.text, on: told.on, again: false } : null;
}

/** A first attempt has no target. */
function firstAttempt({ person }: GateAsk): GateReason | null {
  const limit = person.limits.find((l) => l.kind === 'half way only');
  return limit ? limitReason(limit) : null;
}

function endsOf(ask: GateAsk, noHarder: GateReason | null): Gated['ends'] {
  const ends: Partial<Record<DialId, DialEnd>> = {};
  for (const dial of ask.exercise.dials) {
    const found = [...limitEnds(dial, ask), ...reachEnds(dial, ask), ...(noHarder ? [standingEnd(dial, ask, noHarder)] : [])];
    const tightest = found.reduce<DialEnd | null>((a, b) => (a && !isHarder(dial, a.at, b.at) ? a : b), null);
    if (tightest) ends[dial.id] = tightest;
  }
  return ends;
}

/** Where a dial stands: in use, else as measured, else at its usual start, else at its easiest. */
const standing = (dial: Dial, { setting, measured = {}, exercise }: GateAsk): number =>
  setting[dial.id] ?? measured[dial.id] ?? exercise.start[dial.id] ?? (dial.harder === 'up' ? dial.min : dial.max);

const standingEnd = (dial: Dial, ask: GateAsk, why: GateReason): DialEnd => ({ at: standing(dial, ask), why });

/** Ends that a limit sets on a dial. */
function limitEnds(dial: Dial, ask: GateAsk): DialEnd[] {
  const { exercise, side, person } = ask;
  return person.limits.flatMap((limit): DialEnd[] => {
    if (!sidesMeet(limit.side, side) && limit.kind !== 'no long hold of a line') return [];
    const at = limitEnd(dial, limit, exercise, side, ask);
    return at === null ? [] : [{ at, why: limitReason(limit) }];
  });
}

function limitEnd(dial: Dial, limit: Limit, exercise: Exercise, side: Side | null, ask: GateAsk): number | null {
  switch (limit.kind) {
    case 'effort cap':
      return dial.id === 'effortPct' ? (limit.value ?? null) : null;
    case 'contraction at most':
      if (dial.id === 'contractionS') return limit.value ?? null;
      return dial.id === 'holdS' && holdIsContraction(exercise) ? Math.max(0, (limit.value ?? 0) - liftAndLowerS) : null;
    case 'no long hold of a line':
      return dial.id === 'holdS' &&
        stretchedLines(exercise, side).some((l) => l.line === limit.line && sidesMeet(l.side, limit.side))
        ? longestHoldS.line
        : null;
    case 'no head-down':
      return dial.id === 'holdS' && exercise.traits.includes('head down') ? longestHoldS.headDown : null;
    case 'no long time on the back':
      return dial.id === 'holdS' && exercise.position === 'lying on the back' ? longestHoldS.onTheBack : null;
    case 'no loaded stretch':
      return dial.id === 'loadKg' && isStretching(exercise) ? 0 : null;
    case 'no past-flat':
      return splitOfDial(dial, exercise) === 'front' ? 0 : null;
    case 'half way only':
      return deepens(dial) ? halfWay(dial, ask) : null;
    case 'no end-range work':
      return dial.stack?.startFrom && dial.stack.bears === 'weight' && isAtEnd(ask, limit) ? halfWay(dial, ask) : null;
    default:
      return null;
  }
}

/** Whether the hold of an exercise is a contraction: nothing but its own muscles keeps it there. */
export const holdIsContraction = ({ kinds }: Pick<Exercise, 'kinds'>): boolean =>
  !kinds.includes('passive') && !kinds.includes('assisted');

/** Half way into a dial: of a measured height half again as far from the end, of anything else the middle of the dial. */
function halfWay(dial: Dial, { measured = {} }: GateAsk): number {
  const reached = measured[dial.id];
  if (reached === undefined) return dial.kind === 'level' ? Math.floor((dial.levels!.length - 1) / 2) : (dial.min + dial.max) / 2;
  const shortCm = Math.max(leastShortCm, Math.abs(reached) / 2);
  return dial.harder === 'down' ? reached + shortCm : Math.max(dial.min, reached - shortCm);
}

/** Ends that end stops and stages set on what takes somebody deeper. */
function reachEnds(dial: Dial, ask: GateAsk): DialEnd[] {
  if (!deepens(dial)) return [];
  const { exercise, side, person } = ask;
  const split = splitOfDial(dial, exercise);
  const ends: DialEnd[] = [];
  const at = (depthCm: number) => (dial.harder === 'up' ? -depthCm + 0 : depthCm);
  if (split) {
    const lead = side ?? 'left';
    const end = deepestDepthCm(person, split, lead);
    for (const s of end?.stops ?? [])
      ends.push({ at: at(end!.depthCm), why: { code: 'end stop', limit: s.stop, side: s.side, deg: s.reachedDeg } });
    if (split === 'front' && !isFlatHeld(person, side)) ends.push({ at: at(0), why: flatFirst(person, side) });
  }
  // What was measured has come to the stop, or was never measured: no deeper than it stands.
  for (const { stop, side: s, reachedDeg } of boundMotions(exercise, side, person))
    if ((reachedDeg === null && !split) || (reachedDeg !== null && reachedDeg >= stop.value))
      ends.push(standingEnd(dial, ask, { code: 'end stop', limit: stop, side: s, deg: reachedDeg }));
  return ends;
}

/** End stops that bear on an exercise are told there, also while there is room left. */
const endStopReasons = ({ exercise, side, person }: GateAsk): GateReason[] =>
  boundMotions(exercise, side, person).map(({ stop, side: s, reachedDeg }) => ({
    code: 'end stop',
    limit: stop,
    side: s,
    deg: reachedDeg
  }));

const presses = ({ kinds, dials }: Exercise): boolean =>
  kinds.includes('isometric') || kinds.includes('active') || dials.some((d) => d.id === 'effortPct');

/** Caps that a limit of the answers sets and that bear on an exercise. */
function capReasons({ exercise, person }: GateAsk): GateReason[] {
  return person.limits
    .filter(
      (l) =>
        l.reason !== setByInstructor &&
        ((l.kind === 'effort cap' && presses(exercise)) ||
          (l.kind === 'teach first, effort cap' && presses(exercise)) ||
          (l.kind === 'contraction at most' && presses(exercise)) ||
          l.kind === 'sensation cap' ||
          (l.kind === 'warm-up at least' && exercise.phases[0] === 'warm-up'))
    )
    .map(limitReason);
}

// How soon ———————————————————————————————————————————————————————————————————————————

/** Whether a step of an exercise is one of the knee: it folds or turns it. */
const isOfTheKnee = ({ links, traits }: Exercise): boolean =>
  traits.includes('lotus') || traits.includes('heel-sit') || links.some((l) => l === 'KF' || l === 'HE-KF');

/** Whether a limit on steps of the knee bears on an exercise: whatever turns or folds the knee. */
const turnsTheKnee = (exercise: Exercise): boolean => isOfTheKnee(exercise) || exercise.links.some((l) => isThroughTheKnee(l));

function waitsOf({ exercise, side, person, today }: GateAsk): Gated['waits'] {
  const waits: Partial<Record<DialId, DialWait>> = {};
  const asked = (kind: LimitKind) =>
    Math.max(0, ...person.limits.filter((l) => l.kind === kind && sidesMeet(l.side, side)).map((l) => l.value ?? 0));
  const kneeDays = Math.max(isOfTheKnee(exercise) ? waitDays.knee : 0, turnsTheKnee(exercise) ? asked('rung at least') : 0);
  const depthDays = Math.max(waitDays.depth, asked('deepening at most every'));
  for (const dial of exercise.dials.filter(deepens)) {
    if (kneeDays === 0 && dial.unit === 'level') continue;
    const days = Math.max(depthDays, kneeDays);
    const since = person.moves
      .filter((m) => m.exerciseId === exercise.id && m.dial === dial.id && sidesMeet(m.side, side))
      // A first setting is no deepening, but a step of the knee begins with it.
      .filter((m) => !m.first || kneeDays > 0)
      .map((m) => ({ on: m.on, opensOn: addDays(m.on, m.first ? kneeDays : days), days: m.first ? kneeDays : days }))
      .toSorted((a, b) => b.opensOn.localeCompare(a.opensOn))[0];
    if (!since || since.opensOn <= today) continue;
    waits[dial.id] = {
      opensOn: since.opensOn,
      why: {
        code: 'wait',
        days: since.days,
        since: since.on,
        opensOn: since.opensOn,
        rung: kneeDays >= depthDays ? 'knee' : 'depth'
      }
    };
  }
  return waits;
}

// What to remember ———————————————————————————————————————————————————————————————————

/** Limits that nothing can compute: they are told at every exercise they bear on. */
const remembered: Readonly<Partial<Record<LimitKind, (exercise: Exercise) => boolean>>> = {
  'adult present': () => true,
  'wide support only': ({ position }) => !position.startsWith('lying') && position !== 'sitting' && position !== 'on a seat',
  'active work first': (e) => isStretching(e),
  'stay short of the pinch': ({ moves }) => moves.some((m) => motionOf(m.motion).joint === 'hip'),
  'no bracing': presses,
  'no rounded fold': ({ links, traits }) => links.includes('HF-KS') && !traits.includes('rounded fold'),
  'half way only': ({ dials }) => dials.some(deepens),
  'measure first': ({ dials }) => dials.some(deepens),
  'no hands-on': (e) => isStretching(e),
  'no partner': (e) => isStretching(e),
  'deepening at most every': ({ dials }) => dials.some(deepens),
  'rung at least': turnsTheKnee
};

const rememberOf = ({ exercise, side, person }: GateAsk): GateReason[] =>
  person.limits.filter((l) => remembered[l.kind]?.(exercise) && sidesMeet(l.side, side)).map(limitReason);

const distinct = (reasons: readonly GateReason[]): GateReason[] => [
  ...new Map(reasons.map((r) => [JSON.stringify(r), r])).values()
];
