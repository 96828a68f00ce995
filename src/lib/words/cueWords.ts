import { otherSide, type Cue, type CueCode, type CueNote, type Deepening, type Phase, type Resistance } from '$lib/core';
import { repText } from './repWords';

/** Against what a press goes. */
export const resistanceWords = {
  hand: 'against the hand',
  floor: 'into the floor',
  strap: 'against the strap',
  wall: 'against the wall',
  partner: 'against the partner, who only gives way when asked',
  'other leg': 'against the other leg'
} as const satisfies Record<Resistance, string>;

/** How it goes deeper between the rounds. */
export const deepeningWords = {
  'move the limb': 'move the limb a little further',
  'tilt the pelvis': 'tilt the pelvis a little more',
  lean: 'lean in a little further',
  'lower the prop': 'come up, lower the prop, come back',
  'breathe out': 'let each breath out take it a little deeper'
} as const satisfies Record<Deepening, string>;

/** By what it went deeper, after "deeper by". */
export const deepenedWords = {
  'move the limb': 'the limb',
  'tilt the pelvis': 'the pelvis',
  lean: 'a lean',
  'lower the prop': 'a lower prop',
  'breathe out': 'the breath'
} as const satisfies Record<Deepening, string>;

type Words = string | ((cue: Cue) => string);

const onSide = ({ side }: Cue): string => (side ? `, ${side}` : '');
const leg = ({ side }: Cue): string => (side ? `${side} leg` : 'one leg');

const cueWords = {
  'get ready': 'Get ready',
  hold: 'Hold. Breathe slowly',
  measure: 'Measure, and write it down',
  'move easily': 'Move easily, only as far as it is free',
  'lie still': 'Lie still. Breathe slowly',
  'let it come': 'Hold. Breathe and let it come',
  'lightly at work': 'Work lightly all the while',
  breathe: 'Breathe slowly. Longer out than in',
  'breathe at work': 'Breathe, working lightly. Longer out than in',
  'build the press': 'Press, building up. Keep breathing',
  press: 'Press, steady. Keep breathing',
  'build the draw': 'Draw, building up. Keep breathing',
  draw: 'Draw, steady. Keep breathing',
  release: 'Release slowly',
  'let go': 'Let go. Keep the shape',
  'out and in again': 'Come out of it slowly, move a little, go back in',
  settle: 'Settle',
  'settle deeper': ({ deepening }) =>
    deepening ? `Settle: ${deepeningWords[deepening]}` : 'Settle a little deeper on the out-breath',
  'settle here': 'Settle. Stay at this depth',
  stay: 'Stay. Breathe in the new place',
  'small, then wide': 'Small first, then as far as it goes easily',
  'one way round': 'One way round',
  'the other way round': 'The other way round',
  lift: 'Lift',
  'without a stop': 'Without a stop, at an even beat',
  'hold there': ({ atDeg }) => (atDeg === undefined ? 'Hold it there' : `Hold it there at ${atDeg}°`),
  'place by hand': 'Place it by hand above where it lifts by itself',
  'let it stay': 'Let go, and keep it there',
  'press against the pull': 'Press against the pull, there where it is deepest',
  lower: 'Lower slowly',
  rest: 'Rest',
  march: 'March on the spot, arms swinging',
  'hip circles': 'Hip circles, both ways',
  'slow hip circles': 'Slow hip circles, both ways',
  'cat and cow': 'Cat and cow, five of each',
  'slow cat and cow': 'Cat and cow, slowly',
  'arm circles': 'Circle arms, elbows and wrists, both ways',
  'arm circles both ways': 'Arm circles, forward and back',
  'leg swings': (cue) => `Leg swings${onSide(cue)}. A hand on the wall`,
  'leg swings across': (cue) => `Leg swings across${onSide(cue)}. Both hands on the wall`,
  // The lunge goes by the leg behind; it is called by the foot in front.
  'lunge and sink': ({ side }) => `Lunge and sink, ${side ? otherSide(side) : 'one'} foot in front`,
  'half-split pulses': (cue) => `Half-split pulses, ${leg(cue)} in front`,
  'butterfly rock': 'Butterfly. Rock from side to side, easily',
  'trailing knee lifts': (cue) => `90/90. Lift and lower the trailing knee${onSide(cue)}`,
  'knee circles': (cue) => `Sit. Knee circles${onSide(cue)}, both ways`,
  'ankle circles': (cue) => `Ankle circles${onSide(cue)}, both ways`,
  'heel raises': 'Heel raises, slowly',
  'feet in turn': 'Sit. Point one foot and draw up the other, in turn',
  'turn and bend': 'Sit tall. Turn and bend to either side',
  'shake out hands': 'Shake out arms and hands, easily',
  'shake out all': 'Shake out arms and legs, easily',
  'lie on the side': 'Lie on your side, a cushion between the knees. Breathe slowly',
  'rise by the hands': 'Stay. Push yourself up with your hands when you rise',
  'lie on the back': 'Lie on your back, knees bent, feet wide. Breathe slowly',
  'rise by the side': 'Stay. When you rise, turn to the right side first',
  'stand at ease': 'Stand at ease, both feet alike. Breathe slowly'
} as const satisfies Record<CueCode, Words>;

/** Returns the sentence of a phase, with the repetition it is of. */
export function cueSentence({ cue, rep }: Pick<Phase, 'cue' | 'rep'>): string {
  // A session of an earlier release may hold a sentence that no code is known for: it is said as it stands.
  const words: Words = cueWords[cue.code] ?? cue.code;
  const text = (typeof words === 'string' ? words : words(cue)).replace(/\.$/, '');
  return `${text}${rep ? `, ${repText(rep)}` : ''}.`;
}

/** Returns what is to be kept to besides, as sentences. */
export const noteSentences = (notes: readonly CueNote[]): string =>
  notes
    .map((note) => {
      switch (note.code) {
        case 'against':
          return `Press ${resistanceWords[note.resistance]}.`;
        case 'brace':
          return 'Tighten the whole body, and keep breathing.';
        case 'open':
          return `Open: ${note.allows}.`;
      }
    })
    .join(' ');
