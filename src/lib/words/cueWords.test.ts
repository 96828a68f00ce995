import { expect, test } from 'vitest';
import { deepenings, resistances, type Cue, type CueCode } from '$lib/core';
import { cueSentence, noteSentences } from './cueWords';

// Source: what is called out beside the mat, common practice.
test.each<[Cue, string]>([
  [{ code: 'settle deeper' }, 'Settle a little deeper on the out-breath.'],
  [{ code: 'settle deeper', deepening: 'lean' }, 'Settle: lean in a little further.'],
  [{ code: 'hold there', atDeg: 52 }, 'Hold it there at 52°.'],
  [{ code: 'leg swings', side: 'left' }, 'Leg swings, left. A hand on the wall.'],
  [{ code: 'leg swings' }, 'Leg swings. A hand on the wall.'],
  // The left leg behind is the right foot in front.
  [{ code: 'lunge and sink', side: 'left' }, 'Lunge and sink, right foot in front.'],
  [{ code: 'half-split pulses', side: 'right' }, 'Half-split pulses, right leg in front.'],
  [{ code: 'lie on the back' }, 'Lie on your back, knees bent, feet wide. Breathe slowly.']
])('%j', (cue, text) => expect(cueSentence({ cue })).toBe(text));

test('the repetition stands behind its words', () => {
  expect(cueSentence({ cue: { code: 'let it stay' }, rep: { at: 1, of: 5 } })).toBe('Let go, and keep it there, 1 of 5.');
  expect(cueSentence({ cue: { code: 'lift' }, rep: { at: 1, of: 8, least: 5 } })).toBe('Lift, 1, from 5 to 8 clean ones.');
});

test('a sentence of an earlier release is said as it stands', () =>
  expect(cueSentence({ cue: { code: 'Stand on one leg.' as CueCode } })).toBe('Stand on one leg.'));

test('what is to be kept to besides', () => {
  expect(noteSentences([{ code: 'against', resistance: 'strap' }, { code: 'brace' }])).toBe(
    'Press against the strap. Tighten the whole body, and keep breathing.'
  );
  expect(noteSentences([{ code: 'open', allows: 'the pelvis may tip' }])).toBe('Open: the pelvis may tip.');
  for (const resistance of resistances)
    expect(noteSentences([{ code: 'against', resistance }])).toMatch(/^Press (against|into) /);
  for (const deepening of deepenings) expect(cueSentence({ cue: { code: 'settle deeper', deepening } })).toMatch(/^Settle: /);
});
