import { sidesMeet } from '../body/body';
import { addDays } from '../days';
import { isStretching } from '../exercise/bearing';
import { hold, type Dial, type DialId } from '../exercise/dial';
import { isHarder } from '../exercise/dials';
import { loadsJoint, stretchesLine, type Exercise } from '../exercise/exercise';
import type { Limit } from '../screen/limit';
import type { Side } from '../body/side';
import { limitConcerns, limitReason, type GateAsk } from './ask';
import { stopBars } from './bars';
import { halfWay, isAtEnd } from './endRange';
import { boundMotions, deepestDepthCm, splitOfDial } from './endStops';
import type { GateReason } from './reason';
import { endStopErrorDeg, liftAndLowerS, longestHoldS, newToLoad } from './rules';
import { flatFirst, isFlatHeld } from './stages';

/** The hardest a dial may stand at, and why. */
export type DialEnd = Readonly<{ at: number; why: GateReason }>;
export type DialEnds = Readonly<Partial<Record<DialId, DialEnd>>>;

/** Dials that say how much is done; the others say how deep. */
const doseUnits: ReadonlySet<Dial['unit']> = new Set(['s', 'reps', 'breaths', 'rounds', '%', 'kg']);
/** Whether a dial takes somebody further into a position. */
export const deepens = (dial: Pick<Dial, 'unit'>): boolean => !doseUnits.has(dial.unit);

/** Why nothing at all is made harder: an open stop anywhere, a limit, a measure that is due, a pain nobody decided on. */
export function noHarderOf(ask: GateAsk): GateReason | null {
  const { person } = ask;
  const stop = person.stops[0];
  if (stop) return { code: 'stop', stop, bears: stopBars(stop, ask) };
  const limit = person.limits.find(
    (l) =>
      (l.kind === 'no deepening' && limitConcerns(l, ask)) ||
      (l.kind === 'measure first' && (person.measuredOn === null || person.measuredOn < (person.screenedOn ?? '')))
  );
  if (limit) return limitReason(limit);
  return toldPainOf(ask);
}

/** A pain that was told, nobody has decided on, and that an exercise loads or stretches where it is felt; null where there is none. */
export function toldPainOf({ person, exercise, side }: Pick<GateAsk, 'person' | 'exercise' | 'side'>): GateReason | null {
  const told = person.told.find(
    (p) =>
      p.joints.some((joint) => loadsJoint(exercise, side, joint)) || p.lines.some((line) => stretchesLine(exercise, side, line))
  );
  return told ? { code: 'told pain', text: told.text, on: told.on, again: false } : null;
}

/** A first attempt has no target. */
export function firstAttempt({ person }: GateAsk): GateReason | null {
  const limit = person.limits.find((l) => l.kind === 'half way only');
  return limit ? limitReason(limit) : null;
}

/** The tightest end of every dial that has one. */
export function endsOf(ask: GateAsk, noHarder: GateReason | null): DialEnds {
  const ends: Partial<Record<DialId, DialEnd>> = {};
  for (const dial of ask.exercise.dials) {
    const found = [
      ...limitEnds(dial, ask),
      ...reachEnds(dial, ask),
      ...loadEnds(dial, ask),
      ...(noHarder ? [standingEnd(dial, ask, noHarder)] : [])
    ];
    const tightest = found.reduce<DialEnd | null>((a, b) => (a && !isHarder(dial, a.at, b.at) ? a : b), null);
    if (tightest) ends[dial.id] = tightest;
  }
  return ends;
}

const anyHold = hold(0, 3600, 1);

/** The longest it is held at one go, whether or not a dial says how long; null where nothing says so. */
export function longestHoldOf(ask: GateAsk): number | null {
  const longest = Math.min(...limitEnds(anyHold, ask).map((end) => end.at));
  return longest === Infinity ? null : longest;
}

/** Where a dial stands: in use, else as measured, else at its usual start, else at its easiest. */
const standing = (dial: Dial, { setting, measured = {}, exercise }: GateAsk): number =>
  setting[dial.id] ?? measured[dial.id] ?? exercise.start[dial.id] ?? (dial.harder === 'up' ? dial.min : dial.max);

const standingEnd = (dial: Dial, ask: GateAsk, why: GateReason): DialEnd => ({ at: standing(dial, ask), why });

/** Ends that a limit sets on a dial. */
function limitEnds(dial: Dial, ask: GateAsk): DialEnd[] {
  const { exercise, side, person } = ask;
  return person.limits.flatMap((limit): DialEnd[] => {
    if (!limitConcerns(limit, ask)) return [];
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
      return dial.id === 'holdS' && stretchesLine(exercise, side, limit) ? longestHoldS.line : null;
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

/** A load that is new to a person is a small one. */
function loadEnds(dial: Dial, { exercise, side, person, today }: GateAsk): DialEnd[] {
  if (dial.id !== 'loadKg') return [];
  const { belowKg, days } = newToLoad;
  const first = person.moves
    .filter((m) => m.exerciseId === exercise.id && m.dial === dial.id && sidesMeet(m.side, side))
    .map((m) => m.on)
    .toSorted()[0];
  const opensOn = first === undefined ? null : addDays(first, days);
  const at = Math.floor((belowKg - 1e-9) / dial.step) * dial.step;
  if (at >= dial.max || (opensOn !== null && opensOn <= today)) return [];
  return [{ at, why: { code: 'new to load', belowKg, days, opensOn } }];
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
  // What was measured has come to the stop within its error, or was never measured: no deeper than it stands.
  for (const { stop, side: s, reachedDeg } of boundMotions(exercise, side, person))
    if (reachedDeg === null ? !split : reachedDeg >= stop.value - endStopErrorDeg)
      ends.push(standingEnd(dial, ask, { code: 'end stop', limit: stop, side: s, deg: reachedDeg }));
  return ends;
}
