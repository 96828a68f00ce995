import { motionOf, type Limit, type LimitKind } from '$lib/core';
import { capital } from './format';

/** A sentence for every kind of limit. A forgotten kind does not compile. */
const sentences = {
  'effort cap': (l) => `effort at most ${l.value} %`,
  'sensation cap': (l) => `sensation at most ${l.value} of 10`,
  'warm-up at least': (l) => `warm-up at least ${Math.round((l.value ?? 0) / 60)} minutes`,
  'contraction at most': (l) => `contractions up to ${l.value} seconds`,
  'deepening at most every': (l) => `deepened at most every ${l.value} days`,
  'rung at least': (l) => `at least ${l.value} days on a knee rung`,
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
  'no passive stretch of a line': (l) => `the ${l.line} line is not stretched passively`,
  'no long hold of a line': (l) => `no long holds of the ${l.line} line`,
  'no deepening': () => 'nothing is deepened',
  'no end-range work': () => 'no work at the end of the range',
  'no head-down': () => 'no head-down beyond a minute',
  'no inversion': () => 'no inversion',
  'no long time on the back': () => 'no long time on the back',
  'nothing lying on the front': () => 'nothing lying on the front',
  'wide support only': () => 'wide, supported positions only',
  'no heel-sit': () => 'no heel-sit',
  'no lotus': () => 'no lotus',
  'no lever on the foot': () => 'no lever on the foot',
  'stay short of the pinch': () => 'stay short of the pinch',
  'active work first': () => 'active and strength work first',
  'adult present': () => 'an adult is present',
  'half way only': () => 'half way, hands supported, no target'
} satisfies Record<LimitKind, (limit: Limit) => string>;

export const limitText = (limit: Limit): string => capital(sentences[limit.kind](limit)) + (limit.side ? `, ${limit.side}` : '');
