import { sidesMeet } from '../body/body';
import { loadsJoint, movedMotions, stretchesLine, type Exercise, type ExerciseTrait } from '../exercise/exercise';
import type { Limit, LimitKind } from '../screen/limit';
import { isJointStop, isLineStop, isPersonStop, type OpenStop } from '../screen/stop';
import { limitReason, movesOther, type GateAsk } from './ask';
import { boundMotions, deepestDepthCm, splitOfDial } from './endStops';
import { isAtEnd, isCrossing, hasRoomToStayShort } from './endRange';
import type { GateReason } from './reason';
import { endStopErrorDeg, kneeBendDeg } from './rules';
import { flatFirst, isFlatHeld, stageBars } from './stages';

// What is not done at all.

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
  'lean back': [],
  'narrow stance': ['wide support only']
};

/** Traits that say what the limb it is done on goes through, and not the other one. */
const ofTheSide: ReadonlySet<ExerciseTrait> = new Set(['lotus', 'heel-sit', 'lever on the foot']);

/** Every reason for which it is not done; none where it is. */
export function barsOf(ask: GateAsk): GateReason[] {
  const { exercise, person } = ask;
  return [
    ...(person.closed ? [{ code: 'closed', closed: person.closed } as const] : []),
    ...person.stops.filter((stop) => stopBars(stop, ask)).map((stop): GateReason => ({ code: 'stop', stop, bears: true })),
    ...person.told
      .filter((p) => p.again && p.exerciseId === exercise.id && sidesMeet(p.side, ask.side))
      .map((p): GateReason => ({ code: 'told pain', text: p.text, on: p.on, again: true })),
    ...person.told
      .filter((p) => p.moderate && p.joints.some((joint) => loadsJoint(exercise, ask.side, joint)))
      .map((p): GateReason => ({ code: 'told pain', text: p.text, on: p.on, again: false, moderate: true })),
    ...person.limits.filter((limit) => limitBars(limit, ask)).map(limitReason),
    ...kneeBars(ask),
    ...pastStopBars(ask),
    ...stageBars(ask),
    ...(ask.session?.backWarm === false && exercise.traits.includes('lean back') ? [{ code: 'back not warm' } as const] : []),
    ...pastFlatBars(ask)
  ];
}

export function stopBars(stop: OpenStop, { exercise, side }: GateAsk): boolean {
  if (isPersonStop(stop)) return true;
  if (isJointStop(stop)) return loadsJoint(exercise, side, stop);
  if (isLineStop(stop)) return stretchesLine(exercise, side, stop);
  return stop.exerciseId === exercise.id && sidesMeet(stop.side, side);
}

function limitBars(limit: Limit, ask: GateAsk): boolean {
  const { exercise, side } = ask;
  const { kind } = limit;
  if (kind === 'no passive stretch of a line') return stretchesLine(exercise, side, limit);
  if (kind === 'joint rests') return loadsJoint(exercise, side, { joint: limit.joint!, side: limit.side ?? null });
  if (kind === 'no end-range work') return isAtEnd(ask, limit) && !hasRoomToStayShort(ask);
  if (kind === 'no bend with inward turn')
    return movedMotions(exercise, side).some((m) => isCrossing(m.motion) && sidesMeet(m.side, limit.side));
  if (kind === 'contraction at most') return isLongerWayDown(exercise, limit);
  if (kind === 'nothing lying on the front') return exercise.position === 'lying on the front';
  if (kind === 'no head-down') return exercise.traits.includes('head down') && !hasHold(exercise);
  if (kind === 'wide support only' && isUnsupported(exercise)) return true;
  const isConcerned = (trait: ExerciseTrait) => sidesMeet(side, limit.side) || (!ofTheSide.has(trait) && movesOther(exercise));
  return exercise.traits.some((trait) => barring[trait].includes(kind) && isConcerned(trait));
}

/** Things a standing person can hold on to. */
const supports: ReadonlySet<string> = new Set(['wall', 'rail', 'chair', 'stairs']);

/** On one leg, or in the air, with nothing to hold on to. */
const isUnsupported = ({ position, traits, loads, props }: Exercise): boolean =>
  position === 'standing' &&
  (traits.includes('ballistic') || loads.some((l) => l.joint === 'ankle' && l.on === 'other')) &&
  !props.some((p) => supports.has(p.id));

/** Lowered and raised by its own strength for longer than a contraction may last: done quicker it would be dropped. */
const isLongerWayDown = ({ tempo }: Exercise, { value = Infinity }: Limit): boolean =>
  tempo?.kind === 'lowered' && tempo.downS + tempo.upS > value;

const hasHold = ({ dials }: Exercise): boolean => dials.some((d) => d.id === 'holdS');

/** A knee that may not bend as far as a heel-sit or a lotus folds it is not folded. */
const kneeBars = ({ exercise, side, person }: GateAsk): GateReason[] =>
  (['heel-sit', 'lotus'] as const).flatMap((trait) => {
    if (!exercise.traits.includes(trait) || exercise.dials.some((d) => d.stack?.under === 'seat')) return [];
    return boundMotions({ ...exercise, moves: [{ motion: 'KF', on: 'same', role: 'passes' }] }, side, person)
      .filter(({ stop }) => stop.value < kneeBendDeg[trait])
      .map(({ stop, side: s, reachedDeg }): GateReason => ({ code: 'end stop', limit: stop, side: s, deg: reachedDeg }));
  });

/**
 * What takes a joint to its end is not done where that end lies past the end stop, or where a knee was never measured and so nobody
 * knows. A split is held at its height instead.
 */
function pastStopBars({ exercise, side, person }: GateAsk): GateReason[] {
  if (exercise.dials.some((dial) => splitOfDial(dial, exercise) !== null)) return [];
  const opened = exercise.moves.filter((m) => m.role === 'opens');
  return boundMotions({ ...exercise, moves: opened }, side, person)
    .filter(({ motion, reachedDeg, stop }) =>
      reachedDeg === null ? motion === 'KF' && opened.some((m) => m.motion === 'KF') : reachedDeg > stop.value + endStopErrorDeg
    )
    .map(({ stop, side: s, reachedDeg }): GateReason => ({ code: 'end stop', limit: stop, side: s, deg: reachedDeg }));
}

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
