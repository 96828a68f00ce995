// Words for limits and for what the gate says. They are made last, from codes and numbers.
import { defaultEffortCapPct, defaultSensationCap } from '../cycle/compileCycle';
import { dayText } from '../days';
import type { Line } from '../body/body';
import { motionOf } from '../body/motions';
import { plainFroms, type Limit, type LimitKind, type PlainFrom } from '../screen/limit';
import { setByInstructor } from '../screen/screen';
import { screeningRows } from '../screen/screeningTable';
import { isJointStop, isLineStop, isPersonStop, type Stop } from '../screen/stop';
import type { GateReason } from './reason';

/** A sentence for every kind of limit. A forgotten kind does not compile. */
const limitSentences = {
  'effort cap': (l) => `effort at most ${l.value} %`,
  'sensation cap': (l) => `sensation at most ${l.value} of 10`,
  'warm-up at least': (l) => `warm-up at least ${Math.round((l.value ?? 0) / 60)} minutes`,
  'contraction at most': (l) => `contractions up to ${l.value} seconds`,
  'deepening at most every': (l) => `made harder at most every ${l.value} days`,
  'rung at least': (l) => `at least ${l.value} days at each step that turns or bends the knee`,
  'joint end stop': (l) => `${l.motion ? motionOf(l.motion).name : 'the joint'}: stop at ${l.value}°`,
  'teach first, effort cap': (l) => `taught first, effort at most ${l.value} % for two sessions`,
  'no past-flat': () => 'no work past flat',
  'no partner': () => 'no pressing by a partner',
  'no hands-on': () => 'no hands-on help',
  'no ballistic': () => 'no bouncing',
  'no bracing': () => 'no breath-holding or bracing',
  'no loaded stretch': () => 'no loaded stretch',
  'no loaded roll-down': () => 'no load on the roll-down',
  'no rounded fold': () => 'folds with a flat back only',
  'no passive stretch of a line': (l) => `${l.line ? lineText[l.line] : 'the line'}: not stretched passively`,
  'no long hold of a line': (l) => `${l.line ? lineText[l.line] : 'the line'}: no long holds`,
  'joint rests': (l) => `${l.joint ? `the ${l.joint}` : 'the joint'} rests: nothing that loads it`,
  'no deepening': (l) => `nothing ${l.joint ? `that loads the ${l.joint} ` : ''}is made harder`,
  'no end-range work': (l) => `no work at the end of the range${l.joint ? ` of the ${l.joint}` : ''}`,
  'no bend with inward turn': () => 'no inward turn of a bent hip, nothing across the middle',
  'no head-down': () => 'no head-down beyond a minute',
  'no inversion': () => 'no inversion',
  'no long time on the back': () => 'no long time on the back',
  'nothing lying on the front': () => 'nothing lying on the front',
  'wide support only': () => 'only on a wide base, with something to hold on to',
  'no heel-sit': () => 'no heel-sit',
  'no lotus': () => 'no lotus',
  'no lever on the foot': () => 'no pull or push on the foot',
  'stay short of the pinch': () => 'stay short of the pinch',
  'active work first': () => 'active and strength work first',
  'adult present': () => 'only with an adult present',
  'half way only': () => 'go half way only, hands supported, no depth to aim for',
  'measure first': () => 'measure again before anything is made harder; begin one step back'
} satisfies Record<LimitKind, (limit: Limit) => string>;

export const lineText: Readonly<Record<Line, string>> = {
  hamstring: 'hamstrings',
  'hip flexor': 'front of the hip and thigh',
  'inner thigh': 'inner thigh',
  'outer hip': 'outer hip',
  calf: 'calf',
  forearm: 'forearm'
};

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const usualCaps: Readonly<Partial<Record<LimitKind, number>>> = {
  'effort cap': defaultEffortCapPct,
  'sensation cap': defaultSensationCap
};

/** Where a limit comes from, in words. */
export function fromText({ from, kind, value }: Pick<Limit, 'from'> & Partial<Pick<Limit, 'kind' | 'value'>>): string {
  // What nobody changed is the usual cap, and not the instructor's word.
  if (from === setByInstructor && kind && value === usualCaps[kind]) return 'the usual cap';
  if (from.startsWith('kept/')) return from.slice('kept/'.length);
  const row = from.startsWith('row/') ? screeningRows.find((r) => r.id === from.slice('row/'.length)) : undefined;
  return row ? lower(row.text) : (plainFroms[from as PlainFrom] ?? 'an answer of an earlier Check');
}

export const limitText = (limit: Limit): string =>
  capital(limitSentences[limit.kind](limit)) + (limit.side ? `, ${limit.side}` : '');

/** What a stop takes out: "Left knee", "Right hamstrings", "Everything". */
export function stopPlaceText(stop: Stop): string {
  if (isPersonStop(stop)) return 'Everything';
  const side = stop.side ? `${stop.side} ` : '';
  if (isJointStop(stop)) return capital(`${side}${stop.joint}`);
  if (isLineStop(stop)) return capital(`${side}${lineText[stop.line]}`);
  return capital(`${side}side of this exercise`.trim());
}

function stopSentence({ stop, bears }: Extract<GateReason, { code: 'stop' }>): string {
  const tail = `Open until a named person clears it in Check.`;
  if (isPersonStop(stop)) return `Nothing is trained: ${lower(stop.reason)}. ${tail}`;
  if (!bears) return `Something else is stopped (${lower(stop.reason)}), so nothing is made harder meanwhile.`;
  if (isJointStop(stop)) return `${stopPlaceText(stop)} is locked: ${lower(stop.reason)}. ${tail}`;
  if (isLineStop(stop)) return `${stopPlaceText(stop)}: resting from passive stretching, ${lower(stop.reason)}. ${tail}`;
  return `Stopped${stop.side ? `, ${stop.side}` : ''}: ${lower(stop.reason)}. ${tail}`;
}

const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);

const closedSentences = {
  'not screened': 'Nobody has gone through the Check with this person yet. Check comes first.',
  'clinician first': 'A clinician comes first. Nothing is trained until a named person clears it in Check.',
  urgent: 'Medical help comes first. Nothing is trained until a named person clears it in Check.'
} as const;

const lotusStages = ['the easy seat', 'half lotus', 'lotus'] as const;

/** The same in a few words, for lists. */
export function reasonBrief(reason: GateReason): string {
  switch (reason.code) {
    case 'closed':
      return reason.closed === 'not screened'
        ? 'Check first'
        : reason.closed === 'urgent'
          ? 'medical help first'
          : 'a clinician first';
    case 'stop':
      if (isPersonStop(reason.stop)) return 'medical help first';
      if (isJointStop(reason.stop)) return `${lower(stopPlaceText(reason.stop))} is locked`;
      return isLineStop(reason.stop) ? `${lower(stopPlaceText(reason.stop))} at rest` : 'stopped after pain';
    case 'limit':
      return lower(limitText(reason.limit));
    case 'end stop':
      return `${motionOf(reason.limit.motion!).name} stops at ${reason.limit.value}°`;
    case 'flat first':
      return 'the flat split first';
    case 'lotus order':
      return `${lotusStages[reason.needed - 1]} first`;
    case 'new to load':
      return `new to this load: under ${reason.belowKg} kg`;
    case 'back not warm':
      return 'the back is not warm';
    case 'told pain':
      return 'pain to decide on';
    case 'wait':
      return `opens on ${dayText(reason.opensOn)}`;
  }
}

/** A whole sentence for what the gate says. */
export function reasonText(reason: GateReason): string {
  switch (reason.code) {
    case 'closed':
      return closedSentences[reason.closed];
    case 'stop':
      return stopSentence(reason);
    case 'limit':
      return `${limitText(reason.limit)} (${fromText(reason.limit)}).`;
    case 'end stop': {
      const motion = capital(motionOf(reason.limit.motion!).name);
      const measured = reason.deg === null ? 'Not measured yet, so no deeper than now.' : `Measured ${Math.round(reason.deg)}°.`;
      return `${motion}, ${reason.side}: stopped at ${reason.limit.value}° by ${fromText(reason.limit)}. ${measured}`;
    }
    case 'flat first':
      return `Past flat opens once the flat split was held ${reason.holdS} seconds on ${reason.neededDays} days: ${reason.heldDays} so far.`;
    case 'lotus order':
      return `${capital(lotusStages[reason.needed]!)} comes after ${lotusStages[reason.needed - 1]}. The stage in work is ${lotusStages[reason.stage]}; it is moved on in Goal.`;
    case 'new to load':
      return reason.opensOn === null
        ? `New to this load: under ${reason.belowKg} kg for the first ${reason.days} days.`
        : `New to this load: under ${reason.belowKg} kg until ${dayText(reason.opensOn)}.`;
    case 'back not warm':
      return 'Leaning back comes only after the back was warmed in the same session.';
    case 'told pain':
      if (reason.moderate)
        return `Moderate pain was told (${reason.text}): what loads that joint rests until you decide in Review, or for a week.`;
      return reason.again
        ? `Pain was told for the second time (${reason.text}): it is taken out until you decide in Review.`
        : `Pain was told (${reason.text}) and is not decided on yet: nothing it bears on is made harder.`;
    case 'wait':
      return reason.rung === 'knee'
        ? `At least ${reason.days} days at each step that turns or bends the knee. The next one opens on ${dayText(reason.opensOn)}.`
        : `A depth is made harder at most every ${reason.days} days. The next step opens on ${dayText(reason.opensOn)}.`;
  }
}
